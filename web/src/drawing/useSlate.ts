import { useElementSize } from '@vueuse/core'
import type { Point } from '@gentle-awl/core'
import { pointer, select } from 'd3-selection'
import { zoom as zoomBehaviour, zoomIdentity, type D3ZoomEvent, type ZoomTransform } from 'd3-zoom'
import { computed, ref, shallowRef, watch, type Ref } from 'vue'

/** What is drawn, mm, y up. */
export interface World {
  minX: number
  minY: number
  maxX: number
  maxY: number
}

/** Pixels of the surface that rulers and tools cover. */
export interface Insets {
  left: number
  right: number
  top: number
  bottom: number
}

/** Pixels per mm. */
const MIN_SCALE = 0.3
const MAX_SCALE = 40

/**
 * How a drawing is looked at: pan, wheel and pinch of its surface by d3-zoom. `scale` is pixels per mm; `x` and `y`
 * (down) map mm to pixels, `place` maps a pointer to mm. The whole is shown until somebody moves it; then the view stays
 * where it was put. While `held` the surface does not follow pointer and fingers, since something on it does; the wheel
 * still goes nearer and further. `SlateSurface` shows it.
 */
export function useSlate(world: Ref<World>, insets: Insets) {
  /** The element that takes pointers, keys and wheel. */
  const surface = shallowRef<HTMLElement | null>(null)
  const { width, height } = useElementSize(surface)
  /** Of the drawing with y down: screen = k * mm + (x, y). */
  const view = shallowRef<ZoomTransform>(zoomIdentity)
  const moved = ref(false)
  const held = ref(false)

  const behaviour = zoomBehaviour<HTMLElement, unknown>()
    .scaleExtent([MIN_SCALE, MAX_SCALE])
    // Its size is known; asked of the element, the page would be laid out for it each time.
    .extent(() => [
      [0, 0],
      [width.value, height.value],
    ])
    // A touch screen may come to any machine.
    .touchable(true)
    .filter(
      (event: MouseEvent | WheelEvent | TouchEvent) =>
        event.type === 'wheel' || (!held.value && !('button' in event && event.button !== 0)),
    )
    .on('zoom', ({ transform, sourceEvent }: D3ZoomEvent<HTMLElement, unknown>) => {
      view.value = transform
      if (sourceEvent) moved.value = true
    })
  watch(
    surface,
    (element) => {
      if (!element) return
      // Pressed twice, a drawing is not to jump; it has buttons and keys for that.
      select(element).call(behaviour).on('dblclick.zoom', null).call(behaviour.transform, view.value)
    },
    { immediate: true, flush: 'post' },
  )
  /** Shows another view; the surface, once there is one, goes on from it. */
  function show(next: ZoomTransform): void {
    if (surface.value) select(surface.value).call(behaviour.transform, next)
    view.value = next
  }
  const clamp = (k: number) => Math.min(MAX_SCALE, Math.max(MIN_SCALE, k))

  function fit(): void {
    const w = world.value
    const free = {
      width: width.value - insets.left - insets.right,
      height: height.value - insets.top - insets.bottom,
    }
    const s = Math.min(free.width / (w.maxX - w.minX), free.height / (w.maxY - w.minY))
    const k = Number.isFinite(s) && s > 0 ? clamp(s) : 1
    const [midX, midY] = [insets.left + free.width / 2, insets.top + free.height / 2]
    show(zoomIdentity.translate(midX - (k * (w.minX + w.maxX)) / 2, midY + (k * (w.minY + w.maxY)) / 2).scale(k))
    moved.value = false
  }
  watch(
    [width, height, world],
    ([w, h], [w0, h0]) => {
      if (!moved.value) fit()
      // What stood in the middle stays there.
      else if (w !== w0 || h !== h0) pan((w - (w0 ?? w)) / 2, (h - (h0 ?? h)) / 2)
    },
    { immediate: true },
  )

  const scale = computed(() => view.value.k)
  const x = (mm: number) => view.value.applyX(mm)
  const y = (mm: number) => view.value.applyY(-mm)
  const transform = computed(() => `translate(${view.value.x} ${view.value.y}) scale(${view.value.k})`)

  /** Zoom by a factor, keeping the point under (px, py) where it is. */
  function zoom(by: number, px = width.value / 2, py = height.value / 2): void {
    const { k, x: left, y: top } = view.value
    const next = clamp(k * by)
    const grown = next / k
    show(zoomIdentity.translate(px - (px - left) * grown, py - (py - top) * grown).scale(next))
    moved.value = true
  }
  function setScale(pixelsPerMm: number): void {
    zoom(pixelsPerMm / scale.value)
  }
  /** Moves all by so many pixels. */
  function pan(dx: number, dy: number): void {
    const { k, x: left, y: top } = view.value
    show(zoomIdentity.translate(left + dx, top + dy).scale(k))
    moved.value = true
  }
  /** The mm at a place of the surface, pixels. */
  const at = (px: number, py: number): Point => [(px - x(0)) / scale.value, (y(0) - py) / scale.value]
  /** Where on the drawing a pointer is, mm. */
  function place(event: PointerEvent): Point {
    const [px, py] = pointer(event, surface.value)
    return at(px, py)
  }
  return {
    surface,
    world,
    insets,
    width,
    height,
    scale,
    x,
    y,
    transform,
    fit,
    zoom,
    setScale,
    pan,
    place,
    at,
    moved,
    held,
  }
}
export type Slate = ReturnType<typeof useSlate>

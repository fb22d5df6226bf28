import { useElementSize } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'

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

const MIN_SCALE = 0.3
const MAX_SCALE = 40

/**
 * Pan and zoom of a drawing surface. `scale` is pixels per mm; `x` and `y` (down) map mm to pixels. The whole is
 * shown until somebody moves it; then the view stays where it was put.
 */
export function usePanZoom(surface: Ref<HTMLElement | null>, world: Ref<World>, insets: Insets) {
  const { width, height } = useElementSize(surface)
  const scale = ref(1)
  const centreX = ref(0)
  const centreY = ref(0)
  const moved = ref(false)

  function fit(): void {
    const w = world.value
    const free = {
      width: width.value - insets.left - insets.right,
      height: height.value - insets.top - insets.bottom,
    }
    const s = Math.min(free.width / (w.maxX - w.minX), free.height / (w.maxY - w.minY))
    scale.value = Number.isFinite(s) && s > 0 ? Math.min(MAX_SCALE, Math.max(MIN_SCALE, s)) : 1
    centreX.value = (w.minX + w.maxX) / 2 - (insets.left - insets.right) / 2 / scale.value
    centreY.value = (w.minY + w.maxY) / 2 - (insets.bottom - insets.top) / 2 / scale.value
    moved.value = false
  }
  watch(
    [width, height, world],
    () => {
      if (!moved.value) fit()
    },
    { immediate: true },
  )

  const x = (mm: number) => width.value / 2 + (mm - centreX.value) * scale.value
  const y = (mm: number) => height.value / 2 - (mm - centreY.value) * scale.value
  const transform = computed(
    () =>
      `translate(${width.value / 2 - centreX.value * scale.value} ${height.value / 2 + centreY.value * scale.value}) scale(${scale.value})`,
  )

  /** Zoom by a factor, keeping the point under (px, py) where it is. */
  function zoom(by: number, px = width.value / 2, py = height.value / 2): void {
    const next = Math.min(MAX_SCALE, Math.max(MIN_SCALE, scale.value * by))
    const mmX = centreX.value + (px - width.value / 2) / scale.value
    const mmY = centreY.value - (py - height.value / 2) / scale.value
    centreX.value = mmX - (px - width.value / 2) / next
    centreY.value = mmY + (py - height.value / 2) / next
    scale.value = next
    moved.value = true
  }
  function setScale(pixelsPerMm: number): void {
    zoom(pixelsPerMm / scale.value)
  }
  function pan(dx: number, dy: number): void {
    centreX.value -= dx / scale.value
    centreY.value += dy / scale.value
    moved.value = true
  }

  // One finger or the mouse pans, two fingers zoom.
  const pointers = new Map<number, { x: number; y: number }>()
  function down(event: PointerEvent): void {
    pointers.set(event.pointerId, { x: event.offsetX, y: event.offsetY })
    surface.value?.setPointerCapture(event.pointerId)
  }
  function move(event: PointerEvent): void {
    const before = pointers.get(event.pointerId)
    if (!before) return
    const now = { x: event.offsetX, y: event.offsetY }
    const other = [...pointers].find(([id]) => id !== event.pointerId)?.[1]
    if (other) {
      const span = (p: { x: number; y: number }) => Math.hypot(p.x - other.x, p.y - other.y)
      zoom(span(now) / Math.max(1, span(before)), (now.x + other.x) / 2, (now.y + other.y) / 2)
    } else pan(now.x - before.x, now.y - before.y)
    pointers.set(event.pointerId, now)
  }
  function up(event: PointerEvent): void {
    pointers.delete(event.pointerId)
  }
  function wheel(event: WheelEvent): void {
    event.preventDefault()
    const box = surface.value?.getBoundingClientRect()
    zoom(Math.exp(-event.deltaY * 0.0015), event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0))
  }
  /** What the surface listens to, as one `v-on`. */
  const listens = { pointerdown: down, pointermove: move, pointerup: up, pointercancel: up, wheel }
  return { width, height, scale, x, y, transform, fit, zoom, setScale, pan, moved, down, move, up, wheel, listens }
}

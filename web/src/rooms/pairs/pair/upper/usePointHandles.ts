import { wallSides, type PointPlaces, type KeyPoint, type Point, type PointSide, type Side } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import type { Slate } from '../../../../drawing/useSlate.ts'

/** A point of the design as it can be taken hold of, in pixels of the surface. */
export interface Handle {
  point: KeyPoint
  side: Side
  key: string
  x: number
  y: number
  /** It lies on the side that stands in front. */
  front: boolean
}

/** How near a finger must come to a point, pixels. */
const GRASP = 22
/** The arrow keys move by half a millimetre, with Shift by five. */
const NUDGE: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }

interface Needs {
  points: () => readonly KeyPoint[]
  board: () => PointPlaces
  side: () => PointSide
  view: Slate
  choose: (point: string) => void
  move: (point: KeyPoint, side: Side, to: Point) => void
  /** A drag begins, or ends. */
  hold: (held: boolean) => void
}

/** The handles of a design on its forme: dragged by pointer, nudged by key. What is no handle moves the drawing. */
export function usePointHandles({ points, board, side, view, choose, move, hold }: Needs) {
  const front = computed<Side>(() => (side() === 'medial' ? 'medial' : 'lateral'))
  const handles = computed<Handle[]>(() =>
    points().flatMap((point) => {
      const one = point.sides.length === 1
      const shown = one ? point.sides : side() === 'both' ? wallSides : [front.value]
      return shown.map((s) => {
        const [x, y] = board().whereIs(point, s)
        return { point, side: s, key: `${point.id}:${s}`, x: view.x(x), y: view.y(y), front: one || s === front.value }
      })
    }),
  )
  const held = ref<Handle | null>(null)

  function down(event: PointerEvent): void {
    const [mx, my] = view.place(event)
    const [px, py] = [view.x(mx), view.y(my)]
    // Of two points on one spot the one in front is meant.
    const near = handles.value
      .map((h) => ({ h, away: Math.hypot(h.x - px, h.y - py) - (h.front ? 1 : 0) }))
      .reduce<{ h: Handle; away: number } | null>((best, n) => (!best || n.away < best.away ? n : best), null)
    if (!near || near.away >= GRASP) return
    held.value = near.h
    // The point follows the pointer, and the drawing stays.
    view.held.value = true
    choose(near.h.point.id)
    hold(true)
    view.surface.value?.setPointerCapture(event.pointerId)
  }
  function drag(event: PointerEvent): void {
    if (!held.value) return
    move(held.value.point, held.value.side, view.place(event))
  }
  function up(): void {
    if (held.value) hold(false)
    held.value = null
    view.held.value = false
  }
  function nudge(event: KeyboardEvent, h: Handle): void {
    const way = NUDGE[event.key]
    if (!way) return
    event.preventDefault()
    event.stopPropagation()
    const by = event.shiftKey ? 5 : 0.5
    const [x, y] = board().whereIs(h.point, h.side)
    choose(h.point.id)
    move(h.point, h.side, [x + way[0] * by, y + way[1] * by])
  }
  return { front, handles, down, drag, up, nudge }
}

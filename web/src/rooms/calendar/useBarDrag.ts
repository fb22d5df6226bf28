import { drag, type D3DragEvent } from 'd3-drag'
import { select } from 'd3-selection'
import { watch, type Ref } from 'vue'
import type { TimelineBar } from './timelineRows.ts'

/** A bar where it lies in the drawing, px. */
export interface LyingBar {
  bar: TimelineBar
  x: number
  y: number
  width: number
}

interface Handlers {
  /** The bar of that id, if it can be dragged. */
  barAt: (id: string) => LyingBar | null
  moved: (from: LyingBar, dx: number, dy: number) => void
  dropped: () => void
}

/** A press that moves less than this chooses a bar and does not drag it, px. */
const STILL = 5

interface Subject {
  from: LyingBar
  x: number
  y: number
}

/** Drags bars about in a drawing, with mouse, pen or finger: the bar stays where it is until it is let go. */
export function useBarDrag(drawing: Ref<SVGSVGElement | null>, { barAt, moved, dropped }: Handlers): void {
  watch(drawing, (svg) => {
    if (!svg) return
    let away = false
    const dragging = drag<SVGSVGElement, unknown, Subject | null>()
      .clickDistance(STILL)
      .subject((event: D3DragEvent<SVGSVGElement, unknown, Subject | null>): Subject | null => {
        const source: unknown = event.sourceEvent
        const target = source instanceof Event && source.target instanceof Element ? source.target : null
        const id = target?.closest('[data-bar]')?.getAttribute('data-bar')
        const from = id ? barAt(id) : null
        return from && { from, x: event.x, y: event.y }
      })
      .on('start', () => (away = false))
      .on('drag', (event: D3DragEvent<SVGSVGElement, unknown, Subject>) => {
        const [dx, dy] = [event.x - event.subject.x, event.y - event.subject.y]
        away ||= Math.hypot(dx, dy) >= STILL
        if (away) moved(event.subject.from, dx, dy)
      })
      .on('end', () => away && dropped())
    select(svg).call(dragging)
  })
}

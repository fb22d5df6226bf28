import { simplify, type Path, type Point } from '@gentle-awl/core'
import { computed, type Ref } from 'vue'
import { placeLabels, type LabelPlace } from './labels.ts'
import { widthOf } from './textWidth.ts'
import type { Slate } from './useSlate.ts'

/** A label as a drawing asks for it: all in mm, y up. */
export interface Named {
  key: string
  lines: readonly string[]
  /** Height of its letters, pixels. */
  size: number
  at: Point
  names: Path
}

/** A closed line that ends where it begins. */
export const closed = (path: Path): Path => [...path, path[0]!]
/** A straight line by points, so that a label finds the one next to it. */
export const along = (a: Point, b: Point): Path =>
  Array.from({ length: 13 }, (_, k) => [a[0] + ((b[0] - a[0]) * k) / 12, a[1] + ((b[1] - a[1]) * k) / 12])

/** Lines are looked at no finer than this, pixels. */
const COARSE = 1.5

/**
 * Labels of a drawing, placed clear of each other and of its lines (mm, y up): anew when it is drawn or looked at nearer,
 * not while it is only moved. `room` pixels round the drawing's world may be taken too,
 * and all that is free beside it while it does not fill the surface.
 */
export function useLabels(slate: Slate, labels: Ref<readonly Named[]>, lines: Ref<readonly Path[]>, room = 30) {
  const atScale = computed<LabelPlace[]>(() => {
    const k = slate.scale.value
    const world = slate.world.value
    const { left, right, top, bottom } = slate.insets
    // The world lies in the middle of what is free for it, and seldom fills both ways.
    const across = Math.max((k * (world.maxX - world.minX)) / 2 + room, (slate.width.value - left - right) / 2)
    const down = Math.max((k * (world.maxY - world.minY)) / 2 + room, (slate.height.value - top - bottom) / 2)
    const px = (path: Path): Path => path.map(([x, y]): Point => [k * x, -k * y])
    const thin = (path: Path): Path => px(simplify(path, COARSE / k))
    return placeLabels(
      labels.value.map((l) => ({ ...l, at: px([l.at])[0]!, names: px(l.names) })),
      lines.value.map(thin),
      {
        minX: (k * (world.minX + world.maxX)) / 2 - across,
        maxX: (k * (world.minX + world.maxX)) / 2 + across,
        minY: (-k * (world.minY + world.maxY)) / 2 - down,
        maxY: (-k * (world.minY + world.maxY)) / 2 + down,
      },
      widthOf,
    )
  })
  return computed(() => {
    const [x0, y0] = [slate.x(0), slate.y(0)]
    const moved = ([x, y]: Point): Point => [x + x0, y + y0]
    return atScale.value.map((p, i) => {
      const [x, y] = moved([p.x, p.y])
      const lead: LabelPlace['lead'] = p.lead && [moved(p.lead[0]), moved(p.lead[1])]
      const { lines: said, size } = labels.value[i]!
      return { place: { ...p, x, y, lead }, lines: said, size }
    })
  })
}

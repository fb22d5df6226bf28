import { boxOf, translate, type LayGround, type Path, type Point } from '@gentle-awl/core'

/** Between two hides on one drawing, mm. */
const BETWEEN = 80

/** How far each hide is moved on the drawing so that they lie side by side, the first where it is, their lower edges level, mm. */
export function sideBySide(grounds: readonly LayGround[]): Point[] {
  let end = 0
  let level = 0
  return grounds.map(({ outline }, k): Point => {
    const b = boxOf(outline)
    const shift: Point = k === 0 ? [0, 0] : [end + BETWEEN - b.minX, level - b.minY]
    if (k === 0) level = b.minY
    end = b.maxX + shift[0]
    return shift
  })
}

const moved = (path: Path, [dx, dy]: Point): [number, number][] => translate(path, dx, dy).map(([x, y]) => [x, y])

/** A hide where it lies on the drawing. */
export const movedGround = (ground: LayGround, by: Point): LayGround => ({
  outline: moved(ground.outline, by),
  flaws: ground.flaws.map((f) => ({ ...f, outline: moved(f.outline, by) })),
  zones: ground.zones.map((z) => ({ ...z, outline: moved(z.outline, by) })),
  tight: ground.tight,
  directions: ground.directions.map((d) => {
    const [x, y] = moved([d.at], by)[0]!
    return { ...d, at: [x, y] }
  }),
})

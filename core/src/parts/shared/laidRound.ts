import { nearest } from '../../geometry/polyline.ts'
import {
  boxOf,
  contains,
  counterClockwise,
  GeometryError,
  rotate,
  translate,
  type Path,
  type Point,
} from '../../geometry/path.ts'
import { isSimple } from '../../geometry/selfIntersection.ts'
import { layBottom } from '../../last/tracing.ts'
import type { CupSoleFields } from '../../model/cupSole.ts'
import { mm, say } from '../../units/sentence.ts'

/** A bought sole laid round the lasted shoe it is for. */
export interface LaidRound {
  /** The sole's outline as it settles best. */
  sole: Path
  shoe: Path
  /** From every point of `shoe` out to the sole's outline, mm; negative where the shoe is larger. */
  clearance: number[]
  least: { at: Point; room: number }
  most: { at: Point; room: number }
}

const clearanceOf = (shoe: Path, sole: Path): number[] =>
  shoe.map((p) => nearest(sole, p, true).away * (contains(sole, p) ? 1 : -1))

/**
 * How a shoe and a bought sole lie on each other. The sole is moved and turned until its least clearance is as large as it
 * can be (a pattern search over two shifts and a turn, as a shoe settles when it is pressed in or laid on); then clearance is
 * read all round. `shoe` is the lasted outline with its heel at x = 0; `what` is how a sentence calls the sole. Throws
 * GeometryError when its outline cannot be used.
 */
export function layRound(
  shoe: Path,
  bought: Pick<CupSoleFields, 'outline' | 'turned' | 'flipped'>,
  what: string,
): LaidRound {
  const drawn = counterClockwise(bought.outline)
  if (!isSimple(drawn)) throw new GeometryError(`The outline of ${what} crosses itself. Draw or trace it again.`)
  const laid = layBottom(drawn, bought)(drawn)
  const sole = counterClockwise(laid)
  const [a, b] = [boxOf(sole), boxOf(shoe)]
  if (Math.abs(a.maxX - a.minX - (b.maxX - b.minX)) > OTHER_SIZE) {
    throw new GeometryError(
      say`The outline of ${what} is ${mm(a.maxX - a.minX, 0)} long and the lasted shoe ${mm(b.maxX - b.minX, 0)}: they are different sizes, or the unit of the file is wrong.`,
    )
  }
  const centred = translate(sole, (b.minX + b.maxX - a.minX - a.maxX) / 2, (b.minY + b.maxY - a.minY - a.maxY) / 2)
  const middle: Point = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
  const at = ([dx, dy, turn]: readonly number[]): Path =>
    translate(rotate(translate(centred, -middle[0], -middle[1]), turn!), middle[0] + dx!, middle[1] + dy!)
  // Every few points are enough to settle it; the clearance itself is read on all.
  const coarse = shoe.filter((_, i) => i % 3 === 0)
  const least = (q: readonly number[]) => Math.min(...clearanceOf(coarse, at(q)))
  let best = [0, 0, 0]
  let room = least(best)
  for (let size = 4; size > 0.02;) {
    let moved = false
    for (const [axis, scale] of [
      [0, 1],
      [1, 1],
      [2, 0.4],
    ]) {
      for (const way of [size, -size]) {
        const q = best.map((v, i) => (i === axis ? v + way * scale! : v))
        const r = least(q)
        if (r > room + 1e-4) {
          ;[best, room, moved] = [q, r, true]
        }
      }
    }
    if (!moved) size /= 2
  }
  const settled = at(best)
  const clearance = clearanceOf(shoe, settled)
  const end = (better: (x: number, y: number) => boolean) => {
    const i = clearance.reduce((k, c, j) => (better(c, clearance[k]!) ? j : k), 0)
    return { at: shoe[i]!, room: clearance[i]! }
  }
  return { sole: settled, shoe, clearance, least: end((x, y) => x < y), most: end((x, y) => x > y) }
}

/** A sole so much longer or shorter than the shoe is of another size, mm. */
const OTHER_SIZE = 40

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
import type { Finding } from '../../trade/because.ts'
import type { CupSoleFields } from '../../model/cupSole.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { mm, say, type Sentence, mmTo } from '../../units/sentence.ts'

export const cupRules = {
  good: {
    key: 'cup.good',
    name: 'Good clearance in a cup sole, up to',
    value: 1.5,
    min: 0.5,
    max: 3,
    unit: 'mm',
    why: 'Up to this the cement and a little pressure close the gap.',
  },
  gappy: {
    key: 'cup.gappy',
    name: 'Gappy clearance in a cup sole, from',
    value: 2.5,
    min: 1.5,
    max: 5,
    unit: 'mm',
    why: 'A wider gap shows, and the wall of the cup stands off from the upper.',
  },
} satisfies Record<string, Rule>

export type CupVerdict = 'tight' | 'good' | 'roomy' | 'gappy'

export interface CupFit {
  /** The cup's inside laid round the shoe as it settles best. */
  cup: Path
  shoe: Path
  /** Room between shoe and cup at every point of `shoe`, mm; negative where the shoe is larger. */
  clearance: number[]
  verdicts: CupVerdict[]
  least: { at: Point; room: number }
  most: { at: Point; room: number }
  verdict: CupVerdict
  finding: Finding
}

const clearanceOf = (shoe: Path, cup: Path): number[] =>
  shoe.map((p) => nearest(cup, p, true).away * (contains(cup, p) ? 1 : -1))

/**
 * How a shoe sits in a cup sole. The cup is moved and turned until its least clearance is as large as it can be (a
 * pattern search over two shifts and a turn, as a shoe settles when it is pressed in); then clearance is read all round.
 * `shoe` is the lasted outline with its heel at x = 0. Throws GeometryError when the cup's outline cannot be used.
 */
export function cupFit(
  shoe: Path,
  sole: Pick<CupSoleFields, 'outline' | 'turned' | 'flipped'>,
  book: RuleBook,
): CupFit {
  const drawn = counterClockwise(sole.outline)
  if (!isSimple(drawn)) throw new GeometryError('The outline of the cup sole crosses itself. Draw or trace it again.')
  const laid = layBottom(drawn, sole)(drawn)
  const cup = counterClockwise(laid)
  const [a, b] = [boxOf(cup), boxOf(shoe)]
  if (Math.abs(a.maxX - a.minX - (b.maxX - b.minX)) > 40) {
    throw new GeometryError(
      say`The cup sole is ${mm(a.maxX - a.minX, 0)} long inside and the lasted shoe ${mm(b.maxX - b.minX, 0)}: they are different sizes, or the unit of the file is wrong.`,
    )
  }
  const centred = translate(cup, (b.minX + b.maxX - a.minX - a.maxX) / 2, (b.minY + b.maxY - a.minY - a.maxY) / 2)
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
  const good = book.value(cupRules.good)
  const gappy = book.value(cupRules.gappy)
  const verdictOf = (c: number): CupVerdict => (c < 0 ? 'tight' : c <= good ? 'good' : c <= gappy ? 'roomy' : 'gappy')
  const ends = (better: (x: number, y: number) => boolean) => {
    const i = clearance.reduce((k, c, j) => (better(c, clearance[k]!) ? j : k), 0)
    return { at: shoe[i]!, room: clearance[i]! }
  }
  const lo = ends((x, y) => x < y)
  const hi = ends((x, y) => x > y)
  const verdict: CupVerdict = lo.room < 0 ? 'tight' : verdictOf(hi.room)
  return {
    cup: settled,
    shoe,
    clearance,
    verdicts: clearance.map(verdictOf),
    least: lo,
    most: hi,
    verdict,
    finding: cupFinding(verdict, lo.room, hi.room, gappy),
  }
}

function cupFinding(verdict: CupVerdict, least: number, most: number, gappy: number): Finding {
  const said: Record<CupVerdict, [Finding['level'], Sentence, string]> = {
    tight: [
      'stop',
      say`The shoe is ${mm(-least, 1)} larger than the cup at its tightest place.`,
      'Take the next size of cup, thinner layers, or thin the turned margin there.',
    ],
    good: ['fine', say`The shoe sits in the cup with ${mmTo(least, most, 1)} of room.`, ''],
    roomy: [
      'watch',
      say`There is up to ${mm(most, 1)} of room: more than cement closes by itself.`,
      'Fill with a thicker lining or a strip at the margin, or press it well.',
    ],
    gappy: [
      'watch',
      say`There is up to ${mm(most, 1)} of room, more than ${mm(gappy)}: the cup will stand off.`,
      'Take a smaller cup, or build the margin up where it gapes.',
    ],
  }
  const [level, sentence, mend] = said[verdict]
  return {
    id: 'last.cup',
    level,
    where: 'wall of the cup sole',
    sentence,
    measured: verdict === 'tight' ? least : most,
    limit: verdict === 'tight' ? 0 : gappy,
    unit: 'mm',
    mend,
  }
}

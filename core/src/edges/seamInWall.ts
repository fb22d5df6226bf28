import type { Point } from '../geometry/path.ts'
import { simplify } from '../geometry/simplify.ts'
import type { StackLayer, WallStack } from '../layers/wallStack.ts'
import { backerOf } from '../trade/partCatalogue.ts'
import { pile, type Lay, type SectionBody } from './pile.ts'
import type { Cut, SeamSection } from './seamSection.ts'

/** Distance between the places where the wall is read, and how far a reading may lie off the line through its neighbours, mm. */
const READ = 0.5
const STRAIGHT = 0.02
/** A layer whose last reading is so near to the line is taken to end on it, mm. */
const NEXT = 1.2
/** So wide a gap about the line itself is bridged, mm. */
const BEHIND = 8

/**
 * A seam in section with all that lies inside and outside of it on the wall, as closed outlines from the foot outwards,
 * to scale. The wall is read from the middle of the seam into either leather; without one only those that meet are shown.
 */
export function seamInWall(seam: SeamSection, how: 'before' | 'after', wall: WallStack | null): SectionBody[] {
  if (!wall) return pile(seam[how])
  const own = new Set(seam.pieces.flatMap((p) => [p, backerOf(p)]))
  const depth = wall.depthOf(own)
  const across = (is: (deeper: boolean) => boolean) =>
    wallAcross(seam, (cut, at) => wall.at(cut.side, at, (area) => !own.has(area.part) && is(area.depth < depth)))
  return pile([...across((deeper) => deeper), ...seam[how], ...across((deeper) => !deeper)])
}

function wallAcross({ cuts, reach }: SeamSection, read: (cut: Cut, at: Point) => StackLayer[]): Lay[] {
  const n = Math.round(reach / READ)
  const [left, right] = cuts
  const places = [
    ...(left ? Array.from({ length: n }, (_, i) => ({ cut: left, x: -(n - i) * READ })) : []),
    ...(right ? Array.from({ length: n }, (_, i) => ({ cut: right, x: (i + 1) * READ })) : []),
  ].map(({ cut, x }) => {
    const d = Math.abs(x)
    return { x, layers: read(cut, [cut.at[0] + cut.inwards[0] * d, cut.at[1] + cut.inwards[1] * d]) }
  })
  const keys = [...new Set(places.flatMap((p) => p.layers.map((l) => `${l.part}|${l.name}`)))]
  return keys.flatMap((key) => runsOf(key, places))
}

/**
 * Where one layer lies without a break, as lays of its own. A seam drawn a little beside the last's own back line reads
 * nothing there: what lies on both sides of it goes on behind.
 */
function runsOf(key: string, places: readonly { x: number; layers: readonly StackLayer[] }[]): Lay[] {
  const runs: Point[][] = []
  let open: Point[] | null = null
  for (const { x, layers } of places) {
    const here = layers.find((l) => `${l.part}|${l.name}` === key)
    const last = open?.[open.length - 1]
    if (!here && !(last && last[0] <= 0 && last[0] > -BEHIND / 2 && x < BEHIND / 2)) open = null
    else if (!here) continue
    else if (open) open.push([x, here.thickness])
    else runs.push((open = [[x, here.thickness]]))
  }
  const [part, name] = key.split('|') as [string, string]
  return runs
    .filter((run) => run.length > 1)
    .map((run) => {
      const [first, last] = [run[0]!, run[run.length - 1]!]
      // What is there at the reading next to the line reaches the line.
      if (last[0] < 0 && last[0] > -NEXT) run.push([0, last[1]])
      if (first[0] > 0 && first[0] < NEXT) run.unshift([0, first[1]])
      return {
        part,
        name,
        from: run[0]![0],
        to: run[run.length - 1]![0],
        profile: simplify(run, STRAIGHT),
      }
    })
}

import { boxOf, segmentMeetsBox, type Box, type Path, type Point } from '@gentle-awl/core'

/** A label to be placed; all lengths are pixels, y down. */
export interface Label {
  key: string
  lines: readonly string[]
  /** Height of its letters' line. */
  size: number
  /** Where its middle would best be. */
  at: Point
  /** What it names: the outline, closed. */
  names: Path
}
/** Where a label stands: the middle of its box, and a line to what it names where it does not lie at it. */
export interface LabelPlace {
  key: string
  x: number
  y: number
  width: number
  height: number
  lead: [Point, Point] | null
}

/** Height of a line, share of the letters' size. */
const LINE = 1.15
/** Room left round a label. */
const AIR = 3
/** How far from what it names a label is tried, and from which distance on a line leads there. */
const RINGS = [8, 22, 40, 64, 92, 130]
const NEAR = 24
/** What it costs to lie on another label, and on something else that is named. */
const ON_LABEL = 1000
const ON_OTHER = 12
/** Nearer to something else than to what it names: it would be read as that one's. */
const ASTRAY = 6
/** For every line that passes through it, up to so many. */
const ON_LINE = 4
const MOST_LINES = 5
/** Past the edge of the drawing, where it may be cut off: then it is rather on lines, which can be read. */
const OUTSIDE = 40

const meets = (a: Box, b: Box) => a.minX < b.maxX && b.minX < a.maxX && a.minY < b.maxY && b.minY < a.maxY
/** How far two boxes are apart; 0 where they meet. */
const gap = (a: Box, b: Box) =>
  Math.hypot(Math.max(0, a.minX - b.maxX, b.minX - a.maxX), Math.max(0, a.minY - b.maxY, b.minY - a.maxY))
const within = (a: Box, b: Box) => a.minX >= b.minX && a.maxX <= b.maxX && a.minY >= b.minY && a.maxY <= b.maxY

/** A name in lines of at most so many letters, where its words allow it; a comma always begins a new one. */
export const inLines = (name: string, most: number): string[] =>
  name.split(', ').flatMap((part) =>
    part.split(' ').reduce<string[]>((lines, word) => {
      const last = lines[lines.length - 1]
      if (last === undefined || last.length + 1 + word.length > most) return [...lines, word]
      return [...lines.slice(0, -1), `${last} ${word}`]
    }, []),
  )

/** How wide a text is, pixels, at a size of its letters. */
export type Measure = (text: string, size: number) => number

/** Places to try for a label, the best first: where it is wanted, elsewhere inside of what it names, then round about it. */
function* candidates(at: Point, b: Box, w: number, h: number): Generator<{ at: Point; far: number }> {
  yield { at, far: 0 }
  const [cx, cy] = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
  for (const v of [0.5, 0.3, 0.7, 0.15, 0.85]) {
    for (const u of [0.5, 0.3, 0.7, 0.15, 0.85]) {
      const p: Point = [b.minX + u * (b.maxX - b.minX), b.minY + v * (b.maxY - b.minY)]
      yield { at: p, far: 1 + Math.hypot(p[0] - at[0], p[1] - at[1]) / 100 }
    }
  }
  for (const d of RINGS) {
    const [top, bottom] = [b.minY - d - h / 2, b.maxY + d + h / 2]
    const [left, right] = [b.minX - d - w / 2, b.maxX + d + w / 2]
    const round: Point[] = [
      [cx, bottom],
      [cx, top],
      [right, cy],
      [left, cy],
      [right, bottom],
      [left, bottom],
      [right, top],
      [left, top],
    ]
    for (const p of round) yield { at: p, far: 3 + d / 20 }
  }
}

/**
 * Places labels so that none lies on another, and none on a line or on something else that is named where there is any
 * other place near: every label tries its places in order, those of large things first, since they have room inside. A
 * label that had to go away from what it names gets a leader line. `lines` are all that is drawn, `frame` is what of the
 * drawing is seen while the whole of it is.
 */
export function placeLabels(
  labels: readonly Label[],
  lines: readonly Path[],
  frame: Box,
  measure: Measure,
): LabelPlace[] {
  const boxes = new Map(labels.map((l) => [l.key, boxOf(l.names)]))
  const area = (key: string) => {
    const b = boxes.get(key)!
    return (b.maxX - b.minX) * (b.maxY - b.minY)
  }
  const drawn = lines.map((path) => ({ path, box: boxOf(path) }))
  const placed: { place: LabelPlace; box: Box }[] = []
  const hits = (box: Box): number => {
    let n = 0
    for (const { path, box: around } of drawn) {
      if (!meets(around, box)) continue
      for (let i = 1; i < path.length; i++) if (segmentMeetsBox(path[i - 1]!, path[i]!, box)) n++
    }
    return n
  }
  for (const label of [...labels].sort((a, b) => area(b.key) - area(a.key))) {
    const width = Math.max(...label.lines.map((l) => measure(l, label.size))) + 2 * AIR
    const height = label.lines.length * label.size * LINE + 2 * AIR
    const own = boxes.get(label.key)!
    let best: { at: Point; box: Box; cost: number } | null = null
    for (const { at, far } of candidates(label.at, own, width, height)) {
      if (best && far >= best.cost) continue
      const [x, y] = at
      const box = { minX: x - width / 2, minY: y - height / 2, maxX: x + width / 2, maxY: y + height / 2 }
      let cost = far
      for (const p of placed) if (meets(p.box, box)) cost += ON_LABEL
      const home = gap(box, own)
      for (const l of labels) {
        if (l.key === label.key) continue
        const away = gap(box, boxes.get(l.key)!)
        if (away === 0) cost += ON_OTHER
        else if (away <= home) cost += ASTRAY
      }
      if (!within(box, own) && meets(box, own)) cost += 1
      if (!within(box, frame)) cost += OUTSIDE
      if (best && cost >= best.cost) continue
      cost += ON_LINE * Math.min(MOST_LINES, hits(box))
      if (!best || cost < best.cost) best = { at, box, cost }
    }
    const { at, box } = best!
    const [x, y] = at
    placed.push({ place: { key: label.key, x, y, width, height, lead: leadOf(label.names, own, box) }, box })
  }
  return labels.map((l) => placed.find((p) => p.place.key === l.key)!.place)
}

/** From the nearest point of what is named to the label's edge; none where the label lies in it or close by. */
function leadOf(names: Path, own: Box, box: Box): [Point, Point] | null {
  if (meets(own, box)) return null
  const to = (p: Point): Point => [
    Math.min(box.maxX, Math.max(box.minX, p[0])),
    Math.min(box.maxY, Math.max(box.minY, p[1])),
  ]
  const away = (p: Point) => Math.hypot(p[0] - to(p)[0], p[1] - to(p)[1])
  const from = names.reduce((best, p) => (away(p) < away(best) ? p : best))
  return away(from) <= NEAR ? null : [from, to(from)]
}

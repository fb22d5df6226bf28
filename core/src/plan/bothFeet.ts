import { hausdorffDistance } from '../geometry/hausdorff.ts'
import { resample } from '../geometry/polyline.ts'
import { procrustes } from '../geometry/procrustes.ts'
import { shapePrint } from '../work/shapePrint.ts'
import { signedArea, type Path, type Point } from '../geometry/path.ts'
import type { LineKind, Part } from '../trade/part.ts'
import type { Stitching } from '../seams/stitching.ts'
import type { Upper } from '../upper/upper.ts'

/** How one part stands on both feet. `off` is how far the outlines lie apart at most when laid on each other as they fit best, mm; `area` the left's less the right's, percent. */
export interface PartOfBoth {
  id: string
  name: string
  kind: 'mirror' | 'marks differ' | 'differs' | 'right only' | 'left only'
  off: number
  area: number
}

/** What is laid on the other foot's: upper pieces and parts. */
export interface FootShapes {
  upper: Upper
  stitching: Stitching
  parts: readonly Part[]
}

interface Shape {
  id: string
  name: string
  outline: Path
  /** What it is laid on the other foot's by: without teeth, whose number may differ. */
  basis: Path
  /** Lines, holes, skived edges and notches on it. */
  marks: Path[]
  /** Skives' profiles, thickness, pieces: what does not move with it. */
  figures: Path[]
}

/** Outlines of other parts are drawn on a part for comparison only: they do not make it another one. */
const forComparison: LineKind[] = ['neighbour', 'crease']

/** Holes of hand seams on a piece. */
const holesOn = ({ rows }: Stitching, piece: string): Path[] =>
  (rows[piece] ?? []).flatMap((r) => (r.holes ? [r.holes] : []))

/** Upper pieces (as `upper.` and their id) and parts of one foot, in the order of the work. */
function shapesOf(plan: FootShapes): Shape[] {
  return [
    ...plan.upper.pieces.map((p) => ({
      id: `upper.${p.id}`,
      name: p.name,
      outline: p.outline,
      basis: p.net,
      marks: [p.net, p.holes.map((h) => h.at), p.slits.map((s) => s.to), ...holesOn(plan.stitching, p.id)],
      figures: [],
    })),
    ...plan.parts.map((p) => ({
      id: p.id,
      name: p.name,
      outline: p.outline,
      basis: p.outline,
      marks: [
        ...p.lines.filter((l) => !forComparison.includes(l.kind)).flatMap((l) => [l.path, l.holes ?? []]),
        ...p.skives.map((s) => s.edge),
        p.notches.map((n) => n.at),
      ],
      figures: [...p.skives.map((s) => s.profile), [[p.thickness, p.count] as Point]],
    })),
  ]
}

/** Outlines are drawn to 0.1 mm; two that lie no further apart are cut by one pattern. */
const SAME = 0.1

/** Places all round an outline by which two of one making are laid on each other. */
const HOLD = 48

/**
 * The turn and move that lays a left part on the right one as it fits best: both are drawn by one rule from one corner
 * on, so equal shares of the way round belong together, and the fit is in closed form.
 */
export const laidOn = (left: Path, right: Path): ((p: Point) => Point) =>
  procrustes(resample(left, HOLD, true), resample(right, HOLD, true))

const printOf = (s: Shape) => shapePrint(s.outline, ...s.marks, ...s.figures)

const near = (a: readonly Path[], b: readonly Path[]) =>
  a.length === b.length &&
  a.every((path, i) => path.length === b[i]!.length && (path.length === 0 || hausdorffDistance(path, b[i]!) <= SAME))

/**
 * Every part of the pair: is the left one the right one's true mirror? Both plans are drawn as right shoes, so mirrors
 * are equal: outlines, lines, holes, skives and notches within 0.1 mm, wherever they lie on the last.
 */
export function bothFeet(right: FootShapes, left: FootShapes | null): PartOfBoth[] {
  const rights = shapesOf(right)
  if (!left) return rights.map(({ id, name }) => ({ id, name, kind: 'mirror', off: 0, area: 0 }))
  const lefts = new Map(shapesOf(left).map((s) => [s.id, s]))
  const all = rights.map((r): PartOfBoth => {
    const { id, name } = r
    const l = lefts.get(id)
    lefts.delete(id)
    if (!l) return { id, name, kind: 'right only', off: 0, area: 0 }
    if (printOf(r) === printOf(l)) return { id, name, kind: 'mirror', off: 0, area: 0 }
    const move = laidOn(l.basis, r.basis)
    const off = hausdorffDistance(r.outline, l.outline.map(move))
    if (off <= SAME) {
      const same =
        near(
          r.marks,
          l.marks.map((m) => m.map(move)),
        ) && near(r.figures, l.figures)
      return { id, name, kind: same ? 'mirror' : 'marks differ', off, area: 0 }
    }
    const area = Math.abs(signedArea(r.outline))
    return { id, name, kind: 'differs', off, area: (100 * (Math.abs(signedArea(l.outline)) - area)) / area }
  })
  return [
    ...all,
    ...[...lefts.values()].map(({ id, name }) => ({ id, name, kind: 'left only' as const, off: 0, area: 0 })),
  ]
}

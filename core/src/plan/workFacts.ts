import { pathLength } from '../geometry/path.ts'
import { tackCounts } from '../lasting/tackCounts.ts'
import { lastedThings } from '../lasting/strip.ts'
import type { PieceFacts, SeamFacts, ShoeFacts } from '../work/facts.ts'
import type { Hole, Piece } from '../upper/piece.ts'
import type { FootPlan } from './plan.ts'

/** What of a planned shoe makes work, beside its parts: plain data. */
export const workFacts = ({ upper, edges, stitching, lasting }: FootPlan): Omit<ShoeFacts, 'parts'> => ({
  pieces: upper.pieces.map((piece) =>
    pieceFacts(
      piece,
      (edges.markings[piece.id]?.skives ?? []).reduce((sum, s) => sum + pathLength(s.edge), 0),
    ),
  ),
  seams: stitching.seams.map((s): SeamFacts => ({
    id: s.id,
    name: s.name,
    kind: s.kind,
    seen: s.seen,
    way: s.way,
    stitch: s.stitch,
    sewnWith: s.sewnWith,
    side: s.side,
    rows: s.rows,
    stitches: s.stitches,
    pitch: s.pitch,
    thickness: s.thickness,
    length: s.length,
    thread: s.thread,
    knot: s.knot,
    pieces: [...new Set(s.on.map((row) => row.piece))],
    ahead: s.way === 'hand' ? s.on.filter((r) => r.punched === 'now').reduce((n, r) => n + r.holes.length, 0) : 0,
    zip: alongZip(s.id, upper.pieces),
    across: upper.pieces.some((p) => s.on[0]?.piece === p.id && runsOn(p, s.id)),
  })),
  open: upper.open,
  tacks: Object.fromEntries(lastedThings.map((id) => [id, tackCounts([lasting], id)])) as ShoeFacts['tacks'],
})

function pieceFacts({ id, name, side, outline, edges, holes, teeth }: Piece, skived: number): PieceFacts {
  const widest = (of: typeof holes) => of.reduce((most, h) => Math.max(most, h.diameter), 0)
  const lacing = holes.filter((h) => h.for !== undefined && h.for !== 'buckle')
  const decorative = holes.filter((h) => h.for === undefined)
  const count = (what: Hole['for']) => holes.filter((h) => h.for === what).length
  const lines = edges.map(({ role, line }) => ({ role, length: pathLength(line) }))
  return {
    id,
    name,
    side,
    cut: pathLength(outline, true),
    edges: lines,
    eyelets: count('eyelet'),
    hooks: count('hook'),
    guards: count('lace guard'),
    buckleHoles: count('buckle'),
    decorative: decorative.length,
    eyelet: widest(lacing),
    decoration: widest(decorative),
    gimped: teeth > 0 ? lines.filter((e) => e.role === 'lap over').reduce((sum, e) => sum + e.length, 0) : 0,
    skived,
  }
}

/**
 * Whether two edges of a seam, one of each side, follow each other round a piece: those of `counter.lateral` and
 * `counter.medial` on the counter do, those of the vamp over its quarters have the throat between them.
 */
const runsOn = ({ edges }: Piece, id: string): boolean =>
  edges.some((edge, i) => {
    const next = edges[(i + 1) % edges.length]!
    const ofSeam = edge.seam !== undefined && (id === edge.seam || id.startsWith(`${edge.seam.split('.')[0]!}.`))
    return ofSeam && edge.name === next.name && edge.side !== next.side && edge.role === 'lap over'
  })

/** Whether a row lies along an edge that is turned in beside a zip: its id is that edge's. */
const alongZip = (seam: string, pieces: readonly Piece[]): boolean =>
  pieces.some((p) => p.edges.some((e) => e.role === 'zip' && seam === `${p.id}.${e.name}.${e.side}`))

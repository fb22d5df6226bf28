import { bandAlong } from '../geometry/polygonClip.ts'
import { arcBetween } from '../geometry/subpath.ts'
import { distance, pathLength, type Path } from '../geometry/path.ts'
import { SAME } from '../geometry/tolerance.ts'
import { offsetLine } from '../geometry/offsetLine.ts'
import { isLeather, isWoven, type Material } from '../model/material.ts'
import type { RuleBook } from '../trade/rules.ts'
import { skiveFaces, type Skive, type SkiveFace } from '../trade/part.ts'
import type { Piece, PieceEdge } from '../upper/piece.ts'
import { mm, say } from '../units/sentence.ts'
import { buttBevel } from './edgeSkive.ts'
import { skivedStretches, type EdgeSight, type SkivedStretch } from './skivedStretches.ts'

/** The face of a material that is skived: the one that is not seen. */
export const skivedFace = ({ face, kind }: Pick<Material, 'face' | 'kind'>): SkiveFace =>
  face === 'suede' ? 'grain' : face === 'both sides alike' || !isLeather({ kind }) ? 'under' : 'flesh'

/** That side in words: where tapes, patches and what strengthens it are stuck to it. */
export const hiddenSide = (material: Pick<Material, 'face' | 'kind'>): string => skiveFaces[skivedFace(material)]

/** The edge of a piece; of one that has two sides, on which. */
const nameOf = (e: PieceEdge, piece: Piece): string =>
  e.side === 'whole' || piece.side !== 'whole' ? e.name : `${e.name}, ${e.side}`

type Stretch = SkivedStretch<PieceEdge>

const alike = (a: Stretch, b: Stretch): boolean => JSON.stringify(a.skive.profile) === JSON.stringify(b.skive.profile)
const meets = (a: Stretch, b: Stretch): boolean => distance(a.line[a.line.length - 1]!, b.line[0]!) < SAME

/** Stretches that run on into each other and are thinned alike, as one cut of the knife; they stand in the order of the edges. */
function runsOf(stretches: readonly Stretch[]): Stretch[][] {
  const runs: Stretch[][] = []
  for (const s of stretches) {
    const last = runs[runs.length - 1]
    const before = last?.[last.length - 1]
    if (last && before && alike(before, s) && meets(before, s)) last.push(s)
    else runs.push([s])
  }
  const [first, last] = [runs[0], runs[runs.length - 1]]
  // All round the piece, the last edge runs on into the first.
  if (
    first &&
    last &&
    first !== last &&
    alike(last[last.length - 1]!, first[0]!) &&
    meets(last[last.length - 1]!, first[0]!)
  ) {
    runs.pop()
    runs[0] = [...last, ...first]
  }
  return runs
}

/** A run is called by its longest edge, and by its side where it is on one alone. */
function nameOfRun(run: readonly Stretch[], piece: Piece): string {
  const longest = run.reduce((best, s) => (pathLength(s.line) > pathLength(best.line) ? s : best)).edge
  return new Set(run.map((s) => s.edge.side)).size > 1 ? longest.name : nameOf(longest, piece)
}

/** The cut edge of a run: what of the piece's outline lies outside of its finished line. */
function cutEdge(run: readonly Stretch[], { outline }: Piece): Path {
  const cut = ({ edge, line }: Stretch): Path => (edge.allowance > 0 ? offsetLine(line, -edge.allowance) : line)
  const last = cut(run[run.length - 1]!)
  return arcBetween(outline, cut(run[0]!)[0]!, last[last.length - 1]!)
}

/** The skived edges of a piece, as they are drawn on it and cut in section. */
export function pieceSkives(
  piece: Piece,
  material: Pick<Material, 'thickness' | 'kind' | 'face'>,
  sight: EdgeSight,
  book: RuleBook,
): Skive[] {
  const stretches = skivedStretches(piece.id, piece.edges, material, sight, book, (e) => ({
    side: e.side,
    against: e.side === 'medial',
  }))
  const face = skivedFace(material)
  const names = new Map<string, number>()
  /** Where an edge is turned out with two others in turn, each span is told. */
  const told = (name: string): string => {
    const before = names.get(name) ?? 0
    names.set(name, before + 1)
    return before === 0 ? name : `${name}, span ${before + 1}`
  }
  return [
    ...runsOf(stretches).map((run): Skive => {
      const { profile, shape, sentence } = run[0]!.skive
      const edge = cutEdge(run, piece)
      return {
        name: told(nameOfRun(run, piece)),
        edge,
        band: bandAlong(edge, profile[profile.length - 1]![0], piece.outline),
        profile: profile.map(([d, t]): [number, number] => [d, t]),
        shape,
        face,
        sentence,
      }
    }),
    ...(isWoven(material)
      ? []
      : piece.edges.filter((e) => e.role === 'butt seam').map((e) => bevel(e, piece, material.thickness, book))),
  ]
}

/**
 * One edge of a butt seam: the lateral side's is cut over and the medial one's under, so that the two slants lie on each
 * other and the seam is as thick as the leather. The drawn line is the middle of the slant: half the thickness is left there.
 */
function bevel(e: PieceEdge, piece: Piece, thickness: number, book: RuleBook): Skive {
  const width = buttBevel(thickness, book)
  const over = e.side !== 'medial'
  return {
    name: nameOf(e, piece),
    edge: e.line,
    band: bandAlong(e.line, Math.max(width / 2, 0.1), piece.outline),
    profile: [
      [0, thickness / 2],
      [width / 2, thickness],
    ],
    shape: 'bevel',
    face: over ? 'grain' : 'flesh',
    sentence: say`Cut at a slant of ${mm(width, 1)}, half of it either way of the line, the ${over ? 'grain' : 'flesh'} side set back; the other edge is cut the other way.`,
  }
}

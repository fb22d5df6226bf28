import { mirror, signedArea, type Path, type Point } from '../geometry/path.ts'
import type { PlanInput } from '../model/pair.ts'
import type { Grain } from '../trade/grain.ts'
import { faceUp } from '../trade/faceUp.ts'
import { FINISHED } from '../upper/pieceAsPart.ts'
import { familyOf, type PartFamily } from '../trade/partCatalogue.ts'
import type { Foot } from '../trade/foot.ts'
import { partsOfPair, piecesOfPair, type PairPart } from './pairParts.ts'
import type { Plan } from './plan.ts'

/** A piece as it is cut for one foot, seen from its face. */
export interface FootCut {
  foot: Foot
  /** Cut edge, mm; the left foot's is flipped. */
  outline: Path
  /** What of it is seen on the shoe: without lasting margin, laps and turned edges; null where that is all, or nothing. */
  seen: Path | null
  /** The arrow of its tight direction on it, and that direction in degrees counter-clockwise from x. */
  arrow: Grain
  tight: number
  count: number
}

/** One line of a cutting list. */
export interface CutPiece {
  id: string
  name: string
  /** The name under which making it is recorded. */
  record: string
  thickness: number
  /** Right and left are cut by one pattern, turned over. */
  mirrored: boolean
  /** Cut by measure along a straight edge, not by an outline. */
  strip: boolean
  /** Pieces for the pair, and the area of all of them, mm2. */
  count: number
  area: number
  cuts: FootCut[]
}

/** All that is cut from one stuff. */
export interface CuttingGroup {
  material: string
  /** Which side of it lies up. */
  face: string
  pieces: CutPiece[]
  /** mm2. */
  area: number
}

/** Bought as they are, or laid in as a paste. */
const NOT_CUT: readonly PartFamily[] = ['bought sole', 'shank', 'filler']

function cutPiece({ id, name, record, feet }: PairPart, alike: boolean): CutPiece {
  const [first] = feet
  const cuts = feet.map(({ foot, part }): FootCut => {
    const asCut = (path: Path, closed: boolean) => (foot === 'left' ? mirror(path, closed) : path)
    const finished = part.lines.find((l) => l.name === FINISHED)
    const [from, to] = asCut([part.grain.from, part.grain.to], false) as [Point, Point]
    return {
      foot,
      outline: asCut(part.outline, true),
      seen: finished ? asCut(finished.path, true) : null,
      arrow: { from, to },
      tight: (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI,
      count: part.count / 2,
    }
  })
  return {
    id,
    name,
    record,
    thickness: first!.part.thickness,
    mirrored: alike && feet.length === 2,
    strip: first!.part.strip ?? false,
    count: cuts.reduce((sum, c) => sum + c.count, 0),
    area: cuts.reduce((sum, c) => sum + c.count * Math.abs(signedArea(c.outline)), 0),
    cuts,
  }
}

/**
 * Everything that is cut for a pair, for both feet, by what it is cut from: what the upper is cut from first, then in the
 * order of the plan. A pair without an upper has its other parts.
 */
export function cuttingList(input: Pick<PlanInput, 'decisions' | 'materials'>, plan: Plan): CuttingGroup[] {
  const pieces = plan.upper.pieces.length > 0 ? piecesOfPair(input, plan) : []
  const mirrors = new Set(plan.feet.filter((f) => f.kind === 'mirror' || f.kind === 'marks differ').map((f) => f.id))
  const faceOf = (name: string): string => {
    const found = input.materials.find((m) => m.name === name)
    // Stuff that nobody entered is called by what it is.
    return faceUp(found ?? { kind: name.includes('leather') ? 'upper leather' : 'woven tape', face: null })
  }
  const groups = new Map<string, CuttingGroup>()
  for (const part of [...pieces, ...partsOfPair(plan)]) {
    // A piece of the upper may be called as a maker likes.
    if (part.record === part.id && NOT_CUT.includes(familyOf(part.id))) continue
    const { materialName } = part.feet[0]!.part
    const group = groups.get(materialName) ?? {
      material: materialName,
      face: faceOf(materialName),
      pieces: [],
      area: 0,
    }
    groups.set(materialName, group)
    const cut = cutPiece(part, mirrors.has(part.record))
    group.pieces.push(cut)
    group.area += cut.area
  }
  return [...groups.values()]
}

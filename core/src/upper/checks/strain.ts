import type { Point } from '../../geometry/path.ts'
import { Inside } from '../../geometry/pointInPolygon.ts'
import { ofPiece } from '../../trade/cutFrom.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { Rule } from '../../trade/rules.ts'
import type { Gives } from '../needs.ts'
import type { Piece } from '../piece.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'

export const strainRules = {
  stretch: {
    key: 'upper.mostStretch',
    name: 'Leather may be asked to stretch or crowd by, share',
    value: 0.14,
    min: 0.05,
    max: 0.25,
    unit: 'share',
    why: 'Paper would be snipped or pleated long before; upper leather gives so much when it is lasted with care.',
  },
} satisfies Record<string, Rule>

/** Where on the wall a place of the grid lies, in a shoemaker's words. */
function placeName(column: number, row: number): string {
  const along =
    column < 0.12 ? 'at the heel' : column < 0.45 ? 'at the waist' : column < 0.75 ? 'at the joint' : 'at the toe'
  const up = row < 0.15 ? 'at the feather line' : row > 0.85 ? 'near ridge and cone' : 'half-way up'
  return `${along}, ${up}`
}

/** A leather that has to follow the last. */
interface Leather {
  /** Null where nobody measured how far it gives. */
  gives: Gives | null
  share: number
  /** The piece that is cut from it alone; null for the pair's. */
  piece: Pick<Piece, 'id' | 'name'> | null
}

/** The leather over a place of a side: where pieces lie on each other, the one that gives least. */
function leatherOver({ pieces, layers: { gives } }: CheckNeeds, side: Side, rule: number): (at: Point) => Leather {
  const usual: Leather = { gives: gives.usual, share: gives.usual?.share ?? rule, piece: null }
  if (!pieces.some((p) => Object.hasOwn(gives.own, p.id))) return () => usual
  const placed = pieces.flatMap((piece) => {
    const own = ofPiece(gives.own, piece.id, gives.usual)
    const leather = Object.hasOwn(gives.own, piece.id) ? { gives: own, share: own?.share ?? rule, piece } : usual
    return piece.places.filter((p) => p.side === side).map(({ forme }) => ({ inside: new Inside(forme), leather }))
  })
  return (at) => {
    const here = placed.filter((p) => p.inside.has(at)).map((p) => p.leather)
    return here.length === 0 ? usual : here.reduce((a, b) => (b.share < a.share ? b : a))
  }
}

/**
 * Where the flat sheet cannot follow the last: stretched places, where paper would have to be snipped, and crowded ones,
 * where it would wrinkle. The two worst of each side are named, the stretched one against what the leather that lies
 * there gives where that was measured, else against the rule.
 */
export function strainFindings(needs: CheckNeeds): UpperFinding[] {
  const { map, book } = needs
  const { forme } = map
  const rule = book.value(strainRules.stretch)
  return wallSides.flatMap((side): UpperFinding[] => {
    const strain = forme.strain[side]
    const point = (v: number): Point => [forme.mean[2 * v]!, forme.mean[2 * v + 1]!]
    const leatherAt = leatherOver(needs, side, rule)
    const covered = coveredBy(needs, side)
    let [high, low] = [-1, -1]
    let asked = -Infinity
    strain.forEach((s, v) => {
      if (!covered(point(v))) return
      const asks = s > 0 ? s / leatherAt(point(v)).share : s
      if (asks > asked) [high, asked] = [v, asks]
      if (low < 0 || s < strain[low]!) low = v
    })
    if (high < 0) return []
    const { gives, share, piece } = leatherAt(point(high))
    // Only stretch is what a leather gives; how far it may be crowded stays the rule's.
    const most = { stretch: share, crowding: rule }
    const leather = gives ? ` ${gives.name} gives ${(100 * gives.share).toFixed(0)} %.` : ''
    const name = (v: number) =>
      placeName(Math.floor(v / forme.rows) / (forme.columns - 1), (v % forme.rows) / (forme.rows - 1))
    const crowded = -strain[low]! / most.crowding > strain[high]! / most.stretch
    const worst = crowded ? low : high
    const limit = crowded ? most.crowding : most.stretch
    const size = Math.abs(strain[worst]!)
    const fine = size <= limit
    const percent = (v: number) => Math.abs(100 * strain[v]!).toFixed(1)
    const finding: UpperFinding = {
      id: `upper.strain.${side}`,
      level: fine ? 'fine' : 'watch',
      where: `forme, ${side} side`,
      sentence: `Laid on the ${side} side, leather has to stretch by up to ${percent(high)} % (${name(high)}), where paper would be snipped, and crowds by up to ${percent(low)} % (${name(low)}), where it would wrinkle.${leather}`,
      measured: size,
      limit,
      unit: 'share',
      ...(fine ? { mend: '' } : gives && !crowded ? otherLeather(piece) : givesMore(size)),
      at: { side, point: point(worst) },
    }
    return [finding]
  })
}

/** Which places of the wall leather lies on: all of them but on an open shoe. */
function coveredBy({ drawn, pieces }: CheckNeeds, side: Side): (at: Point) => boolean {
  if (drawn.backLine && !drawn.straps) return () => true
  const insides = pieces.flatMap((p) => p.places.filter((q) => q.side === side).map((q) => new Inside(q.forme)))
  return (at) => insides.some((inside) => inside.has(at))
}

/** What the leather gives was measured: it is that which would have to be another. */
const otherLeather = (piece: Leather['piece']): Pick<UpperFinding, 'mend' | 'remedy'> => ({
  mend: 'Put a seam there, or take a leather that gives more.',
  remedy: {
    kind: 'open',
    control: piece
      ? { room: 'decisions', piece: { id: piece.id, name: piece.name } }
      : { room: 'decisions', at: 'upper' },
  },
})

/** Nothing on the forme helps but a seam; a leather that gives as much is said to by the pair's own figure. */
function givesMore(size: number): Pick<UpperFinding, 'mend' | 'remedy'> {
  const value = Math.ceil(100 * size) / 100
  const { key, max } = strainRules.stretch
  if (value > max) return { mend: 'Put a seam there, or take a rounder last: no leather gives so much.' }
  return {
    mend: `Put a seam there; or take a leather that gives ${(100 * value).toFixed(0)} %, and say so for this pair.`,
    remedy: { kind: 'rule', key, value },
  }
}

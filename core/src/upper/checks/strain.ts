import type { Point } from '../../geometry/path.ts'
import { wallSides } from '../../trade/side.ts'
import type { Rule } from '../../trade/rules.ts'
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

/**
 * Where the flat sheet cannot follow the last: stretched places, where paper would have to be snipped, and crowded ones,
 * where it would wrinkle. The two worst of each side are named, against what the upper leather gives where that was
 * measured, else against the rule.
 */
export function strainFindings({ map, book, layers: { gives } }: CheckNeeds): UpperFinding[] {
  const { forme } = map
  const rule = book.value(strainRules.stretch)
  // Only stretch is what a leather gives; how far it may be crowded stays the rule's.
  const most = { stretch: gives?.share ?? rule, crowding: rule }
  const leather = gives ? ` ${gives.name} gives ${(100 * gives.share).toFixed(0)} %.` : ''
  return wallSides.map((side): UpperFinding => {
    const strain = forme.strain[side]
    let [high, low] = [0, 0]
    strain.forEach((s, v) => {
      if (s > strain[high]!) high = v
      if (s < strain[low]!) low = v
    })
    const name = (v: number) =>
      placeName(Math.floor(v / forme.rows) / (forme.columns - 1), (v % forme.rows) / (forme.rows - 1))
    const crowded = -strain[low]! / most.crowding > strain[high]! / most.stretch
    const worst = crowded ? low : high
    const limit = crowded ? most.crowding : most.stretch
    const size = Math.abs(strain[worst]!)
    const fine = size <= limit
    const percent = (v: number) => Math.abs(100 * strain[v]!).toFixed(1)
    const at: Point = [forme.mean[2 * worst]!, forme.mean[2 * worst + 1]!]
    return {
      id: `upper.strain.${side}`,
      level: fine ? 'fine' : 'watch',
      where: `forme, ${side} side`,
      sentence: `Laid on the ${side} side, leather has to stretch by up to ${percent(high)} % (${name(high)}), where paper would be snipped, and crowds by up to ${percent(low)} % (${name(low)}), where it would wrinkle.${leather}`,
      measured: size,
      limit,
      unit: 'share',
      ...(fine ? { mend: '' } : gives && !crowded ? otherLeather : givesMore(size)),
      at: { side, point: at },
    }
  })
}

/** What the leather gives was measured: it is that which would have to be another. */
const otherLeather: Pick<UpperFinding, 'mend' | 'remedy'> = {
  mend: 'Put a seam there, or take a leather that gives more.',
  remedy: { kind: 'open', control: { room: 'decisions', at: 'upper' } },
}

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

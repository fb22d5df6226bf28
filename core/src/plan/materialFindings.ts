import { ROUNDING } from '../geometry/tolerance.ts'
import { isLeather, isNatural, type Material, type MaterialRole } from '../model/material.ts'
import type { PlanInput } from '../model/pair.ts'
import type { Finding } from '../trade/because.ts'
import { materialChoices, type MaterialChoice } from '../trade/materialChoices.ts'
import type { Part } from '../trade/part.ts'
import { familyOf } from '../trade/partCatalogue.ts'
import type { Control, Remedy } from '../trade/remedy.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import { mm, mmTo, say } from '../units/sentence.ts'

export const materialRules = {
  spread: {
    key: 'material.spread',
    name: 'A hide may differ in thickness by',
    value: 0.3,
    min: 0.1,
    max: 1,
    unit: 'mm',
    why: 'Where two shoes are cut from unlike places, one is stiffer than the other and its seams are thicker.',
  },
} satisfies Record<string, Rule>

interface Present {
  choice: MaterialChoice
  material: Material
  /** What it is for, as the parts are called. */
  name: string
  control: Control
}

/** Choices that something in the shoe is really cut from, with their materials. */
function present({ decisions, materials }: PlanInput, parts: readonly Pick<Part, 'id' | 'name' | 'role'>[]): Present[] {
  return materialChoices(decisions).flatMap((choice): Present[] => {
    const material = materials.find((m) => m.id === choice.id)
    const { role, piece } = choice
    if (!material || role === null) return []
    if (piece === undefined) {
      const there = parts.some((p) => p.role === role && !Object.hasOwn(decisions.pieceMaterials, p.id))
      return there ? [{ choice, material, name: choice.name, control: { room: 'decisions', at: role } }] : []
    }
    const part = parts.find((p) => p.id === piece)
    if (!part) return []
    return [
      { choice, material, name: part.name, control: { room: 'decisions', piece: { id: piece, name: part.name } } },
    ]
  })
}

/** Where something natural is chosen instead; the foam under an insole's cover is there as long as the cover is. */
function remedyFor(broken: Present | undefined, byRule: Part | undefined): Remedy {
  if (broken) return { kind: 'open', control: broken.control }
  return byRule?.id === 'insoleFoam'
    ? { kind: 'choice', name: 'no cover on the insole', decisions: { insole: { covered: false } } }
    : { kind: 'open', control: { room: 'decisions', at: 'foam' } }
}

const inWords = ({ material, name }: Present): string => `${name}: ${material.name}`

/** A finding that names what is against it, one by one; nothing is against it where the list is empty. */
function named(
  id: string,
  against: readonly string[],
  words: { fine: string; watch: string; mend: string },
  remedy: Remedy | undefined,
): Finding {
  const fine = against.length === 0
  return {
    id,
    level: fine ? 'fine' : 'watch',
    where: 'materials',
    sentence: fine ? words.fine : `${words.watch} ${against.join('; ')}.`,
    measured: against.length,
    limit: 0,
    unit: 'count',
    mend: fine ? '' : words.mend,
    remedy: fine ? undefined : remedy,
  }
}

/** What a pair that is to be all natural is made of besides: glues and threads apart. */
function naturalFinding(input: PlanInput, parts: readonly Part[], here: readonly Present[]): Finding[] {
  const { profile, materials, pieceMaterials } = input.decisions
  if (profile !== 'all natural') return []
  const broken = here.filter(({ material }) => !isNatural(material))
  // Foam that the house rules put in is of no material of the stores.
  const byRule = parts.filter(
    (p) =>
      familyOf(p.id) === 'foam' &&
      (p.id === 'insoleFoam' || (materials.foam === null && !Object.hasOwn(pieceMaterials, p.id))),
  )
  const breaking = [...broken.map(inWords), ...byRule.map((p) => `${p.name}: ${p.materialName}`)]
  return [
    named(
      'pair.natural',
      breaking,
      {
        fine: 'All that the pair is cut from is natural; glues and threads are not looked at.',
        watch: 'Not all natural.',
        mend: 'Choose something natural for it, or say in the stores that it is.',
      },
      remedyFor(broken[0], byRule[0]),
    ),
  ]
}

/** What has to hold a shape or be walked on: bend, or any firm leather that the maker says serves. */
const FIRM: readonly MaterialRole[] = ['stiffener', 'puff', 'midsole', 'welt', 'outsole', 'heel']

/** Soft leather where a shoe has to be firm; nothing is said of what nobody felt in the hand. Crepe may be soft. */
function firmFinding(here: readonly Present[]): Finding[] {
  const felt = here.filter(
    ({ choice: { role }, material }) =>
      role !== null && FIRM.includes(role) && isLeather(material) && material.hardness !== null,
  )
  if (felt.length === 0) return []
  const soft = felt.filter(({ material }) => material.hardness === 'soft')
  return [
    named(
      'pair.firm',
      soft.map(inWords),
      {
        fine: 'What has to hold its shape, or is walked on, is of no soft leather.',
        watch: 'Soft where the shoe has to be firm.',
        mend: 'Choose bend or another firm leather for it: what is soft treads out, and lets the edge sink in.',
      },
      soft[0] && { kind: 'open', control: soft[0].control },
    ),
  ]
}

/** Hides that differ more over their surface than the two shoes of a pair should. */
function spreadFindings(here: readonly Present[], book: RuleBook): Finding[] {
  const most = book.value(materialRules.spread)
  const uneven = new Map(
    here
      .filter(
        ({ choice, material }) => (choice.role === 'upper' || choice.role === 'lining') && material.samples.length > 1,
      )
      .map(({ material }) => [material.id, material]),
  )
  return [...uneven.values()].map((m): Finding => {
    const [thin, thick] = [Math.min(...m.samples), Math.max(...m.samples)]
    const spread = thick - thin
    const fine = spread <= most + ROUNDING
    return {
      id: `pair.spread.${m.id}`,
      level: fine ? 'fine' : 'watch',
      where: m.name,
      sentence: fine
        ? say`${m.name} runs from ${mmTo(thin, thick)} over ${m.samples.length} readings; planned with ${mm(m.thickness)}.`
        : say`${m.name} runs from ${mmTo(thin, thick)} over ${m.samples.length} readings, more than ${mm(most)}; planned with ${mm(m.thickness)}.`,
      measured: spread,
      limit: most,
      unit: 'mm',
      mend: fine ? '' : 'Cut the two shoes’ pieces side by side from like places, or have it split to one thickness.',
      remedy: fine ? undefined : { kind: 'open', control: { room: 'stores' } },
    }
  })
}

/** Checks on what a shoe is cut from: pieces of its upper and all its parts. */
export function materialFindings(
  input: PlanInput,
  pieces: readonly { id: string; name: string }[],
  parts: readonly Part[],
  book: RuleBook,
): Finding[] {
  const here = present(input, [...parts, ...pieces.map(({ id, name }) => ({ id, name, role: 'upper' as const }))])
  return [...naturalFinding(input, parts, here), ...firmFinding(here), ...spreadFindings(here, book)]
}

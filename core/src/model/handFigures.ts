import { z } from 'zod'

interface HandFigureEntry {
  /** What it is called in a sentence. */
  name: string
  /** What it is called in a list. */
  title: string
  /** How far it may be set. */
  min: number
  max: number
  unit: 'mm' | 'count'
}

/**
 * Figures that the maker may set by hand instead of leaving them to the rule, by their path into the decisions. An entry is
 * all there is to one: its field, its range, its slider, and a figure of its own for the left shoe follow.
 */
export const handFigures = {
  'stiffener.backHeight': {
    name: 'height of the stiffener at the back',
    title: 'Stiffener, height at the back',
    min: 10,
    max: 120,
    unit: 'mm',
  },
  'stiffener.lateralEnd': {
    name: 'stiffener’s lateral end, from the heel back',
    title: 'Stiffener, lateral front',
    min: 30,
    max: 260,
    unit: 'mm',
  },
  'stiffener.medialEnd': {
    name: 'stiffener’s medial end, from the heel back',
    title: 'Stiffener, medial front',
    min: 30,
    max: 260,
    unit: 'mm',
  },
  'puff.length': { name: 'length of the puff', title: 'Toe puff, length', min: 15, max: 130, unit: 'mm' },
  'midsole.room': { name: 'room of the midsole', title: 'Midsole, room', min: 0, max: 25, unit: 'mm' },
  'heel.lifts': { name: 'lifts', title: 'Heel lifts', min: 0, max: 24, unit: 'count' },
} as const satisfies Record<`${string}.${string}`, HandFigureEntry>

export type HandDecision = keyof typeof handFigures
export const handDecisions = Object.keys(handFigures) as HandDecision[]

const inRange = (decision: HandDecision) => z.number().min(handFigures[decision].min).max(handFigures[decision].max)

type Group = HandDecision extends infer D ? (D extends `${infer G}.${string}` ? G : never) : never
type ByHand = z.ZodDefault<z.ZodNullable<z.ZodNumber>>
type FieldsOf<G extends Group> = { [D in HandDecision as D extends `${G}.${infer F}` ? F : never]: ByHand }

/** The fields of one group of decisions; null leaves a figure to the rule. */
export const handFields = <G extends Group>(group: G): FieldsOf<G> =>
  // The keys are those of the type: each is what follows its group in a decision's name.
  Object.fromEntries(
    handDecisions
      .map((decision) => [decision, decision.split('.')] as const)
      .filter(([, [of]]) => of === group)
      .map(([decision, [, field]]) => [field, inRange(decision).nullable().default(null)]),
  ) as FieldsOf<G>

type OfOneShoe = Record<HandDecision, z.ZodOptional<z.ZodNullable<z.ZodNumber>>>

/** Figures of one shoe alone; null gives one back to the rule though the other shoe has it by hand. */
export const HandFiguresOfOneShoe = z.object(
  Object.fromEntries(handDecisions.map((d) => [d, inRange(d).nullable().optional()])) as OfOneShoe,
)

import { z } from 'zod'
import { sizeSystems } from '../units/sizes.ts'
import { DrawnLine } from './drawnLine.ts'
import { Last } from './last.ts'
import { Made } from './made.ts'
import { Material } from './material.ts'
import { UpperDecisions } from './upper.ts'

export const constructions = ['welted', 'cemented'] as const
export const stiffenerFronts = ['short', 'long medial', 'long both'] as const
export const paddings = ['none', 'heel pad', 'half', 'full'] as const
/** How the linings meet at the back, and how far the lasted lining is left under the feather. */
export const liningBacks = ['heel grip', 'butt seam', 'lapped'] as const
export const liningTrims = ['short', 'long', 'feather'] as const

/** A figure the maker set by hand, mm; null leaves it to the rule. */
const byHand = (min: number, max: number) => z.number().min(min).max(max).nullable().default(null)

/** House-rule figures by key; keys and ranges are checked against the rule book. */
export const RuleFigures = z.record(z.string().max(60), z.number())
export type RuleFigures = z.infer<typeof RuleFigures>

/** Everything a person decided about a pair. All else is computed from it. */
export const PairDecisions = z.object({
  lastId: z.uuid(),
  size: z.object({ system: z.enum(sizeSystems), value: z.number().min(0).max(400) }),
  construction: z.enum(constructions),
  materials: z.object({
    upper: z.uuid(),
    lining: z.uuid(),
    insole: z.uuid(),
    stiffener: z.uuid(),
    puff: z.uuid(),
    sock: z.uuid(),
    padding: z.uuid().nullable(),
    midsole: z.uuid(),
    /** These may be left open: then the house rules say how thick they are. */
    foam: z.uuid().nullable().default(null),
    outsole: z.uuid().nullable().default(null),
    heel: z.uuid().nullable().default(null),
    topPiece: z.uuid().nullable().default(null),
  }),
  stiffener: z
    .object({
      front: z.enum(stiffenerFronts).default('short'),
      backHeight: byHand(10, 120),
      lateralEnd: byHand(30, 260),
      medialEnd: byHand(30, 260),
    })
    .prefault({}),
  lining: z
    .object({ back: z.enum(liningBacks).default('heel grip'), trim: z.enum(liningTrims).default('short') })
    .prefault({}),
  puff: z.object({ length: byHand(15, 130) }).prefault({}),
  sock: z.object({ padding: z.enum(paddings).default('none') }).prefault({}),
  midsole: z.object({ room: byHand(0, 25) }).prefault({}),
  /** The lasted shoe traced on paper, and whether the bottom parts go by it or by the prediction. */
  lasted: z
    .object({ tracing: DrawnLine.nullable().default(null), use: z.enum(['predicted', 'traced']).default('predicted') })
    .prefault({}),
  insole: z.object({ covered: z.boolean().default(false) }).prefault({}),
  heel: z.object({ lifts: byHand(0, 24), wedge: z.boolean().default(true) }).prefault({}),
  upper: UpperDecisions.prefault({}),
  /** House rules changed for this pair alone. */
  rules: RuleFigures.default({}),
})
export type PairDecisions = z.infer<typeof PairDecisions>

/** What identifies a pair at the bench. Customers go by order number and trade, never by name. */
export const PairLabel = z.object({
  order: z.string().trim().min(1, 'Give the order a number.').max(20),
  name: z.string().trim().min(1, 'Give the pair a name.').max(80),
  trade: z.string().trim().max(80).default(''),
  note: z.string().max(1000).default(''),
})
export type PairLabel = z.infer<typeof PairLabel>

/** A step begun or finished at the bench; `undone` takes the last one back. Times are UTC, ISO 8601. */
export const StepEvent = z.object({
  step: z.string().min(1).max(60),
  what: z.enum(['started', 'finished', 'undone']),
  at: z.iso.datetime(),
})
export type StepEvent = z.infer<typeof StepEvent>

export const PAIR_FORMAT = 'gentle-awl-pair'
export const PAIR_VERSION = 2

/** Version 1 knew lasts by their measures alone. */
function upgraded(file: unknown): unknown {
  if (typeof file !== 'object' || file === null || !('version' in file) || file.version !== 1) return file
  const last: unknown = 'last' in file ? file.last : undefined
  if (typeof last !== 'object' || last === null || !('measures' in last)) return { ...file, version: PAIR_VERSION }
  const { measures, ...rest } = last
  return { ...file, version: PAIR_VERSION, last: { ...rest, shape: { kind: 'made', measures } } }
}

const PairFileNow = z.object({
  format: z.literal(PAIR_FORMAT),
  version: z.literal(PAIR_VERSION),
  id: z.uuid(),
  revision: z.number().int().min(1),
  label: PairLabel,
  decisions: PairDecisions,
  last: Last,
  materials: z.array(Material).min(1).max(200),
  /** The workshop's own house rules where they differ from the book. */
  houseRules: RuleFigures.default({}),
  log: z.array(StepEvent).max(5000).default([]),
  made: z.array(Made).max(20_000).default([]),
})
/** The open pair file: decisions with all they rest on, and what was done. Files of version 1 are read as well. */
export const PairFile = z.preprocess(upgraded, PairFileNow)
export type PairFile = z.infer<typeof PairFile>

/** What planPair needs of a pair file. */
export type PlanInput = Pick<PairFile, 'decisions' | 'last' | 'materials' | 'houseRules'>

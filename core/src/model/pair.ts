import { z } from 'zod'
import { sizeSystems } from '../units/sizes.ts'
import { handFields, HandFiguresOfOneShoe } from './handFigures.ts'
import { CheckReading, GivenUp, Setback } from './check.ts'
import { constructions } from './construction.ts'
import { CupSole } from './cupSole.ts'
import { DrawnLine } from './drawnLine.ts'
import { Last } from './last.ts'
import { Made } from './made.ts'
import { Material } from './material.ts'
import { upgradedPairFile } from './formerWords.ts'
import { StitchingDecisions } from './stitching.ts'
import { UpperDecisions } from './upper.ts'
import { WorkDecisions } from './work.ts'
import { line, named, note } from './text.ts'

export const stiffenerFronts = ['short', 'long medial', 'long both'] as const
export const paddings = ['none', 'heel pad', 'half', 'full'] as const
/** How far the sock liner itself reaches. */
export const sockExtents = ['full', 'half', 'heel'] as const
export const materialProfiles = ['any', 'all natural'] as const
/** How the linings meet at the back, and how far the lasted lining is left under the feather. */
export const liningBacks = ['heel grip', 'butt seam', 'lapped'] as const
/** Whether the vamp lining is folded along its middle or has a seam there. */
export const liningFronts = ['in one', 'centre seam'] as const
export const liningTrims = ['short', 'long', 'feather'] as const

/** The lasted shoe traced on paper, and whether the bottom parts go by it or by the prediction. */
const Lasted = z.object({
  tracing: DrawnLine.nullable().default(null),
  use: z.enum(['predicted', 'traced']).default('predicted'),
})

/** What is decided for the left shoe alone; all else goes as on the right one. */
export const LeftShoe = z.object({
  /** Its own last; null is the right one's mirror. */
  lastId: z.uuid().nullable().default(null),
  /** Figures set by hand for it; null gives one back to the rule though the right shoe has it by hand. */
  figures: HandFiguresOfOneShoe.prefault({}),
  padding: z.enum(paddings).nullable().default(null),
  lasted: Lasted.prefault({}),
})
export type LeftShoe = z.infer<typeof LeftShoe>

/** House-rule figures by key; keys and ranges are checked against the rule book. */
export const RuleFigures = z.record(line(60), z.number())
export type RuleFigures = z.infer<typeof RuleFigures>

/** Everything a person decided about a pair. All else is computed from it. */
export const PairDecisions = z.object({
  lastId: z.uuid(),
  size: z.object({ system: z.enum(sizeSystems), value: z.number().min(0).max(400) }),
  construction: z.enum(constructions),
  /** The bought sole of a pair that is cemented into one. */
  cupSoleId: z.uuid().nullable().default(null),
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
    backer: z.uuid().nullable().default(null),
    stay: z.uuid().nullable().default(null),
    foam: z.uuid().nullable().default(null),
    welt: z.uuid().nullable().default(null),
    shank: z.uuid().nullable().default(null),
    outsole: z.uuid().nullable().default(null),
    heel: z.uuid().nullable().default(null),
    topPiece: z.uuid().nullable().default(null),
  }),
  /** What the pair may be made of: choices keep to it, and what breaks it is named. */
  profile: z.enum(materialProfiles).default('any'),
  /** Pieces that are cut from something else than their kind in this pair, by their ids. */
  pieceMaterials: z.record(line(60).min(1), z.uuid()).default({}),
  stiffener: z
    .object({
      front: z.enum(stiffenerFronts).default('short'),
      ...handFields('stiffener'),
    })
    .prefault({}),
  lining: z
    .object({
      back: z.enum(liningBacks).default('heel grip'),
      front: z.enum(liningFronts).default('in one'),
      trim: z.enum(liningTrims).default('short'),
    })
    .prefault({}),
  puff: z.object({ ...handFields('puff') }).prefault({}),
  sock: z
    .object({ extent: z.enum(sockExtents).default('full'), padding: z.enum(paddings).default('none') })
    .prefault({}),
  midsole: z.object({ ...handFields('midsole') }).prefault({}),
  lasted: Lasted.prefault({}),
  insole: z.object({ covered: z.boolean().default(false) }).prefault({}),
  /** A channel in the face of the outsole, in which its stitches lie out of wear. */
  outsole: z.object({ channel: z.boolean().default(false) }).prefault({}),
  heel: z.object({ ...handFields('heel'), wedge: z.boolean().default(true) }).prefault({}),
  upper: UpperDecisions.prefault({}),
  /** How upper and linings are closed. */
  stitching: StitchingDecisions.prefault({}),
  /** How it is made: ways of working, own steps, their order. */
  work: WorkDecisions.prefault({}),
  /** Null while the left shoe is the right one's mirror. */
  left: LeftShoe.nullable().default(null),
  /** House rules changed for this pair alone. */
  rules: RuleFigures.default({}),
})
export type PairDecisions = z.infer<typeof PairDecisions>

/** Whether either shoe of a pair is made on a last. */
export const madeOn = (decisions: PairDecisions, lastId: string): boolean =>
  decisions.lastId === lastId || decisions.left?.lastId === lastId

/** The lasts that a pair stands on, each once. */
export const lastsOfPair = ({ lastId, left }: PairDecisions): string[] => [...new Set([lastId, left?.lastId ?? lastId])]

/** What identifies a pair at the bench. Customers go by order number and trade, never by name. */
export const PairLabel = z.object({
  order: named(20, 'Give the order a number.'),
  name: named(80, 'Give the pair a name.'),
  trade: line(80).default(''),
  note: note(1000).default(''),
  /** The day by whose end it should be done; null where nobody waits for it. */
  due: z.iso.date('Give the day as it stands in the calendar.').nullable().default(null),
  /** How much a day's delay weighs against other pairs'. */
  weight: z.number().min(0.1).max(10).default(1),
})
export type PairLabel = z.infer<typeof PairLabel>

/** What can be told of a step at the bench. */
export const stepEvents = [
  'started',
  'paused',
  'resumed',
  'finished',
  /** What dries after it was found dry before its time. */
  'ready',
  /** It had waited too long, and was woken by heat, or damped once more. */
  'put right',
  /** It has to be done again. */
  'sent back',
  /** Takes the latest of these back. */
  'undone',
] as const
/** A step begun or finished at the bench, by whom if it was told. Times are UTC, ISO 8601. */
export const StepEvent = z.object({
  step: line(80).min(1),
  what: z.enum(stepEvents),
  at: z.iso.datetime(),
  maker: line(40).nullish(),
})
export type StepEvent = z.infer<typeof StepEvent>
/** The longest that a step can have taken, minutes: a week. */
export const MOST_STEP_MINUTES = 7 * 24 * 60

/** Far above what hands can make, far below where numbers stop being whole. */
export const MOST_REVISIONS = 1_000_000
const Revision = z.number().int().min(1).max(MOST_REVISIONS, 'No pair has so many revisions.')

export const PAIR_FORMAT = 'gentle-awl-pair'
export const PAIR_VERSION = 3

const PairFileNow = z.object({
  format: z.literal(PAIR_FORMAT),
  version: z.literal(PAIR_VERSION),
  id: z.uuid(),
  revision: Revision,
  label: PairLabel,
  decisions: PairDecisions,
  last: Last,
  /** The left shoe's own last, where it has one. */
  leftLast: Last.nullable().default(null),
  /** The bought sole, where the pair has one. */
  cupSole: CupSole.nullable().default(null),
  materials: z.array(Material).min(1).max(200),
  /** The workshop's own house rules where they differ from the book. */
  houseRules: RuleFigures.default({}),
  log: z.array(StepEvent).max(100_000).default([]),
  made: z.array(Made).max(100_000).default([]),
  readings: z.array(CheckReading).max(100_000).default([]),
  setbacks: z.array(Setback).max(10_000).default([]),
  givenUp: GivenUp.nullable().default(null),
})
/** The open pair file: decisions with all they rest on, and what was done. Files of earlier versions are read as well. */
export const PairFile = z.preprocess((file) => upgradedPairFile(file, PAIR_VERSION), PairFileNow)
export type PairFile = z.infer<typeof PairFile>

/** What planPair needs of a pair file; no left last and no cup sole are like null. */
export type PlanInput = Pick<PairFile, 'decisions' | 'last' | 'materials' | 'houseRules'> &
  Partial<Pick<PairFile, 'leftLast' | 'cupSole'>>

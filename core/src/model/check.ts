import { z } from 'zod'
import { line, named, note } from './text.ts'

const feet = ['right', 'left'] as const

/** A figure that was measured on a shoe, or a look that was taken, before it is on record. */
export const NewReading = z
  .object({
    check: line(60).min(1),
    foot: z.enum(feet),
    /** What was measured: mm, or a count; null where it is looked at. */
    value: z.number().min(-1000).max(10_000).nullable().default(null),
    /** What the look said; null where it is measured. */
    fine: z.boolean().nullable().default(null),
    note: note(500).default(''),
  })
  .refine((r) => (r.value === null) !== (r.fine === null), {
    path: ['value'],
    message: 'Give what was measured, or what the look said: one of the two.',
  })
export type NewReading = z.infer<typeof NewReading>

/** A reading on record, with the revision of the pair it was taken of. Times are UTC, ISO 8601. */
export const CheckReading = NewReading.safeExtend({
  revision: z.number().int().min(1).max(1_000_000),
  at: z.iso.datetime(),
})
export type CheckReading = z.infer<typeof CheckReading>

/** A part that was found unfit and has to be made again; named as records of making are. */
export const Spoilt = z.object({ part: line(80).min(1), name: line(80) })
export type Spoilt = z.infer<typeof Spoilt>

/** A pair, or one shoe, that was sent back to a step. */
export const Setback = z.object({
  /** The step that it goes back to. */
  step: line(80).min(1),
  name: line(120),
  /** Null is both shoes. */
  foot: z.enum(feet).nullable().default(null),
  reason: named(500, 'Say why it goes back: whoever does the step again wants to know.').pipe(note(500)),
  /** The check that it failed; empty where it was no check. */
  check: line(60).default(''),
  /** Steps that are done again, itself among them. */
  steps: z.array(line(80).min(1)).min(1, 'Choose a step that is done again.').max(400),
  parts: z.array(Spoilt).max(200).default([]),
  /** What doing it again takes, minutes. */
  minutes: z.number().min(0).max(100_000).default(0),
  revision: z.number().int().min(1).max(1_000_000),
  at: z.iso.datetime(),
})
export type Setback = z.infer<typeof Setback>

/** What went into a pair up to a day: work, and what was cut. */
export const SpentOn = z.object({
  minutes: z.number().min(0).max(1_000_000),
  stuffs: z
    .array(
      z.object({
        name: line(120),
        /** dm2. */
        area: z.number().min(0).max(1_000_000),
        /** What it is worth at its price; null where it has none. */
        worth: z.number().min(0).max(100_000_000).nullable(),
      }),
    )
    .max(100),
})
export type SpentOn = z.infer<typeof SpentOn>

/** A pair that is not made on: why, and what it had cost. */
export const GivenUp = z.object({
  reason: named(500, 'Say why it is given up: that is what is learned from it.').pipe(note(500)),
  spent: SpentOn,
  at: z.iso.datetime(),
})
export type GivenUp = z.infer<typeof GivenUp>

import { z } from 'zod'
import { constructions } from './construction.ts'
import { line, named, note } from './text.ts'
import { patternKinds } from './upper.ts'

/** What a lesson is: something to be done in another way, what a sample showed, or what went well and is done so again. */
export const lessonKinds = ['differently', 'sample', 'well'] as const
export type LessonKind = (typeof lessonKinds)[number]

/** What kind of pair a lesson is about; what is left open goes for all. */
export const LikePair = z.object({
  style: z.enum(patternKinds).nullable().default(null),
  construction: z.enum(constructions).nullable().default(null),
  lastId: z.uuid().nullable().default(null),
  materials: z.array(z.uuid()).max(60).default([]),
})
export type LikePair = z.infer<typeof LikePair>

/** Something that was learned: on which pair and revision of it, at which step, and for pairs of which kind. */
export const LessonFields = z.object({
  kind: z.enum(lessonKinds),
  text: note(2000).refine((t) => t.trim() !== '', 'Write down what was learned.'),
  pairId: z.uuid().nullable().default(null),
  revision: z.number().int().min(1).max(1_000_000).nullable().default(null),
  /** Key of the step that it is about; empty for the pair as a whole. */
  step: line(80).default(''),
  about: LikePair.prefault({}),
})
export type LessonFields = z.infer<typeof LessonFields>

/** A fault that the workshop knows itself: how it shows, and what it may come from. */
export const OwnFaultFields = z.object({
  /** A fault of the house to which the causes belong; empty for one of its own. */
  of: line(40).default(''),
  name: named(80, 'Say what is seen.'),
  sign: note(500).default(''),
  causes: z
    .array(
      z.object({
        cause: named(200, 'Say what it comes from.'),
        now: note(500).default(''),
        prevent: note(500).default(''),
      }),
    )
    .min(1, 'Give one cause at least.')
    .max(12, 'At most 12 causes.'),
})
export type OwnFaultFields = z.infer<typeof OwnFaultFields>

/** What wears: by the length that it has worked along. */
export const wearingTools = ['knife', 'skiver', 'needle'] as const
export type WearingTool = (typeof wearingTools)[number]

/** A blade or a needle that was changed or made sharp again. Times are UTC. */
export const ToolChange = z.object({
  tool: z.enum(wearingTools),
  note: note(200).default(''),
  at: z.iso.datetime(),
})
export type ToolChange = z.infer<typeof ToolChange>

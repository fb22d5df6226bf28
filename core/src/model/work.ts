import { z } from 'zod'
import { line, named, note } from './text.ts'

export const workGroups = ['prepare', 'cut', 'skive', 'close', 'last', 'bottom', 'finish'] as const
export type WorkGroup = (typeof workGroups)[number]

/** Questions of the order and manner of work on which makers differ, each with its answers; the first is taken where nobody chose. */
export const wayChoices = {
  lasting: ['together at the back', 'lining first'],
  rest: ['pulled at once', 'drafted and left', 'wetted and left'],
  pull: ['by hand', 'by machine'],
  puff: ['pasted wet', 'formed on the last'],
  paste: ['own paste', 'ready-made paste', 'white glue'],
  cement: ['contact cement', 'neoprene', 'heat-set glue', 'white glue'],
  foldGlue: ['rubber solution', 'contact cement', 'double-sided tape'],
  edges: ['dyed', 'singed and dyed'],
  holes: ['punched ahead', 'pierced when joined'],
  soles: ['cut to the lasted shoe', 'cut ahead'],
  wrap: ['bare', 'wrapped'],
  lastOut: ['after the sole', 'before the sole'],
  heel: ['nails', 'pegs', 'screws'],
  cup: ['glued and sewn', 'glued alone'],
} as const
export type WayName = keyof typeof wayChoices
export const wayNames = Object.keys(wayChoices) as WayName[]

/** How this maker works: one answer to each question. */
export const Ways = z.object({
  lasting: z.enum(wayChoices.lasting).default('together at the back'),
  rest: z.enum(wayChoices.rest).default('pulled at once'),
  pull: z.enum(wayChoices.pull).default('by hand'),
  puff: z.enum(wayChoices.puff).default('pasted wet'),
  paste: z.enum(wayChoices.paste).default('own paste'),
  cement: z.enum(wayChoices.cement).default('contact cement'),
  foldGlue: z.enum(wayChoices.foldGlue).default('rubber solution'),
  edges: z.enum(wayChoices.edges).default('dyed'),
  holes: z.enum(wayChoices.holes).default('punched ahead'),
  soles: z.enum(wayChoices.soles).default('cut to the lasted shoe'),
  wrap: z.enum(wayChoices.wrap).default('bare'),
  lastOut: z.enum(wayChoices.lastOut).default('after the sole'),
  heel: z.enum(wayChoices.heel).default('nails'),
  cup: z.enum(wayChoices.cup).default('glued and sewn'),
})
export type Ways = z.infer<typeof Ways>

/** Longest id of a step, own ones included. */
const stepId = line(80).min(1)

/** A step that the maker added: where it belongs, what it comes after and before, and how long it takes. */
export const OwnStep = z.object({
  id: z.string().regex(/^own\.[a-z0-9-]{1,60}$/),
  name: named(80, 'Give the step a name.'),
  group: z.enum(workGroups),
  /** For both feet. */
  minutes: z
    .number()
    .min(1, 'A step takes a minute at least.')
    .max(7 * 24 * 60, 'No step takes longer than a week.')
    .default(10),
  /** Wait after it, minutes. */
  wait: z
    .number()
    .min(0)
    .max(60 * 24 * 60)
    .default(0),
  after: z.array(stepId).max(20).default([]),
  before: z.array(stepId).max(20).default([]),
  note: note(500).default(''),
})
export type OwnStep = z.infer<typeof OwnStep>

/** What was decided about the work on a pair. */
export const WorkDecisions = z.object({
  ways: Ways.prefault({}),
  /** The workshop's own paste, what goes into it. */
  recipe: note(500).default(''),
  own: z.array(OwnStep).max(60, 'At most 60 own steps.').default([]),
  /** Steps by their ids in the order that somebody wants them; what no reason forbids is done so. */
  order: z.array(stepId).max(400).default([]),
})
export type WorkDecisions = z.infer<typeof WorkDecisions>

/** A named way of working that the workshop keeps: its answers, its paste, its own steps. */
export const WaySetFields = z.object({
  name: named(80, 'Give this way of working a name.'),
  note: note(500).default(''),
  ways: Ways,
  recipe: note(500).default(''),
  own: z.array(OwnStep).max(60, 'At most 60 own steps.').default([]),
})
export type WaySetFields = z.infer<typeof WaySetFields>

/** A card of technique that the workshop wrote, and the steps at which it is shown. */
export const HowToFields = z.object({
  name: named(80, 'Give the card a title.'),
  text: note(4000).refine((t) => t.trim() !== '', 'Write down how it is done.'),
  steps: z.array(stepId).max(60, 'At most 60 steps.').default([]),
})
export type HowToFields = z.infer<typeof HowToFields>

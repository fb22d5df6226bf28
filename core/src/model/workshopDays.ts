import { z } from 'zod'
import { line, named } from './text.ts'
import { workGroups } from './work.ts'

/** A time of day, minutes since midnight. */
const OfDay = z.number().int().min(0).max(1440)
/** From when to when somebody works on a day of the week, in their order; none on a free day. */
const Shifts = z
  .array(z.tuple([OfDay, OfDay]))
  .max(4)
  .refine((list) => list.every(([from, to], i) => from < to && (i === 0 || list[i - 1]![1] <= from)), {
    message: 'Hours end after they begin, and one part of the day comes after the other.',
  })

/** From one day to another, both included. */
const DaysOff = z
  .object({ from: z.iso.date(), to: z.iso.date(), why: line(80).default('') })
  .refine(({ from, to }) => from <= to, { path: ['to'], message: 'The last day off is not before the first.' })
export type DaysOff = z.infer<typeof DaysOff>

/** Who works at the bench: what they do, how fast, and when. */
export const Maker = z.object({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  name: named(40, 'Give the maker a name, such as the bench they sit at.'),
  skills: z.array(z.enum(workGroups)).default([...workGroups]),
  /** Their minutes as a share of those that are planned. */
  pace: z.number().min(0.25, 'Nobody is four times as fast.').max(4, 'Nobody takes four times as long.').default(1),
  /** By day of the week, Monday first. */
  hours: z.array(Shifts).length(7),
  off: z.array(DaysOff).max(100).default([]),
})
export type Maker = z.infer<typeof Maker>

/** Machines that several makers share. */
export const sharedTools = ['machine', 'press', 'lastingMachine', 'sander'] as const
export type SharedTool = (typeof sharedTools)[number]

export const scheduleAims = ['punctual', 'soonest'] as const

/** Hours of a workshop day as they mostly are: eight to noon, one to five. */
const usualDay: [number, number][] = [
  [480, 720],
  [780, 1020],
]
export const usualWeek = (): [number, number][][] => [...Array.from({ length: 5 }, () => [...usualDay]), [], []]

/** Who works, when, and with what: the whole of it is one document. */
export const WorkshopDays = z.object({
  makers: z
    .array(Maker)
    .min(1, 'Somebody has to do the work.')
    .max(8, 'At most eight makers.')
    .refine((list) => new Set(list.map((m) => m.id)).size === list.length, { message: 'Two makers are one.' })
    .prefault(() => [{ id: 'first', name: 'First bench', hours: usualWeek() }]),
  closed: z.array(DaysOff).max(200).default([]),
  machines: z.record(z.enum(sharedTools), z.number().int().min(1).max(20)).prefault({
    machine: 1,
    press: 1,
    lastingMachine: 1,
    sander: 1,
  }),
  aim: z.enum(scheduleAims).default('punctual'),
  /** What it costs to turn from one kind of work to another, minutes: guides are set, tools are laid out. */
  turning: z.number().int().min(0).max(120).default(5),
  /** The time zone of the workshop, by its name in the IANA list. */
  zone: z.string().max(60).refine(isZone, { message: 'This time zone is not known.' }).default('UTC'),
})
export type WorkshopDays = z.infer<typeof WorkshopDays>

/** Where somebody put a step of a pair: at a bench, not before a time, or both. */
export const StepWish = z
  .object({
    step: line(80).min(1),
    /** Who is to do it; null whoever can. */
    maker: z.string().max(40).nullable().default(null),
    /** Not before this, ms since the epoch; null as soon as it can. */
    notBefore: z.number().int().min(0).max(8e15).nullable().default(null),
  })
  .refine(({ maker, notBefore }) => maker !== null || notBefore !== null, {
    path: ['maker'],
    message: 'Say at which bench it is done, or not before when.',
  })
export type StepWish = z.infer<typeof StepWish>

function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch (error) {
    if (error instanceof RangeError) return false
    throw error
  }
}

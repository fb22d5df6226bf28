import { z } from 'zod'
import { note } from './text.ts'

/** A calendar day, as the workshop counts it: 2026-11-25. */
const Day = z.iso.date()

/** One use of a last: which pair has it, from its first day to its last (null while nobody knows). */
export const LastHoldFields = z
  .object({
    lastId: z.uuid(),
    pairId: z.uuid().nullable().default(null),
    from: Day,
    until: Day.nullable().default(null),
    note: note(300).default(''),
  })
  .refine((h) => h.until === null || h.until >= h.from, {
    path: ['until'],
    message: 'The last day lies before the first.',
  })
export type LastHoldFields = z.infer<typeof LastHoldFields>
export type LastHold = LastHoldFields & { id: string }

type Days = Pick<LastHoldFields, 'from' | 'until'>
/** Days sort as their text does; an open end lies after all of them. */
const OPEN = '9999-12-31'
const covers = (h: Days, day: string) => h.from <= day && day <= (h.until ?? OPEN)

/** The most of these uses that run on one day within `span`, and the first such day. */
export function heldAtOnce(holds: readonly Days[], span: Days): { most: number; day: string } {
  // The count only rises on a first day, so those are all that need looking at.
  const days = holds.map((h) => (h.from < span.from ? span.from : h.from)).filter((d) => covers(span, d))
  return [...new Set(days)].sort().reduce(
    (best, day) => {
      const most = holds.filter((h) => covers(h, day)).length
      return most > best.most ? { most, day } : best
    },
    { most: 0, day: span.from },
  )
}

/** The use that runs on a day, the one that ends last when there are several; null when the last stands on its shelf. */
export function holdOn<T extends Days>(holds: readonly T[], day: string): T | null {
  const now = holds.filter((h) => covers(h, day))
  return now.length === 0 ? null : now.reduce((a, b) => ((b.until ?? OPEN) > (a.until ?? OPEN) ? b : a))
}

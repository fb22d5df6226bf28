/** A copy of the database by its file's name: `gentle-awl-2026-01-05T081500.sqlite`, or with what it was made before. */
export interface Copy {
  name: string
  /** ms since the epoch. */
  at: number
  /** Why it was made besides the daily round; empty for a usual one. */
  label: string
}

const NAME = /^gentle-awl-(\d{4}-\d\d-\d\d)T(\d\d)(\d\d)(\d\d)(?:-([a-z-]+))?\.sqlite$/

/** Reads a copy's name; null for any other file, which is then never touched. */
export function copyOf(name: string): Copy | null {
  const m = NAME.exec(name)
  const at = m ? Date.parse(`${m[1]}T${m[2]}:${m[3]}:${m[4]}Z`) : Number.NaN
  return m && Number.isFinite(at) ? { name, at, label: m[5] ?? '' } : null
}

/** Name of a copy made at a time. */
export const nameOf = (at: number, label = ''): string =>
  `gentle-awl-${new Date(at).toISOString().slice(0, 19).replaceAll(':', '')}${label && `-${label}`}.sqlite`

const DAY = 86_400_000
/** The newest ones stay, whatever their age. */
const NEWEST = 3
/** For so long the newest copy of each day, week and month is kept. */
const KEPT = [
  { span: DAY, count: 14 },
  { span: 7 * DAY, count: 8 },
  { span: 30.4375 * DAY, count: 12 },
]

/**
 * Copies that are not needed any more at `now`: all but the newest of each of the last 14 days, 8 weeks and 12 months,
 * counted back from now. A copy dated in the future (a clock that was wrong) pushes none out and is left alone; one
 * that was made before a migration or a restore is kept for a year.
 */
export function outOfDate(copies: readonly Copy[], now: number): Copy[] {
  const past = copies.filter((c) => c.at <= now).sort((a, b) => b.at - a.at)
  const keep = new Set(past.slice(0, NEWEST))
  for (const { span, count } of KEPT) {
    const seen = new Set<number>()
    for (const copy of past) {
      const slot = Math.floor((now - copy.at) / span)
      if (slot >= count || seen.has(slot)) continue
      seen.add(slot)
      keep.add(copy)
    }
  }
  return past.filter((c) => !keep.has(c) && (c.label === '' || now - c.at > 365 * DAY))
}

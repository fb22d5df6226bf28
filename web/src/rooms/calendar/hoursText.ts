const two = (n: number) => String(n).padStart(2, '0')
const clock = (minutes: number) => `${Math.floor(minutes / 60)}:${two(minutes % 60)}`

/** Hours of a day as people write them: 8:00 to 12:00, 13:00 to 17:00; free for none. */
export const hoursText = (shifts: readonly (readonly [number, number])[]): string =>
  shifts.length === 0 ? 'free' : shifts.map(([from, to]) => `${clock(from)} to ${clock(to)}`).join(', ')

/** Reads hours of a day; null for what cannot be read, or does not follow one after the other. */
export function readHours(text: string): [number, number][] | null {
  const plain = text.trim().toLowerCase()
  if (plain === '' || plain === 'free' || plain === '-') return []
  const shifts = plain.split(/[,;]| and /).map((part): [number, number] | null => {
    const m = /^\s*(\d{1,2})(?:[:.](\d\d))?\s*(?:to|-|–)\s*(\d{1,2})(?:[:.](\d\d))?\s*$/.exec(part)
    if (!m) return null
    return [Number(m[1]) * 60 + Number(m[2] ?? 0), Number(m[3]) * 60 + Number(m[4] ?? 0)]
  })
  let at = -1
  for (const shift of shifts) {
    if (!shift || shift[0] <= at || shift[1] <= shift[0] || shift[1] > 1440) return null
    at = shift[1] - 1
  }
  return shifts as [number, number][]
}

/** A time of day, minutes since midnight, as it is written: 8:30. */
export const timeOfMinutes = (minutes: number): string => clock(minutes)

/** Reads a time of day, 8:30 or 8.30 or 8; null for what is none. */
export function minutesOfDay(text: string): number | null {
  const m = /^\s*(\d{1,2})(?:[:.](\d\d))?\s*$/.exec(text)
  if (!m) return null
  const [hour, minute] = [Number(m[1]), Number(m[2] ?? 0)]
  return hour < 24 && minute < 60 ? hour * 60 + minute : null
}

import { format, isSameDay } from 'date-fns'

/** A span of time as a clock shows it: 4:05, 1:02:09, or days for long waits. */
export function clockFace(ms: number): string {
  const total = Math.max(0, Math.round(ms / 1000))
  const [d, h, m, s] = [
    Math.floor(total / 86400),
    Math.floor((total % 86400) / 3600),
    Math.floor((total % 3600) / 60),
    total % 60,
  ]
  const two = (n: number) => String(n).padStart(2, '0')
  if (d > 0) return `${d} d ${h} h`
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`
}

/** Time of day, with the day when it is not today: 23:00; Tue 6 Jan, 07:30. */
export function timeOfDay(ms: number, now: number): string {
  return format(ms, isSameDay(ms, now) ? 'HH:mm' : 'EEE d MMM, HH:mm')
}

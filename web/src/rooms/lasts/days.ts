/** Today as a calendar day of this place: 2026-11-25. */
export function today(now = new Date()): string {
  const two = (n: number) => String(n).padStart(2, '0')
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`
}

/** A day as it is said: 25 November, with the year when it is another one. */
export function sayDay(day: string, now = new Date()): string {
  const [year, month, date] = day.split('-').map(Number)
  const said = new Date(year!, month! - 1, date).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })
  return year === now.getFullYear() ? said : `${said} ${year}`
}

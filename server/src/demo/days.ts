import { usualWeek, WorkshopDays } from '@gentle-awl/core'

/** Two benches: one does everything, the other closes uppers, mornings only on Fridays. */
export function demoDays(): WorkshopDays {
  const week = usualWeek()
  return WorkshopDays.parse({
    makers: [
      { id: 'window', name: 'Window bench', hours: week },
      {
        id: 'stove',
        name: 'Stove bench',
        skills: ['prepare', 'cut', 'skive', 'close'],
        pace: 0.9,
        hours: week.map((shifts, day) => (day === 4 ? shifts.slice(0, 1) : shifts)),
      },
    ],
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  })
}

import type { Timetable } from '@gentle-awl/core'
import type { Db, Store } from './open.ts'
import { timetables } from './schema.ts'

const ROW = 'workshop'

/** The timetable that was shown last, and what it was made from; null while there is none. */
export async function keptTimetable(db: Db): Promise<{ madeFrom: string; timetable: Timetable } | null> {
  const [row] = await db.select().from(timetables)
  return row ? { madeFrom: row.madeFrom, timetable: row.timetable } : null
}

export async function keepTimetable(store: Store, madeFrom: string, timetable: Timetable): Promise<void> {
  await store.write((tx) =>
    tx
      .insert(timetables)
      .values({ id: ROW, madeFrom, timetable })
      .onConflictDoUpdate({ target: timetables.id, set: { madeFrom, timetable } }),
  )
}

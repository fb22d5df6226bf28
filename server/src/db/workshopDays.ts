import { WorkshopDays } from '@gentle-awl/core'
import { changedMeanwhile } from './errors.ts'
import type { Reader, Store } from './open.ts'
import { workshopDays } from './schema.ts'
import { rewrite } from './shelf.ts'

const ROW = 'workshop'

export interface VersionedDays {
  /** 0 while nothing was ever changed. */
  version: number
  days: WorkshopDays
}

/** Who works and when; one bench with the usual week, in the zone of this machine, while nobody said. */
export async function readWorkshopDays(db: Reader): Promise<VersionedDays> {
  const [row] = await db.select().from(workshopDays)
  if (row) return { version: row.version, days: row.days }
  return { version: 0, days: WorkshopDays.parse({ zone: Intl.DateTimeFormat().resolvedOptions().timeZone }) }
}

/** Throws StoreError when it was changed since that version. */
export async function changeWorkshopDays(store: Store, version: number, days: WorkshopDays): Promise<VersionedDays> {
  await store.write(async (tx) => {
    const current = await readWorkshopDays(tx)
    if (current.version !== version) throw changedMeanwhile('calendar', current)
    if (current.version === 0) {
      await tx.insert(workshopDays).values({ id: ROW, days, updatedAt: new Date().toISOString() })
    } else await rewrite(tx, workshopDays, { id: ROW, version: current.version }, { days })
  })
  return readWorkshopDays(store.db)
}

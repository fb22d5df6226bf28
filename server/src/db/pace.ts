import { doneWork, paceOf, type Pace } from '@gentle-awl/core'
import { donePairs } from './learned.ts'
import type { Db } from './open.ts'

/** How this workshop's minutes compare with those that are planned, by kind of step, over its newest pairs. */
export async function workshopPace(db: Db): Promise<Record<string, Pace>> {
  return paceOf((await donePairs(db)).flatMap((pair) => doneWork(pair).done))
}

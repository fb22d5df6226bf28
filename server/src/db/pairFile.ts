import { materialsUsed, PAIR_FORMAT, PAIR_VERSION, type PairFile } from '@gentle-awl/core'
import { inArray } from 'drizzle-orm'
import { cupSoleEntity } from './entities/cupSoles.ts'
import { lastEntity } from './entities/lasts.ts'
import { materialEntity } from './entities/materials.ts'
import { readHouseRules } from './houseRules.ts'
import { readLog } from './stepLog.ts'
import { readMade } from './made.ts'
import type { Reader } from './open.ts'
import { viewPair } from './pairs.ts'
import { materials } from './schema.ts'

/** The open pair file: everything the plan needs, and what was done. */
export async function pairFile(db: Reader, id: string): Promise<PairFile> {
  const view = await viewPair(db, id)
  const { lastId, left, cupSoleId } = view.decisions
  const leftId = left?.lastId ?? null
  const ids = materialsUsed(view.decisions)
  const used = await materialEntity.rows(db, inArray(materials.id, ids))
  const log = await readLog(db, id)
  const { houseRules } = await readHouseRules(db)
  return {
    format: PAIR_FORMAT,
    version: PAIR_VERSION,
    id,
    revision: view.revision,
    label: view.label,
    decisions: view.decisions,
    last: await lastEntity.document(db, lastId),
    leftLast: leftId === null ? null : await lastEntity.document(db, leftId),
    cupSole: cupSoleId === null ? null : await cupSoleEntity.document(db, cupSoleId),
    materials: used.map(materialEntity.plain),
    houseRules,
    log: log.map(({ step, what, at }) => ({ step, what, at })),
    made: await readMade(db, id),
  }
}

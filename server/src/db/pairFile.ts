import {
  materialsUsed,
  PAIR_FORMAT,
  PAIR_VERSION,
  type PairDecisions,
  type PairFile,
  type PairLabel,
} from '@gentle-awl/core'
import { inArray } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { cupSoleEntity } from './entities/cupSoles.ts'
import { lastEntity } from './entities/lasts.ts'
import { materialEntity } from './entities/materials.ts'
import { readHouseRules } from './houseRules.ts'
import { readLog } from './stepLog.ts'
import { readMade } from './made.ts'
import { readGivenUp, readReadings, readSetbacks } from './record.ts'
import type { Reader } from './open.ts'
import { viewPair } from './pairs.ts'
import { materials } from './schema.ts'

/** The open pair file: everything the plan needs, and what was done. */
export async function pairFile(db: Reader, id: string): Promise<PairFile> {
  const view = await viewPair(db, id)
  const log = await readLog(db, id)
  return {
    ...(await orderFile(db, view.label, view.decisions, id)),
    revision: view.revision,
    log: log.map(({ id: _id, ...event }) => event),
    made: await readMade(db, id),
    readings: await readReadings(db, id),
    setbacks: (await readSetbacks(db, id)).map(({ id: _id, ...setback }) => setback),
    givenUp: await readGivenUp(db, id),
  }
}

/** The same of an order that is not accepted yet: nothing of it is stored. Throws StoreError for what it names and is not there. */
export async function orderFile(
  db: Reader,
  label: PairLabel,
  decisions: PairDecisions,
  id: string = uuid(),
): Promise<PairFile> {
  const { lastId, left, cupSoleId } = decisions
  const leftId = left?.lastId ?? null
  const used = await materialEntity.rows(db, inArray(materials.id, materialsUsed(decisions)))
  const { houseRules } = await readHouseRules(db)
  return {
    format: PAIR_FORMAT,
    version: PAIR_VERSION,
    id,
    revision: 1,
    label,
    decisions,
    last: await lastEntity.document(db, lastId),
    leftLast: leftId === null ? null : await lastEntity.document(db, leftId),
    cupSole: cupSoleId === null ? null : await cupSoleEntity.document(db, cupSoleId),
    materials: used.map(materialEntity.plain),
    houseRules,
    log: [],
    made: [],
    readings: [],
    setbacks: [],
    givenUp: null,
  }
}

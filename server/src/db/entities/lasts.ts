import { LastFields, madeOn, type ShelfLast } from '@gentle-awl/core'
import { asc, getTableColumns, sql } from 'drizzle-orm'
import type { Db } from '../open.ts'
import { lasts } from '../schema.ts'
import { entity } from './entity.ts'
import { pairWith } from './pairWith.ts'

/** See shelfFigures: where in the points of a kept surface the height of the heel stands. */
const heelHeight = sql`json_extract(${lasts.shape}, '$.surface.points[' || (6 * json_extract(${lasts.shape},
  '$.surface.columns') * json_extract(${lasts.shape}, '$.surface.rows') + 2) || ']') / 100.0`
/**
 * Lasts as the shelf lists them: a kept surface is tens of thousands of numbers, which go with the last itself only.
 * SQLite leaves them out, so that they are never read into the program either.
 */
const shelved = (db: Db): Promise<(ShelfLast & { version: number; updatedAt: string })[]> =>
  db
    .select({
      ...getTableColumns(lasts),
      shape: sql<ShelfLast['shape']>`CASE json_extract(${lasts.shape}, '$.kind')
        WHEN 'kept' THEN json_set(json_remove(${lasts.shape}, '$.surface.points'), '$.surface.heelHeight', ${heelHeight}) ELSE ${lasts.shape} END`.mapWith(
        (text: string) => JSON.parse(text) as ShelfLast['shape'],
      ),
    })
    .from(lasts)
    .orderBy(asc(lasts.name))

export const lastEntity = entity({
  what: 'last',
  table: lasts,
  fields: LastFields,
  order: lasts.name,
  list: shelved,
  usedBy: async (tx, id) => {
    const pair = await pairWith(tx, (d) => madeOn(d, id))
    return pair && `The pair "${pair}" is or was made on this last, so it stays on the shelf.`
  },
})

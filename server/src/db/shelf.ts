import { eq } from 'drizzle-orm'
import type { SQLiteColumn, SQLiteTable, SQLiteUpdateSetSource } from 'drizzle-orm/sqlite-core'
import { changedMeanwhile, notThere } from './errors.ts'
import type { Tx } from './open.ts'

type Versioned = SQLiteTable & { id: SQLiteColumn; version: SQLiteColumn }

/** Throws StoreError unless the row is there in just the version that the write was made on. */
export function expectVersion<R extends { version: number }>(row: R | undefined, version: number, what: string): R {
  if (!row) throw notThere(what)
  if (row.version !== version) throw changedMeanwhile(what, row)
  return row
}

/** Writes new fields over a row and raises its version. */
export async function rewrite<T extends Versioned>(
  tx: Tx,
  table: T,
  row: { id: string; version: number },
  fields: SQLiteUpdateSetSource<T>,
): Promise<void> {
  await tx
    .update(table)
    .set({ ...fields, version: row.version + 1, updatedAt: new Date().toISOString() })
    .where(eq(table.id, row.id))
}

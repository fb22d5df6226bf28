import { type PairLayout } from '@gentle-awl/core'
import { and, asc, eq, inArray } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { StoreError } from './errors.ts'
import type { Reader, Tx } from './open.ts'
import { viewPair } from './pairs.ts'
import { hides, layouts, pairs } from './schema.ts'
import { expectVersion, rewrite } from './shelf.ts'

export type StoredLayout = PairLayout & { version: number; updatedAt: string }

const plain = ({ layout, version, updatedAt }: typeof layouts.$inferSelect): StoredLayout => ({
  ...layout,
  version,
  updatedAt,
})

/** All layouts of a pair, by what is laid out. */
export async function readLayouts(db: Reader, pairId: string): Promise<StoredLayout[]> {
  const rows = await db.select().from(layouts).where(eq(layouts.pairId, pairId)).orderBy(asc(layouts.material))
  return rows.map(plain)
}

/** Throws StoreError where a hide or a pair of the layout is not there any more. */
async function allThere(tx: Reader, { grounds, also }: PairLayout): Promise<void> {
  const wanted = [...new Set(grounds.flatMap((g) => ('hide' in g ? [g.hide] : [])))]
  const found = await tx.select({ id: hides.id }).from(hides).where(inArray(hides.id, wanted))
  const others = [...new Set(also)]
  const there = await tx.select({ id: pairs.id }).from(pairs).where(inArray(pairs.id, others))
  const lacking =
    found.length < wanted.length
      ? 'A hide of this layout'
      : there.length < others.length
        ? 'A pair of this layout'
        : null
  if (lacking !== null) {
    throw new StoreError('cannot be', 'Not there', `${lacking} is not there any more. Open the layout anew.`)
  }
}

/**
 * Writes how a stuff of a pair is laid out over what was known of it in `version` (0: nothing). Throws StoreError when it was
 * changed since, or when the pair or something that the layout goes by is gone. Gives the version that it has now.
 */
export async function keepLayout(tx: Tx, pairId: string, version: number, layout: PairLayout): Promise<number> {
  await viewPair(tx, pairId)
  await allThere(tx, layout)
  const { material } = layout
  const [row] = await tx
    .select()
    .from(layouts)
    .where(and(eq(layouts.pairId, pairId), eq(layouts.material, material)))
  if (row) {
    expectVersion(row, version, 'layout')
    await rewrite(tx, layouts, row, { layout })
    return version + 1
  }
  const fields = { id: uuid(), pairId, material, layout, updatedAt: new Date().toISOString() }
  await tx.insert(layouts).values(fields)
  return 1
}

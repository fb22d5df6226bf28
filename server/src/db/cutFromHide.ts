import { HideFields, leftOver, type Path } from '@gentle-awl/core'
import { inArray } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { hideEntity } from './entities/hides.ts'
import type { Store } from './open.ts'
import { hides } from './schema.ts'
import { expectVersion, rewrite } from './shelf.ts'

type Row = typeof hides.$inferSelect

/**
 * Takes pieces out of a hide: it keeps the largest part that is left, and every other comes back as an offcut of its own. All
 * in one write. A hide of which nothing is left is used up, with its outline as it was. Throws StoreError when it is not there
 * or was changed since.
 */
export async function cutFromHide(
  store: Store,
  id: string,
  version: number,
  outlines: readonly Path[],
): Promise<{ hide: Row; offcuts: Row[] }> {
  const made: string[] = []
  await store.write(async (tx) => {
    const before = expectVersion(await hideEntity.row(tx, id), version, 'hide')
    const hide = HideFields.parse(before)
    const [largest, ...others] = leftOver(hide, outlines)
    await rewrite(tx, hides, before, largest ? HideFields.parse({ ...hide, ...largest }) : { ...hide, used: true })
    for (const [k, part] of others.entries()) {
      const name = `${hide.name.slice(0, 60)}, offcut ${k + 1}`
      const offcut = HideFields.parse({ ...hide, ...part, form: 'offcut', name })
      const own = uuid()
      made.push(own)
      await tx.insert(hides).values({ ...offcut, id: own, updatedAt: new Date().toISOString() })
    }
  })
  const offcuts = made.length > 0 ? await hideEntity.rows(store.db, inArray(hides.id, made)) : []
  return { hide: (await hideEntity.row(store.db, id))!, offcuts }
}

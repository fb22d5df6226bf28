import { layOrderOf, sheetGround, toLay, type CuttingGroup, type LayOrder, type PairLayout } from '@gentle-awl/core'
import { cardSources } from '../db/pairCards.ts'
import { hideEntity } from '../db/entities/hides.ts'
import { notThere } from '../db/errors.ts'
import type { Db } from '../db/open.ts'
import { pairFile } from '../db/pairFile.ts'
import { viewPair } from '../db/pairs.ts'
import type { Jobs } from '../jobs/pool.ts'

/** What is laid on what, and which versions of everything it was read from. */
export interface LaySources {
  order: LayOrder
  madeFrom: string
}

/** Which versions of pairs, of all they draw on, and of hides a layout is of. Throws StoreError when one is gone. */
export async function layMadeFrom(db: Db, pairId: string, { also, grounds }: PairLayout): Promise<string> {
  const sources = await cardSources(db)
  const parts: string[] = []
  for (const id of [pairId, ...also]) {
    const { decisions, revision } = await viewPair(db, id)
    parts.push(sources(id, decisions, revision))
  }
  for (const on of grounds) if ('hide' in on) parts.push(`${on.hide}.${(await hide(db, on.hide)).version}`)
  return parts.join(' | ')
}

/** Plans what a layout is of. Throws StoreError when a pair or hide of it is gone, PlanError when a pair cannot be planned. */
export async function laySources(db: Db, jobs: Jobs, pairId: string, layout: PairLayout): Promise<LaySources> {
  const madeFrom = await layMadeFrom(db, pairId, layout)
  const groups = await Promise.all(
    [pairId, ...layout.also].map(async (id): Promise<[string, CuttingGroup | undefined]> => {
      const all = await jobs.run('cutting', { file: await pairFile(db, id) })
      return [id, all.find((g) => g.material === layout.material)]
    }),
  )
  const pieces = groups.flatMap(([id, group]) => (group ? toLay(id, group) : []))
  const grounds = await Promise.all(
    layout.grounds.map(async (on) => ('hide' in on ? hideEntity.plain(await hide(db, on.hide)) : sheetGround(on))),
  )
  return { order: layOrderOf(layout, pieces, grounds), madeFrom }
}

async function hide(db: Db, id: string) {
  const row = await hideEntity.row(db, id)
  if (!row) throw notThere('hide')
  return row
}

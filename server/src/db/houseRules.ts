import { checkRuleFigures, type RuleFigures } from '@gentle-awl/core'
import { changedMeanwhile } from './errors.ts'
import type { Reader, Store } from './open.ts'
import { workshop } from './schema.ts'
import { rewrite } from './shelf.ts'

const ROW = 'workshop'

export interface HouseRules {
  /** 0 while nothing was ever changed. */
  version: number
  houseRules: RuleFigures
}

export async function readHouseRules(db: Reader): Promise<HouseRules> {
  const [row] = await db.select().from(workshop)
  return row ? { version: row.version, houseRules: row.houseRules } : { version: 0, houseRules: {} }
}

/** Throws RuleError when a figure cannot be, StoreError when the rules were changed since that version. */
export async function changeHouseRules(store: Store, version: number, houseRules: RuleFigures): Promise<HouseRules> {
  checkRuleFigures(houseRules)
  await store.write(async (tx) => {
    const current = await readHouseRules(tx)
    if (current.version !== version) throw changedMeanwhile('set of house rules', current)
    if (current.version === 0) {
      await tx.insert(workshop).values({ id: ROW, houseRules, updatedAt: new Date().toISOString() })
    } else await rewrite(tx, workshop, { id: ROW, version: current.version }, { houseRules })
  })
  return readHouseRules(store.db)
}

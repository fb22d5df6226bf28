import { GeometryError, materialsUsed, PlanError, RuleError, type PairCard, type PairDecisions } from '@gentle-awl/core'
import { eq } from 'drizzle-orm'
import type { Jobs } from '../jobs/pool.ts'
import { edition } from './edition.ts'
import type { Db, Store } from './open.ts'
import { pairFile } from './pairFile.ts'
import { viewPair } from './pairs.ts'
import { cupSoles, lasts, materials, pairCards, pairs, workshop } from './schema.ts'

/** What cards are made from: versions of all that pairs draw on, at one moment. */
export async function cardSources(
  db: Db,
): Promise<(pairId: string, decisions: PairDecisions, revision: number) => string> {
  const versions = new Map<string, number>()
  for (const table of [lasts, materials, cupSoles]) {
    for (const { id, version } of await db.select({ id: table.id, version: table.version }).from(table)) {
      versions.set(id, version)
    }
  }
  const [rules] = await db.select({ version: workshop.version }).from(workshop)
  return (pairId, d, revision) => {
    const used = [d.lastId, d.left?.lastId, d.cupSoleId, ...materialsUsed(d)]
    const parts = used.map((id) => (id ? `${id}.${versions.get(id) ?? 'gone'}` : '-'))
    return [edition, pairId, revision, rules?.version ?? 0, ...parts].join(' ')
  }
}

/** A pair is left alone so long before its card is made: who draws at a line saves it many times a minute, ms. */
const SETTLED = 4000

/**
 * Keeps the cards of the pairs: what the list shows is worked out when a pair, or what it draws on, has changed, and
 * not at every visit.
 */
export class PairCards {
  private readonly making = new Map<string, Promise<PairCard>>()
  private readonly settling = new Map<string, NodeJS.Timeout>()

  constructor(
    private readonly store: Store,
    private readonly jobs: Jobs,
    private readonly failed: (error: unknown) => void,
    private readonly settled = SETTLED,
  ) {}

  /** The card of a pair as it stands, made when it has to be. */
  async card(pairId: string): Promise<PairCard> {
    const { db } = this.store
    const view = await viewPair(db, pairId)
    const madeFrom = (await cardSources(db))(pairId, view.decisions, view.revision)
    const [kept] = await db.select().from(pairCards).where(eq(pairCards.pairId, pairId))
    if (kept?.madeFrom === madeFrom) return kept.card
    const key = `${pairId} ${madeFrom}`
    const running = this.making.get(key)
    if (running) return running
    const making = this.make(pairId, madeFrom).finally(() => this.making.delete(key))
    this.making.set(key, making)
    return making
  }

  /** Makes it while nobody waits. */
  soon(pairId: string): void {
    this.card(pairId).catch(this.failed)
  }

  /** Makes it once the pair has not been changed for a while; whoever asks for it sooner has it sooner. */
  onceSettled(pairId: string): void {
    this.forget(pairId)
    const timer = setTimeout(() => {
      this.settling.delete(pairId)
      this.soon(pairId)
    }, this.settled)
    // A server that stops does not wait for it: the next list makes it.
    timer.unref()
    this.settling.set(pairId, timer)
  }

  /** The pair is gone. */
  forget(pairId: string): void {
    clearTimeout(this.settling.get(pairId))
    this.settling.delete(pairId)
  }

  private async make(pairId: string, madeFrom: string): Promise<PairCard> {
    const card = await this.planned(pairId)
    await this.store.write(async (tx) => {
      // The pair may have been deleted meanwhile.
      const [there] = await tx.select({ id: pairs.id }).from(pairs).where(eq(pairs.id, pairId))
      if (!there) return
      await tx
        .insert(pairCards)
        .values({ pairId, madeFrom, card })
        .onConflictDoUpdate({ target: pairCards.pairId, set: { madeFrom, card } })
    })
    return card
  }

  private async planned(pairId: string): Promise<PairCard> {
    const file = await pairFile(this.store.db, pairId)
    try {
      return await this.jobs.run('card', { file })
    } catch (error) {
      // A pair that cannot be planned has a card that says why.
      if (error instanceof PlanError || error instanceof RuleError || error instanceof GeometryError) {
        return { problem: error.message, worst: null, steps: [], shapes: [], rules: [] }
      }
      throw error
    }
  }
}

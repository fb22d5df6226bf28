import type { PairDecisions } from '@gentle-awl/core'
import { and, eq } from 'drizzle-orm'
import type { Tx } from '../open.ts'
import { pairRevisions, pairs } from '../schema.ts'

/** The name of a pair of which some revision was planned with something, or null: what was ever planned with keeps its place. */
export async function pairWith(tx: Tx, uses: (decisions: PairDecisions) => boolean): Promise<string | null> {
  const revisions = await tx
    .select({ decisions: pairRevisions.decisions, pair: pairs.name })
    .from(pairRevisions)
    .innerJoin(pairs, eq(pairs.id, pairRevisions.pairId))
  return revisions.find((r) => uses(r.decisions))?.pair ?? null
}

/** The decisions of every pair as it is shown now, with its name. */
export const shownRevisions = (tx: Tx): Promise<{ pair: string; decisions: PairDecisions }[]> =>
  tx
    .select({ pair: pairs.name, decisions: pairRevisions.decisions })
    .from(pairs)
    .innerJoin(pairRevisions, and(eq(pairRevisions.pairId, pairs.id), eq(pairRevisions.revision, pairs.head)))

import type { Made } from '../model/made.ts'
import type { CutPiece } from './cuttingList.ts'
import type { Plan } from './plan.ts'
import { makeablesOf, remakeList, type SpoiltParts } from './remake.ts'

/** How a line of the cutting list stands at the bench. */
export interface CutTick {
  /** Not cut, cut as it is planned now, or cut by an outline that it has no more. */
  state: 'to cut' | 'cut' | 'cut otherwise'
  /** When the last of it was cut. */
  at: string | null
  /** The names under which cutting it is recorded: one for both feet, or one for each where they differ. */
  parts: string[]
}

/**
 * Ticks of the cutting list, by the record of its lines: from what was cut, with the fingerprint of the shape it was cut
 * from. What was found unfit since is to be cut again.
 */
export function cutTicks(
  plan: Plan,
  made: readonly Made[],
  pieces: readonly CutPiece[],
  setbacks: readonly SpoiltParts[],
): Map<string, CutTick> {
  const again = remakeList(plan, made, setbacks).filter((r) => r.how.includes('cut'))
  const stale = new Set(again.map((r) => r.part))
  const unfit = new Set(again.filter((r) => r.spoilt !== '').map((r) => r.part))
  const cut = new Map<string, string>()
  for (const m of made) {
    if (m.how === 'cut' && m.at > (cut.get(m.part) ?? '')) cut.set(m.part, m.at)
  }
  return new Map(
    pieces.map(({ record, cuts }): [string, CutTick] => {
      const parts = makeablesOf(
        plan,
        cuts.map(({ foot }) => ({ part: record, foot })),
      ).map((m) => m.part)
      // What was cut for both feet counts for either, also after they came to differ.
      const whens = parts.map((part) => cut.get(part) ?? cut.get(record) ?? null)
      const all = whens.every((when) => when !== null) && parts.length > 0
      const among = (those: ReadonlySet<string>) =>
        those.has(record) ||
        parts.some((part) => those.has(part)) ||
        cuts.some(({ foot }) => those.has(`${foot}.${record}`))
      return [
        record,
        {
          state: !all || among(unfit) ? 'to cut' : among(stale) ? 'cut otherwise' : 'cut',
          at: whens.reduce<string | null>((last, when) => (when !== null && when > (last ?? '') ? when : last), null),
          parts,
        },
      ]
    }),
  )
}

import { middle, quantile } from '../geometry/quantile.ts'
import type { WorkGroup } from '../model/work.ts'
import { isForgotten, paceOf, type Pace } from '../work/pace.ts'

/** A step that was done once: what was planned, what it took (minutes), and who did it. */
export interface DoneStep {
  key: string
  name: string
  group: WorkGroup
  planned: number
  took: number
  /** Null where nobody said. */
  maker: string | null
  pair: string
  /** When it was done, ms. */
  at: number
}

/** What this workshop has learned of the minutes of one kind of step. */
export interface LearnedMinutes extends Pace {
  key: string
  name: string
  group: WorkGroup
  /** As it is planned mostly. */
  planned: number
  /** The middle of what it took, and the quarters around it, minutes. */
  usual: number
  quarters: [number, number]
  /** Every time that counts, in the order in which it was done. */
  done: readonly DoneStep[]
  /** Times left out, whose clock was forgotten. */
  forgotten: number
  /** The same by maker. */
  makers: ({ maker: string } & Pace)[]
}

/**
 * Minutes by kind of step, what was done most often first. The middle and the quarters do not move for one time that went
 * wrong, and a clock that was forgotten is left out; `factor` is what the days are laid out by, see `paceOf`.
 */
export function learnedMinutes(done: readonly DoneStep[]): LearnedMinutes[] {
  const kinds = new Map<string, DoneStep[]>()
  for (const d of done) kinds.set(d.key, [...(kinds.get(d.key) ?? []), d])
  return [...kinds]
    .flatMap(([key, all]): LearnedMinutes[] => {
      const counted = all.filter((d) => !isForgotten(d)).sort((a, b) => a.at - b.at)
      const pace = paceOf(counted)[key]
      const last = counted.at(-1)
      if (!pace || !last) return []
      const took = counted.map((d) => d.took)
      return [
        {
          key,
          name: last.name,
          group: last.group,
          planned: middle(counted.map((d) => d.planned)),
          usual: middle(took),
          quarters: [quantile(took, 0.25), quantile(took, 0.75)],
          ...pace,
          done: counted,
          forgotten: all.length - counted.length,
          makers: byMaker(counted),
        },
      ]
    })
    .sort((a, b) => b.times - a.times || (a.name < b.name ? -1 : 1))
}

function byMaker(done: readonly DoneStep[]): LearnedMinutes['makers'] {
  const paces = paceOf(done.flatMap((d) => (d.maker === null ? [] : [{ ...d, key: d.maker }])))
  return Object.entries(paces)
    .map(([maker, pace]) => ({ maker, ...pace }))
    .sort((a, b) => b.times - a.times)
}

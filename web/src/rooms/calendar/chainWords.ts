import type { ChainLink, Held } from '@gentle-awl/core'
import { showMinutes } from '../../app/settings.ts'

interface Names {
  stepName: (pair: string, step: string) => string
  orderOf: (pair: string) => string
  makerName: (id: string) => string
}

/** Why a step is not begun sooner, in a sentence. */
export function heldWords({ pair, held }: ChainLink, { stepName, orderOf, makerName }: Names): string {
  switch (held.by) {
    case 'now':
      return 'It can begin at once.'
    case 'step':
      if (held.step === '') return 'It follows at once.'
      return held.wait > 0
        ? `It waits ${showMinutes(held.wait)} after “${stepName(pair, held.step)}”.`
        : `It follows “${stepName(pair, held.step)}”.`
    case 'maker':
      return `${makerName(held.maker)} is at “${stepName(held.pair, held.step)}” of ${orderOf(held.pair)} until then.`
    case 'machine':
      return `The machine is wanted for “${stepName(held.pair, held.step)}” of ${orderOf(held.pair)} until then.`
    case 'last':
      return `${orderOf(held.pair)} stands on the lasts until then.`
    case 'fresh':
      return `No sooner, so that “${stepName(pair, held.step)}” follows within ${showMinutes(held.max)}.`
  }
}

/** What the time until a pair is ready goes into, minutes: work, waits, others' turns, and hours in which nobody works. */
export interface ChainSums {
  work: number
  waits: number
  idle: number
  /** Pairs whose turn it is before, by what they have. */
  others: { pair: string; by: Exclude<Held['by'], 'now' | 'step' | 'fresh'> }[]
}

export function chainSums(pair: string, chain: readonly ChainLink[]): ChainSums {
  const sums: ChainSums = { work: 0, waits: 0, idle: 0, others: [] }
  for (const link of chain) {
    sums.work += (link.end - link.start) / 60_000
    sums.idle += link.idle
    const { held } = link
    if (held.by === 'step') sums.waits += held.wait
    if (!('pair' in held) || held.pair === pair) continue
    if (!sums.others.some((o) => o.pair === held.pair && o.by === held.by))
      sums.others.push({ pair: held.pair, by: held.by })
  }
  return sums
}

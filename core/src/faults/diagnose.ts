import type { Sentence } from '../units/sentence.ts'
import { backFaults } from './book/back.ts'
import { bottomFaults } from './book/bottom.ts'
import { crookedFaults } from './book/crooked.ts'
import { foldFaults } from './book/folds.ts'
import { insideFaults } from './book/inside.ts'
import { soleFaults } from './book/sole.ts'
import { toeFaults } from './book/toe.ts'
import { topFaults } from './book/top.ts'
import type { FaultCase } from './case.ts'
import type { Cause, Evidence, Fault, Prevention } from './fault.ts'
import { stageIndex } from './stage.ts'

/** Everything that can be asked about, from the back to the bottom. */
export const faults: readonly Fault[] = [
  ...foldFaults,
  ...backFaults,
  ...toeFaults,
  ...crookedFaults,
  ...topFaults,
  ...soleFaults,
  ...bottomFaults,
  ...insideFaults,
]

/** A cause with what speaks for it on this pair. */
export interface Suspect {
  id: string
  name: string
  /** Share of all that could be the cause, by what is known. */
  share: number
  /** What points to it, the strongest first, and what speaks against it. */
  evidence: Evidence[]
  helps: Sentence
  prevents: Prevention
}

/** Faults that a pair can have. */
export const faultsOf = (c: FaultCase): Fault[] => faults.filter((f) => f.among?.(c) ?? true)

/** A cause for which the evidence makes it so many times as likely is worth looking for before anybody sees it. */
const WORTH_A_LOOK = 4

/** Faults that the pair's own figures, log and ways point to, the strongest first. */
export const pointedTo = (c: FaultCase): Fault[] =>
  faultsOf(c)
    .map((fault) => ({
      fault,
      weight: Math.max(...causesOf(fault, c).map((cause) => weightOf(cause, c).weight / cause.usual)),
    }))
    .filter(({ weight }) => weight >= WORTH_A_LOOK)
    .sort((a, b) => b.weight - a.weight)
    .map(({ fault }) => fault)

const causesOf = ({ causes }: Fault, c: FaultCase): Cause[] => causes.filter((cause) => cause.among?.(c) ?? true)

function weightOf(cause: Cause, c: FaultCase): { cause: Cause; evidence: Evidence[]; weight: number } {
  const evidence = cause.evidence(c).filter((e) => e !== null)
  return { cause, evidence, weight: evidence.reduce((w, e) => w * e.factor, cause.usual) }
}

/** What helps where it stands: the first that is not past, else nothing more does. */
function helpAt({ helps }: Cause, c: FaultCase): Sentence {
  const at = stageIndex(c.stage)
  return helps.find(([upTo]) => stageIndex(upTo) >= at)?.[1] ?? 'Where it stands now, nothing mends it any more.'
}

/**
 * The causes of a fault, the likeliest first. Each begins with how often it is that one, and is multiplied by what this
 * pair's own figures, log and ways say for it or against it (odds form of Bayes' rule, the pieces of evidence taken as
 * independent); shares are of the whole. Equal ones keep the order of the book.
 */
export function diagnose(fault: Fault, c: FaultCase): Suspect[] {
  const weighed = causesOf(fault, c).map((cause) => weightOf(cause, c))
  const whole = weighed.reduce((sum, w) => sum + w.weight, 0)
  return weighed
    .map(({ cause, evidence, weight }): Suspect => ({
      id: cause.id,
      name: cause.name,
      share: weight / whole,
      evidence: [...evidence].sort((a, b) => b.factor - a.factor),
      helps: helpAt(cause, c),
      prevents: cause.prevents(c),
    }))
    .sort((a, b) => b.share - a.share)
}

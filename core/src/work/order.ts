import type { Sentence } from '../units/sentence.ts'
import type { Makes, Operation } from './operation.ts'
import { rankOfPhase, type Phase } from './phases.ts'

/** What an operation waits for, and why. */
export interface Reason {
  id: string
  why: Sentence
}
/** Whatever stands in an order. */
export interface Ordered {
  id: string
  after: readonly { id: string; why?: Sentence }[]
}

const rank = (phase: Phase): number => rankOfPhase.get(phase)!

interface Touch {
  operation: Operation
  phase: Phase
}

/**
 * What every operation waits for: of each thing that it brings to a phase, the operations that brought it to the phase
 * before; of each thing that it needs, those that bring it as far as that. What a pair has not, nothing waits for.
 */
export function reasonsFor(operations: readonly Operation[]): Map<string, Reason[]> {
  const touches = new Map<string, Touch[]>()
  for (const operation of operations) {
    for (const { thing, phase } of operation.makes) {
      touches.set(thing, [...(touches.get(thing) ?? []), { operation, phase }])
    }
  }
  /** Operations at the latest phase of a thing that is no later than `most`, for a foot or for both. */
  const latest = (thing: string, most: number, asking: Operation): Touch[] => {
    const earlier = (touches.get(thing) ?? []).filter(
      (t) => rank(t.phase) <= most && t.operation.id !== asking.id && sameFoot(t.operation, asking),
    )
    // Feet go their own way: the latest of the right one says nothing about the left one.
    return (['right', 'left'] as const)
      .filter((foot) => asking.foot === null || asking.foot === foot)
      .flatMap((foot) => {
        const mine = earlier.filter((t) => t.operation.foot === null || t.operation.foot === foot)
        const top = Math.max(...mine.map((t) => rank(t.phase)))
        return mine.filter((t) => rank(t.phase) === top)
      })
  }
  const reasons = new Map<string, Reason[]>()
  for (const operation of operations) {
    const found = new Map<string, Sentence>()
    const add = (touched: readonly Touch[], why: (phase: Phase) => Sentence) => {
      for (const { operation: before, phase } of touched) {
        if (!found.has(before.id)) found.set(before.id, why(phase))
      }
    }
    // What is needed says more than what merely came before.
    for (const { thing, upTo, why } of operation.needs) add(latest(thing, rank(upTo), operation), () => why)
    for (const made of operation.makes)
      add(latest(made.thing, rank(made.phase) - 1, operation), (p) => whyAfter(made, p))
    reasons.set(
      operation.id,
      [...found].map(([id, why]) => ({ id, why })),
    )
  }
  return reasons
}

const sameFoot = (a: Operation, b: Operation) => a.foot === null || b.foot === null || a.foot === b.foot
const whyAfter = ({ why, whyAfter: by }: Makes, phase: Phase): Sentence => by?.[phase] ?? why

/** Drops what another one that is waited for waits for itself: the nearest reasons are the ones to read. */
export function withoutImplied<T extends Ordered>(list: readonly T[]): Map<string, T['after']> {
  const byId = new Map(list.map((s) => [s.id, s]))
  const behind = new Map<string, ReadonlySet<string>>()
  /** Everything that comes before a step, however far. */
  const allBefore = (id: string): ReadonlySet<string> => {
    const known = behind.get(id)
    if (known) return known
    const found = new Set<string>()
    behind.set(id, found)
    for (const a of byId.get(id)?.after ?? []) {
      found.add(a.id)
      for (const further of allBefore(a.id)) found.add(further)
    }
    return found
  }
  return new Map(
    list.map((s) => [s.id, s.after.filter((a) => !s.after.some((b) => b.id !== a.id && allBefore(b.id).has(a.id)))]),
  )
}

/**
 * Puts steps in an order that keeps every `after`; among those that may come next, the one that stands first in the list.
 * Throws when one waits for what is not in the list, or when they wait for each other.
 */
export function inOrder<T extends Ordered>(steps: readonly T[]): T[] {
  const known = new Set(steps.map((s) => s.id))
  for (const s of steps) {
    for (const a of s.after) {
      if (!known.has(a.id)) throw new Error(`Step ${s.id} comes after ${a.id}, which is not in the list.`)
    }
  }
  const left = [...steps]
  const done = new Set<string>()
  const out: T[] = []
  while (left.length > 0) {
    const next = left.findIndex((s) => s.after.every((a) => done.has(a.id)))
    if (next < 0) throw new Error(`These steps wait for each other: ${left.map((s) => s.id).join(', ')}.`)
    const [step] = left.splice(next, 1)
    done.add(step!.id)
    out.push(step!)
  }
  return out
}

/** The list as somebody wants it: named ids in their order, each other one behind the one that it stands behind in the list. */
export function preferred<T extends { id: string }>(list: readonly T[], wanted: readonly string[]): T[] {
  const place = new Map(wanted.map((id, i) => [id, i]))
  let behind = -1
  const keyed = list.map((step, i) => {
    const own = place.get(step.id)
    if (own !== undefined) behind = own
    return { step, at: behind, own: own !== undefined, i }
  })
  return keyed.sort((a, b) => a.at - b.at || Number(b.own) - Number(a.own) || a.i - b.i).map(({ step }) => step)
}

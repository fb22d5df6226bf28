import { partsOf, type Facts } from './facts.ts'
import { bottoming } from './bottoming.ts'
import { closing } from './closing.ts'
import { finishing } from './finishing.ts'
import { lasting } from './lasting.ts'
import type { Step } from './step.ts'
import { preparing } from './preparing.ts'
import type { BookStep } from './bookStep.ts'
import type { Sentence } from '../units/sentence.ts'

/** All steps of the book, in the order in which they would usually be thought of. */
export const stepBook: readonly BookStep[] = [...preparing, ...closing, ...lasting, ...bottoming, ...finishing]

/**
 * Puts steps in an order that keeps every `after`; among those that may come next, the one that stands first in
 * the book. Throws when the book names an unknown step or runs in a circle.
 */
export function inOrder<T extends { id: string; after: readonly { id: string }[] }>(steps: readonly T[]): T[] {
  const left = new Map(steps.map((s) => [s.id, s]))
  const done: T[] = []
  const known = new Set(left.keys())
  for (const s of steps) {
    for (const a of s.after) {
      if (!known.has(a.id)) throw new Error(`Step ${s.id} comes after ${a.id}, which is not in the list.`)
    }
  }
  while (left.size > 0) {
    const next = [...left.values()].find((s) => s.after.every((a) => !left.has(a.id)))
    if (!next) throw new Error(`These steps wait for each other: ${[...left.keys()].join(', ')}.`)
    left.delete(next.id)
    done.push(next)
  }
  return done
}

/** The steps of one pair, read off its parts and materials: a step whose part is not in the pair is not in the list. */
export function stepsOf(facts: Facts): Step[] {
  const present = stepBook.filter((s) => s.when?.(facts) ?? true)
  const byId = new Map(stepBook.map((s) => [s.id, s]))
  const here = new Set(present.map((s) => s.id))
  const nameOf = (s: BookStep) => (typeof s.name === 'function' ? s.name(facts) : s.name)

  /** Steps to wait for; one that this pair does not have hands on what it would have waited for itself. */
  const before = (id: string, why: Sentence, out: Map<string, Sentence>): void => {
    if (here.has(id)) {
      if (!out.has(id)) out.set(id, why)
      return
    }
    const absent = byId.get(id)
    if (!absent) throw new Error(`The book names a step ${id} that it does not have.`)
    for (const [further, reason] of absent.after) before(further, reason, out)
  }

  const list = present.map((s): Step => {
    const after = new Map<string, Sentence>()
    for (const [id, why] of s.after) before(id, why, after)
    const effort = s.effort(facts)
    return {
      id: s.id,
      name: nameOf(s),
      group: s.group,
      minutes: {
        id: 'time',
        quantity: 'Active time, both feet',
        value: Math.max(1, Math.round(effort.minutes)),
        unit: 'min',
        sentence: effort.sentence,
        inputs: [],
        origin: 'house rule',
      },
      wait: s.wait?.(facts) ?? null,
      after: [...after].map(([id, why]) => ({ id, name: nameOf(byId.get(id) as BookStep), why })),
      cautions: typeof s.cautions === 'function' ? s.cautions(facts) : (s.cautions ?? []),
      parts: partsOf(facts, s.parts ?? []).map((p) => p.id),
    }
  })
  return inOrder(list.map((step) => ({ ...step, after: withoutImplied(step, list) })))
}

/** Drops what another step in the list already waits for: the nearest reasons are the ones to read. */
function withoutImplied(step: Step, list: readonly Step[]): Step['after'] {
  const byId = new Map(list.map((s) => [s.id, s]))
  const waitsFor = (id: string, sought: string): boolean =>
    (byId.get(id)?.after ?? []).some((a) => a.id === sought || waitsFor(a.id, sought))
  return step.after.filter((a) => !step.after.some((b) => b.id !== a.id && waitsFor(b.id, a.id)))
}

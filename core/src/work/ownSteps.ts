import type { OwnStep } from '../model/work.ts'
import { SaidError } from '../units/saidError.ts'
import { activeTime } from './activeTime.ts'
import type { Step } from './step.ts'

/** Thrown when steps that were added wait for each other. */
export class OrderError extends SaidError {
  override readonly name = 'OrderError'
}

/** Steps that go by an id: the one, or those of both feet. */
const goingBy = (id: string, steps: readonly Step[]) =>
  steps.filter((s) => s.id === id || (s.foot !== null && s.key === id))

const ASKED = 'the maker wants it so'

/**
 * The derived steps with the maker's own among them. What an own step names and the pair has not binds nothing. Throws
 * OrderError, by the step's name, when one would wait for itself.
 */
export function withOwn(derived: readonly Step[], own: readonly OwnStep[]): Step[] {
  const all: Step[] = [
    ...derived,
    ...own.map((o): Step => ({
      id: o.id,
      key: o.id,
      formerly: [],
      foot: null,
      name: o.name,
      group: o.group,
      minutes: activeTime(o.minutes, o.note === '' ? 'As its maker set it.' : o.note, 'this pair'),
      wait: o.wait > 0 ? { min: o.wait, max: null, why: 'As its maker set it.' } : null,
      after: [],
      cautions: [],
      tools: [],
      stuff: [],
      look: [],
      wears: null,
      parts: [],
      seams: [],
      own: true,
    })),
  ]
  const more = new Map<string, Step['after']>()
  const add = (id: string, before: Step) => {
    if (id !== before.id) more.set(id, [...(more.get(id) ?? []), { id: before.id, name: before.name, why: ASKED }])
  }
  for (const o of own) {
    const self = all.find((s) => s.id === o.id)!
    for (const before of o.after.flatMap((id) => goingBy(id, all))) add(o.id, before)
    for (const after of o.before.flatMap((id) => goingBy(id, all))) add(after.id, self)
  }
  const bound = all.map((s) => ({ ...s, after: [...s.after, ...(more.get(s.id) ?? [])] }))
  // Derived steps never wait for each other: where something does, an own one is among them.
  const culprit = own.find((o) => waitsForItself(o.id, bound))
  if (culprit) {
    throw new OrderError(
      `“${culprit.name}” would have to come before and after the same step. Change what it comes after or before.`,
    )
  }
  return settled(bound, own)
}

/** Whether an own step can stand among the steps of a plan: what it comes after must not wait for what it comes before. */
export function fitsAmong(steps: readonly Step[], own: OwnStep): boolean {
  const others = steps
    .filter((s) => s.id !== own.id)
    .map((s) => ({ ...s, after: s.after.filter((a) => a.id !== own.id) }))
  try {
    withOwn(others, [own])
    return true
  } catch (error) {
    if (error instanceof OrderError) return false
    throw error
  }
}

function waitsForItself(id: string, steps: readonly Step[]): boolean {
  const byId = new Map(steps.map((s) => [s.id, s]))
  const seen = new Set<string>()
  const walk = (at: string): boolean =>
    (byId.get(at)?.after ?? []).some((a) => {
      if (a.id === id) return true
      if (seen.has(a.id)) return false
      seen.add(a.id)
      return walk(a.id)
    })
  return walk(id)
}

/** Own steps stand behind the last of what they come after, or else at the end of their group. */
function settled(steps: readonly Step[], own: readonly OwnStep[]): Step[] {
  const list = steps.filter((s) => !s.own)
  for (const { id } of own) {
    const step = steps.find((s) => s.id === id)!
    const behind = Math.max(...list.map((s, i) => (step.after.some((a) => a.id === s.id) ? i : -1)))
    const group = list.findLastIndex((s) => s.group === step.group)
    list.splice((behind >= 0 ? behind : group >= 0 ? group : list.length - 1) + 1, 0, step)
  }
  return list
}

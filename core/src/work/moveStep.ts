import type { Sentence } from '../units/sentence.ts'
import type { Step } from './step.ts'

/** A step was moved, or may not be: by which other one, and why. */
export type Moved = { order: string[] } | { held: { id: string; name: string; why: Sentence; first: 'other' | 'this' } }

/**
 * Moves a step directly before another one (to the end, for null), where no reason forbids it: steps as they come, in working
 * order. What must stay before it or behind it is told with its reason.
 */
export function moveStep(steps: readonly Step[], id: string, before: string | null): Moved {
  const from = steps.findIndex((s) => s.id === id)
  const target = before === null ? steps.length : steps.findIndex((s) => s.id === before)
  const ids = steps.map((s) => s.id)
  if (from < 0 || target < 0 || before === id) return { order: ids }
  const step = steps[from]!
  // Whoever waits for one that waits for it is in between as well, and is met first.
  const passed = target < from ? steps.slice(target, from).reverse() : steps.slice(from + 1, target)
  for (const other of passed) {
    if (target < from) {
      const reason = step.after.find((a) => a.id === other.id)
      if (reason) return { held: { id: other.id, name: other.name, why: reason.why, first: 'other' } }
    } else {
      const reason = other.after.find((a) => a.id === id)
      if (reason) return { held: { id: other.id, name: other.name, why: reason.why, first: 'this' } }
    }
  }
  const rest = ids.filter((other) => other !== id)
  const at = before === null ? rest.length : rest.indexOf(before)
  return { order: [...rest.slice(0, at), id, ...rest.slice(at)] }
}

/** What a step stands next to and may not pass: the step, and why. */
export interface Bound {
  id: string
  name: string
  why: Sentence
}

/** How far a step may be moved: what it stays behind and what it stays before, and the steps before which it may be put; null is the end. */
export function placesFor(
  steps: readonly Step[],
  id: string,
): { behind: Bound | null; ahead: Bound | null; before: (string | null)[] } {
  const at = steps.findIndex((s) => s.id === id)
  const step = steps[at]
  if (!step) return { behind: null, ahead: null, before: [] }
  const first = steps.slice(0, at).findLastIndex((s) => step.after.some((a) => a.id === s.id))
  const last = steps.findIndex((s, i) => i > at && s.after.some((a) => a.id === id))
  const behind = steps[first]
  const ahead = steps[last]
  const end = last < 0 ? steps.length : last
  return {
    behind: behind ? { id: behind.id, name: behind.name, why: step.after.find((a) => a.id === behind.id)!.why } : null,
    ahead: ahead ? { id: ahead.id, name: ahead.name, why: ahead.after.find((a) => a.id === id)!.why } : null,
    before: Array.from({ length: end - first }, (_, i) => steps[first + 1 + i]?.id ?? null).filter((b) => b !== id),
  }
}

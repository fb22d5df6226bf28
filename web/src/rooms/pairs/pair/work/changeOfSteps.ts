import type { Step } from '@gentle-awl/core'
import { withoutFoot } from './stepNames.ts'

export interface Before {
  steps: readonly Step[]
}

/** What differs between two lists of steps, in words: which come, which go, which wait otherwise; and minutes. */
export function changeOfSteps({ steps: before }: Before, after: readonly Step[]): { words: string; minutes: number } {
  const names = (list: readonly Step[], other: readonly Step[]) => [
    ...new Set(list.filter((s) => !other.some((o) => o.key === s.key)).map((s) => `“${withoutFoot(s)}”`)),
  ]
  const [come, gone] = [names(after, before), names(before, after)]
  const waits = after.filter((s) => {
    const was = before.find((o) => o.id === s.id)
    return was && JSON.stringify(was.wait) !== JSON.stringify(s.wait)
  })
  const kept = after.filter((s) => before.some((o) => o.id === s.id)).map((s) => s.id)
  const was = before.filter((s) => after.some((o) => o.id === s.id)).map((s) => s.id)
  const sum = (list: readonly Step[]) => list.reduce((all, s) => all + s.minutes.value, 0)
  const words = [
    ...(come.length > 0 ? [`New: ${come.join(', ')}.`] : []),
    ...(gone.length > 0 ? [`Gone: ${gone.join(', ')}.`] : []),
    ...(waits.length > 0 ? [`${waits.length} ${waits.length === 1 ? 'step waits' : 'steps wait'} otherwise.`] : []),
    ...(kept.some((id, i) => was[i] !== id) ? ['The order is another one.'] : []),
  ]
  return {
    words: words.length > 0 ? words.join(' ') : 'The same steps in the same order.',
    minutes: Math.round(sum(after) - sum(before)),
  }
}

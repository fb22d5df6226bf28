import type { Step } from '@gentle-awl/core'

/** A step's name without its foot. */
export const withoutFoot = ({ name, foot }: Pick<Step, 'name' | 'foot'>): string =>
  foot === null ? name : name.replace(/, (right|left)$/, '')

/** Steps to choose from, those of both feet as one: by their key, or by the id that both go by. */
export function stepNames(steps: readonly Step[], by: 'key' | 'id'): { value: string; name: string }[] {
  const names = new Map<string, string>()
  for (const s of steps) {
    const value = by === 'key' || s.foot !== null ? s.key : s.id
    if (!names.has(value)) names.set(value, withoutFoot(s))
  }
  return [...names].map(([value, name]) => ({ value, name }))
}

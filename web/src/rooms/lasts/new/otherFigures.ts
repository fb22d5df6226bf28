import type { LastMeasures } from '@gentle-awl/core'

/**
 * What becomes another when the figures that follow from a foot do: those with another value, and those that follow no
 * longer, which go back to the last that was begun from.
 */
export function otherFigures(
  before: Partial<LastMeasures>,
  after: Partial<LastMeasures>,
  base: LastMeasures,
): Partial<LastMeasures> {
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]) as Set<keyof LastMeasures>
  const changed = [...keys].map((key) => [key, after[key] ?? base[key], before[key] ?? base[key]] as const)
  return Object.fromEntries(changed.filter(([, now, then]) => now !== then).map(([key, now]) => [key, now]))
}

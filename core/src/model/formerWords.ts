const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * Documents written before a word changed still come in: from files, from pages that were open, from the programs of
 * others. Each goes before its schema, and leaves alone whatever is in today's words, or no document at all.
 */

/** A last by measures was called made, as is what was cut and printed. */
export const lastByMeasures = (shape: unknown): unknown =>
  isObject(shape) && shape.kind === 'made' ? { ...shape, kind: 'measures' } : shape

/** How the top line is finished was called its edge, as is the upper end of a stiffener. */
export function topFinish(upper: unknown): unknown {
  if (!isObject(upper) || !('topEdge' in upper)) return upper
  const { topEdge, ...rest } = upper
  return { topFinish: topEdge, ...rest }
}

/** Version 1 of the pair file knew lasts by their measures alone; versions 1 and 2 are in former words. */
export function upgradedPairFile(file: unknown, version: number): unknown {
  if (!isObject(file) || typeof file.version !== 'number' || file.version < 1 || file.version >= version) return file
  const { last } = file
  if (!isObject(last) || !('measures' in last)) return { ...file, version }
  const { measures, ...rest } = last
  return { ...file, version, last: { ...rest, shape: { kind: 'measures', measures } } }
}

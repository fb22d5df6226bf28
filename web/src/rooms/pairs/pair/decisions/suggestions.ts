import { styleBook, type Plan, type PatternKind } from '@gentle-awl/core'

/** What a style suggests to be of something else, of the pieces and parts that this pair has. */
export function suggestionsFor(
  style: PatternKind,
  { upper, parts }: Pick<Plan, 'upper' | 'parts'>,
): { names: string[]; why: string }[] {
  if (style === 'own pattern') return []
  return styleBook[style].suggests.flatMap(({ kinds, why }) => {
    const there = [...upper.pieces, ...parts].filter(({ id }) => kinds.some((kind) => kind === id.split('.')[0]))
    const names = [...new Set(there.map((p) => p.name.replace(/, (lateral|medial)$/, '')))]
    return names.length > 0 ? [{ names, why }] : []
  })
}

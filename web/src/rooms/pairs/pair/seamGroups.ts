import type { SlateEntry } from '../../../ui/slateEntry.ts'

interface Listed {
  id: string
  name: string
  seen: 'outside' | 'foot'
}

/** Seams as the list at the left of a room has them: what is seen of the whole, then the upper's and the linings'. */
export function seamGroups(
  wholes: readonly SlateEntry[],
  seams: readonly Listed[],
  to: (id: string) => string,
): { key: string; name?: string; entries: readonly SlateEntry[] }[] {
  const of = (seen: Listed['seen'], key: string, name: string) => ({
    key,
    name,
    entries: seams
      .filter((s) => s.seen === seen)
      .map((s): SlateEntry => ({ key: s.id, name: s.name, to: to(s.id), level: 'fine' })),
  })
  return [{ key: 'wholes', entries: wholes }, of('outside', 'upper', 'Upper'), of('foot', 'linings', 'Linings')].filter(
    (g) => g.entries.length > 0,
  )
}

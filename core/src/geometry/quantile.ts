/** The value at a share (0 to 1) of a list, between neighbours in proportion: 0.5 is the middle. Throws on an empty list. */
export function quantile(list: readonly number[], share: number): number {
  if (list.length === 0) throw new RangeError('There is no middle of nothing.')
  const sorted = [...list].sort((a, b) => a - b)
  const at = share * (sorted.length - 1)
  const low = Math.floor(at)
  const high = Math.min(sorted.length - 1, low + 1)
  return sorted[low]! + (at - low) * (sorted[high]! - sorted[low]!)
}

/** The middle of a list; of an even number half-way between the two there. */
export const middle = (list: readonly number[]): number => quantile(list, 0.5)

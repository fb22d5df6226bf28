/** The middle one of some figures, in whatever order they come (the upper middle one of an even number); 0 of none. median([3, 1, 2]) is 2. */
export const median = (list: ArrayLike<number>): number => {
  const sorted = Float64Array.from(list).sort()
  return sorted[sorted.length >> 1] ?? 0
}

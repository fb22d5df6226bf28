/** Where the parabola through three values is greatest, within their places; the middle place where it does not bend down. */
export function peak(at: readonly [number, number, number], v: readonly [number, number, number]): number {
  const left = (v[1] - v[0]) / (at[1] - at[0])
  const right = (v[2] - v[1]) / (at[2] - at[1])
  const bend = (right - left) / (at[2] - at[0])
  if (!(bend < 0)) return at[1]
  return Math.min(at[2], Math.max(at[0], (at[0] + at[1]) / 2 - left / (2 * bend)))
}

/** Units that scanners write, with millimetres per unit. */
export const scanUnits = { mm: 1, cm: 10, m: 1000, inch: 25.4 } as const
export type ScanUnit = keyof typeof scanUnits

/**
 * The unit in which a body of this longest extent would be as long as a last (150 to 350 mm, its diagonal up to
 * 420); null when none fits. The person is asked all the same.
 */
export function guessUnit(extent: number): ScanUnit | null {
  const fits = (Object.keys(scanUnits) as ScanUnit[]).filter((u) => {
    const mm = extent * scanUnits[u]
    return mm >= 150 && mm <= 420
  })
  return fits[0] ?? null
}

/** Longest side of the box round a cloud of points, in the file's own unit. */
export function longestExtent(positions: ArrayLike<number>): number {
  const lo = [Infinity, Infinity, Infinity]
  const hi = [-Infinity, -Infinity, -Infinity]
  for (let k = 0; k < positions.length; k++) {
    const c = k % 3
    if (positions[k]! < lo[c]!) lo[c] = positions[k]!
    if (positions[k]! > hi[c]!) hi[c] = positions[k]!
  }
  return Math.hypot(hi[0]! - lo[0]!, hi[1]! - lo[1]!, hi[2]! - lo[2]!)
}

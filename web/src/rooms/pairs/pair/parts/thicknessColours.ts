/** Thin to thick, mm of the ramp's ends; beyond them the end colour stays. */
export interface Ramp {
  from: number
  to: number
}

/** From a cool dark tone over chalk to beeswax and madder: told apart in grey as well, because it grows lighter, then darker only at the very end. */
const STOPS: readonly [number, number, number][] = [
  [46, 92, 112],
  [124, 170, 178],
  [236, 232, 214],
  [226, 168, 74],
  [178, 60, 62],
]

/** Red, green and blue (0 to 1) for a thickness. */
export function thicknessColour(thickness: number, { from, to }: Ramp): [number, number, number] {
  const t = Math.min(1, Math.max(0, (thickness - from) / (to - from || 1))) * (STOPS.length - 1)
  const i = Math.min(STOPS.length - 2, Math.floor(t))
  const mix = (c: 0 | 1 | 2) => (STOPS[i]![c] + (STOPS[i + 1]![c] - STOPS[i]![c]) * (t - i)) / 255
  return [mix(0), mix(1), mix(2)]
}

export const asCss = ([r, g, b]: readonly [number, number, number]): string =>
  `rgb(${Math.round(255 * r)} ${Math.round(255 * g)} ${Math.round(255 * b)})`

/** Shares of all places below and above which the ramp does not go: a lap's thin edge would stretch it for nothing. */
const LOW = 0.04
const HIGH = 0.995

/** A ramp for a set of thicknesses: from the thin wall to the thick, in whole half millimetres. */
export function rampFor(values: Iterable<number>): Ramp {
  const sorted = [...values].filter((v) => v > 0.05).sort((a, b) => a - b)
  if (sorted.length === 0) return { from: 0, to: 1 }
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]
  const from = Math.floor(at(LOW)! * 2) / 2
  return { from, to: Math.max(from + 0.5, Math.ceil(at(HIGH)! * 2) / 2) }
}

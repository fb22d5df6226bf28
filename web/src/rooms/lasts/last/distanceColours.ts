/** Colours for a signed distance: sky where the first last falls short, chalk where they agree, amber where it stands out. */
const SHORT = [0.18, 0.42, 0.72]
const SAME = [0.93, 0.93, 0.9]
const OUT = [0.86, 0.45, 0.1]

/** Three numbers (0 to 1) per vertex for distances in mm, full colour at `full` mm either way. */
export function distanceColours(away: Float64Array, full: number): Float32Array {
  const colours = new Float32Array(away.length * 3)
  for (let i = 0; i < away.length; i++) {
    const t = Math.min(1, Math.abs(away[i]!) / full)
    const end = away[i]! > 0 ? OUT : SHORT
    for (let c = 0; c < 3; c++) colours[i * 3 + c] = SAME[c]! + (end[c]! - SAME[c]!) * t
  }
  return colours
}

/** The same scale as a gradient for its legend. */
export const distanceGradient = (() => {
  const css = (c: number[]) => `rgb(${c.map((v) => Math.round(v * 255)).join(' ')})`
  return `linear-gradient(90deg, ${css(SHORT)}, ${css(SAME)}, ${css(OUT)})`
})()

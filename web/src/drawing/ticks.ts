/** One line of a ruler: where it stands (mm) and what is written there, if anything. */
export interface Tick {
  at: number
  label: string | null
}

const MM_STEPS = [1, 2, 5, 10, 20, 50, 100, 200]
const INCH_STEPS = [1 / 16, 1 / 8, 1 / 4, 1 / 2, 1, 2, 4, 8]

/** Ruler lines between two places at a scale (px per mm), in the unit of the screen: labels at least 46 px apart. */
export function ticks(from: number, to: number, scale: number, unit: 'mm' | 'inch'): Tick[] {
  const size = unit === 'mm' ? 1 : 25.4
  const steps = unit === 'mm' ? MM_STEPS : INCH_STEPS
  const major = (steps.find((s) => s * size * scale >= 46) ?? steps[steps.length - 1]!) * size
  const minor = (steps.find((s) => s * size * scale >= 7) ?? steps[steps.length - 1]!) * size
  const out: Tick[] = []
  for (let i = Math.ceil(from / minor); i * minor <= to; i++) {
    const at = i * minor
    const whole = Math.abs(at / major - Math.round(at / major)) < 1e-6
    out.push({ at, label: whole ? label(at, unit) : null })
  }
  return out
}

function label(at: number, unit: 'mm' | 'inch'): string {
  if (unit === 'mm') return String(Math.round(at))
  const inches = at / 25.4
  return Number.isInteger(Math.round(inches * 16) / 16) ? `${Math.round(inches)}` : inches.toFixed(2).replace(/0$/, '')
}

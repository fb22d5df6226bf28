import { readFigure } from './figure.ts'

export const MM_PER_INCH = 25.4

/** mm as inches and sixteenths, reduced: 25.4 -> `1″`, 34.925 -> `1 3/8″`. Rounds to the nearest 1/16, or another power of two. */
export function inchFraction(mm: number, finest = 16): string {
  const parts = Math.round((Math.abs(mm) / MM_PER_INCH) * finest)
  const sign = mm < 0 && parts > 0 ? '-' : ''
  const whole = Math.floor(parts / finest)
  let top = parts % finest
  let bottom = finest
  while (top > 0 && top % 2 === 0) {
    top /= 2
    bottom /= 2
  }
  if (top === 0) return `${sign}${whole}″`
  return `${sign}${whole > 0 ? `${whole} ` : ''}${top}/${bottom}″`
}

/** Below half an inch lengths tell of leather: sixteenths would make 2.0 and 2.3 mm the same. */
const FINE = MM_PER_INCH / 2

/** mm as inches, as fine as it matters: sixty-fourths below half an inch, sixteenths above. */
export const inches = (mm: number): string => inchFraction(mm, Math.abs(mm) < FINE ? 64 : 16)

/** Reads `12`, `12.5 mm`, `1 3/8″`, `1 3/8 in`, `3/16"` as mm; null when it is none of these. */
export function readLength(text: string): number | null {
  const metric = readFigure(text)
  if (metric !== null) return metric
  const t = text.trim().replace(',', '.')
  const inch = /^(?:(\d+(?:\.\d+)?)(?!\d*\/))?\s*(?:(\d+)\/(\d+))?\s*(?:″|"|in)$/.exec(t)
  if (!inch || (inch[1] === undefined && inch[2] === undefined)) return null
  const fraction = inch[2] === undefined ? 0 : Number(inch[2]) / Number(inch[3])
  const mm = (Number(inch[1] ?? 0) + fraction) * MM_PER_INCH
  return Number.isFinite(mm) ? mm : null
}

import { distance, type Path, type Point } from '../geometry/path.ts'

/** How far a back line is led on above the last, mm; over the first of it it comes upright. */
const ABOVE_BACK = 90
const UPRIGHT_OVER = 40
const STEP = 2

/**
 * The back curve led on above the last, as the leg stands over the heel: its lean against `upright` fades evenly to
 * nothing over the first 40 mm, and it goes on straight.
 */
export function ledOnBack(back: Path, upright: Point): Path {
  const [a, b] = [back[back.length - 4]!, back[back.length - 1]!]
  const whole = distance(a, b)
  const [ux, uy] = [(b[0] - a[0]) / whole, (b[1] - a[1]) / whole]
  /** From upright to the back's own way, counter-clockwise. */
  const lean = Math.atan2(upright[0] * uy - upright[1] * ux, upright[0] * ux + upright[1] * uy)
  const out = [...back]
  let [x, y] = b
  for (let run = 0; run < ABOVE_BACK; run += STEP) {
    const turned = lean * Math.max(0, 1 - (run + STEP / 2) / UPRIGHT_OVER)
    const [c, s] = [Math.cos(turned), Math.sin(turned)]
    ;[x, y] = [x + STEP * (c * upright[0] - s * upright[1]), y + STEP * (s * upright[0] + c * upright[1])]
    out.push([x, y])
  }
  return out
}

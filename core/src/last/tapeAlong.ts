import { girth } from './section.ts'
import type { LastSurface } from './surface.ts'

/** What a tape reads round a last at one place after the other, mm: `at` from the heel back, each plane upright. */
export interface TapeAlong {
  at: Float64Array
  girth: Float64Array
}

/** From where to where along the last it is read, as shares of its length: nearer to the ends a tape slips off. */
const READ = [0.08, 0.97] as const
/** Readings are about so far apart, mm. */
const EVERY = 4

/**
 * The tape laid round the last in upright planes across it, from the seat to the toe: each reading is the convex hull of
 * the section, as `girth` has it. Where two lasts of the same girths at joint, waist and instep differ between those.
 */
export function tapeAlong(surface: LastSurface): TapeAlong {
  const [from, to] = READ.map((share) => share * surface.length) as [number, number]
  const n = Math.max(2, Math.round((to - from) / EVERY) + 1)
  const at = Float64Array.from({ length: n }, (_, k) => from + ((to - from) * k) / (n - 1))
  return { at, girth: at.map((x) => girth(surface, { point: [x, 0, 0], normal: [1, 0, 0] })) }
}

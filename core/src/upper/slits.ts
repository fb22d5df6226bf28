import { curvatures, outwardNormals, resample } from '../geometry/polyline.ts'
import { pathLength, type Path } from '../geometry/path.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Piece } from './piece.ts'
import { topFinishRules } from './topFinishRules.ts'

/** Places along an edge where its allowance must open (concave, a slit) or close (convex, a notch). */
export function relief(line: Path, pitch: number, straight: number): { at: number; convex: boolean }[] {
  const whole = pathLength(line)
  if (whole < 6) return []
  const even = resample(line, Math.max(8, Math.round(whole)))
  const k = curvatures(even, false)
  const step = whole / (even.length - 1)
  const out: { at: number; convex: boolean }[] = []
  // Steps shrink with the radius: so many per degree of turn, but never closer than half the pitch.
  let due = pitch / 2
  for (let i = 1; i + 1 < even.length; i++) {
    const bend = Math.abs(k[i]!)
    if (bend < 1 / straight) {
      due = pitch / 2
      continue
    }
    const here = Math.max(pitch / 2, Math.min(pitch * 1.2, pitch * Math.sqrt(1 / 30 / bend)))
    due -= (step * pitch) / here
    if (due <= 0) {
      out.push({ at: i * step, convex: k[i]! > 0 })
      due = pitch
    }
  }
  return out
}

/** A piece with the slits and notches that its folded top line needs. */
export function withSlits(piece: Piece, book: RuleBook): Piece {
  const slits: Piece['slits'] = []
  for (const edge of piece.edges) {
    if (edge.role !== 'folded' || edge.allowance <= 0) continue
    const line = resample(edge.line, Math.max(8, Math.round(pathLength(edge.line))))
    const normals = outwardNormals(line, false)
    const step = pathLength(line) / (line.length - 1)
    for (const place of relief(edge.line, book.value(topFinishRules.slitPitch), book.value(topFinishRules.straight))) {
      const i = Math.round(place.at / step)
      const [p, n] = [line[i]!, normals[i]!]
      const short = book.value(topFinishRules.slitShort)
      slits.push({
        from: [p[0] + n[0] * edge.allowance, p[1] + n[1] * edge.allowance],
        to: [p[0] + n[0] * short, p[1] + n[1] * short],
        kind: place.convex ? 'notch' : 'slit',
      })
    }
  }
  return { ...piece, slits }
}

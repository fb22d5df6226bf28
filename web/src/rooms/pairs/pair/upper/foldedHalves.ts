import type { Path, Piece, Point } from '@gentle-awl/core'

/** What of a closed outline lies on the side of a line where `keep` is not negative (Sutherland and Hodgman 1974). */
function half(outline: Path, keep: (p: Point) => number): Path {
  const out: Point[] = []
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    const [ka, kb] = [keep(a), keep(b)]
    if (ka >= 0) out.push(a)
    if (ka * kb < 0) {
      const t = ka / (ka - kb)
      out.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t])
    }
  })
  return out
}

/**
 * A whole piece folded along its centre line: the lateral half, and the medial one turned over onto it. Where both
 * feather lines differ, the two edges part. Nothing for a piece without a fold.
 */
export function foldedHalves(piece: Piece): [Path, Path] | [] {
  if (!piece.fold) return []
  const [a, b] = piece.fold
  const l = Math.hypot(b[0] - a[0], b[1] - a[1])
  const [ux, uy] = [(b[0] - a[0]) / l, (b[1] - a[1]) / l]
  // Seen along the fold from its first point the lateral half lies on the right.
  const off = (p: Point) => (p[0] - a[0]) * uy - (p[1] - a[1]) * ux
  const turned = (p: Point): Point => [p[0] - 2 * off(p) * uy, p[1] + 2 * off(p) * ux]
  return [half(piece.outline, off), half(piece.outline, (p) => -off(p)).map(turned)]
}

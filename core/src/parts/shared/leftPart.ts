import { mirror, type Path, type Point } from '../../geometry/path.ts'
import type { DrawablePart } from '../../trade/part.ts'

/** The left shoe's part: the right one flipped as a whole, lines, skives, notches and all. */
export function leftPart<P extends DrawablePart>(part: P): P {
  const flip = ([x, y]: Point): Point => [x, -y]
  const line = (path: Path, closed: boolean) => mirror(path, closed)
  return {
    ...part,
    outline: line(part.outline, true),
    lines: part.lines.map((l) => ({
      ...l,
      path: line(l.path, l.closed),
      ...(l.holes ? { holes: l.holes.map(flip) } : {}),
    })),
    skives: part.skives.map((s) => ({ ...s, edge: line(s.edge, false), band: line(s.band, true) })),
    notches: part.notches.map((n) => ({ ...n, at: flip(n.at), inwards: flip(n.inwards) })),
    dimensions: part.dimensions.map((d) => ({ ...d, from: flip(d.from), to: flip(d.to) })),
    grain: { from: flip(part.grain.from), to: flip(part.grain.to) },
  }
}

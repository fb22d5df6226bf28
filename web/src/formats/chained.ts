import { distance, type Path, type Point } from '@gentle-awl/core'

/** Largest gap between line ends that are taken to meet, mm. */
const MEET = 0.3

/** A closed outline says its first point once. */
export const closedOnce = (p: readonly Point[]): Path =>
  p.length > 1 && distance(p[0]!, p[p.length - 1]!) < 1e-6 ? p.slice(0, -1) : p

interface Piece {
  points: readonly Point[]
  used: boolean
}

/** Ends of pieces in squares as wide as ends may lie apart: a meeting end lies in the same square or beside it. */
class Ends {
  private readonly squares = new Map<string, Piece[]>()

  constructor(pieces: readonly Piece[]) {
    for (const piece of pieces) {
      for (const end of [piece.points[0], piece.points[piece.points.length - 1]]) {
        const key = this.key(end![0], end![1])
        const there = this.squares.get(key)
        if (there) there.push(piece)
        else this.squares.set(key, [piece])
      }
    }
  }

  private key(x: number, y: number): string {
    return `${Math.floor(x / MEET)} ${Math.floor(y / MEET)}`
  }

  /** A piece not used yet that begins or ends at a point. */
  meeting(p: Point): Piece | null {
    for (const dx of [0, -MEET, MEET]) {
      for (const dy of [0, -MEET, MEET]) {
        const found = this.squares
          .get(this.key(p[0] + dx, p[1] + dy))
          ?.find((q) => !q.used && (near(q.points[0]!, p) || near(q.points[q.points.length - 1]!, p)))
        if (found) return found
      }
    }
    return null
  }
}

const near = (a: Point, b: Point) => distance(a, b) < MEET

/** Joins pieces whose ends meet into closed outlines; what stays open is left out. Time grows with the number of pieces. */
export function chained(lines: readonly (readonly Point[])[]): Path[] {
  const pieces = lines.filter((l) => l.length > 1).map((points): Piece => ({ points, used: false }))
  const ends = new Ends(pieces)
  const done: Path[] = []
  for (const first of pieces.toReversed()) {
    if (first.used) continue
    first.used = true
    const line = [...first.points]
    for (;;) {
      const end = line[line.length - 1]
      if (line.length > 2 && near(line[0]!, end!)) {
        done.push(closedOnce(line.slice(0, -1)))
        break
      }
      const next = ends.meeting(end!)
      if (!next) break
      next.used = true
      const onwards = near(next.points[0]!, end!) ? next.points : next.points.toReversed()
      for (let i = 1; i < onwards.length; i++) line.push(onwards[i]!)
    }
  }
  return done
}

import type { Side } from '../trade/side.ts'

/** A wall's grid: points column by column, the feather line first in each. */
export interface Grid {
  columns: number
  rows: number
}

const triangleSets = new Map<string, Uint32Array>()

/** Triangles of a grid that were made once, by whatever says which. */
function once(key: string, make: () => number[]): Uint32Array {
  const made = triangleSets.get(key) ?? Uint32Array.from(make())
  triangleSets.set(key, made)
  return made
}

/** Triangles of a wall's grid, the same array for every wall of that size. Not to be changed. */
export const wallTriangles = (columns: number, rows: number): Uint32Array =>
  // Where ridge and toe rib meet, the corner cell is cut so that no triangle lies in one line of the edge.
  once(`wall ${columns}x${rows}`, () => gridTriangles(columns, rows, (i, j) => i === columns - 2 && j === rows - 2))

/** Triangles of a plain grid with alternating diagonals, likewise. */
export const sheetTriangles = (columns: number, rows: number): Uint32Array =>
  once(`sheet ${columns}x${rows}`, () => gridTriangles(columns, rows, () => false))

/** Two triangles a cell, the diagonals by turns; `corner` cells have the first kind whatever their turn. */
function gridTriangles(columns: number, rows: number, corner: (i: number, j: number) => boolean): number[] {
  const out: number[] = []
  for (let i = 0; i + 1 < columns; i++) {
    for (let j = 0; j + 1 < rows; j++) {
      const a = i * rows + j
      const b = a + rows
      if (corner(i, j) || (i + j) % 2 === 0) out.push(a, b, b + 1, a, b + 1, a + 1)
      else out.push(a, b, a + 1, b, b + 1, a + 1)
    }
  }
  return out
}

/** Grid place where the wall's x on a line of vertices takes a value: vertex before it, and the share to the next. */
export function lineAtX(
  walls: Record<Side, Float64Array>,
  line: readonly number[],
  x: number,
): { from: number; to: number; t: number } {
  const [l, m] = [walls.lateral, walls.medial]
  const xOf = (v: number) => (l[3 * v]! + m[3 * v]!) / 2
  for (let k = 1; k < line.length; k++) {
    const [a, b] = [xOf(line[k - 1]!), xOf(line[k]!)]
    if (a <= x && b >= x) return { from: line[k - 1]!, to: line[k]!, t: b > a ? (x - a) / (b - a) : 0 }
  }
  const end = xOf(line[0]!) > x ? line[0] : line[line.length - 1]
  return { from: end!, to: end!, t: 0 }
}

/** Vertices of the wall's edges: feather heel to toe, back curve upwards, cone rim forwards, ridge to the toe, toe rib downwards. */
export function wallLines(g: Grid & { coneColumn: number }) {
  const top = g.rows - 1
  const row = (j: number, from: number, to: number) =>
    Array.from({ length: to - from + 1 }, (_, k) => (from + k) * g.rows + j)
  return {
    feather: row(0, 0, g.columns - 1),
    back: Array.from({ length: g.rows }, (_, j) => j),
    rim: row(top, 0, g.coneColumn),
    ridge: row(top, g.coneColumn, g.columns - 1),
    toeRib: Array.from({ length: g.rows }, (_, j) => (g.columns - 1) * g.rows + top - j),
  }
}

import { flattenSheet, type FlatSheet } from '../flatten/asRigidAsPossible.ts'
import type { Mesh } from '../flatten/mesh.ts'
import { seamWeights } from '../flatten/seams.ts'
import { wallTriangles, type Grid } from './wallGrid.ts'

/** Every second column and row of a wall. */
const COARSE = 2

/**
 * A wall laid flat: first every second column and row, then, from there, all of them. The coarse sheet needs a quarter
 * of the work a round and takes most of the rounds.
 */
export function layWall(mesh: Mesh, grid: Grid, seams: readonly (readonly number[])[]): FlatSheet {
  const { columns: nu, rows: nv } = grid
  const [mu, mv] = [(nu - 1) / COARSE + 1, (nv - 1) / COARSE + 1]
  const positions = new Float64Array(3 * mu * mv)
  for (let i = 0; i < mu; i++) {
    for (let j = 0; j < mv; j++) {
      const v = 3 * (i * COARSE * nv + j * COARSE)
      positions.set(mesh.positions.subarray(v, v + 3), 3 * (i * mv + j))
    }
  }
  const coarse: Mesh = { positions, triangles: wallTriangles(mu, mv) }
  const onCoarse = seams.map((line) =>
    line
      .map((v) => [Math.floor(v / nv), v % nv])
      .filter(([i, j]) => i! % COARSE === 0 && j! % COARSE === 0)
      .map(([i, j]) => (i! / COARSE) * mv + j! / COARSE),
  )
  const weigh = (m: Mesh, lines: readonly (readonly number[])[]) =>
    lines.length > 0 ? seamWeights(m, lines) : undefined
  const { flat } = flattenSheet(coarse, weigh(coarse, onCoarse))
  const start = new Float64Array(2 * nu * nv)
  for (let i = 0; i < nu; i++) {
    for (let j = 0; j < nv; j++) {
      const [p, q] = [Math.min(mu - 2, Math.floor(i / COARSE)), Math.min(mv - 2, Math.floor(j / COARSE))]
      const [s, t] = [i / COARSE - p, j / COARSE - q]
      for (const d of [0, 1]) {
        const at = (a: number, b: number) => flat[2 * ((p + a) * mv + q + b) + d]
        start[2 * (i * nv + j) + d] =
          (at(0, 0)! * (1 - s) + at(1, 0)! * s) * (1 - t) + (at(0, 1)! * (1 - s) + at(1, 1)! * s) * t
      }
    }
  }
  return flattenSheet(mesh, weigh(mesh, seams), start)
}

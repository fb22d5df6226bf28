import type { Mesh } from '../flatten/mesh.ts'
import { GeometryError } from '../geometry/path.ts'

/** A mesh read with its vertices in the order of the file, and the lines (`l`) it names by group. */
export interface ObjSheet {
  mesh: Mesh
  lines: Record<string, number[][]>
}

/**
 * Reads Wavefront OBJ text whose vertices must keep their order: `v`, `f` (polygons are cut into a fan), `l` and `g`.
 * Throws GeometryError naming the line that cannot be read.
 */
export function readObjSheet(text: string): ObjSheet {
  const positions: number[] = []
  const triangles: number[] = []
  const lines: Record<string, number[][]> = {}
  let group = ''
  text.split('\n').forEach((raw, at) => {
    const words = raw.trim().split(/\s+/)
    const wrong = (what: string) => new GeometryError(`Line ${at + 1} of the mesh ${what}.`)
    const corner = (word: string): number => {
      const k = Number.parseInt(word, 10)
      const v = k < 0 ? positions.length / 3 + k : k - 1
      if (!Number.isInteger(v) || v < 0 || v >= positions.length / 3)
        throw wrong(`names a point ${word} that is not there`)
      return v
    }
    if (words[0] === 'v') {
      const p = words.slice(1, 4).map(Number)
      if (p.length < 3 || !p.every(Number.isFinite)) throw wrong('has a point without three numbers')
      positions.push(...p)
    } else if (words[0] === 'g' || words[0] === 'o') {
      group = words[1] ?? ''
    } else if (words[0] === 'l') {
      ;(lines[group] ??= []).push(words.slice(1).map(corner))
    } else if (words[0] === 'f') {
      const face = words.slice(1).map(corner)
      if (face.length < 3) throw wrong('has a face with fewer than three corners')
      for (let k = 1; k + 1 < face.length; k++) triangles.push(face[0]!, face[k]!, face[k + 1]!)
    }
  })
  if (positions.length === 0) throw new GeometryError('The file holds no mesh: no line of it begins with "v".')
  return { mesh: { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }, lines }
}

import { bodyMesh, buildLast, writeObj, writePly, writeStl, type Last, type TriangleMesh } from '@gentle-awl/core'

export const meshFormats = ['stl', 'obj', 'ply'] as const
export type MeshFormat = (typeof meshFormats)[number]
export const meshTypes: Record<MeshFormat, string> = {
  stl: 'model/stl',
  obj: 'model/obj',
  ply: 'application/octet-stream',
}

/** A left last: y turned round, and every triangle with it so that faces stay outside. */
export function mirrored({ positions, triangles }: TriangleMesh): TriangleMesh {
  const turned = triangles.slice()
  for (let k = 0; k < turned.length; k += 3) [turned[k + 1], turned[k + 2]] = [turned[k + 2]!, turned[k + 1]!]
  return { positions: positions.map((v, i) => (i % 3 === 1 ? -v : v)), triangles: turned }
}

export function asFile(mesh: TriangleMesh, format: MeshFormat, name: string): Uint8Array {
  switch (format) {
    case 'obj':
      return new TextEncoder().encode(writeObj(mesh, name))
    case 'ply':
      return writePly(mesh)
    case 'stl':
      return writeStl(mesh, name)
  }
}

/** The closed body of a last as a mesh file, mm. */
export function lastMesh(last: Last, format: MeshFormat, foot: 'right' | 'left'): Uint8Array {
  const body = bodyMesh(buildLast(last))
  return asFile(foot === 'left' ? mirrored(body) : body, format, `${last.name}, ${foot}`)
}

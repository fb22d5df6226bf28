import type { TriangleMesh } from '@gentle-awl/core'
import { BufferAttribute, type BufferGeometry } from 'three'
import { OBJLoader } from 'three/addons/loaders/OBJLoader.js'
import { PLYLoader } from 'three/addons/loaders/PLYLoader.js'
import { STLLoader } from 'three/addons/loaders/STLLoader.js'
import { meshDamage } from './meshDamage.ts'
import { objDamage, plyTextDamage, stlTextDamage } from './meshText.ts'

/** Thrown when a mesh file cannot be read; the message is a sentence for a person. */
export class MeshFileError extends Error {
  override readonly name = 'MeshFileError'
}

const fromGeometry = (g: BufferGeometry): TriangleMesh => {
  const positions = g.getAttribute('position')
  const index = g.getIndex()
  const count = positions ? positions.count : 0
  return {
    positions: positions instanceof BufferAttribute ? Float64Array.from(positions.array) : new Float64Array(0),
    triangles: index ? Uint32Array.from(index.array) : Uint32Array.from({ length: count - (count % 3) }, (_, i) => i),
  }
}

/** Several objects of one file as one mesh. */
function joined(parts: TriangleMesh[]): TriangleMesh {
  const positions = new Float64Array(parts.reduce((n, p) => n + p.positions.length, 0))
  const triangles = new Uint32Array(parts.reduce((n, p) => n + p.triangles.length, 0))
  let [v, t] = [0, 0]
  for (const part of parts) {
    positions.set(part.positions, v)
    for (let k = 0; k < part.triangles.length; k++) triangles[t + k] = part.triangles[k]! + v / 3
    v += part.positions.length
    t += part.triangles.length
  }
  return { positions, triangles }
}

function readObj(text: string): TriangleMesh {
  const parts: TriangleMesh[] = []
  new OBJLoader().parse(text).traverse((child) => {
    if ('isMesh' in child && 'geometry' in child) parts.push(fromGeometry(child.geometry as BufferGeometry))
  })
  return joined(parts)
}

/** A binary STL says how many triangles it holds, and must be just as long as that. */
function checkStl(data: ArrayBuffer, name: string): void {
  const head = new TextDecoder().decode(data.slice(0, 512))
  if (/^\s*solid/.test(head) && /facet|endsolid/.test(head)) {
    const tail = new TextDecoder().decode(data.slice(Math.max(0, data.byteLength - 512)))
    if (!/endsolid/.test(tail)) {
      throw new MeshFileError(`${name} breaks off: a text STL ends with "endsolid". Save or copy it again.`)
    }
    refuse(stlTextDamage(new TextDecoder().decode(data), name))
    return
  }
  if (data.byteLength < 84) throw new MeshFileError(`${name} is too short to be an STL file.`)
  const said = new DataView(data).getUint32(80, true)
  const holds = Math.floor((data.byteLength - 84) / 50)
  if (holds < said) {
    throw new MeshFileError(
      `${name} breaks off: it says it holds ${said} triangles, and there are ${holds}. Save or copy it again.`,
    )
  }
  if (holds > said) {
    throw new MeshFileError(
      `${name} is damaged: it says it holds ${said} triangles, and there are ${holds}. Save or copy it again.`,
    )
  }
}

function refuse(damage: string | null): void {
  if (damage !== null) throw new MeshFileError(damage)
}

/** A PLY names its elements in its header; a binary one must be long enough for them. Gives the number of faces it says it has. */
function checkPly(data: ArrayBuffer, name: string): number {
  const head = new TextDecoder('latin1').decode(data.slice(0, 4096))
  const end = head.indexOf('end_header')
  if (!head.startsWith('ply') || end < 0) throw new MeshFileError(`${name} is not a PLY file: its header is missing.`)
  const count = (element: string) => Number(new RegExp(`element ${element} (\\d+)`).exec(head)?.[1] ?? 0)
  const [vertices, faces] = [count('vertex'), count('face')]
  if (faces === 0) {
    throw new MeshFileError(
      `${name} holds ${vertices} points and no faces. Let the scanner's program make a mesh of it.`,
    )
  }
  const body = data.byteLength - end
  // Three coordinates of at least four bytes (or two characters each), and a face of at least four of either.
  const least = /format ascii/.test(head) ? vertices * 6 + faces * 7 : vertices * 12 + faces * 7
  if (body < least)
    throw new MeshFileError(`${name} breaks off before its ${faces} faces are told. Save or copy it again.`)
  if (/format ascii/.test(head)) {
    const text = new TextDecoder().decode(data)
    refuse(plyTextDamage(text.slice(text.indexOf('end_header') + 'end_header'.length), vertices, faces, name))
  }
  return faces
}

/** Reads an STL (text or binary), OBJ or PLY file. Throws MeshFileError when it cannot be, or holds no triangles. */
export function readMesh(data: ArrayBuffer, name: string): TriangleMesh {
  const end = name.toLowerCase().split('.').pop() ?? ''
  let mesh: TriangleMesh
  try {
    if (end === 'stl') {
      checkStl(data, name)
      mesh = fromGeometry(new STLLoader().parse(data))
    } else if (end === 'ply') {
      const faces = checkPly(data, name)
      mesh = fromGeometry(new PLYLoader().parse(data))
      const read = mesh.triangles.length / 3
      if (read < faces) {
        throw new MeshFileError(`${name} is damaged: of its ${faces} faces ${read} can be read. Save or copy it again.`)
      }
    } else if (end === 'obj') {
      const text = new TextDecoder().decode(data)
      refuse(objDamage(text, name))
      mesh = readObj(text)
    } else {
      throw new MeshFileError(`${name} is a ".${end}" file; scans come as .stl, .obj or .ply.`)
    }
  } catch (error) {
    if (error instanceof MeshFileError) throw error
    if (!(error instanceof Error)) throw error
    throw new MeshFileError(`${name} is damaged or not what its name says: ${error.message}.`)
  }
  if (mesh.triangles.length === 0) throw new MeshFileError(`${name} holds no triangles.`)
  refuse(meshDamage(mesh, name))
  return mesh
}

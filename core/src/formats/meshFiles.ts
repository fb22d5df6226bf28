import type { TriangleMesh } from '../geometry/closestPoint.ts'

/** Wavefront OBJ text, mm, with shared corners. */
export function writeObj(mesh: TriangleMesh, name: string): string {
  const { positions: v, triangles: t } = mesh
  const lines = [`# ${name.replace(/\s+/g, ' ')}, millimetres`, `o ${name.replace(/\s+/g, '_')}`]
  for (let i = 0; i < v.length; i += 3)
    lines.push(`v ${v[i]!.toFixed(4)} ${v[i + 1]!.toFixed(4)} ${v[i + 2]!.toFixed(4)}`)
  for (let k = 0; k < t.length; k += 3) lines.push(`f ${t[k]! + 1} ${t[k + 1]! + 1} ${t[k + 2]! + 1}`)
  return `${lines.join('\n')}\n`
}

const HEADER = 80
/** Bytes of a triangle: normal, three corners, two spare. */
const RECORD = 50

/** Binary STL, mm: 80 bytes of header, the count, then normal and corners of every triangle as 32-bit floats. */
export function writeStl(mesh: TriangleMesh, name: string): Uint8Array<ArrayBuffer> {
  const { positions: v, triangles: t } = mesh
  const count = t.length / 3
  const buffer = new ArrayBuffer(HEADER + 4 + count * RECORD)
  const view = new DataView(buffer)
  const bytes = new Uint8Array(buffer)
  // A header that began with "solid" would be taken for the text form.
  const header = `binary STL, mm: ${name}`
  for (let i = 0; i < Math.min(HEADER, header.length); i++) bytes[i] = header.charCodeAt(i) & 0x7f
  view.setUint32(HEADER, count, true)
  for (let k = 0; k < count; k++) {
    const [a, b, c] = [t[k * 3]! * 3, t[k * 3 + 1]! * 3, t[k * 3 + 2]! * 3]
    const [ux, uy, uz] = [v[b]! - v[a]!, v[b + 1]! - v[a + 1]!, v[b + 2]! - v[a + 2]!]
    const [wx, wy, wz] = [v[c]! - v[a]!, v[c + 1]! - v[a + 1]!, v[c + 2]! - v[a + 2]!]
    const n = [uy * wz - uz * wy, uz * wx - ux * wz, ux * wy - uy * wx]
    const size = Math.hypot(n[0]!, n[1]!, n[2]!) || 1
    let at = HEADER + 4 + k * RECORD
    for (const f of n) {
      view.setFloat32(at, f / size, true)
      at += 4
    }
    for (const corner of [a, b, c]) {
      for (let d = 0; d < 3; d++) {
        view.setFloat32(at, v[corner + d]!, true)
        at += 4
      }
    }
  }
  return bytes
}

/** ASCII STL, mm. */
export function writeStlText(mesh: TriangleMesh, name: string): string {
  const { positions: v, triangles: t } = mesh
  const label = name.replace(/\s+/g, '_')
  const lines = [`solid ${label}`]
  const corner = (i: number) => `vertex ${v[i * 3]!.toFixed(5)} ${v[i * 3 + 1]!.toFixed(5)} ${v[i * 3 + 2]!.toFixed(5)}`
  for (let k = 0; k < t.length; k += 3) {
    lines.push('facet normal 0 0 0', ' outer loop')
    for (let c = 0; c < 3; c++) lines.push(`  ${corner(t[k + c]!)}`)
    lines.push(' endloop', 'endfacet')
  }
  lines.push(`endsolid ${label}`)
  return `${lines.join('\n')}\n`
}

/** Binary little-endian PLY, mm, with shared corners. */
export function writePly(mesh: TriangleMesh): Uint8Array<ArrayBuffer> {
  const { positions: v, triangles: t } = mesh
  const header = [
    'ply',
    'format binary_little_endian 1.0',
    'comment millimetres',
    `element vertex ${v.length / 3}`,
    'property float x',
    'property float y',
    'property float z',
    `element face ${t.length / 3}`,
    'property list uchar int vertex_indices',
    'end_header',
    '',
  ].join('\n')
  const buffer = new ArrayBuffer(header.length + v.length * 4 + (t.length / 3) * 13)
  const bytes = new Uint8Array(buffer)
  for (let i = 0; i < header.length; i++) bytes[i] = header.charCodeAt(i)
  const view = new DataView(buffer)
  let at = header.length
  for (let i = 0; i < v.length; i++, at += 4) view.setFloat32(at, v[i]!, true)
  for (let k = 0; k < t.length; k += 3) {
    view.setUint8(at++, 3)
    for (let c = 0; c < 3; c++, at += 4) view.setInt32(at, t[k + c]!, true)
  }
  return bytes
}

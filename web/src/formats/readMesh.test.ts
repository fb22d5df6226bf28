import {
  bodyMesh,
  generateLast,
  importScan,
  readyScan,
  writeObj,
  writePly,
  writeStl,
  writeStlText,
  type TriangleMesh,
} from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { START } from '../rooms/lasts/shape/figures.ts'
import { MeshFileError, readMesh } from './readMesh.ts'

const body = bodyMesh(generateLast(START))
const bytes = (data: string | Uint8Array): ArrayBuffer => {
  const view = typeof data === 'string' ? new TextEncoder().encode(data) : data
  return view.slice().buffer
}
const files: [string, string | Uint8Array][] = [
  ['last.obj', writeObj(body, 'last')],
  ['last.stl', writeStl(body, 'last')],
  ['text.stl', writeStlText(body, 'last')],
  ['last.ply', writePly(body)],
]
/** Six times the signed volume, and the area: what a mesh is, however its corners are listed. */
function measures({ positions: p, triangles: t }: TriangleMesh) {
  let [volume, area] = [0, 0]
  for (let k = 0; k < t.length; k += 3) {
    const [a, b, c] = [t[k]! * 3, t[k + 1]! * 3, t[k + 2]! * 3]
    const u = [0, 1, 2].map((d) => p[b + d]! - p[a + d]!)
    const v = [0, 1, 2].map((d) => p[c + d]! - p[a + d]!)
    const n = [u[1]! * v[2]! - u[2]! * v[1]!, u[2]! * v[0]! - u[0]! * v[2]!, u[0]! * v[1]! - u[1]! * v[0]!]
    area += Math.hypot(n[0]!, n[1]!, n[2]!) / 2
    volume += (p[a]! * n[0]! + p[a + 1]! * n[1]! + p[a + 2]! * n[2]!) / 6
  }
  return { volume, area }
}

describe.each(files)('a last written as %s and read by another reader', (name, data) => {
  const mesh = readMesh(bytes(data), name)
  it('has every triangle, the same volume outwards and the same skin', () => {
    expect(mesh.triangles).toHaveLength(body.triangles.length)
    const [a, b] = [measures(mesh), measures(body)]
    expect(b.volume).toBeGreaterThan(0)
    expect(Math.abs(a.volume / b.volume - 1)).toBeLessThan(1e-5)
    expect(Math.abs(a.area / b.area - 1)).toBeLessThan(1e-5)
  })
  it('breaks off when it is cut short, and says so', () => {
    const whole = bytes(data)
    const half = whole.slice(0, Math.floor(whole.byteLength * 0.6))
    if (name.endsWith('.obj')) {
      // Half an OBJ has all points and no faces, or fewer of them: never a broken number.
      expect(() => readMesh(half.slice(0, 2000), name)).toThrow(MeshFileError)
    } else expect(() => readMesh(half, name)).toThrow(/breaks off|damaged/)
  })
})

describe.each(files)('a damaged %s', (name, data) => {
  const whole = new Uint8Array(bytes(data))
  const spoilt = (spoil: (file: Uint8Array, from: number, to: number) => Uint8Array, share: number) => {
    const from = Math.floor(whole.length * share)
    return spoil(whole.slice(), from, from + Math.floor(whole.length * 0.05))
  }
  const nought = (file: Uint8Array, from: number, to: number) => file.fill(0, from, to)
  const without = (file: Uint8Array, from: number, to: number) => {
    const rest = new Uint8Array(file.length - (to - from))
    rest.set(file.subarray(0, from))
    rest.set(file.subarray(to), from)
    return rest
  }
  const shares = [0.1, 0.23, 0.37, 0.52, 0.68, 0.81, 0.9]
  it.each(shares)('with a block of noughts at %s of it is told', (share) => {
    expect(() => readMesh(spoilt(nought, share).buffer as ArrayBuffer, name)).toThrow(/damaged|breaks off/)
  })
  it.each(shares)(
    'from which a block is missing at %s of it is told, or lacks just that: a hole, which is told where holes are',
    (share) => {
      let read: TriangleMesh | null = null
      try {
        read = readMesh(spoilt(without, share).buffer as ArrayBuffer, name)
      } catch (error) {
        expect((error as Error).message).toMatch(/damaged|breaks off/)
      }
      if (read) {
        // Whole lines are gone from a text: what is left is all of one skin.
        expect(name).toMatch(/obj|text/)
        expect(read.triangles.length).toBeLessThan(body.triangles.length)
      }
    },
  )
})

describe('points that cannot be', () => {
  const changed = (change: (data: DataView) => void) => {
    const data = writeStl(body, 'last').slice()
    change(new DataView(data.buffer))
    return data.buffer
  }
  it('one bit too many in an exponent puts a point in another town: told', () => {
    const at = 84 + 50 * 700 + 12
    expect(() =>
      readMesh(
        changed((d) => d.setFloat32(at, 1e9, true)),
        'x.stl',
      ),
    ).toThrow(/1 of its points lie far away/)
    expect(() =>
      readMesh(
        changed((d) => d.setFloat32(at, Number.NaN, true)),
        'x.stl',
      ),
    ).toThrow(/not numbers/)
  })
  it('a head that says less than there is hides part of the scan: told', () => {
    const n = body.triangles.length / 3
    expect(() =>
      readMesh(
        changed((d) => d.setUint32(80, n - 50, true)),
        'x.stl',
      ),
    ).toThrow(`says it holds ${n - 50} triangles, and there are ${n}`)
  })
})

describe('a file that is no scan', () => {
  it.each([
    ['notes.txt', 'hello', /".txt" file; scans come as/],
    ['empty.stl', '', /too short/],
    ['words.obj', 'these are words\nand more words', /no triangles|damaged/],
    [
      'points.ply',
      'ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\nproperty float y\nproperty float z\nend_header\n0 0 0\n1 0 0\n0 1 0\n',
      /3 points and no faces/,
    ],
    ['noise.ply', 'not a ply at all', /its header is missing/],
    ['short.stl', new Uint8Array(300).fill(7), /breaks off/],
  ])('%s is refused with a sentence', (name, data, sentence) => {
    expect(() => readMesh(bytes(data), name)).toThrow(sentence)
  })
  it('an OBJ with squares and with corners counted from the end is read', () => {
    const square = 'v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nf 1 2 3 4\nf -4 -3 -2\n'
    expect(readMesh(bytes(square), 'square.obj').triangles).toHaveLength(9)
  })
})

it('a last that goes out as STL comes back as the same last', () => {
  const mesh = readMesh(bytes(writeStl(body, 'last')), 'last.stl')
  const { surface } = importScan(readyScan(mesh, 'mm'))
  expect(Math.abs(surface.length - START.length)).toBeLessThan(0.2)
})

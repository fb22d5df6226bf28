import { GeometryError, type Path, type Point } from '../geometry/path.ts'
import { dist3, type Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import type { Landmarks } from './landmarks.ts'
import { atX, bottomPoint, type LastSurface } from './surface.ts'
import { mm, say } from '../units/sentence.ts'

/** Where an outline point came from on the last: which feather line, and x in mm from the heel back. */
export interface FeatherStation {
  side: Side
  x: number
}

/**
 * The bottom of the last rolled out flat, mm: X runs along its centre line over the rise of the heel, Y across over
 * the belly (so both are true lengths on the leather). Outline counter-clockwise from the heel, lateral side first.
 */
export interface DevelopedBottom {
  outline: Path
  stations: FeatherStation[]
  /** Joint points and the line between them: where the shoe bends. */
  jointLateral: Point
  jointMedial: Point
  length: number
  /** Flat X of an x on the last. */
  flatX: (x: number) => number
}

/** Number of stations per side; the ends are dense because the outline turns there. */
const STATIONS_PER_SIDE = 96

/** Line across the bottom at x, lateral to medial. */
function crossLine(surface: LastSurface, x: number): Vec3[] {
  const { bottom, across, columns } = surface
  const line: Vec3[] = []
  for (let j = 0; j < across; j++) {
    for (let i = 1; i < columns; i++) {
      const b = (i * across + j) * 3
      if (bottom[b]! < x) continue
      const a = b - across * 3
      const t = bottom[b]! > bottom[a]! ? (x - bottom[a]!) / (bottom[b]! - bottom[a]!) : 0
      if (t >= 0) {
        line.push([
          x,
          bottom[a + 1]! + (bottom[b + 1]! - bottom[a + 1]!) * t,
          bottom[a + 2]! + (bottom[b + 2]! - bottom[a + 2]!) * t,
        ])
      }
      break
    }
  }
  return line
}

/** Length along a cross line from the centre plane to one of its ends. */
function halfLength(line: readonly Vec3[], side: Side): number {
  let sum = 0
  const outwards = side === 'lateral' ? -1 : 1
  for (let j = 1; j < line.length; j++) {
    const [a, b] = [line[j - 1]!, line[j]!]
    const insideA = Math.max(0, outwards * a[1])
    const insideB = Math.max(0, outwards * b[1])
    const span = Math.abs(b[1] - a[1])
    if (span > 0) sum += dist3(a, b) * (Math.abs(insideB - insideA) / span)
  }
  return sum
}

/**
 * Rolls the bottom out over its centre line: exact where the bottom is a cylinder (straight across), and within
 * the small belly elsewhere. Derivation: docs/geometry.md, "The bottom laid flat".
 */
export function developBottom(surface: LastSurface, marks: Landmarks): DevelopedBottom {
  const from = marks.heelFeather[0]
  const to = marks.toeFeather[0]
  const centre = Array.from({ length: surface.columns }, (_, i) => bottomPoint(surface, i, (surface.across - 1) / 2))
  const n = 400
  const sums = new Float64Array(n + 1)
  const heightAt = (x: number) => atX(centre, x)[2]
  let before = heightAt(from)
  for (let i = 1; i <= n; i++) {
    const z = heightAt(from + ((to - from) * i) / n)
    sums[i] = sums[i - 1]! + Math.hypot((to - from) / n, z - before)
    before = z
  }
  const flatX = (x: number): number => {
    const q = Math.min(n, Math.max(0, ((x - from) / (to - from)) * n))
    const i = Math.min(n - 1, Math.floor(q))
    return sums[i]! + (sums[i + 1]! - sums[i]!) * (q - i)
  }
  const sidePoint = (side: Side, x: number): Point => {
    const line = crossLine(surface, x)
    if (line.length < 2)
      throw new GeometryError(say`The bottom of the last has no width ${mm(x, 1)} from the heel back.`)
    const y = halfLength(line, side)
    return [flatX(x), side === 'medial' ? y : -y]
  }
  const xs = Array.from(
    { length: STATIONS_PER_SIDE - 1 },
    (_, i) => from + ((to - from) * (1 - Math.cos((Math.PI * (i + 1)) / STATIONS_PER_SIDE))) / 2,
  )
  const outline: Point[] = [[0, 0]]
  const stations: FeatherStation[] = [{ side: 'lateral', x: from }]
  for (const x of xs) {
    outline.push(sidePoint('lateral', x))
    stations.push({ side: 'lateral', x })
  }
  outline.push([sums[n]!, 0])
  stations.push({ side: 'lateral', x: to })
  for (const x of [...xs].reverse()) {
    outline.push(sidePoint('medial', x))
    stations.push({ side: 'medial', x })
  }
  return {
    outline,
    stations,
    jointLateral: sidePoint('lateral', marks.jointLateral[0]),
    jointMedial: sidePoint('medial', marks.jointMedial[0]),
    length: sums[n]!,
    flatX,
  }
}

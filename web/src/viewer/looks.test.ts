import { bodyMesh, generateLast, type Vec3 } from '@gentle-awl/core'
import { PerspectiveCamera, Vector3 } from 'three'
import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../../core/test/samplePair.ts'
import { EYE, looks, middleOf, poseOf, type Look, type Looked } from './looks.ts'

const last = bodyMesh(generateLast(sampleMeasures.flat)).positions
const dots = Array.from({ length: last.length / 3 }, (_, i): Vec3 => [last[3 * i]!, last[3 * i + 1]!, last[3 * i + 2]!])
const { top } = middleOf(last)
const flatOf = (some: readonly Vec3[]) => Float32Array.from(some.flat())

/** Where points of a last are seen: -1 to 1 across and up, by a camera that knows nothing of how the pose was found. */
function seen(look: Look, over: Partial<Looked>, some: readonly Vec3[]): Vector3[] {
  const looked: Looked = { points: last, foot: 'right', aspect: 1.6, ...over }
  const { from, to } = poseOf(look, looked)
  const camera = new PerspectiveCamera(EYE, looked.aspect, 1, 10_000)
  camera.up.set(0, 0, 1)
  camera.position.set(...from)
  camera.lookAt(...to)
  camera.updateMatrixWorld()
  return some.map(([x, y, z]) => new Vector3(x, looked.foot === 'left' ? -y : y, z).project(camera))
}
const reachOf = (at: readonly Vector3[]) => Math.max(...at.flatMap((p) => [Math.abs(p.x), Math.abs(p.y)]))

describe('how a last is looked at', () => {
  it('finds the middle, the longest side and the top of a body', () => {
    const box = [0, 270].flatMap((x) => [-45, 45].flatMap((y) => [0, 110].map((z) => [x, y, z])))
    expect(middleOf(Float32Array.from(box.flat()))).toEqual({ centre: [135, 0, 55], size: 270, top: 110 })
  })
  it('shows all of it from every side, on wide and on tall surfaces, and fills nine tenths where depth allows', () => {
    for (const look of looks) {
      for (const aspect of [0.6, 1, 1.6, 2.7]) {
        for (const foot of ['right', 'left'] as const) {
          const reach = reachOf(seen(look, { aspect, foot }, dots))
          expect(reach, `${look} ${aspect} ${foot}`).toBeLessThan(0.9001)
          if (look === 'lateral' || look === 'top') expect(reach, `${look} ${aspect} ${foot}`).toBeGreaterThan(0.8999)
        }
      }
    }
  })
  it('keeps the nearest end from looking more than twice as large as the farthest', () => {
    for (const look of looks) {
      const { from, to } = poseOf(look, { points: last, foot: 'right', aspect: 1.6 })
      const away = Math.hypot(...from.map((v, i) => v - to[i]!))
      const depths = dots.map((p) => p.reduce((s, v, i) => s + ((from[i]! - v) * (from[i]! - to[i]!)) / away, 0))
      expect(Math.max(...depths) / Math.min(...depths), look).toBeLessThan(2.0001)
    }
  })
  it('shows a shaft that stands over the last', () => {
    const shaft = dots.filter((p) => p[2] > top - 20).map(([x, y]): Vec3 => [x, y, top + 240])
    const all = [...dots, ...shaft]
    for (const look of looks) {
      expect(reachOf(seen(look, { points: flatOf(all) }, all)), look).toBeLessThan(0.9001)
    }
  })
  it('has the toe to the right from the lateral side of the right foot, to the left from the medial side', () => {
    const ends: Vec3[] = [
      [0, 0, 50],
      [270, 0, 50],
    ]
    const [heel, toe] = seen('lateral', {}, ends)
    expect(toe!.x).toBeGreaterThan(heel!.x)
    const [heelIn, toeIn] = seen('medial', {}, ends)
    expect(toeIn!.x).toBeLessThan(heelIn!.x)
    // The lateral side of a left foot lies at the other side.
    const [heelLeft, toeLeft] = seen('lateral', { foot: 'left' }, ends)
    expect(toeLeft!.x).toBeLessThan(heelLeft!.x)
  })
  it('stands as far from a thin rod as its length needs by the angle of the eye', () => {
    const points = Float32Array.from([0, 0, 50, 270, 0, 50])
    const { from, to } = poseOf('lateral', { points, foot: 'right', aspect: 1 })
    const away = Math.hypot(from[0] - to[0], from[1] - to[1], from[2] - to[2])
    expect(away).toBeCloseTo(270 / 0.9 / (2 * Math.tan((14 * Math.PI) / 180)), 6)
  })
})

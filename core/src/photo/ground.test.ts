import { describe, expect, it } from 'vitest'
import { depthOf, type Camera } from './camera.ts'
import { shownBox } from './ground.ts'

const SIZE = { width: 1001, height: 801 }
/** 400 mm above (100, 150), leaning back so far from straight down; its picture's right is the mat's right. */
const leaning = (degrees: number): Camera => {
  const a = (degrees * Math.PI) / 180
  const [c, s] = [Math.cos(a), Math.sin(a)]
  const rotation = [1, 0, 0, 0, -c, -s, 0, s, -c] as const
  const turned = (p: readonly [number, number, number]) =>
    [0, 3, 6].map((r) => rotation[r]! * p[0] + rotation[r + 1]! * p[1] + rotation[r + 2]! * p[2])
  const [x, y, z] = turned([100, 150, 400])
  return { f: 800, cx: 500, cy: 400, k1: 0, k2: 0, rotation, shift: [-x!, -y!, -z!] }
}

describe('what a picture shows of the mat', () => {
  it('from straight above is a box as large as height and lens say', () => {
    const box = shownBox(leaning(0), SIZE, 0)!
    // 500 pixels at 2 a millimetre to either side, 400 up and down.
    expect(box.minX).toBeCloseTo(100 - 250, 6)
    expect(box.maxX).toBeCloseTo(100 + 250, 6)
    expect(box.minY).toBeCloseTo(150 - 200, 6)
    expect(box.maxY).toBeCloseTo(150 + 200, 6)
    expect(shownBox(leaning(0), SIZE, 100)!.maxX).toBeCloseTo(100 + 187.5, 6)
  })
  it('reaches farther the more the camera leans, and has no end where it shows the horizon', () => {
    // The upper edge is seen 26.57 degrees off the axis: over the horizon from a lean of 63.43 on.
    expect(shownBox(leaning(40), SIZE, 0)!.maxY).toBeCloseTo(150 + 400 * Math.tan(((40 + 26.565) * Math.PI) / 180), 0)
    expect(shownBox(leaning(62), SIZE, 0)).not.toBeNull()
    expect(shownBox(leaning(65), SIZE, 0)).toBeNull()
  })
  it('lies in front of the camera', () => {
    expect(depthOf(leaning(0), 100, 150)).toBeCloseTo(400, 9)
    expect(depthOf(leaning(65), 100, -2000)).toBeLessThan(0)
  })
})

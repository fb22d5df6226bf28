import { describe, expect, it } from 'vitest'
import type { LastSurface } from '../../last/surface.ts'
import { heightAt, sideProfile, type BottomLayer } from './sideProfile.ts'

const L = 280
/** A bottom of known height: it falls evenly to the tread at 0.7 L and rises from there as a parabola by `spring`. */
function lastOf(heel: number, spring: number): LastSurface {
  const columns = 561
  const height = (x: number) => (x < 0.7 * L ? heel * (1 - x / (0.7 * L)) : spring * ((x - 0.7 * L) / (0.3 * L)) ** 2)
  const bottom = new Float64Array(columns * 3 * 3)
  for (let i = 0; i < columns; i++) {
    const x = (L * i) / (columns - 1)
    for (let k = 0; k < 3; k++) bottom.set([x, 30 * (k - 1), height(x)], (i * 3 + k) * 3)
  }
  const walls = { lateral: new Float64Array(0), medial: new Float64Array(0) }
  return { length: L, joints: { lateral: 0, medial: 0 }, columns, rows: 0, coneColumn: 0, walls, across: 3, bottom }
}
const marks = {
  heelFeather: [0, 0, 0],
  toeFeather: [L, 0, 0],
} as unknown as Parameters<typeof sideProfile>[1]
const sole = (thickness: BottomLayer['thickness'], toe = 0): BottomLayer => ({
  id: 'sole',
  name: 'Sole',
  thickness,
  past: { heel: 0, toe },
})
/** Slope of the parabola at its end. */
const steep = (spring: number) => (2 * spring) / (0.3 * L)

describe('toe spring of the last and of the finished sole', () => {
  it.each([0, 6, 11])('of a last of %d mm is the last’s own, whatever lies under it', (spring) => {
    for (const layers of [[], [sole(() => 5)], [sole((x) => (x > 0.7 * L ? 2 : 9), 4)]])
      expect(sideProfile(lastOf(25, spring), marks, layers).lastSpring).toBeCloseTo(spring, 2)
  })
  it('of the sole grows by what its tip is thinner than its tread, and by what the bottom’s slope turns off', () => {
    const [spring, tread] = [8, 6]
    const cos = Math.cos(Math.atan(steep(spring)))
    for (const tip of [6, 4, 2]) {
      const even = (x: number) => tread + (tip - tread) * Math.max(0, (x - 0.7 * L) / (0.3 * L))
      const profile = sideProfile(lastOf(25, spring), marks, [sole(even)])
      // At the tread the layer hangs straight down, at the tip square to the slope.
      expect(Math.abs(profile.spring - (spring + tread - tip * cos))).toBeLessThan(0.05)
      expect(profile.thickness.tread).toBeCloseTo(tread, 9)
    }
  })
  it('of a sole that goes past the toe goes on rising with it', () => {
    const short = sideProfile(lastOf(25, 9), marks, [sole(() => 4)])
    const long = sideProfile(lastOf(25, 9), marks, [sole(() => 4, 5)])
    expect(long.spring - short.spring).toBeCloseTo(5 * steep(9), 1)
  })
})

describe('a bottom in side section', () => {
  it('stands on the ground at the tread alone, and its layers touch', () => {
    const profile = sideProfile(lastOf(30, 7), marks, [sole(() => 3), { ...sole(() => 5), id: 'out' }])
    const front = profile.underside.filter(([x]) => x > 0.6 * L)
    expect(Math.min(...front.map((p) => p[1]))).toBeCloseTo(0, 9)
    const [inner, outer] = profile.layers
    expect(outer!.upper).toEqual(inner!.lower)
    expect(heightAt(profile.last, 0.7 * L)).toBeCloseTo(8, 1)
  })
})

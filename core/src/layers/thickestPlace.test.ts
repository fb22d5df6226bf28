import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { layerOf } from '../../test/layerOf.ts'
import { samplePair } from '../../test/samplePair.ts'
import { boxOf, type Path, type Point } from '../geometry/path.ts'
import { Inside } from '../geometry/pointInPolygon.ts'
import { seeded } from '../geometry/random.ts'
import { formeStage, lastStage, planPair } from '../plan/planPair.ts'
import { DEPTHS, type WallArea } from '../trade/wallArea.ts'
import { thickestPlaces } from './thickestPlace.ts'
import { WallStack } from './wallStack.ts'

const cache = keptCache()
const input = samplePair()
const map = formeStage(lastStage(input.last, cache), input.decisions.upper.forme, cache)

/** Outline of the lateral wall by its grid. */
const { columns, rows } = map.forme
const grid = Array.from({ length: columns }, (_, i) =>
  Array.from({ length: rows }, (_, j) => map.flatVertex('lateral', i, j)),
)
const whole: Path = [...grid.map((c) => c[0]!), ...[...grid].reverse().map((c) => c[rows - 1]!)]
const middle = grid[columns >> 1]![rows >> 1]!
/** A strip of so many mm across the middle of the wall, turned by so many degrees. */
function strip(width: number, turned: number): Path {
  const [c, s] = [Math.cos((turned * Math.PI) / 180), Math.sin((turned * Math.PI) / 180)]
  const corners: Point[] = [
    [-15, -width / 2],
    [15, -width / 2],
    [15, width / 2],
    [-15, width / 2],
  ]
  return corners.map(([x, y]): Point => [middle[0] + c * x - s * y, middle[1] + s * x + c * y])
}

describe('the thickest place of the wall', () => {
  const leather = layerOf('upper', DEPTHS.upper, 1.4, whole)
  it.each([1, 1.5, 3, 7].flatMap((width) => [0, 33, 90].map((turned) => [width, turned] as const)))(
    'is on a strip %s mm wide, however it lies (%s degrees)',
    (width, turned) => {
      const areas = [leather, layerOf('tape', DEPTHS.inside, 0.5, strip(width, turned))]
      const { beside: found, whole } = thickestPlaces(map, new WallStack(areas), areas)
      expect(found.thickness).toBeCloseTo(1.9, 9)
      expect(whole).toEqual(found)
      expect(found.layers.map((l) => l.part)).toEqual(['tape', 'upper'])
      expect(new Inside(strip(width, turned)).has(found.at)).toBe(true)
    },
  )
  it('is nowhere on foam, which is meant to be felt', () => {
    const areas = [
      leather,
      layerOf('foam', DEPTHS.foam, 6, strip(6, 0)),
      layerOf('tape', DEPTHS.inside, 0.5, strip(1, 90)),
    ]
    const { beside: found } = thickestPlaces(map, new WallStack(areas), areas)
    expect([found.thickness, found.layers.map((l) => l.part)]).toEqual([expect.closeTo(1.9, 9), ['tape', 'upper']])
  })
  it('is told beside a seam, and with what the seam lays back', () => {
    const areas = [leather, layerOf('seam', DEPTHS.upper - 0.5, 0.84, strip(1.5, 33), { laidBack: true })]
    const { beside, whole } = thickestPlaces(map, new WallStack(areas), areas)
    expect([beside.thickness, whole.thickness]).toEqual([1.4, expect.closeTo(2.24, 9)])
    expect([beside.layers.length, whole.layers.map((l) => l.part)]).toEqual([1, ['seam', 'upper']])
  })
  it.each(['derby', 'oxford', 'trainer', 'pull-on boot', 'mule'] as const)(
    'of a %s is thicker than twenty thousand others by chance, but for a hair',
    (style) => {
      const chosen = samplePair({ upper: { style } })
      const map = formeStage(lastStage(chosen.last, cache), chosen.decisions.upper.forme, cache)
      const plan = planPair(chosen, cache)
      const { areas } = plan.layers
      const wall = new WallStack(areas)
      const random = seeded(5)
      const most = { beside: 0, whole: 0 }
      for (let k = 0; k < 20_000; k++) {
        // Each area alike: a strip is as likely to be looked at as the whole lining.
        const one = areas[Math.floor(random() * areas.length)]!
        const b = boxOf(one.area)
        const at: Point = [b.minX + random() * (b.maxX - b.minX), b.minY + random() * (b.maxY - b.minY)]
        const firm = (a: WallArea) => a.depth !== DEPTHS.foam
        most.whole = Math.max(most.whole, wall.thickness(one.side, at, firm))
        most.beside = Math.max(
          most.beside,
          wall.thickness(one.side, at, (a) => firm(a) && !a.laidBack),
        )
      }
      const found = thickestPlaces(map, wall, areas)
      for (const which of ['beside', 'whole'] as const) {
        expect(found[which].thickness).toBeGreaterThan(most[which] - 0.1)
        expect(found[which].thickness).toBeLessThan(most[which] + 0.3)
      }
      expect(plan.layers.wall).toEqual(found.beside)
    },
  )
})

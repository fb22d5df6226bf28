import { expect, it } from 'vitest'
import type { WallArea } from '../trade/wallArea.ts'
import { thicknessRaster } from './thicknessRaster.ts'
import { WallStack } from './wallStack.ts'

const area = (part: string, thickness: number, x0: number, x1: number): WallArea => ({
  part,
  name: part,
  side: 'lateral',
  depth: 1,
  thickness,
  area: [
    [x0, 0],
    [x1, 0],
    [x1, 10],
    [x0, 10],
  ],
  thinned: [],
})
const wall = new WallStack([area('lining', 1, 0, 30), area('upper', 1.5, 20, 40)])
const box = { minX: -2, minY: -1, maxX: 42, maxY: 11 }

it('every cell is as thick as what lies in its middle, and together they are the volume of the layers', () => {
  const raster = thicknessRaster(wall, 'lateral', box)
  expect([raster.columns, raster.rows]).toEqual([88, 24])
  raster.values.forEach((value, k) => {
    const x = raster.minX + ((k % raster.columns) + 0.5) * raster.step
    const y = raster.minY + (Math.floor(k / raster.columns) + 0.5) * raster.step
    expect(value).toBe(wall.thickness('lateral', [x, y]))
  })
  const volume = raster.values.reduce((sum, t) => sum + t, 0) * raster.step ** 2
  expect(volume).toBeCloseTo(1 * 30 * 10 + 1.5 * 20 * 10, 6)
})

it('has nothing on the other side, and as many cells as its step asks for', () => {
  expect(thicknessRaster(wall, 'medial', box).values.every((t) => t === 0)).toBe(true)
  expect(thicknessRaster(wall, 'lateral', box, 4).values).toHaveLength(11 * 3)
})

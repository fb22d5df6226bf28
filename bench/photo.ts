import { readPhoto, usualPhoto, type Path, type Point } from '@gentle-awl/core'
import { photograph } from '../core/test/photoStudio.ts'
import { layTable } from '../core/test/studioTable.ts'
import { vision } from '../core/test/vision.ts'
import { nearest } from '../core/src/geometry/polyline.ts'
import { summary, type Result } from './measure.ts'

const SIZE = { width: 4000, height: 3000 }
const RUNS = 3

/** A sole's outline on the large mat, about 250 mm long. */
const sole: Path = Array.from({ length: 400 }, (_, i): Point => {
  const a = (2 * Math.PI * i) / 400
  const x = 125 * Math.cos(a)
  return [140 + (36 + 9 * Math.sin(x / 60)) * Math.sin(a), 202 + x]
})

/** A photograph of twelve megapixels, taken from the side, as an outline: how long it takes and how far it is off. */
export async function photoFigures(): Promise<Result[]> {
  const { cv } = await vision()
  const table = layTable(
    {
      table: { minX: -60, minY: -60, maxX: 350, maxY: 470 },
      sheets: [{ kind: 'wide', number: 1 }],
      lines: [{ path: sole, width: 0.5, dark: 0.6 }],
    },
    9,
  )
  const picture = photograph(table, {
    ...SIZE,
    from: [300, -40, 470],
    at: [140, 200],
    roll: 85,
    lens: [-0.1, 0.03, 0],
    noise: 3,
    quality: 88,
    uneven: 0.3,
    shadow: { at: [140, 200], degrees: 30, light: 0.6, soft: 5 },
  })
  const times: number[] = []
  let off: number[] = []
  for (let i = -1; i < RUNS; i++) {
    const began = performance.now()
    const { outlines } = readPhoto(cv, picture, usualPhoto)
    if (i >= 0) times.push(performance.now() - began)
    off = (outlines[0]?.path ?? []).map((p) => nearest(sole, p, true).away).sort((a, b) => a - b)
  }
  const at = (share: number) => off[Math.floor(off.length * share)] ?? Infinity
  const note = '12 megapixels from 35 degrees off straight above, lens, shadow, noise, JPEG'
  return [
    summary('photograph to outline', times, 'ms', note),
    summary('photograph to outline, off at 95 of 100 places', [at(0.95)], 'mm', note),
  ]
}

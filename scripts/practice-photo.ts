import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { jpegOf, photograph } from '../core/test/photoStudio.ts'
import { layTable } from '../core/test/studioTable.ts'
import { bottomView, checkedLast, offset, resample, type Path, type Point } from '../core/src/index.ts'
import { demoLasts } from '../server/src/demo/lasts.ts'

/*
 * Renders the photograph that people practise with: the liner of an old shoe, traced by hand on a sheet of the mat, on a
 * bench, from the side, in the light of a window. Written once: `npx tsx scripts/practice-photo.ts`.
 */
const { surface, readings } = checkedLast(demoLasts[0]!)
const feather = bottomView(surface, readings).lines.find((l) => l.kind === 'feather' || l.closed)!.path
const liner = resample(offset(feather, -1.5, 'the liner'), 500, true)
/** A hand that is not quite steady, mm. */
const wobble = (i: number) => 0.18 * Math.sin(i / 7.3) + 0.1 * Math.sin(i / 3.1 + 1) + 0.12 * Math.sin(i / 17)
const middle: Point = [140, 200]
const length = Math.max(...liner.map((p) => p[0]))
const traced: Path = liner.map(([x, y], i): Point => {
  const turned: Point = [middle[0] - y + wobble(i), middle[1] + x - length / 2 + wobble(i + 99)]
  return turned
})
const at = (dx: number, dy: number): Point => [middle[0] + dx, middle[1] + dy]
const stroke = (path: Path, dark = 0.55) => ({ path, closed: false, width: 0.55, dark })
const table = layTable(
  {
    table: { minX: -70, minY: -75, maxX: 360, maxY: 480 },
    tableColour: [0.42, 0.33, 0.24],
    sheets: [{ kind: 'wide', number: 1 }],
    spread: 0.04,
    lines: [
      { path: traced, width: 0.6, dark: 0.6 },
      // "39 R", and a mark where the joint was.
      stroke([at(-14, 12), at(-8, 12), at(-11, 7), at(-8, 3), at(-12, 0), at(-14, 1)]),
      stroke([at(3, 7), at(-1, 6), at(-2, 10), at(1, 12), at(3, 9), at(2, 0)]),
      stroke([at(10, 0), at(10, 12), at(15, 11), at(15, 7), at(10, 6), at(16, 0)]),
    ],
  },
  9,
)
const picture = photograph(table, {
  width: 2640,
  height: 1980,
  from: [210, 20, 520],
  at: [142, 198],
  roll: 78,
  lens: [-0.07, 0.02, 0.003],
  blur: 0.9,
  noise: 2.2,
  uneven: 0.3,
  shadow: { at: [60, 120], degrees: 60, light: 0.75, soft: 30 },
  seed: 11,
})
writeFileSync(fileURLToPath(new URL('../web/src/ui/bringIn/practice.jpg', import.meta.url)), jpegOf(picture, 80))

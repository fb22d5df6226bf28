import { join } from 'node:path'
import { serialize } from 'node:v8'
import { fileURLToPath } from 'node:url'
import {
  compareLasts,
  flattenSheet,
  generateAt,
  generateLast,
  girth,
  girthPlanes,
  importScan,
  makeForme,
  planPair,
  planUppers,
  pretendScan,
  readyScan,
  setByHand,
  StageCache,
  styles,
  traitsOf,
  wallTriangles,
  writeStl,
  type PlanInput,
} from '@gentle-awl/core'
import { demoMeasures } from '../server/src/demo/lasts.ts'
import { demoInput, demoPairs } from '../server/src/demo/workshop.ts'
import { PlanSender } from '../web/src/workers/plan/planSender.ts'
import { readMesh } from '../web/src/formats/readMesh.ts'
import { daysFigures } from './days.ts'
import { layoutFigures } from './layouts.ts'
import { summary, time, type Result } from './measure.ts'
import { photoFigures } from './photo.ts'
import { pageFigures } from './pages.ts'
import { workshopFigures } from './workshop.ts'

/** `npm run bench`: one JSON object per line. Medians on a noisy machine; compare ratios within one run. */
const say = (r: Result) => console.log(JSON.stringify(r))
const root = join(fileURLToPath(new URL('.', import.meta.url)), '..')

const pair = demoPairs[0]!
const measures = demoMeasures[2]
const input = demoInput(pair)
const moved = (decision: Parameters<typeof setByHand>[1], mm: number): PlanInput => ({
  ...input,
  decisions: setByHand(input.decisions, decision, mm),
})

say(
  time(
    'generate last',
    15,
    'Harbour 25, girths within 0.05 mm',
    () => 0,
    () => void generateLast(measures!),
  ),
)
const surface = generateLast(measures!)
say(
  time(
    'generate last, heel girth as well',
    10,
    'four girths, cone front and heel fullness free',
    () => 0,
    () => void generateLast({ ...measures!, heelGirth: 334 }),
  ),
)
const fine = generateAt(measures!, {
  columns: 321,
  rows: 125,
  across: 65,
  ribSamples: 400,
  rimSamples: 64,
  ridgeSamples: 240,
})
const scanned = pretendScan(fine, { seed: 1, noise: 0.1, holes: 3 })
const stl = writeStl(scanned, 'scan')
say(
  time(
    'import a scan: read the STL',
    5,
    `${scanned.triangles.length / 3} triangles, binary`,
    () => stl.buffer.slice(0),
    (data) => void readMesh(data, 'scan.stl'),
  ),
)
say(
  time(
    'import a scan: to the canonical grid',
    5,
    `${scanned.triangles.length / 3} triangles, random pose, 0.1 mm noise, holes`,
    () => readMesh(stl.buffer.slice(0), 'scan.stl'),
    (mesh) => void importScan(readyScan(mesh, 'mm')),
  ),
)
const second = generateLast({ ...measures!, length: 285 })
say(
  time(
    'compare two lasts',
    5,
    'signed distance of every vertex',
    () => 0,
    () => void compareLasts(surface, second),
  ),
)
const wall = { positions: surface.walls.lateral, triangles: wallTriangles(surface.columns, surface.rows) }
say(
  time(
    'flatten a half last',
    10,
    `${wall.triangles.length / 3} triangles, as rigid as possible`,
    () => 0,
    () => void flattenSheet(wall),
  ),
)
say(
  time(
    'forme, both sides, true seams',
    10,
    'flattened, matched, averaged',
    () => 0,
    () => void makeForme(surface, 'true seams', 'back and vamp'),
  ),
)
const marks = planPair(input).last.landmarks
say(
  time(
    'girth',
    40,
    'joint section of 97 x 33 walls',
    () => 0,
    () => void girth(surface, girthPlanes(marks).joint),
  ),
)
say(
  time(
    'plan, cold cache',
    15,
    'last, upper, every part, long medial stiffener, steps',
    () => new StageCache(),
    (c) => void planPair(input, c),
  ),
)
const short: PlanInput = {
  ...input,
  decisions: { ...input.decisions, stiffener: { ...input.decisions.stiffener, front: 'short' } },
}
say(
  time(
    'plan, cold cache, short stiffener',
    15,
    'as above, short',
    () => new StageCache(),
    (c) => void planPair(short, c),
  ),
)
for (const style of styles) {
  const { outwards } = traitsOf(style === 'stitch-down' ? 'stitch-down' : 'cemented')
  const ofStyle: PlanInput = {
    ...input,
    decisions: {
      ...short.decisions,
      construction: outwards ? 'stitch-down' : 'cemented',
      upper: { ...input.decisions.upper, style, options: {}, points: {} },
    },
  }
  say(
    time(
      `plan, cold cache, ${style}`,
      5,
      'as above, of each style',
      () => new StageCache(),
      (c) => void planPair(ofStyle, c),
    ),
  )
}
const warm = new StageCache()
planPair(input, warm)
const styled = demoPairs.find((p) => p.decisions.upper.style === 'oxford')
if (!styled) throw new Error('The demo has no oxford.')
const upperCache = new StageCache()
const bothInput = demoInput(styled)
const dragged = (n: number, left: PlanInput['decisions']['left'] = null): PlanInput => ({
  ...bothInput,
  decisions: {
    ...bothInput.decisions,
    left,
    upper: { ...styled.decisions.upper, points: { 'vampPoint:both': [0.4 + 0.002 * n, 0] } },
  },
})
let nth = 0
planPair(dragged(0), upperCache)
say(
  time(
    'drag a point: the whole upper and what follows',
    30,
    'oxford with toe cap and counter, punched and gimped, warm cache',
    () => dragged(++nth),
    (next) => void planPair(next, upperCache),
  ),
)
planPair(dragged(0, styled.decisions.left), upperCache)
say(
  time(
    'drag a point: the upper alone, sent ahead',
    30,
    'the same oxford',
    () => dragged(++nth),
    (next) => void planUppers(next, upperCache),
  ),
)
const parcels = new PlanSender()
parcels.send(planPair(dragged(++nth), upperCache))
const dragParcel = serialize(parcels.send(planPair(dragged(++nth), upperCache))).length
say(summary('drag a point: sent to the page', [dragParcel / 1024], 'kB', 'what is another than before'))
const sliderParcels = new PlanSender()
const sliderCache = new StageCache()
sliderParcels.send(planPair(moved('puff.length', 51), sliderCache))
const sliderParcel = serialize(sliderParcels.send(planPair(moved('puff.length', 52), sliderCache))).length
say(summary('slider: sent to the page', [sliderParcel / 1024], 'kB', 'puff length'))
say(
  time(
    'drag a point: both feet, each on a last of its own',
    20,
    'the same oxford, warm cache',
    () => dragged(++nth, styled.decisions.left),
    (next) => void planPair(next, upperCache),
  ),
)
say(
  time(
    'plan, nothing changed',
    30,
    'all from the cache',
    () => 0,
    () => void planPair(input, warm),
  ),
)
for (const [name, decision, from] of [
  ['slider: puff length', 'puff.length', 50],
  ['slider: stiffener back height', 'stiffener.backHeight', 50],
  ['slider: midsole room', 'midsole.room', 5],
] as const) {
  say(
    time(
      name,
      30,
      'one decision changed, warm cache',
      (i) => moved(decision, from + i * 0.37),
      (t) => void planPair(t, warm),
    ),
  )
}
say(
  time(
    'skives and seams: one edge changed',
    15,
    'how thin folds are skived: layers, sections, skiving list and stitching follow',
    (i): PlanInput => ({ ...input, houseRules: { 'skive.foldShare': 0.5 + i * 0.01 } }),
    (t) => void planPair(t, warm),
  ),
)
say(
  time(
    'lasting plan: one lasting rule changed',
    15,
    'tacks, tucks and shrink of all that is turned under, and the steps that take as long',
    (i): PlanInput => ({ ...input, houseRules: { 'lasting.farthest': 25 + i * 0.3 } }),
    (t) => void planPair(t, warm),
  ),
)
const sample = input.decisions
say(
  time(
    'operations of a pair: one way of working changed',
    15,
    'steps with their reasons, order, stuff and waits',
    (i): PlanInput => ({
      ...input,
      decisions: {
        ...sample,
        work: {
          ...sample.work,
          recipe: `${i} spoons of flour`,
          ways: { ...sample.work.ways, lasting: i % 2 === 0 ? 'lining first' : 'together at the back' },
        },
      },
    }),
    (t) => void planPair(t, warm),
  ),
)
say(
  time(
    'one house rule, all parts',
    15,
    'puff and stiffener skive widths',
    (i): PlanInput => ({
      ...input,
      houseRules: { 'puff.backSkive': 12 + i * 0.1, 'stiffener.topSkive': 12 + i * 0.1 },
    }),
    (t) => void planPair(t, warm),
  ),
)

for (const figures of layoutFigures(input)) say(figures)
for (const figures of daysFigures(input)) say(figures)
for (const figures of await photoFigures()) say(figures)
await workshopFigures(say)
await pageFigures(join(root, 'web', 'dist', 'assets'), pair.id, say)

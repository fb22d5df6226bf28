import {
  featherLine,
  generateLast,
  importScan,
  Last,
  lastedShoe,
  offset,
  packSurface,
  pretendScan,
  readyScan,
  RuleBook,
  type BottomTracing,
  type CupSole,
  type LastMeasures,
  type LastStock,
} from '@gentle-awl/core'
import { demoId } from './demoId.ts'

const ordinary = {
  heelGirth: null,
  seatSlope: 0.6,
  coneFront: 0.4,
  swing: 0.045,
  arch: 0.2,
  backBulge: 4.2,
  backIn: 0.29,
  toeSlope: 0.18,
}

const shelf: [name: string, note: string, measures: LastMeasures][] = [
  [
    'Slipway 10',
    'Low last for choir slippers and flats. Pale beech.',
    {
      ...ordinary,
      length: 252,
      heelHeight: 10,
      toeSpring: 8,
      toeBoxHeight: 25,
      seatWidth: 55,
      waistWidth: 55,
      jointWidth: 78,
      coneHeight: 76,
      coneWidth: 24,
      toeShape: 'almond',
      instepGirth: 224,
      waistGirth: 219,
      jointGirth: 226,
    },
  ],
  [
    'Quay 20',
    'Roomy forepart for long days on deck plates.',
    {
      ...ordinary,
      length: 282,
      heelHeight: 20,
      toeSpring: 11,
      toeBoxHeight: 31,
      seatWidth: 62,
      waistWidth: 62,
      jointWidth: 90,
      coneHeight: 80,
      coneWidth: 28,
      toeShape: 'soft square',
      instepGirth: 252,
      waistGirth: 246,
      jointGirth: 254,
    },
  ],
  [
    'Harbour 25',
    'The house last for laced shoes.',
    {
      ...ordinary,
      length: 290,
      heelHeight: 25,
      toeSpring: 11,
      toeBoxHeight: 30,
      seatWidth: 62,
      waistWidth: 61,
      jointWidth: 88,
      coneHeight: 80,
      coneWidth: 28,
      toeShape: 'round',
      instepGirth: 251,
      waistGirth: 247,
      jointGirth: 252,
    },
  ],
  [
    'Descant 45',
    'Stage last with some height, narrow waist.',
    {
      ...ordinary,
      length: 260,
      heelHeight: 45,
      toeSpring: 7,
      toeBoxHeight: 24.5,
      seatWidth: 53,
      waistWidth: 49,
      jointWidth: 75,
      coneHeight: 70,
      coneFront: 0.385,
      coneWidth: 22,
      arch: 0.22,
      toeShape: 'almond',
      instepGirth: 215,
      waistGirth: 214,
      jointGirth: 223,
    },
  ],
]

export const demoMeasures = shelf.map(([, , measures]) => measures)

const places: Partial<LastStock>[] = [
  { number: '38-7', count: 2, place: 'Rack by the window, 2' },
  { number: '42-3', place: 'Rack by the window, 3' },
  { number: '43-1', count: 2, place: 'Rack by the window, 3' },
  { number: '39-4', place: 'Loft, box B' },
]
/** The purser's left foot is shorter and fuller than his right one. */
const purserLeft = Last.parse({
  id: demoId(1, 7),
  name: 'Harbour 25, purser’s left',
  note: 'Shorter and fuller than the right one; made from Harbour 25.',
  shape: {
    kind: 'measures',
    measures: { ...shelf[2]![2], length: shelf[2]![2].length - 4, jointWidth: 89.5, jointGirth: 257, waistGirth: 250 },
  },
  stock: { number: '43L', feet: 'left', place: 'Rack by the window' },
})
export const demoLasts: Last[] = [
  ...shelf.map(([name, note, measures], i) =>
    Last.parse({ id: demoId(1, i + 1), name, note, shape: { kind: 'measures', measures }, stock: places[i] }),
  ),
  purserLeft,
]

/** A bottom as it was walked round with a pencil and digitised: an old last that nobody has measures of but these. */
function tracedBottom(): BottomTracing {
  const wobble = (i: number) => 0.25 * Math.sin(i * 2.3) + 0.15 * Math.cos(i * 5.1)
  const surface = generateLast({ ...shelf[0]![2], length: 266, jointWidth: 82, seatWidth: 58, waistWidth: 57 })
  const line = [...featherLine(surface, 'lateral'), ...featherLine(surface, 'medial').reverse().slice(1, -1)]
  const turn = 0.31
  return {
    points: line.map(([x, y], i) => {
      const [u, v] = [x + wobble(i), y * (1 + 0.7 / 82) + wobble(i + 40)]
      const at = (c: number) => Math.round(c * 100) / 100
      return [at(40 + u * Math.cos(turn) - v * Math.sin(turn)), at(60 + u * Math.sin(turn) + v * Math.cos(turn))]
    }),
    pencil: 0.7,
    digitised: 'middle',
    smoothing: 3,
    laid: 'stood',
    turned: false,
    flipped: false,
    joints: null,
  }
}

let found: Last[] | null = null
/** Lasts that came in by other ways than the tape; they take a moment to make, so only a new demo workshop asks for them. */
export const demoFoundLasts = (): Last[] => (found ??= makeFoundLasts())

function makeFoundLasts(): Last[] {
  const wooden = generateLast({
    ...shelf[2]![2],
    length: 275,
    heelHeight: 30,
    toeShape: 'almond',
    jointWidth: 83,
    seatWidth: 59,
    waistWidth: 57,
    jointGirth: 239,
    waistGirth: 234,
    instepGirth: 239,
    toeBoxHeight: 28,
  })
  const scan = pretendScan(wooden, { seed: 18, noise: 0.08 })
  const scanned = importScan(readyScan(scan, 'mm'))
  return [
    Last.parse({
      id: demoId(1, 5),
      name: 'Breakwater 30',
      note: 'Old beech last, scanned; the pair is lost but for this one.',
      shape: {
        kind: 'kept',
        surface: packSurface(scanned.surface),
        origin: {
          from: 'scan',
          name: 'breakwater.stl',
          foot: 'right',
          triangles: scanned.health.triangles,
          within: scanned.within,
        },
      },
      buildUps: [{ station: 'instep', place: 'over the top', thickness: 2, reach: 40 }],
      stock: { number: '41', feet: 'right', place: 'Bench' },
    }),
    Last.parse({
      id: demoId(1, 6),
      name: 'Lantern 12',
      note: 'From a paper tracing of a borrowed last, and its girths.',
      shape: {
        kind: 'traced',
        measures: { ...shelf[0]![2], length: 266, heelHeight: 12, jointGirth: 234, waistGirth: 227, instepGirth: 232 },
        tracing: tracedBottom(),
      },
      stock: { number: '', place: 'Borrowed, to be carved' },
    }),
  ]
}

let cups: CupSole[] | null = null
/** Inside of a cup sole drawn round the choir last with the layers of a light shoe and a millimetre of room. */
export const demoCupSoles = (): CupSole[] => (cups ??= makeCupSoles())

function makeCupSoles(): CupSole[] {
  const choir = shelf[0]![2]
  const harbour = shelf.find(([name]) => name === 'Harbour 25')![2]
  const layers = { upper: 1.2, lining: 0.9, stiffener: 1.2, puff: 0.8 }
  /** The lasted shoe on a last and so much all round, as it may lie in a drawing. */
  const round = (last: LastMeasures, by: number): CupSole['outline'] => {
    const line = offset(lastedShoe(generateLast(last), layers, new RuleBook({}, {})).outline, by, 'the bought sole')
    const step = Math.ceil(line.length / 240)
    return line
      .filter((_, i) => i % step === 0)
      .map(([x, y]) => [Math.round(x * 100) / 100 + 25, Math.round(y * 100) / 100 + 60])
  }
  const asItLies = { turned: false, flipped: false }
  return [
    {
      id: demoId(5, 1),
      name: 'Low cup, white, 38',
      note: 'Bought in; inside traced at the bottom of the wall.',
      form: 'cup',
      stuff: 'rubber',
      outline: round(choir, 0.8),
      seat: 17,
      tread: 8,
      ...asItLies,
    },
    {
      id: demoId(5, 2),
      name: 'Plain unit, crepe, 44',
      note: 'Bought in with its heel; drawn round its upper edge.',
      form: 'unit',
      stuff: 'crepe',
      outline: round(harbour, 6),
      seat: 29.5,
      tread: 8,
      ...asItLies,
    },
  ]
}

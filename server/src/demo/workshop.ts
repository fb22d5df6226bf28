import {
  PairDecisions,
  PairLabel,
  type Feet,
  type Last,
  type Material,
  type MaterialKind,
  type PlanInput,
} from '@gentle-awl/core'
import { demoId } from './demoId.ts'
import { demoLasts } from './lasts.ts'

const foot = (length: number, jointGirth: number, waistGirth: number, instepGirth: number, heelGirth: number) => ({
  length,
  jointGirth,
  waistGirth,
  instepGirth,
  heelGirth,
  jointWidth: null,
})
export const demoFeet: Feet[] = [
  {
    id: demoId(4, 1),
    order: '1041',
    trade: 'ferry mate',
    note: 'Measured standing, in thin socks.',
    right: foot(273, 254, 248, 256, 326),
    left: foot(275, 256, 249, 255, 327),
  },
  {
    id: demoId(4, 2),
    order: '1043',
    trade: 'boat-builder, alto',
    note: 'High instep.',
    right: foot(238, 227, 222, 231, 300),
    left: foot(237, 226, 221, 230, 299),
  },
]

/** Uses of lasts by the pairs on the bench, in days from today. */
export const demoHolds: {
  id: string
  last: string
  order: string
  from: number
  until: number | null
  note: string
}[] = [
  { id: demoId(6, 1), last: 'Harbour 25', order: '1041', from: -6, until: 5, note: '' },
  { id: demoId(6, 2), last: 'Quay 20', order: '1042', from: -1, until: null, note: 'Until the soles are on.' },
  { id: demoId(6, 3), last: 'Descant 45', order: '1044', from: -12, until: 2, note: '' },
]

const stock: [name: string, kind: MaterialKind, thickness: number, note: string][] = [
  ['Tar-brown calf', 'upper leather', 1.4, 'Fine grain, takes polish.'],
  ['Oiled deck hide', 'upper leather', 2, 'Pull-up, for crew boots and shoes.'],
  ['Undyed goat', 'lining leather', 0.9, 'Soft, vegetable tanned.'],
  ['Insole shoulder', 'insole leather', 4, 'Oak bark.'],
  ['Fibre board', 'insole board', 2, 'Sheets.'],
  ['Firm belly', 'stiffener leather', 2.4, 'For stiffeners.'],
  ['Soft belly', 'puff leather', 2.2, 'For puffs.'],
  ['Bend, light', 'sole leather', 3.5, 'Midsoles.'],
  ['Sheet cork', 'cork', 3, 'Fine grain.'],
  ['Latex foam', 'foam', 3, 'For heel pads.'],
  ['Bend, heavy', 'sole leather', 5, 'Outsoles and lifts.'],
  ['Resin sheet', 'rubber', 6, 'Top pieces.'],
  ['Night-blue calf', 'upper leather', 1.4, 'Same tannage as the tar-brown.'],
  ['Unbleached drill', 'lining cloth', 0.6, 'Cut with the thread from toe to heel.'],
  ['Cotton tape', 'woven tape', 0.3, 'Under lacings and over back seams.'],
]
/** What is of another colour than its kind usually is. */
const demoColours: Record<string, string> = {
  'Tar-brown calf': '#5b3d2b',
  'Oiled deck hide': '#8a5a34',
  'Night-blue calf': '#2f4257',
  'Bend, heavy': '#9c7145',
}
export const demoMaterials: Material[] = stock.map(([name, kind, thickness, note], i) => ({
  id: demoId(2, i + 1),
  name,
  kind,
  thickness,
  note,
  colour: demoColours[name] ?? null,
  foamTest: kind === 'foam' ? { before: 3, pressed: 1, afterOne: 2.7, afterTen: 2.9 } : null,
  serves: null,
  samples: name === 'Oiled deck hide' ? [1.8, 1.9, 2, 2.1, 2.2] : [],
  natural: null,
  stretch: name === 'Tar-brown calf' ? { tight: 9, loose: 15 } : null,
  hardness: null,
  face: null,
  coats: name === 'Bend, light' ? 3 : null,
  source: '',
  price: null,
}))
const stuff = (name: string) => (demoMaterials.find((m) => m.name === name) as Material).id
const lastOf = (name: string) => (demoLasts.find((l) => l.name === name) as Last).id

const usual = {
  upper: stuff('Tar-brown calf'),
  lining: stuff('Undyed goat'),
  insole: stuff('Insole shoulder'),
  stiffener: stuff('Firm belly'),
  puff: stuff('Soft belly'),
  sock: stuff('Undyed goat'),
  padding: null,
  outsole: stuff('Bend, heavy'),
  heel: stuff('Bend, heavy'),
  topPiece: stuff('Resin sheet'),
  midsole: stuff('Bend, light'),
}

export interface DemoPair {
  id: string
  label: PairLabel
  decisions: PairDecisions
  /** Share of the steps already done, and how many minutes ago the last of them was finished. */
  done: number
  finishedMinutesAgo: number
  /** Whether the step after those is running. */
  running: boolean
  /** Days from the start of the demo to the day it is due; null where nobody waits for it. */
  dueIn: number | null
}

const pair = (
  n: number,
  label: Omit<PairLabel, 'due' | 'weight'>,
  decisions: Record<string, unknown>,
  stage: Pick<DemoPair, 'done' | 'finishedMinutesAgo' | 'running' | 'dueIn'>,
): DemoPair => ({
  id: demoId(3, n),
  label: PairLabel.parse(label),
  decisions: PairDecisions.parse(decisions),
  ...stage,
})

export const demoPairs: DemoPair[] = [
  pair(
    1,
    { order: '1041', name: 'Welted derby', trade: 'ferry mate', note: 'Stands a lot; wants a firm heel.' },
    {
      lastId: lastOf('Harbour 25'),
      size: { system: 'paris', value: 43.5 },
      construction: 'welted',
      materials: usual,
      stiffener: { front: 'long medial' },
      upper: { style: 'derby' },
      rules: { 'upper.lastingMargin': 24 },
    },
    { done: 0.55, finishedMinutesAgo: 35, running: false, dueIn: 12 },
  ),
  pair(
    2,
    { order: '1042', name: 'Deck shoe', trade: 'ferry deckhand', note: 'Second pair on the same last.' },
    {
      lastId: lastOf('Quay 20'),
      size: { system: 'uk', value: 8.5 },
      construction: 'stitch-down',
      materials: { ...usual, upper: stuff('Oiled deck hide') },
      upper: { style: 'stitch-down' },
      stitching: { by: 'hand' },
    },
    { done: 0.14, finishedMinutesAgo: 12, running: true, dueIn: 20 },
  ),
  pair(
    3,
    { order: '1043', name: 'Choir flat', trade: 'boat-builder, alto', note: 'For the spring concert.' },
    {
      lastId: lastOf('Slipway 10'),
      size: { system: 'paris', value: 38 },
      construction: 'cemented',
      materials: { ...usual, insole: stuff('Fibre board'), padding: stuff('Latex foam') },
      sock: { padding: 'full' },
      upper: { style: 'ballet flat' },
    },
    { done: 0, finishedMinutesAgo: 0, running: false, dueIn: 9 },
  ),
  pair(
    4,
    { order: '1044', name: 'Stage shoe', trade: 'boat-builder, soprano', note: 'Asked for a soft heel.' },
    {
      lastId: lastOf('Descant 45'),
      size: { system: 'paris', value: 39 },
      construction: 'cemented',
      materials: { ...usual, insole: stuff('Fibre board'), padding: stuff('Sheet cork') },
      sock: { padding: 'half' },
      upper: { style: 'court' },
    },
    { done: 0.72, finishedMinutesAgo: 5, running: false, dueIn: 4 },
  ),
  pair(
    5,
    { order: '1039', name: 'Purser’s shoe', trade: 'ferry purser', note: 'Delivered; kept for the measures.' },
    {
      lastId: lastOf('Harbour 25'),
      size: { system: 'us men', value: 10.5 },
      upper: { style: 'oxford', options: { toeCap: true, counter: true }, decoration: 'punched and gimped' },
      construction: 'cemented',
      materials: { ...usual, insole: stuff('Fibre board') },
      pieceMaterials: { cap: stuff('Night-blue calf'), counter: stuff('Night-blue calf') },
      left: { lastId: lastOf('Harbour 25, purser’s left') },
    },
    { done: 1, finishedMinutesAgo: 60 * 24 * 6, running: false, dueIn: null },
  ),
]

/** What a demo pair is planned from. */
export function demoInput({ label, decisions }: DemoPair): PlanInput {
  const last = demoLasts.find((l) => l.id === decisions.lastId)
  if (!last) throw new Error(`Demo pair ${label.order} has no last.`)
  const leftLast = demoLasts.find((l) => l.id === decisions.left?.lastId) ?? null
  return { decisions, last, leftLast, materials: demoMaterials, houseRules: {} }
}

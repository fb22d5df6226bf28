import {
  PairDecisions,
  type Last,
  type LastMeasures,
  type Material,
  type MaterialKind,
  type PairLabel,
} from '@gentle-awl/core'

/** Ids of the demo are fixed, so that a link into it stays good; they are valid version 7 ids of one moment. */
const id = (group: number, n: number) =>
  `01930000-00${group.toString(16).padStart(2, '0')}-7000-8000-${n.toString(16).padStart(12, '0')}`

const ordinary = { coneFront: 0.4, swing: 0.045, arch: 0.2, backBulge: 4.2, backIn: 0.29, toeSlope: 0.18 }

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

export const demoLasts: Last[] = shelf.map(([name, note, measures], i) => ({ id: id(1, i + 1), name, note, measures }))

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
  ['Latex foam', 'foam', 3, 'Recovers well.'],
]
export const demoMaterials: Material[] = stock.map(([name, kind, thickness, note], i) => ({
  id: id(2, i + 1),
  name,
  kind,
  thickness,
  note,
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
}

const pair = (
  n: number,
  label: PairLabel,
  decisions: Record<string, unknown>,
  stage: Pick<DemoPair, 'done' | 'finishedMinutesAgo' | 'running'>,
): DemoPair => ({ id: id(3, n), label, decisions: PairDecisions.parse(decisions), ...stage })

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
    },
    { done: 0.5, finishedMinutesAgo: 35, running: false },
  ),
  pair(
    2,
    { order: '1042', name: 'Deck shoe', trade: 'ferry deckhand', note: 'Second pair on the same last.' },
    {
      lastId: lastOf('Quay 20'),
      size: { system: 'uk', value: 8.5 },
      construction: 'welted',
      materials: { ...usual, upper: stuff('Oiled deck hide') },
    },
    { done: 0.14, finishedMinutesAgo: 12, running: true },
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
    },
    { done: 0, finishedMinutesAgo: 0, running: false },
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
    },
    { done: 0.7, finishedMinutesAgo: 5, running: false },
  ),
  pair(
    5,
    { order: '1039', name: 'Purser’s shoe', trade: 'ferry purser', note: 'Delivered; kept for the measures.' },
    {
      lastId: lastOf('Harbour 25'),
      size: { system: 'us men', value: 10.5 },
      construction: 'cemented',
      materials: { ...usual, insole: stuff('Fibre board') },
    },
    { done: 1, finishedMinutesAgo: 60 * 24 * 6, running: false },
  ),
]

import { PairDecisions, type Last, type Material, type MaterialKind, type PairLabel } from '@gentle-awl/core'
import type { PairView, Stored } from '../src/api/client.ts'

const id = (n: number) => `01900000-0000-7000-8000-${String(n).padStart(12, '0')}`
const at = '2026-01-05T08:00:00.000Z'

export const last: Stored<Last> = {
  id: id(99),
  name: 'Sample',
  note: '',
  version: 1,
  updatedAt: at,
  measures: {
    length: 290,
    heelHeight: 25,
    toeSpring: 11,
    toeBoxHeight: 30,
    seatWidth: 62,
    waistWidth: 61,
    jointWidth: 88,
    coneHeight: 80,
    coneWidth: 28,
    coneFront: 0.4,
    swing: 0.045,
    arch: 0.2,
    backBulge: 4.2,
    backIn: 0.29,
    toeSlope: 0.18,
    toeShape: 'round',
    instepGirth: 251,
    waistGirth: 247,
    jointGirth: 252,
  },
}
const stock: [string, MaterialKind, number][] = [
  ['Calf', 'upper leather', 1.4],
  ['Goat', 'lining leather', 0.9],
  ['Shoulder', 'insole leather', 4],
  ['Board', 'insole board', 2],
  ['Bend', 'sole leather', 3.5],
  ['Belly', 'stiffener leather', 2.4],
  ['Soft belly', 'puff leather', 2.2],
  ['Cork', 'cork', 3],
]
export const materials: Stored<Material>[] = stock.map(([name, kind, thickness], i) => ({
  id: id(i + 1),
  name,
  kind,
  thickness,
  note: '',
  version: 1,
  updatedAt: at,
}))
const of = (name: string) => (materials.find((m) => m.name === name) as Material).id

export const label: PairLabel = { order: '7', name: 'Sample pair', trade: 'cook', note: '' }
export const decisions = PairDecisions.parse({
  lastId: last.id,
  size: { system: 'paris', value: 43.5 },
  construction: 'welted',
  materials: {
    upper: of('Calf'),
    lining: of('Goat'),
    insole: of('Shoulder'),
    stiffener: of('Belly'),
    puff: of('Soft belly'),
    sock: of('Goat'),
    padding: null,
    midsole: of('Bend'),
  },
})

export const view = (version = 1, change: Partial<PairView> = {}): PairView => ({
  id: id(1000),
  version,
  updatedAt: at,
  label,
  decisions,
  revision: version,
  canUndo: version > 1,
  canRedo: false,
  ...change,
})

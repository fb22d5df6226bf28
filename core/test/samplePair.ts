import type { z } from 'zod'
import { Last, type LastMeasures } from '../src/model/last.ts'
import { Material, type MaterialKind } from '../src/model/material.ts'
import { PairDecisions, type PlanInput } from '../src/model/pair.ts'

const id = (n: number) => `01900000-0000-7000-8000-${String(n).padStart(12, '0')}`

const base = {
  coneFront: 0.4,
  swing: 0.045,
  arch: 0.2,
  backBulge: 4.2,
  backIn: 0.29,
  toeSlope: 0.18,
  heelGirth: null,
  seatSlope: 0.6,
}

/** Four lasts whose girths are known to go together. */
export const sampleMeasures = {
  flat: {
    ...base,
    length: 255,
    heelHeight: 15,
    toeSpring: 9,
    toeBoxHeight: 25.5,
    seatWidth: 55,
    waistWidth: 54,
    jointWidth: 77,
    coneHeight: 76,
    coneWidth: 24,
    toeShape: 'almond',
    instepGirth: 223,
    waistGirth: 218,
    jointGirth: 225,
  },
  walking: {
    ...base,
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
  heeled: {
    ...base,
    length: 262,
    heelHeight: 50,
    toeSpring: 7,
    toeBoxHeight: 24,
    seatWidth: 53,
    waistWidth: 48,
    jointWidth: 75,
    coneHeight: 69,
    coneFront: 0.38,
    coneWidth: 22,
    arch: 0.22,
    toeShape: 'almond',
    instepGirth: 215,
    waistGirth: 215,
    jointGirth: 224,
  },
  boot: {
    ...base,
    length: 300,
    heelHeight: 28,
    toeSpring: 13,
    toeBoxHeight: 38,
    seatWidth: 68,
    waistWidth: 72,
    jointWidth: 98,
    coneHeight: 100,
    coneFront: 0.385,
    coneWidth: 32,
    swing: 0.04,
    arch: 0.14,
    toeSlope: 0.06,
    toeShape: 'blunt',
    instepGirth: 282,
    waistGirth: 272,
    jointGirth: 272,
  },
} as const satisfies Record<string, LastMeasures>

const stock: [string, MaterialKind, number][] = [
  ['Brown calf', 'upper leather', 1.4],
  ['Pigskin lining', 'lining leather', 0.9],
  ['Insole shoulder', 'insole leather', 4],
  ['Fibre board', 'insole board', 2],
  ['Belly, firm', 'stiffener leather', 2.4],
  ['Belly, soft', 'puff leather', 2.2],
  ['Bend leather', 'sole leather', 3.5],
  ['Cork sheet', 'cork', 3],
]
export const sampleMaterials: Material[] = stock.map(([name, kind, thickness], i) =>
  Material.parse({ id: id(i + 1), name, kind, thickness }),
)
const materialId = (kind: MaterialKind) => (sampleMaterials.find((m) => m.kind === kind) as Material).id

/** A welted pair without padding on the walking last; change what the test is about. */
export function samplePair(
  change: Partial<z.input<typeof PairDecisions>> = {},
  measures: LastMeasures = sampleMeasures.walking,
): PlanInput {
  const lastId = id(99)
  return {
    decisions: PairDecisions.parse({
      lastId,
      size: { system: 'paris', value: Math.round((measures.length / 20) * 3 * 2) / 2 },
      construction: 'welted',
      materials: {
        upper: materialId('upper leather'),
        lining: materialId('lining leather'),
        insole: materialId('insole leather'),
        stiffener: materialId('stiffener leather'),
        puff: materialId('puff leather'),
        sock: materialId('lining leather'),
        padding: null,
        midsole: materialId('sole leather'),
      },
      ...change,
    }),
    last: Last.parse({ id: lastId, name: 'Sample', shape: { kind: 'measures', measures } }),
    materials: sampleMaterials,
    houseRules: {},
  }
}

export const boardId = materialId('insole board')
export const corkId = materialId('cork')

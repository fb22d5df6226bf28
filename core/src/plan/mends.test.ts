import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { corkId, sampleMaterials, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { GeometryError } from '../geometry/path.ts'
import type { Finding } from '../trade/because.ts'
import type { ConstructionName } from '../model/construction.ts'
import type { PlanInput } from '../model/pair.ts'
import { remedied, type Remedy } from '../trade/remedy.ts'
import { styles, type MovedPoint } from '../model/upper.ts'
import { PointPlaces } from '../upper/pointPlaces.ts'
import type { Plan } from './plan.ts'
import { formeStage, lastStage, planPair } from './planPair.ts'
import { ruleOf } from './ruleRegistry.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache(24)
const all = (plan: Plan): Finding[] => [
  ...plan.findings,
  ...plan.upper.findings,
  ...plan.layers.findings,
  ...plan.edges.findings,
  ...plan.stitching.findings,
  ...plan.lasting.findings,
  ...plan.bottom.findings,
  ...plan.parts.flatMap((p) => p.findings),
]
/** How far a finding is beyond its limit; 0 when it is fine or gone. */
const beyond = (f: Finding | undefined): number => (!f || f.level === 'fine' ? 0 : Math.abs(f.measured - f.limit))
/** Findings of both sides, and of every piece, under one name. */
const kind = (f: Finding) =>
  f.id.replace(/\.(lateral|medial)$/, '').replace(/^(upper\.crease|layers\.step|lasting\.tuck)\..*$/, '$1')

/** What is mended at the bench alone, or on another last: these have no button. */
const AT_THE_BENCH = [
  'layers.seat',
  'lasting.tuck',
  'upper.margin',
  'upper.strain',
  'midsole.room',
  'midsole.sewDown',
  'outsole.seam',
]
/** What must have been pressed, or this shows nothing. */
const PRESSED = [
  'bottom.heel',
  'lasting.flat',
  'layers.seat',
  'layers.step',
  'layers.stretch',
  'layers.turn',
  'midsole.room',
  'outsole.seam',
  'padding.covered',
  'padding.girth.waist',
  'pair.size',
  'puff.crease',
  'puff.short',
  'stiffener.joint',
  'stiffener.topLine',
  'upper.ankle',
  'upper.backBump',
  'upper.backGrip',
  'upper.crease',
  'upper.margin',
  'upper.strain',
  'upper.vampLength',
]

const one = <T>(...of: T[]) => fc.constantFrom(...of)
const spoiled = fc.record({
  style: one(...styles),
  last: one(...(Object.keys(sampleMeasures) as (keyof typeof sampleMeasures)[])),
  construction: one<ConstructionName>('welted', 'cemented'),
  backIn: fc.double({ min: 0.2, max: 0.4, noNaN: true }),
  thickness: fc.record({
    'stiffener leather': fc.double({ min: 1.5, max: 3.4, noNaN: true }),
    'upper leather': fc.double({ min: 0.8, max: 2.6, noNaN: true }),
    'insole leather': fc.double({ min: 1.8, max: 5, noNaN: true }),
  }),
  skive: fc.integer({ min: 8, max: 15 }),
  margin: fc.integer({ min: 12, max: 40 }),
  puff: one(null, 45, 60, 75),
  front: one('short' as const, 'long both' as const),
  end: one(null, 150, 185),
  backHeight: one(null, 50, 62, 75),
  room: one(null, 2, 5),
  lifts: one(null, 2, 5, 8),
  wedge: fc.boolean(),
  extent: one('full' as const, 'half' as const, 'heel' as const),
  padding: one('none' as const, 'half' as const, 'full' as const),
  covered: fc.boolean(),
  backTaper: one(0, 0, 5),
  size: one(36, 42, 46),
  front2: one(null, 0.65, 0.75),
  ankle: one(null, 40),
})

type Spoiled = typeof spoiled extends fc.Arbitrary<infer T> ? T : never

/** Four pairs in which all that must be pressed turns up; random ones follow. */
const EXAMPLES: Spoiled[] = [
  {
    style: 'stitch-down',
    last: 'heeled',
    construction: 'welted',
    backIn: 0.2,
    thickness: {
      'stiffener leather': 3.4,
      'upper leather': 1.69,
      'insole leather': 2.81,
    },
    skive: 13,
    margin: 13,
    puff: 45,
    front: 'short',
    end: 150,
    backHeight: 62,
    room: 5,
    lifts: 8,
    wedge: true,
    extent: 'heel',
    padding: 'half',
    covered: true,
    backTaper: 5,
    size: 42,
    front2: 0.65,
    ankle: 40,
  },
  {
    style: 'ankle boot',
    last: 'boot',
    construction: 'welted',
    backIn: 0.2,
    thickness: {
      'stiffener leather': 3.4,
      'upper leather': 2.6,
      'insole leather': 1.8,
    },
    skive: 13,
    margin: 13,
    puff: null,
    front: 'long both',
    end: 150,
    backHeight: null,
    room: 5,
    lifts: 5,
    wedge: true,
    extent: 'half',
    padding: 'full',
    covered: false,
    backTaper: 0,
    size: 46,
    front2: 0.65,
    ankle: 40,
  },
  {
    style: 'court',
    last: 'heeled',
    construction: 'welted',
    backIn: 0.22,
    thickness: {
      'stiffener leather': 2.96,
      'upper leather': 0.8,
      'insole leather': 3.63,
    },
    skive: 14,
    margin: 39,
    puff: 75,
    front: 'long both',
    end: 185,
    backHeight: 62,
    room: 2,
    lifts: 8,
    wedge: false,
    extent: 'full',
    padding: 'full',
    covered: false,
    backTaper: 0,
    size: 42,
    front2: 0.75,
    ankle: 40,
  },
  {
    style: 'stitch-down',
    last: 'walking',
    construction: 'welted',
    backIn: 0.23,
    thickness: {
      'stiffener leather': 3.4,
      'upper leather': 0.8,
      'insole leather': 3.1,
    },
    skive: 14,
    margin: 15,
    puff: 75,
    front: 'long both',
    end: 150,
    backHeight: null,
    room: 5,
    lifts: 8,
    wedge: true,
    extent: 'heel',
    padding: 'half',
    covered: false,
    backTaper: 0,
    size: 46,
    front2: null,
    ankle: 40,
  },
]

describe('a mend that is offered', () => {
  it('clears its finding or makes it smaller, over random pairs spoiled in every way', () => {
    const pressed = new Set<string>()
    fc.assert(
      fc.property(spoiled, (c) => {
        const forward = c.front2
        const points: Record<string, MovedPoint> =
          forward === null
            ? {}
            : {
                'vampPoint:both': [forward, 0],
                'throat:both': [forward, 0],
                'tabFront:both': [forward + 0.03, 0],
              }
        const pair = samplePair(
          {
            construction: c.style === 'stitch-down' ? 'stitch-down' : c.construction,
            size: { system: 'paris', value: c.size },
            upper: {
              style: c.style,
              backTaper: c.backTaper,
              ankleBone: { lateral: c.ankle, medial: c.ankle },
              points,
            },
            puff: { length: c.puff },
            stiffener: { front: c.front, backHeight: c.backHeight, lateralEnd: c.end, medialEnd: c.end },
            midsole: { room: c.room },
            heel: { lifts: c.lifts, wedge: c.wedge },
            sock: { extent: c.extent, padding: c.padding },
            insole: { covered: c.covered },
            rules: {
              'stiffener.topSkive': c.skive,
              'layers.step': 0.2,
              'upper.lastingMargin': c.margin,
              'upper.backGrip': 3,
            },
          },
          { ...sampleMeasures[c.last], backIn: c.backIn },
        )
        if (c.padding !== 'none') pair.decisions.materials.padding = corkId
        const thickness: Record<string, number> = c.thickness
        const input: PlanInput = {
          ...pair,
          materials: sampleMaterials.map((m) => ({ ...m, thickness: thickness[m.kind] ?? m.thickness })),
        }
        const planned = (decisions: PlanInput['decisions']) => all(planPair({ ...input, decisions }, cache))
        let findings: Finding[]
        try {
          findings = planned(input.decisions)
        } catch (error) {
          // Spoiled past what can be drawn: that is refused with a sentence, and no finding is made.
          expect(error).toBeInstanceOf(GeometryError)
          return
        }
        for (const f of findings.filter((x) => x.level !== 'fine')) {
          expect(spoken(f.mend), f.id).not.toBe('')
          if (!f.remedy) {
            expect(AT_THE_BENCH, spoken(f.mend)).toContain(kind(f))
            continue
          }
          expectPossible(f.remedy)
          if (f.remedy.kind === 'open') continue
          pressed.add(kind(f))
          const now = planned(remedied(input.decisions, f.remedy)).find((x) => x.id === f.id)
          expect(beyond(now), `${c.style} on ${c.last}, ${f.id}: ${spoken(f.mend)}`).toBeLessThan(beyond(f))
        }
      }),
      { numRuns: 14, seed: 3, examples: EXAMPLES.map((c): [Spoiled] => [c]) },
    )
    expect(PRESSED.filter((id) => !pressed.has(id))).toEqual([])
  }, 240_000)
})

/** A boot whose zip was led to end so high over the feather. */
function zipped(height: number): PlanInput {
  const boot = samplePair({ upper: { style: 'ankle boot' } }, sampleMeasures.boot)
  const { upper } = planPair(boot, cache)
  const foot = upper.points.find((p) => p.id === 'zipFoot')
  const map = formeStage(lastStage(boot.last, cache), boot.decisions.upper.forme, cache)
  const places = new PointPlaces(map, boot.decisions.upper)
  const points: Record<string, MovedPoint> = foot
    ? { 'zipFoot:both': places.placeByFigure(foot, 'medial', 1, height) }
    : {}
  return { ...boot, decisions: { ...boot.decisions, upper: { ...boot.decisions.upper, points } } }
}
const flatOf = (last: keyof typeof sampleMeasures, throat: 'mirrored') =>
  samplePair({ construction: 'cemented', upper: { style: 'ballet flat', throat } }, sampleMeasures[last])

describe('a mend that random pairs seldom ask for', () => {
  it.each<[string, () => PlanInput]>([
    ['upper.zip', () => zipped(70)],
    [
      'upper.zipGirth',
      () =>
        samplePair(
          { upper: { style: 'ankle boot' }, rules: { 'upper.zipEase': 1.3, 'upper.bootTop': 0.37 } },
          sampleMeasures.boot,
        ),
    ],
    ['upper.throat', () => flatOf('heeled', 'mirrored')],
    [
      'upper.margin.lateral',
      () => samplePair({ upper: { forme: { feather: 'mean' } }, rules: { 'upper.lastingMargin': 15 } }),
    ],
    ['pair.construction', () => samplePair({ construction: 'stitch-down', upper: { style: 'oxford' } })],
    ['pair.construction', () => samplePair({ construction: 'welted', upper: { style: 'stitch-down' } })],
    [
      'bottom.heel',
      () => samplePair({ heel: { lifts: null, wedge: false } }, { ...sampleMeasures.heeled, heelHeight: 60 }),
    ],
    ['feet.puff', () => samplePair({ left: { figures: { 'puff.length': 50 } } })],
    ['feet.back', () => samplePair({ left: { figures: { 'stiffener.backHeight': 48 } } })],
  ])('%s is mended by its button', (id, input) => {
    const pair = input()
    const found = (of: PlanInput) => {
      const plan = planPair(of, cache)
      return [...all(plan), ...plan.feetFindings].find((f) => f.id === id)
    }
    const before = found(pair)
    expect(before?.level).not.toBe('fine')
    const remedy = before?.remedy as Remedy
    expect(['rule', 'hand', 'choice']).toContain(remedy.kind)
    expectPossible(remedy)
    const after = found({ ...pair, decisions: remedied(pair.decisions, remedy) })
    expect(beyond(after)).toBeLessThan(beyond(before))
  })
})

/** A button sets no figure that its own field would refuse. */
function expectPossible(remedy: Remedy): void {
  if (remedy.kind !== 'rule') return
  const rule = ruleOf(remedy.key)
  expect(rule, remedy.key).toBeDefined()
  expect(remedy.value, remedy.key).toBeGreaterThanOrEqual(rule?.min ?? Infinity)
  expect(remedy.value, remedy.key).toBeLessThanOrEqual(rule?.max ?? -Infinity)
}

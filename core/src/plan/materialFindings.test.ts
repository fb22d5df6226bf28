import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { sampleMaterials, samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { contains } from '../geometry/path.ts'
import { isNatural, Material, materialKinds } from '../model/material.ts'
import type { PairDecisions, PlanInput } from '../model/pair.ts'
import { remedied } from '../trade/remedy.ts'
import { spoken } from '../units/sentence.ts'
import { planPair } from './planPair.ts'

const cache = keptCache(30)
const id = (n: number) => `01900000-0000-7000-8000-0000000003${String(n).padStart(2, '0')}`
const steel = Material.parse({ id: id(1), name: 'Spring steel', kind: 'steel shank', thickness: 1.5 })
const foam = Material.parse({ id: id(2), name: 'Latex', kind: 'foam', thickness: 6 })
const tape = Material.parse({ id: id(3), name: 'Nylon tape', kind: 'woven tape', thickness: 0.3, natural: false })

const withMaterials = (input: PlanInput, more: Material[], decided: Partial<PairDecisions>): PlanInput => ({
  ...input,
  materials: [...input.materials, ...more],
  decisions: { ...input.decisions, ...decided },
})
const found = (input: PlanInput, which: string) => planPair(input, cache).findings.find((f) => f.id === which)
const sentence = (input: PlanInput) => spoken(found(input, 'pair.natural')?.sentence ?? '')

describe('what has to be firm', () => {
  const derby = samplePair()
  const felt = (hardness: Material['hardness'], role: 'midsole' | 'lining'): PlanInput => ({
    ...derby,
    materials: derby.materials.map((m) => (m.id === derby.decisions.materials[role] ? { ...m, hardness } : m)),
  })
  it('is not asked of what nobody felt, nor of what may be soft', () => {
    expect(found(derby, 'pair.firm')).toBeUndefined()
    expect(found(felt('soft', 'lining'), 'pair.firm')).toBeUndefined()
    const crepe = Material.parse({ id: id(4), name: 'Crepe', kind: 'crepe', thickness: 6, hardness: 'soft' })
    const soled = { materials: { ...derby.decisions.materials, outsole: crepe.id } }
    expect(found(withMaterials(derby, [crepe], soled), 'pair.firm')).toBeUndefined()
  })
  it('is said where something soft was chosen for it, and leads there', () => {
    expect(found(felt('firm', 'midsole'), 'pair.firm')).toMatchObject({ level: 'fine', measured: 0 })
    const soft = found(felt('soft', 'midsole'), 'pair.firm')
    expect(soft).toMatchObject({ level: 'watch', remedy: { kind: 'open', control: { room: 'decisions' } } })
    expect(spoken(soft!.sentence)).toMatch(/^Soft where the shoe has to be firm\. .*Midsole: /)
  })
})

describe('a pair that is to be all natural', () => {
  const derby = samplePair({ profile: 'all natural' })
  const materials = derby.decisions.materials
  it('is so from leather, cork and wood, and any pair that is not asked is not judged', () => {
    expect(found(samplePair(), 'pair.natural')).toBeUndefined()
    expect(found(derby, 'pair.natural')).toMatchObject({ level: 'fine', measured: 0 })
  })
  it('names what breaks it by what it is for, and leads to the first of them', () => {
    const input = withMaterials(derby, [steel, tape], {
      materials: { ...materials, shank: steel.id },
      pieceMaterials: { 'facingTape.medial': tape.id },
    })
    expect(sentence(input)).toBe('Not all natural. Shank: Spring steel; Tape under the lacing, medial: Nylon tape.')
    expect(found(input, 'pair.natural')).toMatchObject({
      level: 'watch',
      measured: 2,
      remedy: { kind: 'open', control: { room: 'decisions', at: 'shank' } },
    })
    // A piece that this style has not is cut from nothing.
    const gone = withMaterials(derby, [tape], {
      pieceMaterials: { 'facingTape.front': tape.id, shaft: sampleMaterials[0]!.id },
    })
    expect(found(gone, 'pair.natural')?.level).toBe('fine')
  })
  it('goes by the maker where the maker says so', () => {
    const input = withMaterials(derby, [{ ...steel, natural: true }], { materials: { ...materials, shank: steel.id } })
    expect(found(input, 'pair.natural')?.level).toBe('fine')
    expect(materialKinds.filter((kind) => !isNatural({ kind, natural: null }))).toEqual([
      'insole board',
      'non-woven board',
      'stiffener sheet',
      'rubber',
      'steel shank',
      'foam',
    ])
  })
  it('leaves the cover off an insole whose foam is all that breaks it', () => {
    const covered = samplePair({ profile: 'all natural', construction: 'cemented', insole: { covered: true } })
    const finding = found(covered, 'pair.natural')
    expect(spoken(finding?.sentence ?? '')).toBe('Not all natural. Foam on the insole: thin foam.')
    const bare = remedied(covered.decisions, finding!.remedy!)
    expect(found({ ...covered, decisions: bare }, 'pair.natural')?.level).toBe('fine')
  })
  it('has no foam by the house rule either, until one is chosen that is said to be natural', () => {
    const trainer = pairOfEachStyle.trainer
    const natural = withMaterials(trainer, [], { profile: 'all natural' })
    expect(sentence(natural)).toMatch(/Foam of the tongue: soft foam; Foam of the collar, lateral: soft foam/)
    const kapok = { ...foam, natural: true }
    const chosen = withMaterials(natural, [kapok], { materials: { ...trainer.decisions.materials, foam: foam.id } })
    expect(sentence(chosen)).not.toMatch(/foam|Latex/i)
  })
})

describe('a hide that is not of one thickness', () => {
  const derby = samplePair()
  const measured = (samples: number[], rules = {}): PlanInput => ({
    ...derby,
    materials: derby.materials.map((m, n) => (n === 0 ? { ...m, samples } : m)),
    decisions: { ...derby.decisions, rules },
  })
  const spread = (input: PlanInput) => found(input, `pair.spread.${sampleMaterials[0]!.id}`)
  it.each([
    [[1.3, 1.4, 1.6], 'fine'],
    [[1.2, 1.4, 1.6], 'watch'],
  ])('of %s mm is judged by its thinnest and thickest place', (samples, level) => {
    expect(spread(measured(samples))).toMatchObject({ level, limit: 0.3 })
    expect(spread(measured(samples))?.measured).toBeCloseTo(Math.max(...samples) - Math.min(...samples), 9)
  })
  it('is not judged by one reading, and by the workshop’s own figure', () => {
    expect(spread(measured([1.2]))).toBeUndefined()
    expect(spread(measured([1.2, 1.6], { 'material.spread': 0.5 }))?.level).toBe('fine')
    expect(spoken(spread(measured([1.2, 1.6]))?.sentence ?? '')).toBe(
      'Brown calf runs from 1.2 to 1.6 mm over 2 readings, more than 0.3 mm; planned with 1.4 mm.',
    )
  })
})

describe('what a leather gives and takes', () => {
  const derby = samplePair()
  const calf = (more: Partial<Material>): PlanInput => ({
    ...derby,
    materials: derby.materials.map((m, n) => (n === 0 ? { ...m, ...more } : m)),
  })
  const strain = (input: PlanInput) => planPair(input, cache).upper.findings.filter((f) => /^upper\.strain/.test(f.id))
  it('the strain of the upper is held against its stretch; crowding stays the rule’s', () => {
    const forme = strain(derby)
    const high = (s: (typeof forme)[number]) => Number(/stretch by up to ([\d.]+) %/.exec(spoken(s.sentence))![1])
    const most = Math.max(...forme.map(high))
    const [gives, less] = [most + 1, most - 1].map((loose) => strain(calf({ stretch: { tight: 2, loose } })))
    expect(gives!.map((f) => f.level)).toEqual(forme.map((f) => f.level))
    const short = less!.find((f) => high(f) === most)!
    expect(short).toMatchObject({ level: 'watch', limit: (most - 1) / 100 })
    expect(short.measured).toBeCloseTo(most / 100, 3)
    expect(short.remedy).toEqual({ kind: 'open', control: { room: 'decisions', at: 'upper' } })
    expect(spoken(short.sentence)).toContain(`Brown calf gives ${(most - 1).toFixed(0)} %.`)
    // As much as anybody likes of the one does not excuse the other.
    const crowded = strain({
      ...calf({ stretch: { tight: 50, loose: 50 } }),
      houseRules: { 'upper.mostStretch': 0.05 },
    })
    expect(crowded.map((f) => [f.level, f.limit])).toEqual(crowded.map(() => ['watch', 0.05]))
  })
  it('a piece of its own leather is asked by that leather where it lies, and nowhere else', () => {
    const most = (input: PlanInput, side: string) => strain(input).find((f) => f.id === `upper.strain.${side}`)!
    const own = (piece: string, loose: number): PlanInput => {
      const stiff = { ...derby.materials[0]!, id: '01900000-0000-7000-8000-000000000292', name: 'Stiff calf' }
      return {
        ...derby,
        materials: [...derby.materials, { ...stiff, stretch: { tight: 1, loose } }],
        decisions: { ...derby.decisions, pieceMaterials: { [piece]: stiff.id } },
      }
    }
    const stiff = own('quarter.lateral', 1)
    const asked = most(stiff, 'lateral')
    expect(asked).toMatchObject({ level: 'watch', limit: 0.01 })
    expect(spoken(asked.sentence)).toContain('Stiff calf gives 1 %.')
    expect(asked.remedy).toMatchObject({ control: { piece: { id: 'quarter.lateral' } } })
    // It is asked by what lies under that quarter: a place inside it, and no more than the whole side is.
    const quarter = planPair(stiff, cache)
      .upper.pieces.find((p) => p.id === 'quarter.lateral')!
      .places.find((p) => p.side === 'lateral')!
    expect(contains(quarter.forme, asked.at!.point)).toBe(true)
    expect(asked.measured).toBeLessThanOrEqual(Math.max(...strain(derby).map((f) => f.measured)) + 1e-9)
    expect(most(stiff, 'medial')).toEqual(most(derby, 'medial'))
  })
  it('a piece whose leather gives enough is asked no more: another place is the worst then', () => {
    // The pair's leather gives so little that stretch, not crowding, is what is named.
    const strict = calf({ stretch: { tight: 1, loose: 2 } })
    const worstIn = (input: PlanInput, piece: string) => {
      const plan = planPair(input, cache)
      const found = plan.upper.findings.find((f) => f.id === 'upper.strain.lateral')!
      const place = plan.upper.pieces.find((p) => p.id === piece)!.places.find((p) => p.side === 'lateral')!
      return { found, inside: contains(place.forme, found.at!.point) }
    }
    const pieces = planPair(derby, cache).upper.pieces.filter((p) => p.places.some((at) => at.side === 'lateral'))
    const asked = pieces.filter((p) => worstIn(strict, p.id).inside).map((p) => p.id)
    for (const id of asked) {
      const gives = { ...derby.materials[0]!, id: '01900000-0000-7000-8000-000000000293', name: 'Soft calf' }
      const soft: PlanInput = {
        ...strict,
        materials: [...strict.materials, { ...gives, stretch: { tight: 20, loose: 60 } }],
        decisions: { ...derby.decisions, pieceMaterials: { [id]: gives.id } },
      }
      const now = worstIn(soft, id)
      expect(now.inside && now.found.limit === 0.02, id).toBe(false)
    }
    expect(asked.length).toBeGreaterThan(0)
    expect(worstIn(strict, asked[0]!).found.limit).toBe(0.02)
  })
  it('is dyed in as many coats as it takes, each dry before the next', () => {
    const bend = derby.materials.find((m) => m.kind === 'sole leather')!
    const dye = (coats: number | null) =>
      planPair(
        { ...derby, materials: derby.materials.map((m) => (m === bend ? { ...m, coats } : m)) },
        cache,
      ).steps.find((s) => s.id === 'dye-midsole')
    expect(dye(null)).toMatchObject({ name: 'Dye the top rim of the midsoles, two coats or more', wait: { min: 50 } })
    expect(dye(4)).toMatchObject({ name: 'Dye the top rim of the midsoles, four coats', wait: { min: 100 } })
  })
})

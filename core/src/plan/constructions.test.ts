import { describe, expect, it } from 'vitest'
import { boardId, sampleMaterials, samplePair } from '../../test/samplePair.ts'
import { nearest } from '../geometry/polyline.ts'
import { offset } from '../geometry/polygonClip.ts'
import { contains, distance, pathLength, signedArea } from '../geometry/path.ts'
import { CupSole } from '../model/cupSole.ts'
import type { PlanInput } from '../model/pair.ts'
import { PlanError } from './planError.ts'
import type { FootPlan } from './plan.ts'
import { planPair } from './planPair.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache(16)
const materials = { ...samplePair().decisions.materials, insole: boardId }
const plan = (change: Parameters<typeof samplePair>[0] = {}, more: Partial<PlanInput> = {}) =>
  planPair({ ...samplePair({ materials, ...change }), ...more }, cache)
const down = (rules: Record<string, number> = {}, more: Parameters<typeof samplePair>[0] = {}) =>
  plan({ construction: 'stitch-down', upper: { style: 'stitch-down' }, rules, ...more })
const finding = (p: FootPlan, id: string) =>
  [...p.findings, ...p.layers.findings, ...p.bottom.findings, ...p.parts.flatMap((x) => x.findings)].find(
    (f) => f.id === id,
  )
const part = (p: FootPlan, id: string) => p.parts.find((x) => x.id === id)

describe('a stitch-down pair', () => {
  const p = down()
  it('has a sole of its own kind: no welt, no rand, no holdfast, and a seam all round the midsole', () => {
    for (const id of ['welt', 'rand']) expect(part(p, id)).toBeUndefined()
    expect(part(p, 'insole')?.lines.some((l) => l.kind === 'stitch')).toBe(false)
    const seam = part(p, 'midsole')?.lines.find((l) => l.name === 'stitch-down seam')
    const holes = seam?.holes ?? []
    expect(seam?.closed).toBe(true)
    for (const h of holes) {
      expect(contains(p.lasted, h)).toBe(false)
      expect(nearest(p.lasted, h, true).away).toBeCloseTo(5, 1)
    }
    const gaps = holes.map((h, i) => distance(h, holes[(i + 1) % holes.length]!))
    const pitch = part(p, 'midsole')?.becauses.find((b) => b.quantity.startsWith('Stitch of the upper'))?.value ?? 0
    expect(Math.abs(pitch - 9)).toBeLessThan(0.1)
    // Chords of a smooth line: a little less than the way along it, and never more.
    for (const gap of gaps) {
      expect(gap).toBeLessThan(pitch + 1e-6)
      expect(gap).toBeGreaterThan(0.97 * pitch)
    }
  })
  it('fills level with the lining’s margin, where a cemented one fills level with the upper’s', () => {
    const filled = (x: FootPlan) => x.bottom.profile.layers.find((l) => l.id === 'filler')?.at.waist ?? 0
    // At the waist lies the lining alone, 0.9 mm; past its trim a cemented shoe has the upper alone, 1.4 mm and a lap near by.
    expect(filled(p)).toBeCloseTo(0.9, 1)
    const cemented = filled(plan({ construction: 'cemented', upper: { style: 'derby' } }))
    expect(cemented).toBeGreaterThan(1.39)
    expect(cemented).toBeLessThan(1.6)
    expect(p.bottom.profile.layers.find((l) => l.id === 'filler')?.name).toContain('lining')
  })
  it('the seam must be caught by leather and borne by the midsole: each provoked and cured', () => {
    expect(finding(p, 'midsole.turnedOut')?.level).toBe('fine')
    expect(finding(down({ 'upper.turnedOut': 10, 'midsole.sewDown': 8 }), 'midsole.turnedOut')?.level).toBe('stop')
    expect(finding(down({ 'upper.turnedOut': 11, 'midsole.sewDown': 8 }), 'midsole.turnedOut')?.level).toBe('fine')
    expect(finding(p, 'midsole.sewDown')?.level).toBe('fine')
    expect(finding(down({}, { midsole: { room: 7 } }), 'midsole.sewDown')).toMatchObject({ level: 'stop', limit: 8 })
    expect(finding(down({}, { midsole: { room: 8 } }), 'midsole.sewDown')?.level).toBe('fine')
  })
  it('judges what is turned outwards instead of what is turned under', () => {
    expect(finding(p, 'layers.turn')).toBeUndefined()
    expect(finding(plan({ construction: 'cemented' }), 'layers.turnOut')).toBeUndefined()
    const out = finding(p, 'layers.turnOut')
    // Half of 12 mm must lie flat: (pi / 2) 1.5 T may take the other half.
    expect(out?.level).toBe('fine')
    expect(out?.limit).toBeCloseTo(6 / (0.75 * Math.PI), 9)
    // Cover and section, 1.4 mm each, are thinned to half where they lie on each other; the lap at the tab to 0.55.
    expect(out?.measured).toBeGreaterThan(1.39)
    expect(out?.measured).toBeLessThan(1.05 * 1.4 + 0.01)
    const of = (thickness: number, rules: Record<string, number> = {}) => {
      const upper = sampleMaterials.map((m) => (m.kind === 'upper leather' ? { ...m, thickness } : m))
      const pair = samplePair({
        materials,
        rules,
        construction: 'stitch-down' as const,
        upper: { style: 'stitch-down' as const },
      })
      return finding(planPair({ ...pair, materials: upper }, cache), 'layers.turnOut')
    }
    // Two layers of 1.6 to 2.0 mm in 12 mm of margin: hard to turn as they are, well once both are skived.
    for (const thickness of [1.6, 1.8, 2]) {
      const bare = of(thickness, { 'skive.turnedShare': 1 })
      expect(bare).toMatchObject({ level: 'watch', measured: expect.closeTo(2 * thickness, 1) })
      expect(of(thickness)?.level).toBe('fine')
      const remedy = bare?.remedy
      if (remedy?.kind !== 'rule') throw new Error('nothing to press')
      expect(remedy.key).toBe('skive.turnedShare')
      expect(of(thickness, { [remedy.key]: remedy.value })?.level).toBe('fine')
    }
    // One leather with a backer is no pair to be thinned: more is turned out, or another leather taken.
    const backer = {
      ...sampleMaterials[0]!,
      id: '01900000-0000-7000-8000-0000000000bb',
      kind: 'woven backer' as const,
      thickness: 0.6,
    }
    const pair = samplePair({
      materials: { ...materials, backer: backer.id },
      construction: 'stitch-down' as const,
      upper: { style: 'stitch-down' as const },
      rules: { 'skive.turnedShare': 0.3, 'skive.lapShare': 0.3 },
    })
    const thick = sampleMaterials.map((m) => (m.kind === 'upper leather' ? { ...m, thickness: 3 } : m))
    const backed = finding(planPair({ ...pair, materials: [...thick, backer] }, cache), 'layers.turnOut')
    expect(backed).toMatchObject({ level: 'watch', measured: expect.closeTo(3.6, 6) })
    expect(backed?.remedy).toMatchObject({ key: 'upper.turnedOut' })
    // One leather so thick that the bend takes all of it.
    expect(of(5.5)?.level).toBe('stop')
  })
  it('its edge stretches by the share of width times curvature: twice the width, twice the stretch', () => {
    const [narrow, wide] = [8, 16].map((w) => finding(down({ 'upper.turnedOut': w }), 'layers.stretch')?.measured ?? 0)
    expect(wide! / narrow!).toBeCloseTo(2, 6)
    // A round toe's tightest place has a radius of some 25 to 60 mm.
    expect(narrow).toBeGreaterThan((100 * 8) / 60)
    expect(narrow).toBeLessThan((100 * 8) / 20)
    expect(finding(down({ 'upper.turnedOut': 16, 'layers.stretch': 10 }), 'layers.stretch')?.level).toBe('watch')
  })
  it('its heel carries the seam and the edge outside it', () => {
    const top = part(p, 'heelWedge')?.outline ?? []
    const front = Math.max(...top.map((q) => q[0])) - 8
    for (const q of top.filter((x) => x[0] < front)) expect(nearest(p.lasted, q, true).away).toBeCloseTo(8, 1)
  })
  it('an upper cut to be turned the other way is stopped, and says what to choose', () => {
    expect(finding(p, 'pair.construction')?.level).toBe('fine')
    expect(
      finding(plan({ construction: 'stitch-down', upper: { style: 'derby' } }), 'pair.construction'),
    ).toMatchObject({
      level: 'stop',
      mend: expect.stringContaining('stitch-down style') as string,
    })
    expect(
      finding(plan({ construction: 'cemented', upper: { style: 'stitch-down' } }), 'pair.construction'),
    ).toMatchObject({
      level: 'stop',
      mend: expect.stringContaining('Make the pair stitch-down') as string,
    })
  })
  it('turns the upper outwards on the midsole and sews it down before the outsole hides the stitches', () => {
    const ids = p.steps.map((o) => o.id)
    const at = (id: string) => ids.indexOf(id)
    const keys = p.steps.map((o) => o.key)
    for (const key of ['last-toe', 'sew-welt', 'rough-margin', 'sew-outsole', 'press-cup'])
      expect(keys).not.toContain(key)
    for (const [a, b] of [
      ['shave-puff.left', 'shank-filler'],
      ['press-midsole.left', 'turn-out.left'],
      ['turn-out.left', 'sew-down.left'],
      ['sew-down.left', 'cement-outsole.left'],
      ['build-heel', 'last-out'],
    ]) {
      expect(at(a!), a).toBeGreaterThanOrEqual(0)
      expect(at(b!), b).toBeGreaterThan(at(a!))
    }
    const holes = part(p, 'midsole')?.lines.find((l) => l.holes)?.holes?.length ?? 0
    expect(spoken(p.steps.find((o) => o.id === 'sew-down.right')?.minutes.sentence ?? '')).toContain(
      `${holes} stitches`,
    )
  })
})

describe('a welted pair in side section', () => {
  it('shows welt and rand on the midsole, from the holdfast out to its edge, level with the filler', () => {
    const { strips, profile } = planPair(samplePair(), cache).bottom
    const [filler, mid] = [profile.layers[1]!, profile.layers[2]!]
    expect(strips.map((s) => s.id)).toEqual(['welt', 'rand'])
    const xs = strips.map((s) => s.outline.map((q) => q[0]))
    expect(Math.max(...xs[0]!)).toBeCloseTo(mid.upper[mid.upper.length - 1]![0], 6)
    expect(Math.min(...xs[1]!)).toBeCloseTo(mid.upper[0]![0], 6)
    // The filler ends inside them: where one stops the other lies beside it.
    expect(Math.min(...xs[0]!)).toBeGreaterThan(filler.upper[filler.upper.length - 1]![0])
    expect(plan({ construction: 'cemented' }).bottom.strips).toEqual([])
  })
})

describe('a pair in cup soles', () => {
  const trainer = { construction: 'cup sole' as const, upper: { style: 'trainer' as const } }
  const bare = plan(trainer)
  const cupOf = (by: number, more: Partial<CupSole> = {}): CupSole =>
    CupSole.parse({
      id: '01900000-0000-7000-8000-0000000000c1',
      name: 'Cup',
      // As it may come from a drawing: somewhere else on the sheet.
      outline: offset(bare.lasted, by, 'the cup').map(([x, y]) => [x + 40, y - 15]),
      ...more,
    })
  const inCup = (cup: CupSole) => plan({ ...trainer, cupSoleId: cup.id }, { cupSole: cup })
  it('cuts no sole and no heel, and says that a cup is wanted until one is chosen', () => {
    for (const id of ['midsole', 'outsole', 'heelWedge', 'heelLift', 'topPiece', 'shank', 'welt', 'rand'])
      expect(part(bare, id), id).toBeUndefined()
    expect(part(bare, 'filler')).toBeDefined()
    expect(bare.bottom.heel).toBeNull()
    expect(finding(bare, 'bottom.cup')?.level).toBe('stop')
  })
  it('lies in the cup with the room that there is: 1 mm all round is good, 3 gappy, less than none too tight', () => {
    const good = inCup(cupOf(1))
    expect(good.bottom.cup?.least.room).toBeCloseTo(1, 1)
    expect(good.bottom.cup?.most.room).toBeCloseTo(1, 1)
    expect(finding(good, 'bottom.cup')?.level).toBe('fine')
    expect(finding(inCup(cupOf(3)), 'bottom.cup')?.level).toBe('watch')
    expect(finding(inCup(cupOf(-0.6)), 'bottom.cup')).toMatchObject({ level: 'stop' })
  })
  it('a thicker lining makes a good cup tight', () => {
    const cup = cupOf(0.4)
    const thick = sampleMaterials.map((m) => (m.kind === 'lining leather' ? { ...m, thickness: 1.6 } : m))
    const tight = plan({ ...trainer, cupSoleId: cup.id }, { cupSole: cup, materials: thick })
    expect(finding(inCup(cup), 'bottom.cup')?.level).toBe('fine')
    expect(finding(tight, 'bottom.cup')?.level).toBe('stop')
    // 0.7 mm thicker; where linings lap, or lie under a side lining of the same stuff, twice that.
    const lost = 0.4 - (tight.bottom.cup?.least.room ?? 0)
    expect(lost).toBeGreaterThan(0.65)
    expect(lost).toBeLessThan(1.55)
  })
  it('stands on heel and tread when seat less tread is what the last falls between them, and says by how much it does not', () => {
    const { last, places } = bare.bottom.profile
    const height = (at: number) => last.reduce((b, q) => (Math.abs(q[0] - at) < Math.abs(b[0] - at) ? q : b))[1]
    const seat = 5 + height(places.seat) - height(places.tread)
    const level = inCup(cupOf(1, { seat, tread: 5 }))
    expect(Math.abs(finding(level, 'bottom.heel')?.measured ?? 9)).toBeLessThan(0.6)
    expect(finding(level, 'bottom.heel')?.level).toBe('fine')
    const low = inCup(cupOf(1, { seat: seat - 6, tread: 5 }))
    const by = (finding(low, 'bottom.heel')?.measured ?? 0) - (finding(level, 'bottom.heel')?.measured ?? 0)
    expect(by).toBeCloseTo(6, 0)
    expect(finding(low, 'bottom.heel')).toMatchObject({
      level: 'stop',
      mend: expect.stringContaining('wedge') as string,
    })
    const high = inCup(cupOf(1, { seat: seat + 6, tread: 5 }))
    expect(spoken(finding(high, 'bottom.heel')?.sentence ?? '')).toContain('too thick under the seat')
    expect(level.bottom.profile.layers.map((l) => l.id)).toEqual(['insole', 'filler', 'cup'])
    expect(finding(inCup(cupOf(1)), 'bottom.heel')).toBeUndefined()
  })
  it('is cemented into the cup when it is lasted, level and tried; nothing is trimmed or heeled', () => {
    const ids = inCup(cupOf(1)).steps.map((o) => o.key)
    for (const id of ['cut-midsole', 'cut-outsole', 'cut-heel', 'cut-shank', 'build-heel', 'trim-sole', 'sew-down'])
      expect(ids).not.toContain(id)
    const order = ['last-toe', 'prepare-cup', 'cement-cup', 'press-cup', 'last-out', 'final-check']
    expect(order.map((id) => ids.indexOf(id))).toEqual([...order.map((id) => ids.indexOf(id))].sort((a, b) => a - b))
    expect(ids.indexOf('prepare-cup')).toBeGreaterThan(0)
  })
  it('a cup of quite another size is a finding, and the rest of the pair is planned all the same', () => {
    const small = inCup(cupOf(-25))
    expect(small.bottom.cup).toBeNull()
    expect(finding(small, 'bottom.cup')).toMatchObject({
      level: 'stop',
      sentence: expect.stringContaining('different sizes') as string,
      mend: 'Choose another cup sole.',
    })
    expect(small.parts).toHaveLength(bare.parts.length)
  })
  it('a cup that was chosen and is not with the pair is a sentence, not a guess', () => {
    expect(() => plan({ ...trainer, cupSoleId: cupOf(1).id })).toThrow(PlanError)
  })
})

describe('a pair on flat units', () => {
  const way = { construction: 'flat unit' as const, upper: { style: 'derby' as const } }
  const bare = plan(way)
  const unitOf = (by: number, more: Partial<CupSole> = {}): CupSole =>
    CupSole.parse({
      id: '01900000-0000-7000-8000-0000000000c2',
      name: 'Unit',
      form: 'unit',
      outline: offset(bare.lasted, by, 'the unit').map(([x, y]) => [x - 30, y + 80]),
      seat: 9,
      tread: 9,
      ...more,
    })
  const on = (unit: CupSole, change: Parameters<typeof samplePair>[0] = {}) =>
    plan({ ...way, cupSoleId: unit.id, ...change }, { cupSole: unit })
  it('cuts no sole, keeps the shank, and says that a unit is wanted; a cup is none', () => {
    for (const id of ['midsole', 'outsole', 'heelLift', 'topPiece', 'welt', 'unit'])
      expect(part(bare, id), id).toBeUndefined()
    for (const id of ['shank', 'filler', 'insole']) expect(part(bare, id), id).toBeDefined()
    expect(finding(bare, 'bottom.unit')).toMatchObject({ level: 'stop' })
    expect(finding(on(unitOf(5, { form: 'cup' })), 'bottom.unit')).toMatchObject({ level: 'stop' })
  })
  it('is trimmed to its edge outside the lasted shoe all round, and says how much comes off', () => {
    const p = on(unitOf(6))
    expect(p.bottom.unit?.least.room).toBeCloseTo(6, 1)
    expect(finding(p, 'bottom.unit')?.level).toBe('fine')
    const edge = part(p, 'unit')!.outline
    for (const q of edge) expect(nearest(p.lasted, q, true).away).toBeCloseTo(2.5, 1)
    // Steiner: area and perimeter of what is parallel to a line that bends nowhere tighter than the distance.
    const grown = Math.abs(signedArea(edge)) - Math.abs(signedArea(p.lasted))
    const wanted = 2.5 * pathLength(p.lasted, true) + Math.PI * 2.5 ** 2
    expect(grown / wanted).toBeCloseTo(1, 2)
    const off = part(p, 'unit')?.becauses.find((b) => b.id === 'unitTrimmed')
    expect(spoken(off?.sentence ?? '')).toContain('At most 3.5 mm come off')
    const wide = on(unitOf(14)).bottom.unit
    expect(wide?.verdict).toBe('ample')
  })
  it('too small a unit is told from one with too lean an edge; the button lets the edge be thinner', () => {
    const lean = on(unitOf(1.5))
    const told = finding(lean, 'bottom.unit')!
    expect(told).toMatchObject({ level: 'watch', remedy: { kind: 'rule', key: 'unit.edge' } })
    const mended = on(unitOf(1.5), { rules: { 'unit.edge': told.remedy?.kind === 'rule' ? told.remedy.value : NaN } })
    expect(finding(mended, 'bottom.unit')?.level).toBe('fine')
    const short = on(unitOf(-1))
    expect(finding(short, 'bottom.unit')).toMatchObject({ level: 'stop', measured: expect.closeTo(-1, 1) as number })
    // What there is of it is what is left: nowhere outside the unit.
    const { sole, trimmed } = short.bottom.unit!
    for (const q of trimmed) expect(contains(sole, q) ? 0 : nearest(sole, q, true).away).toBeLessThan(0.01)
  })
  it('bends to the bottom, as thick as it was measured, and stands when seat less tread is what the last falls', () => {
    const even = on(unitOf(6))
    const layer = even.bottom.profile.layers.find((l) => l.id === 'unit')!
    expect(Object.values(layer.at)).toEqual([9, 9, 9, 9])
    expect(even.bottom.profile.layers.map((l) => l.id)).toEqual(['insole', 'filler', 'unit'])
    const off = finding(even, 'bottom.heel')!
    expect(off).toMatchObject({ level: 'stop', mend: expect.stringContaining('wedge') as string })
    // So much thicker under the seat it stands, on one straight line from heel to tread as it was moulded.
    const stands = on(unitOf(6, { seat: 9 + off.measured }))
    expect(Math.abs(finding(stands, 'bottom.heel')?.measured ?? 9)).toBeLessThan(0.5)
    const { underside, places } = stands.bottom.profile
    for (const [x, z] of underside) if (x < places.tread) expect(Math.abs(z)).toBeLessThan(0.8)
    expect(stands.bottom.profile.layers.at(-1)!.at.tread).toBeCloseTo(9, 1)
    // Measured at one place only it is of one thickness; nowhere, as thick as the rule says.
    expect(part(on(unitOf(6, { seat: null, tread: 7 })), 'unit')?.thickness).toBe(7)
    expect(part(on(unitOf(6, { seat: null, tread: null })), 'unit')?.becauses.map((b) => b.rule)).toContain(
      'unit.thickness',
    )
  })
  it('is roughened, cemented, pressed on and trimmed; crepe is not glued with heat', () => {
    const p = on(unitOf(6))
    const ids = p.steps.map((o) => o.key)
    for (const id of ['cut-outsole', 'press-outsole', 'trim-sole', 'press-cup', 'sew-cup', 'build-heel'])
      expect(ids).not.toContain(id)
    const order = ['last-toe', 'shank-filler', 'prepare-unit', 'cement-unit', 'press-unit', 'trim-unit', 'last-out']
    expect(ids.filter((id) => order.includes(id)).filter((id, i, all) => all.indexOf(id) === i)).toEqual(
      expect.arrayContaining(order),
    )
    expect(ids.indexOf('press-unit')).toBeLessThan(ids.indexOf('trim-unit'))
    expect(ids.indexOf('cement-unit')).toBeGreaterThan(ids.indexOf('shank-filler'))
    const hot = { work: { ways: { cement: 'heat-set glue' as const } } }
    expect(finding(on(unitOf(6), hot), 'pair.crepe')).toBeUndefined()
    expect(finding(on(unitOf(6, { stuff: 'crepe' })), 'pair.crepe')?.level).toBe('fine')
    expect(finding(on(unitOf(6, { stuff: 'crepe' }), hot), 'pair.crepe')?.level).toBe('stop')
  })
})

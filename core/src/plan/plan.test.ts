import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boardId, corkId, sampleMaterials, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { nearest } from '../geometry/polyline.ts'
import { boxOf, contains, distance, mirror, pathLength, signedArea } from '../geometry/path.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import { dist3, type Vec3 } from '../geometry/vec3.ts'
import { ridgeAndToe } from '../last/surface.ts'
import type { Finding } from '../trade/because.ts'
import { setByHand, setRule } from '../model/byHand.ts'
import type { LastMeasures } from '../model/last.ts'
import type { PlanInput } from '../model/pair.ts'
import { RuleError } from '../trade/rules.ts'
import { cutLine } from '../parts/shared/notch.ts'
import type { Part } from '../trade/part.ts'
import { PlanError } from './planError.ts'
import type { Plan } from './plan.ts'
import { lastStage, planPair } from './planPair.ts'
import { StageCache } from './stageCache.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache(24)
const plan = (input: PlanInput) => planPair(input, cache)
const part = (p: Plan, id: string): Part => {
  const found = p.parts.find((x) => x.id === id)
  if (!found) throw new Error(`no ${id}`)
  return found
}
const finding = (p: Part, id: string): Finding => {
  const found = p.findings.find((x) => x.id === id)
  if (!found) throw new Error(`no finding ${id}`)
  return found
}
const value = (p: Part, quantity: string): number =>
  p.becauses.find((b) => b.quantity === quantity)?.value ?? Number.NaN
const base = samplePair()
const withHand = (decision: Parameters<typeof setByHand>[1], v: number | null, input = base): PlanInput => ({
  ...input,
  decisions: setByHand(input.decisions, decision, v),
})

describe('every part of every sample pair', () => {
  const inputs = Object.values(sampleMeasures).flatMap((m) =>
    (['short', 'long medial'] as const).map((front) => {
      const p = samplePair({}, m)
      return samplePair(
        {
          stiffener: { front, backHeight: null, lateralEnd: null, medialEnd: null },
          sock: { padding: front === 'short' ? 'half' : 'full' },
          materials: { ...p.decisions.materials, padding: corkId },
        },
        m,
      )
    }),
  )
  it('is a closed, simple, counter-clockwise outline without a broken number', () => {
    for (const input of inputs) {
      for (const p of plan(input).parts) {
        expect(signedArea(p.outline), p.name).toBeGreaterThan(200)
        expect(isSimple(p.outline)).toBe(true)
        expect(p.outline.flat().every(Number.isFinite)).toBe(true)
        expect(p.becauses.every((b) => Number.isFinite(b.value) && spoken(b.sentence).length > 10)).toBe(true)
        expect(p.findings.every((f) => f.level === 'fine' || spoken(f.mend).length > 5)).toBe(true)
        for (const s of p.skives) expect(signedArea(s.band)).not.toBe(0)
      }
    }
  })
  it('has its mirror for the left foot: same area and length, and flipping twice is where it began', () => {
    for (const p of plan(inputs[0]!).parts) {
      const left = mirror(p.outline)
      expect(signedArea(left)).toBeCloseTo(signedArea(p.outline), 8)
      expect(pathLength(left, true)).toBeCloseTo(pathLength(p.outline, true), 8)
      expect(mirror(left)).toEqual(p.outline)
    }
  })
  it('has notches that cut inwards and take little away', () => {
    for (const p of plan(inputs[1]!).parts.filter((one) => one.notches.length > 0)) {
      expect(p.notches.filter((n) => n.kind === 'medial')).toHaveLength(1)
      const cut = cutLine(p.outline, p.notches)
      const lost = signedArea(p.outline) - signedArea(cut)
      expect(lost).toBeGreaterThan(0)
      expect(lost).toBeLessThan(p.notches.length * 12)
      expect(isSimple(cut)).toBe(true)
    }
  })
})

describe('the insole', () => {
  it('is the outline of the bottom, with the holdfast just so far inside when welted', () => {
    const p = part(plan(base), 'insole')
    const holdfast = p.lines.find((l) => l.name === 'holdfast')
    for (const q of holdfast?.path ?? []) expect(nearest(p.outline, q, true).away).toBeCloseTo(5, 1)
    expect(
      part(plan(samplePair({ construction: 'cemented' })), 'insole').lines.some((l) => l.name === 'holdfast'),
    ).toBe(false)
  })
  it('has the channel so far behind the holdfast, when it is of leather and welted', () => {
    const p = part(plan(base), 'insole')
    const channel = p.lines.find((l) => l.name === 'channel')?.path ?? []
    expect(channel.length).toBeGreaterThan(20)
    for (const q of channel) expect(nearest(p.outline, q, true).away).toBeCloseTo(5 + 5, 1)
    const cemented = part(plan(samplePair({ construction: 'cemented' })), 'insole')
    expect(cemented.lines.some((l) => l.name === 'channel')).toBe(false)
  })
  it('has its holes evenly from breast to breast, as near to the pitch as comes out whole', () => {
    const p = part(plan({ ...base, houseRules: { 'insole.weltPitch': 6.3 } }), 'insole')
    const holdfast = p.lines.find((l) => l.name === 'holdfast')
    const holes = holdfast?.holes ?? []
    const line = holdfast?.path ?? []
    expect(distance(holes[0]!, line[0]!)).toBeLessThan(1e-9)
    expect(distance(holes[holes.length - 1]!, line[line.length - 1]!)).toBeLessThan(1e-9)
    const at = holes.map((h) => nearest(line, h).at)
    const gaps = at.slice(1).map((v, i) => v - at[i]!)
    expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(1e-6)
    expect(Math.abs(gaps[0]! - 6.3)).toBeLessThan(6.3 / holes.length)
    expect(value(p, 'Welt stitch')).toBeCloseTo(gaps[0]!, 9)
  })
  it('of board cannot be welted', () => {
    const materials = { ...base.decisions.materials, insole: boardId }
    expect(finding(part(plan(samplePair({ materials })), 'insole'), 'insole.holdfast').level).toBe('stop')
    const cemented = part(plan(samplePair({ materials, construction: 'cemented' })), 'insole')
    expect(cemented.findings.every((f) => f.level === 'fine')).toBe(true)
  })
})

describe('the stiffener', () => {
  it('stands 3 mm under the top line of its upper, which is drawn L / 5 + 3 high', () => {
    for (const [input, L] of [
      [base, 290],
      [samplePair({}, sampleMeasures.flat), 255],
    ] as const) {
      const p = part(plan(input), 'stiffener')
      // Drawn on the forme, measured on the last: laid flat, the back line is some tenths longer.
      expect(Math.abs(value(p, 'Top line at the back') - (L / 5 + 3))).toBeLessThan(0.8)
      expect(value(p, 'Height at the back')).toBeCloseTo(value(p, 'Top line at the back') - 3, 9)
    }
  })
  it('follows a top line that was drawn lower, and keeps to a low shoe under a shaft', () => {
    const low = samplePair({ upper: { points: { 'backTop:both': [45 / 290, 0] } } })
    expect(value(part(plan(low), 'stiffener'), 'Height at the back')).toBeCloseTo(45 - 3, 0)
    const boot = samplePair({ upper: { style: 'ankle boot' } }, sampleMeasures.boot)
    expect(value(part(plan(boot), 'stiffener'), 'Height at the back')).toBeCloseTo(300 / 5, 9)
  })
  it('long on both sides reaches behind the joint on both', () => {
    const p = part(plan(samplePair({ stiffener: { front: 'long both' } })), 'stiffener')
    const joint = { lateral: 0.635 * 290, medial: 0.72 * 290 }
    for (const side of ['lateral', 'medial'] as const) {
      expect(value(p, `Front on the ${side} side, from the heel back`)).toBeCloseTo(joint[side] - 10, 6)
      expect(finding(p, `stiffener.joint.${side}`).level).toBe('fine')
    }
    expect(finding(p, 'stiffener.facing').level).toBe('fine')
  })
  it('is drawn as high as it says: flat back line within a millimetre of the height up the wall', () => {
    const p = part(plan(base), 'stiffener')
    const fold = p.lines.find((l) => l.kind === 'fold')
    expect(pathLength(fold?.path ?? [])).toBeGreaterThan(56.5)
    expect(pathLength(fold?.path ?? [])).toBeLessThan(59.5)
  })
  it('short ends at 0.24 L, long medial 10 mm behind the joint', () => {
    const short = part(plan(base), 'stiffener')
    expect(value(short, 'Front on the medial side, from the heel back')).toBeCloseTo(0.24 * 290, 9)
    const long = part(
      plan(samplePair({ stiffener: { front: 'long medial', backHeight: null, lateralEnd: null, medialEnd: null } })),
      'stiffener',
    )
    expect(value(long, 'Front on the medial side, from the heel back')).toBeCloseTo(0.72 * 290 - 10, 9)
    expect(value(long, 'Front on the lateral side, from the heel back')).toBeCloseTo(0.24 * 290, 9)
    expect(boxOf(long.outline).minX).toBeLessThan(boxOf(short.outline).minX - 90)
  })
  it('past the joint is stopped, a little close to it watched, and back at the rule fine', () => {
    const level = (v: number | null) =>
      finding(part(plan(withHand('stiffener.medialEnd', v)), 'stiffener'), 'stiffener.joint.medial').level
    expect(level(0.72 * 290 + 5)).toBe('stop')
    expect(level(0.72 * 290 - 7)).toBe('watch')
    expect(level(null)).toBe('fine')
  })
  it('above the top line is stopped', () => {
    const level = (v: number) =>
      finding(part(plan(withHand('stiffener.backHeight', v)), 'stiffener'), 'stiffener.topLine').level
    expect(level(63)).toBe('stop')
    expect(level(60)).toBe('watch')
    expect(level(57)).toBe('fine')
  })
  it('reaches just 6 mm under the feather line', () => {
    const p = part(plan(base), 'stiffener')
    const feather = p.lines.find((l) => l.kind === 'feather')?.path ?? []
    const lowest = p.outline.reduce((a, b) => (b[1] < a[1] ? b : a))
    expect(nearest(feather, lowest).away).toBeCloseTo(6, 1)
  })
})

describe('the toe puff', () => {
  it('is 52 mm by tape at L = 250 and 1.8 mm longer for every 10 mm', () => {
    const at = (length: number) => {
      const k = length / 290
      const m: LastMeasures = { ...sampleMeasures.walking }
      for (const key of [
        'length',
        'seatWidth',
        'waistWidth',
        'jointWidth',
        'jointGirth',
        'waistGirth',
        'instepGirth',
        'toeBoxHeight',
        'coneHeight',
        'coneWidth',
      ] as const)
        m[key] *= k
      return value(part(plan(samplePair({}, m)), 'puff'), 'Back edge behind the toe tip, by tape over the toe box')
    }
    expect(at(250)).toBeCloseTo(52, 6)
    expect(at(300)).toBeCloseTo(61, 6)
  })
  it('is as long as the tape reads on the last, and as a pattern from the foremost point of the toe', () => {
    const surface = lastStage(base.last, new StageCache())
    const puff = part(plan(base), 'puff')
    const reading = value(puff, 'Back edge behind the toe tip, by tape over the toe box')
    const length = (run: readonly Vec3[]) => run.slice(1).reduce((sum, p, i) => sum + dist3(run[i]!, p), 0)
    const line = ridgeAndToe(surface)
    const tip = line.reduce((best, p, i) => (p[0] > line[best]![0] ? i : best), 0)
    const back = surface.length - Number(/lies ([\d.]+) mm behind/.exec(spoken(puff.becauses[0]!.sentence))?.[1])
    const taped = length(line.slice(0, tip + 1).filter((p) => p[0] > back))
    expect(Math.abs(taped - reading)).toBeLessThan(2)
    // Flat it is as long, but for the lining and half the puff over which it is bent, and down the toe's front to the feather.
    const flat = pathLength(puff.lines.find((l) => l.name === 'centre line')?.path ?? [])
    const rib = length(line.slice(tip))
    expect(flat).toBeGreaterThan(reading + rib - 3)
    expect(flat).toBeLessThan(reading + rib + 5)
  })
  it('too long is stopped with the length to go back to, and that length is fine', () => {
    const long = finding(part(plan(withHand('puff.length', 84)), 'puff'), 'puff.crease')
    expect(long.level).toBe('stop')
    const advised = Number(/about (\d+) mm/.exec(spoken(long.mend))?.[1])
    expect(finding(part(plan(withHand('puff.length', advised)), 'puff'), 'puff.crease').level).toBe('fine')
  })
  it('past the crease line counts against it', () => {
    const f = finding(part(plan(withHand('puff.length', 110)), 'puff'), 'puff.crease')
    expect(f.measured).toBeLessThan(0)
    expect(f.level).toBe('stop')
  })
  it('comes nearer to the crease line by as much as it grows', () => {
    const clear = (v: number) => finding(part(plan(withHand('puff.length', v)), 'puff'), 'puff.crease').measured
    const slope = clear(50) - clear(54)
    // It grows 4 mm along the last; the flat wall is a little steeper at the side.
    expect(slope).toBeGreaterThan(3)
    expect(slope).toBeLessThan(5.5)
  })
  it('too short is watched', () => {
    expect(finding(part(plan(withHand('puff.length', 48)), 'puff'), 'puff.short').level).toBe('watch')
  })
})

describe('sock liner and padding', () => {
  const padded = (extent: 'half' | 'full') =>
    samplePair({ sock: { padding: extent }, materials: { ...base.decisions.materials, padding: corkId } })
  it('the sock is the insole less the lining all round', () => {
    const p = plan(base)
    const insole = part(p, 'insole').outline
    for (const q of part(p, 'sock').outline) expect(nearest(insole, q, true).away).toBeCloseTo(0.9, 2)
  })
  it('the full padding is 7 mm larger all round, the half one ends at 0.45 L', () => {
    const p = plan(padded('full'))
    const sock = part(p, 'sock').outline
    for (const q of part(p, 'padding').outline) expect(nearest(sock, q, true).away).toBeCloseTo(7, 2)
    const half = part(plan(padded('half')), 'padding')
    const front = boxOf(half.outline).maxX
    expect(front).toBeGreaterThan(0.45 * 290 - 5)
    expect(front).toBeLessThan(0.45 * 290 + 3)
    expect(half.skives).toHaveLength(1)
  })
  it('full padding of 3 mm is too much at the joint, and half padding mends it', () => {
    const full = finding(part(plan(padded('full')), 'padding'), 'padding.girth.joint')
    expect(full.level).not.toBe('fine')
    expect(spoken(full.mend)).toMatch(/half padding/)
    expect(finding(part(plan(padded('half')), 'padding'), 'padding.girth.joint').level).toBe('fine')
  })
  it('without padding there is neither the part nor a step for it', () => {
    const p = plan(base)
    expect(p.parts.some((x) => x.id === 'padding')).toBe(false)
    expect(p.steps.some((o) => /padding/i.test(o.name))).toBe(false)
  })
})

describe('the midsole', () => {
  it('stands out past the lasted outline by its room, everywhere', () => {
    const p = part(plan(base), 'midsole')
    const lasted = p.lines.find((l) => l.name === 'lasted outline')?.path ?? []
    for (const q of p.outline) expect(nearest(lasted, q, true).away).toBeGreaterThan(9.98)
    for (const q of lasted) expect(contains(p.outline, q)).toBe(true)
    expect(finding(p, 'midsole.room').measured).toBeCloseTo(10, 1)
  })
  it('grows by twice the lining when the lining gets thicker', () => {
    const thicker = {
      ...base,
      materials: base.materials.map((m) => (m.kind === 'lining leather' ? { ...m, thickness: m.thickness + 0.6 } : m)),
    }
    const before = boxOf(part(plan(base), 'midsole').outline)
    const after = boxOf(part(plan(thicker), 'midsole').outline)
    // At the sides the side lining is cut from the same leather and counts once more.
    expect(after.maxY - after.minY - (before.maxY - before.minY)).toBeCloseTo(2.4, 0)
    expect(after.maxX - after.minX - (before.maxX - before.minX)).toBeCloseTo(1.2, 1)
  })
  it('is thickest where stiffener and puff lie', () => {
    const p = part(plan(base), 'midsole')
    expect(value(p, 'Layers outside the last, thickest')).toBeGreaterThan(1.4 + 0.9 + 2.4)
  })
  it('too little room for the awl is stopped', () => {
    expect(finding(part(plan(withHand('midsole.room', 2)), 'midsole'), 'midsole.room').level).toBe('stop')
    expect(finding(part(plan(withHand('midsole.room', 4)), 'midsole'), 'midsole.room').level).toBe('watch')
  })
})

describe('the pipeline', () => {
  it('computes only what follows from a change', () => {
    const fresh = new StageCache()
    planPair(base, fresh)
    const before = new Map(fresh.computed)
    planPair(withHand('puff.length', 57), fresh)
    const again = [...fresh.computed].filter(([name, n]) => n !== before.get(name)).map(([name]) => name)
    expect(again.sort()).toEqual([
      'bottom section',
      'checks',
      'feet',
      'lasted',
      'lastedUsed',
      'lasting',
      'layers',
      'puff',
      'sideLinings',
      'skiving',
      'sole seams',
      'steps',
      'under',
    ])
  })
  it('gives the same plan from a cold and a warm cache', () => {
    const warm = new StageCache()
    planPair(withHand('midsole.room', 6), warm)
    expect(planPair(base, warm)).toEqual(planPair(base, new StageCache()))
  })
  it('is plain data: nothing is lost on the way through JSON', () => {
    const walk = (v: unknown, path: string): void => {
      if (typeof v === 'object' && v !== null) {
        expect([Object.prototype, Array.prototype], path).toContain(Object.getPrototypeOf(v))
        for (const [k, w] of Object.entries(v)) if (w !== undefined) walk(w, `${path}.${k}`)
      } else if (typeof v === 'number') expect(Number.isFinite(v), path).toBe(true)
      else expect(v === null || ['string', 'boolean'].includes(typeof v), path).toBe(true)
    }
    walk(plan(base), 'plan')
  })
  it('says how long a puff may be when one is set that cannot be drawn', () => {
    expect(() => plan(withHand('puff.length', 20))).toThrow(/between 4\d and 13\d mm/)
  })
  it('says where a figure came from', () => {
    const gap = (input: PlanInput) =>
      part(plan(input), 'stiffener').becauses.find((b) => b.quantity === 'Height at the back')
    expect(gap(base)?.origin).toBe('house rule')
    const workshop = { ...base, houseRules: { 'stiffener.topGap': 4 } }
    const byHouse = gap(base)?.value ?? 0
    expect(gap(workshop)).toMatchObject({ origin: 'this workshop', value: byHouse - 1 })
    const own = { ...workshop, decisions: setRule(workshop.decisions, 'stiffener.topGap', 5) }
    expect(gap(own)).toMatchObject({ origin: 'this pair', value: byHouse - 2 })
    expect(gap({ ...own, decisions: setRule(own.decisions, 'stiffener.topGap', null) })).toEqual(gap(workshop))
  })
  it('refuses what it cannot plan with the field and a sentence', () => {
    const thrown = (input: PlanInput): unknown => {
      try {
        plan(input)
      } catch (error) {
        return error
      }
      return null
    }
    const unknown = thrown({ ...base, materials: sampleMaterials.slice(1) })
    expect(unknown).toBeInstanceOf(PlanError)
    expect(unknown).toMatchObject({ field: 'materials.upper' })
    expect(thrown(samplePair({ materials: { ...base.decisions.materials, insole: corkId } }))).toMatchObject({
      field: 'materials.insole',
    })
    expect(thrown(samplePair({ sock: { padding: 'full' } }))).toMatchObject({ field: 'materials.padding' })
    const rule = thrown({ ...base, houseRules: { 'puff.base': 500 } })
    expect(rule).toBeInstanceOf(RuleError)
    expect(rule).toMatchObject({ field: 'puff.base' })
    expect(thrown({ ...base, houseRules: { nonsense: 1 } })).toMatchObject({ field: 'nonsense' })
  })
  it('random decisions inside their ranges never break a part', () => {
    const ranges = new Map(
      plan(base).parts.flatMap((p) => p.becauses.flatMap((b) => (b.hand ? [[b.hand.decision, b.hand] as const] : []))),
    )
    const within = (d: Parameters<typeof setByHand>[1]) => {
      const r = ranges.get(d)
      if (!r) throw new Error(`no range for ${d}`)
      return fc.double({ min: r.min, max: r.max, noNaN: true })
    }
    fc.assert(
      fc.property(
        within('puff.length'),
        within('stiffener.backHeight'),
        within('stiffener.lateralEnd'),
        within('stiffener.medialEnd'),
        within('midsole.room'),
        (puff, back, lateral, medial, room) => {
          let input = withHand('puff.length', puff)
          input = withHand('stiffener.backHeight', back, input)
          input = withHand('stiffener.lateralEnd', lateral, input)
          input = withHand('stiffener.medialEnd', medial, input)
          input = withHand('midsole.room', room, input)
          for (const p of plan(input).parts) {
            expect(isSimple(p.outline)).toBe(true)
            expect(p.outline.flat().every(Number.isFinite)).toBe(true)
          }
        },
      ),
      { numRuns: 15 },
    )
  })
})

describe('size against last', () => {
  it('fits, or says what the last reads instead', () => {
    expect(plan(base).findings.find((f) => f.id === 'pair.size')?.level).toBe('fine')
    const wrong = plan(samplePair({ size: { system: 'paris', value: 40 } })).findings.find((f) => f.id === 'pair.size')
    expect(wrong?.level).toBe('watch')
    expect(spoken(wrong?.sentence ?? '')).toContain('43.5')
  })
})

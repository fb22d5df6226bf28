import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleMaterials, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { nearest } from '../geometry/polyline.ts'
import { boxOf, contains, pathLength, signedArea, type Path, type Point } from '../geometry/path.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import type { DevelopedBottom } from '../last/developedBottom.ts'
import { RuleBook } from '../trade/rules.ts'
import type { Plan } from './plan.ts'
import { planPair } from './planPair.ts'
import type { Part } from '../trade/part.ts'
import { heelBuild, type HeelBuild } from '../parts/heel/heelBuild.ts'
import { filler, fillerBed } from '../parts/sole/insideBottom.ts'
import type { SideProfile } from '../parts/sole/sideProfile.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache()
const plan = (change: Parameters<typeof samplePair>[0] = {}, measures?: Parameters<typeof samplePair>[1]): Plan =>
  planPair(samplePair(change, measures), cache)
const part = (p: Plan, id: string): Part => {
  const found = p.parts.find((x) => x.id === id)
  if (!found) throw new Error(`no part ${id}`)
  return found
}
const value = (p: Part, quantity: string): number =>
  p.becauses.find((b) => b.quantity === quantity)?.value ?? Number.NaN

describe('the heel', () => {
  /** A sole whose underside falls straight from `back` at x = 0 to `breast` at x = 70. */
  const sole = (back: number, breast: number): SideProfile => ({
    last: [],
    layers: [],
    underside: [
      [0, back],
      [70, breast],
      [200, 0],
    ],
    thickness: { seat: 0, waist: 0, tread: 0, toe: 0 },
    spring: 0,
    lastSpring: 0,
    places: { seat: 0, waist: 0, tread: 0, toe: 0 },
  })
  const stock = { lift: 5, topPiece: 6, taper: 0.5, thinnest: 2.5 }
  const rule = { lifts: null, wedge: true }

  it('fills exactly what is needed: top piece, whole lifts, and a wedge for the rest', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 12, max: 80, noNaN: true }),
        fc.double({ min: 0, max: 8, noNaN: true }),
        (back, fall) => {
          const h = heelBuild(sole(back, back - fall), 0, 70, stock, rule)
          if (h.pared) return
          expect(h.topPiece + h.lifts * h.lift + h.wedge.back).toBeCloseTo(back, 4)
          expect(h.topPiece + h.lifts * h.lift + h.wedge.breast).toBeCloseTo(back - fall, 4)
          // At its lower end less than one more lift would go in.
          expect(h.wedge.breast).toBeLessThan(5)
          if (back - fall > 6) {
            expect(h.wedge.breast).toBeGreaterThanOrEqual(-1e-6)
            expect(h.offGround).toBeLessThan(1e-6)
          }
        },
      ),
    )
  })
  it('one lift too many stands so much too high; without a wedge the slope is left', () => {
    expect(heelBuild(sole(25, 18), 0, 70, stock, { lifts: 3, wedge: true }).offGround).toBeCloseTo(3, 9)
    expect(heelBuild(sole(21, 16), 0, 70, stock, { lifts: null, wedge: false }).offGround).toBeCloseTo(5, 9)
  })
  it('a low seat is filled exactly too, by pieces that can be cut; one lower than the thinnest heel gets none', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        (back, fall) => {
          const breast = Math.max(0, back - fall)
          const h = heelBuild(sole(back, breast), 0, 70, stock, rule)
          expect(h.wedge.back).toBeGreaterThanOrEqual(0)
          expect(h.wedge.breast).toBeGreaterThanOrEqual(0)
          if (back < stock.thinnest) {
            expect(h.bodies).toEqual([])
            return
          }
          for (const end of ['back', 'breast'] as const) {
            const top = h.pared ? h.pared[end] : h.topPiece
            expect(top).toBeGreaterThanOrEqual(0)
            expect(top).toBeLessThanOrEqual(stock.topPiece)
            const filled = top + h.lifts * h.lift + h.wedge[end]
            // A wedge under 0.3 mm is not cut.
            expect(Math.abs(filled - h.needed[end])).toBeLessThan(0.3 + 1e-9)
          }
          for (const b of h.bodies) expect(Math.abs(signedArea(b.outline))).toBeGreaterThan(0.1)
        },
      ),
    )
  })
  it.each([0, 1, 2, 3, 5])(
    'a last with a heel of %i mm cuts nothing of negative thickness, and mends only what is there',
    (heelHeight) => {
      const p = plan({ construction: 'cemented' }, { ...sampleMeasures.flat, heelHeight })
      for (const x of p.parts) {
        expect(x.thickness).toBeGreaterThan(0)
        for (const s of x.skives) for (const [, t] of s.profile) expect(t).toBeGreaterThanOrEqual(0)
      }
      const f = p.bottom.findings.find((x) => x.id === 'bottom.heel')
      expect(spoken(f?.mend ?? '')).not.toContain('lift out')
      const heel = p.parts.filter((x) => ['heelWedge', 'heelLift', 'topPiece'].includes(x.id)).map((x) => x.id)
      const low = Math.max(heelOf(p).needed.back, heelOf(p).needed.breast) < 2.5
      if (heelHeight !== 2) expect(low).toBe(heelHeight < 2)
      expect(heel).toEqual(low ? [] : ['topPiece'])
      // Without a heel there is none to build, and the edge is still trimmed.
      const work = p.steps.map((o) => o.id)
      expect(work.includes('build-heel')).toBe(!low)
      expect(work).toContain('trim-sole')
    },
  )
  it('its bodies stand on each other without a gap, each smaller than the one above', () => {
    const { bodies } = heelBuild(sole(25, 18), 0, 70, stock, rule)
    expect(bodies.map((b) => b.id)).toEqual(['wedge', 'lift', 'lift', 'topPiece'])
    for (let i = 1; i < bodies.length; i++) {
      const [above, below] = [boxOf(bodies[i - 1]!.outline), boxOf(bodies[i]!.outline)]
      expect(below.maxY).toBeCloseTo(above.minY, 9)
      expect(below.maxX).toBeCloseTo(70 - 0.5 * i, 9)
    }
    expect(boxOf(bodies[3]!.outline).minY).toBe(0)
  })
})

const heelOf = (p: Plan): HeelBuild => {
  if (!p.bottom.heel) throw new Error('no heel')
  return p.bottom.heel
}

describe('the side section', () => {
  it('stands on the ground in front, and a flat last under an even bottom keeps its heel height', () => {
    for (const m of [sampleMeasures.walking, sampleMeasures.flat]) {
      const { profile } = plan({ construction: 'cemented' }, m).bottom
      const heel = heelOf(plan({ construction: 'cemented' }, m))
      expect(Math.min(...profile.underside.filter((p) => p[0] > 0.55 * m.length).map((p) => p[1]))).toBeCloseTo(0, 9)
      // Even layers lift heel and tread alike: what is left under the heel is the last's own heel height.
      const atBack = profile.last[0]![1] - profile.thickness.seat
      expect(Math.abs(atBack - m.heelHeight)).toBeLessThan(1)
      expect(heel.needed.back).toBeGreaterThan(heel.needed.breast)
    }
  })
  it('layers lie on each other, as thick as they say', () => {
    const { profile } = plan().bottom
    const [insole, fill, mid, out] = profile.layers
    expect([insole!.at.tread, mid!.at.tread, out!.at.tread]).toEqual([4, 3.5, 4.5])
    expect(profile.thickness.tread).toBeCloseTo(insole!.at.tread + fill!.at.tread + mid!.at.tread + out!.at.tread, 9)
    for (const l of [insole, mid, out]) {
      l!.upper.forEach((p, i) => {
        const q = l!.lower[i]!
        expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeCloseTo(l!.at.tread, 6)
      })
    }
  })
  it('a thicker sole in front of a heel of the same stock takes nothing from the heel', () => {
    const rules = (t: number) => heelOf(plan({ rules: { 'bottom.outsoleThickness': t } })).needed.back
    expect(Math.abs(rules(8) - rules(4))).toBeLessThan(0.6)
  })
  it('too many lifts are stopped and say so; the rule gives them back', () => {
    const heel = (lifts: number | null, wedge = true) =>
      plan({ heel: { lifts, wedge } }).bottom.findings.find((f) => f.id === 'bottom.heel')
    expect(heel(null)?.level).toBe('fine')
    expect(heel(5)?.level).toBe('stop')
    expect(spoken(heel(5)?.mend ?? '')).toContain('lift out')
    expect(heel(null, false)?.level).not.toBe('fine')
  })
})

describe('parts of the bottom', () => {
  const welted = plan()
  it('the outsole stands out past the midsole by the rule', () => {
    const [outer, inner] = [part(welted, 'outsole').outline, part(welted, 'midsole').outline]
    for (const p of inner) {
      expect(contains(outer, p)).toBe(true)
      expect(nearest(outer, p, true).away).toBeCloseTo(2, 1)
    }
  })
  it('the heel stands out past the lasted seat by the rule, and no further', () => {
    const wedge = part(welted, 'heelWedge').outline
    const front = boxOf(wedge).maxX
    for (const p of wedge.filter((q) => q[0] < front - 8))
      expect(nearest(welted.lasted, p, true).away).toBeCloseTo(4, 1)
  })
  it('lifts shrink by the taper, down to the top piece', () => {
    const area = (p: Path) => signedArea(p)
    const wedge = part(welted, 'heelWedge').outline
    const lift = part(welted, 'heelLift')
    const top = part(welted, 'topPiece').outline
    expect(area(lift.outline)).toBeLessThan(area(wedge))
    expect(area(top)).toBeLessThan(area(lift.outline))
    for (const p of lift.outline) expect(nearest(wedge, p, true).away).toBeCloseTo(0.6, 1)
    for (const p of top) expect(nearest(wedge, p, true).away).toBeCloseTo(0.6 * 3, 1)
    expect(lift.count).toBe(2 * heelOf(welted).lifts)
  })
  it('with every lift taken out the number can still be changed, and what was set says what the rule would be', () => {
    const none = plan({ heel: { lifts: 0, wedge: true } })
    expect(none.parts.some((p) => p.id === 'heelLift')).toBe(false)
    const lifts = part(none, 'topPiece').becauses.find((b) => b.quantity === 'Lifts')
    expect(lifts).toMatchObject({ value: 0, origin: 'set by hand', hand: { byRule: heelOf(welted).byRule } })
    expect(spoken(lifts?.sentence ?? '')).toContain(`by rule ${heelOf(welted).byRule} go`)
  })
  it('a wedge thicker than its leather says of how many pieces it is built', () => {
    const heeled = part(plan({}, sampleMeasures.heeled), 'heelWedge')
    const back = value(heeled, 'Wedge at the back')
    expect(spoken(heeled.becauses.find((b) => b.quantity === 'Wedge at the back')?.sentence ?? '')).toContain(
      `${Math.ceil(back / 5)} pieces of 5 mm each`,
    )
  })
  it('wedge and lifts may each be of something of their own', () => {
    const bend = sampleMaterials.find((m) => m.kind === 'sole leather')!
    const thin = { ...bend, id: '01900000-0000-7000-8000-000000000291', name: 'Thin pieces', thickness: 2.5 }
    const from = (piece: string) => {
      const input = samplePair({}, sampleMeasures.heeled)
      return planPair({
        ...input,
        materials: [...input.materials, thin],
        decisions: { ...input.decisions, pieceMaterials: { [piece]: thin.id } },
      })
    }
    const usual = plan({}, sampleMeasures.heeled)
    const wedge = from('heelWedge')
    // The pile is the same; only what the wedge is laid up of is another.
    expect(heelOf(wedge)).toEqual(heelOf(usual))
    expect(part(wedge, 'heelWedge').materialName).toBe('Thin pieces')
    expect(part(wedge, 'heelLift')).toEqual(part(usual, 'heelLift'))
    const back = value(part(wedge, 'heelWedge'), 'Wedge at the back')
    const said = part(wedge, 'heelWedge').becauses.find((b) => b.quantity === 'Wedge at the back')
    expect(spoken(said?.sentence ?? '')).toContain(`${Math.ceil(back / 2.5)} pieces of 2.5 mm each`)
    // Lifts half as thick: as many as go into the same height under the same top piece.
    const lifts = from('heelLift')
    const room = Math.min(heelOf(lifts).needed.back, heelOf(lifts).needed.breast) - heelOf(lifts).topPiece
    expect(heelOf(lifts).lifts).toBe(Math.floor(room / 2.5))
    expect(part(lifts, 'heelLift').materialName).toBe('Thin pieces')
    expect(part(lifts, 'heelWedge').materialName).toBe(part(usual, 'heelWedge').materialName)
  })
  it('the shank keeps clear of the joint line and lies inside the bottom', () => {
    for (const m of Object.values(sampleMeasures)) {
      const p = part(plan({}, m), 'shank')
      const joint = p.lines.find((l) => l.kind === 'crease')?.path ?? []
      const least = Math.min(...p.outline.map((q) => nearest(joint, q).away))
      expect(least).toBeGreaterThan(11.4)
      expect(least).toBeLessThan(12.6)
      const feather = p.lines.find((l) => l.kind === 'feather')?.path ?? []
      expect(p.outline.every((q) => contains(feather, q))).toBe(true)
      expect(value(p, 'Bent by')).toBeGreaterThan(0)
    }
  })
  it('the rand is as wide as its rule says, measured across its horseshoe', () => {
    const { outline } = part(welted, 'rand')
    const outer = outline.filter((p) => nearest(welted.lasted, p, true).away > 3.9 && !contains(welted.lasted, p))
    const inner = outline.filter((p) => contains(welted.lasted, p) && p[0] < boxOf(outline).maxX - 16)
    expect(inner.length).toBeGreaterThan(10)
    for (const p of inner) expect(nearest(outer, p).away).toBeCloseTo(14, 0)
  })
  it('the sole is sewn from breast to breast: so many stitches as its seam has spaces', () => {
    const seam = part(welted, 'outsole').lines.find((l) => l.name === 'outsole seam')
    if (!seam?.holes) throw new Error('no seam')
    const inner = part(welted, 'insole').lines.find((l) => l.name === 'holdfast')
    for (const end of [seam.path[0], seam.path[seam.path.length - 1]])
      expect(end![0]).toBeCloseTo(inner?.path[0]![0] ?? 0, 6)
    for (const p of seam.path) expect(nearest(welted.lasted, p, true).away).toBeCloseTo(4, 1)
    const sewn = welted.steps.find((o) => o.id === 'sew-outsole.right')
    expect(spoken(sewn?.minutes.sentence ?? '')).toContain(`${seam.holes.length - 1} stitches`)
    expect(pathLength(seam.path) / (seam.holes.length - 1)).toBeCloseTo(4, 1)
    const welt = welted.steps.find((o) => o.id === 'sew-welt.left')
    expect(spoken(welt?.minutes.sentence ?? '')).toContain(`${(inner?.holes?.length ?? 0) - 1} stitches`)
  })
  it('the welt is as long as its way and the spare; the rand lies between lasted shoe and midsole', () => {
    const welt = part(welted, 'welt')
    const way = pathLength(welted.lasted, true)
    expect(value(welt, 'Length of the welt')).toBeGreaterThan(0.7 * way + 70)
    expect(value(welt, 'Length of the welt')).toBeLessThan(0.85 * way + 70)
    expect(welt.strip).toBe(true)
    const rand = part(welted, 'rand')
    expect(isSimple(rand.outline)).toBe(true)
    expect(signedArea(rand.outline)).toBeGreaterThan(1500)
    expect(plan({ construction: 'cemented' }).parts.some((p) => p.id === 'welt' || p.id === 'rand')).toBe(false)
  })
  it('the filler of a rectangle holds its area times its depth, less the shank', () => {
    const outline: Path = [
      [0, -30],
      [200, -30],
      [200, 30],
      [0, 30],
    ]
    const joint: Point = [140, 0]
    const bottom: DevelopedBottom = {
      outline,
      stations: [],
      jointLateral: joint,
      jointMedial: joint,
      length: 200,
      flatX: (x) => x,
    }
    const p = filler(bottom, 200, fillerBed(bottom, 10), () => 4, 1000, new RuleBook({}, {}))
    expect(value(p, 'Area')).toBeCloseTo(180 * 40, 0)
    expect(value(p, 'Filler for one shoe')).toBeCloseTo((180 * 40 * 4 - 1000) / 1000, 1)
    expect(value(p, 'Mass for the pair')).toBeCloseTo((2 * (180 * 40 * 4 - 1000) * 0.35) / 1000, 1)
  })
  it('a covered board has foam to its outline and a cover turned round it', () => {
    const covered = plan({ insole: { covered: true } })
    const [insole, foam, cover] = ['insole', 'insoleFoam', 'insoleCover'].map((id) => part(covered, id))
    expect(foam!.outline).toEqual(insole!.outline)
    for (const p of insole!.outline) expect(nearest(cover!.outline, p, true).away).toBeCloseTo(12, 1)
    expect(welted.parts.some((p) => p.id === 'insoleCover')).toBe(false)
  })
  it('a heel pad ends in front of the heel bone and takes no more of the joint girth than the sock', () => {
    const cork = sampleMaterials.find((m) => m.kind === 'cork')?.id ?? null
    const pad = part(
      plan({ sock: { padding: 'heel pad' }, materials: { ...samplePair().decisions.materials, padding: cork } }),
      'padding',
    )
    expect(pad.name).toBe('Heel pad')
    expect(value(pad, 'Front edge from the heel back')).toBeCloseTo(0.27 * 290, 9)
    const bare = part(plan(), 'sock')
    expect(value(pad, 'Inside girth lost at the joint')).toBeCloseTo(value(bare, 'Inside girth lost at the joint'), 9)
    expect(value(bare, 'Inside girth lost at the joint')).toBeGreaterThan(0.5)
    expect(pad.findings.every((f) => f.level === 'fine')).toBe(true)
  })
})

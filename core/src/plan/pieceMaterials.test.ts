import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { boardId, sampleMaterials, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { boxOf, distance, type Point } from '../geometry/path.ts'
import { nearest } from '../geometry/polyline.ts'
import { Inside } from '../geometry/pointInPolygon.ts'
import { Material } from '../model/material.ts'
import type { PairDecisions, PlanInput } from '../model/pair.ts'
import { bottomRules } from '../parts/sole/bottomRules.ts'
import { WallStack } from '../layers/wallStack.ts'
import { spoken } from '../units/sentence.ts'
import { pieceRole } from '../trade/pieceRole.ts'
import type { FootPlan } from './plan.ts'
import { PlanError } from './planError.ts'
import { planPair } from './planPair.ts'

const cache = keptCache(40)
const id = (n: number) => `01900000-0000-7000-8000-0000000002${String(n).padStart(2, '0')}`
const named = (name: string): Material => {
  const found = sampleMaterials.find((m) => m.name === name)
  if (!found) throw new Error(`no ${name}`)
  return found
}
const [calf, pigskin, bend] = [named('Brown calf'), named('Pigskin lining'), named('Bend leather')] as const
const like = (material: Material, n: number, more: Partial<Material>): Material => ({ ...material, id: id(n), ...more })

/** A pair with some pieces cut from something of their own, and with whatever else is decided. */
function cutFrom(input: PlanInput, own: Record<string, Material>, more: Partial<PairDecisions> = {}): PlanInput {
  return {
    ...input,
    materials: [...input.materials, ...Object.values(own)],
    decisions: {
      ...input.decisions,
      ...more,
      pieceMaterials: Object.fromEntries(Object.entries(own).map(([piece, m]) => [piece, m.id])),
    },
  }
}
const part = (plan: FootPlan, piece: string) => {
  const found = plan.parts.find((p) => p.id === piece)
  if (!found) throw new Error(`no part ${piece}`)
  return found
}
/** Every piece of a plan that may have a material of its own. */
const severals = (plan: FootPlan) =>
  [...plan.upper.pieces, ...plan.parts].map((p) => p.id).filter((p) => pieceRole(p) !== null)

describe('a piece that is cut from something of its own', () => {
  const derby = samplePair()
  const before = planPair(derby, cache)

  it.each([
    ['quarter.lateral', calf, 0.9],
    ['vampLining', pigskin, 0.4],
    ['heelGrip', pigskin, 0.5],
    ['sideLining.medial', pigskin, 0.3],
  ])('is thicker by what its leather is, where it lies and nowhere else: %s', (piece, usual, by) => {
    const own = like(usual, 1, { name: 'Another', thickness: usual.thickness + by })
    const after = planPair(cutFrom(derby, { [piece]: own }), cache)
    const [was, is] = [new WallStack(before.layers.areas), new WallStack(after.layers.areas)]
    const where = before.layers.areas.filter((a) => a.part === piece)
    expect(where.length).toBeGreaterThan(0)
    const areas = where.map((a) => ({ ...a, inside: new Inside(a.area) }))
    const all = boxOf(before.layers.areas.flatMap((a) => a.area))
    // Far enough from its edge no skive of it is left, and from outside none has begun.
    const EDGE = 16
    let [within, outside] = [0, 0]
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 10_000 }),
        fc.integer({ min: 0, max: 10_000 }),
        fc.constantFrom('lateral' as const, 'medial' as const),
        (x, y, side) => {
          const p: Point = [
            all.minX + ((all.maxX - all.minX) * x) / 10_000,
            all.minY + ((all.maxY - all.minY) * y) / 10_000,
          ]
          const mine = areas.filter((a) => a.side === side)
          const off = Math.min(Infinity, ...mine.map((a) => nearest([...a.area, a.area[0]!], p).away))
          const more = is.thickness(side, p) - was.thickness(side, p)
          if (mine.some((a) => a.inside.has(p)) && off > EDGE) {
            within++
            expect(more).toBeCloseTo(by, 6)
          } else if (mine.every((a) => !a.inside.has(p)) && off > 0.5) {
            outside++
            expect(more).toBeCloseTo(0, 6)
          }
        },
      ),
      { numRuns: 1500 },
    )
    expect(within).toBeGreaterThan(piece === 'sideLining.medial' ? 0 : 5)
    expect(outside).toBeGreaterThan(20)
  })
  it('pushes the lasted outline out where it lies', () => {
    const grip = like(pigskin, 1, { thickness: pigskin.thickness + 0.6 })
    const after = planPair(cutFrom(derby, { heelGrip: grip }), cache)
    const out = (p: Point) => nearest([...after.lasted, after.lasted[0]!], p).away
    const box = boxOf(before.lasted)
    const heel = before.lasted.filter((p) => p[0] < box.minX + 15).map(out)
    const joint = before.lasted.filter((p) => p[0] > box.minX + 0.5 * (box.maxX - box.minX)).map(out)
    expect(Math.max(...heel.map((o) => Math.abs(o - 0.6)))).toBeLessThan(0.03)
    expect(Math.max(...joint)).toBeLessThan(0.01)
  })
  it('is told by its own name and thickness: tape of a leather, where the others keep to the rule', () => {
    const tape = like(pigskin, 1, { name: 'Thin kid', thickness: 0.7 })
    const after = planPair(cutFrom(derby, { 'facingTape.lateral': tape }), cache)
    expect(part(after, 'facingTape.lateral')).toMatchObject({ materialName: 'Thin kid', thickness: 0.7, role: 'stay' })
    expect(part(after, 'facingTape.medial')).toMatchObject({ materialName: 'stay tape', thickness: 0.3 })
    // Its thickness is no rule's any more.
    expect(part(after, 'facingTape.lateral').becauses.map((b) => b.id)).not.toContain('thickness')
    const all = planPair(
      {
        ...derby,
        materials: [...derby.materials, tape],
        decisions: { ...derby.decisions, materials: { ...derby.decisions.materials, stay: tape.id } },
      },
      cache,
    )
    for (const stay of ['facingTape.lateral', 'facingTape.medial', 'backStay']) {
      expect(part(all, stay)).toMatchObject({ materialName: 'Thin kid', thickness: 0.7 })
    }
  })
  it('of leather, a stay is skived to nothing along its edges; woven tape cannot be', () => {
    const kid = like(pigskin, 1, { name: 'Thin kid', thickness: 0.8 })
    const drill = Material.parse({ id: id(5), name: 'Drill', kind: 'lining cloth', thickness: 0.8 })
    const stay = 'facingTape.lateral'
    const [leather, cloth] = [kid, drill].map((m) => planPair(cutFrom(derby, { [stay]: m }), cache))
    expect(part(cloth!, stay).skives).toEqual([])
    expect(part(leather!, stay).skives.flatMap((s) => s.profile)).toEqual([
      [0, 0],
      [5, 0.8],
    ])
    // In the wall: so far from the edge as its skive has gone, so much of it there is.
    const [area] = leather!.layers.areas.filter((a) => a.part === stay)
    const [none, some] = [before, leather!].map((p) => new WallStack(p.layers.areas))
    const own = (stack: WallStack, p: Point) => stack.at('lateral', p).find((l) => l.part === stay)?.thickness ?? 0
    const b = boxOf(area!.area)
    let looked = 0
    for (let x = b.minX; x < b.maxX; x += 1.7) {
      for (let y = b.minY; y < b.maxY; y += 1.3) {
        const p: Point = [x, y]
        if (!new Inside(area!.area).has(p)) continue
        const off = nearest([...area!.area, area!.area[0]!], p).away
        looked++
        expect(Math.abs(own(some!, p) - 0.8 * Math.min(1, off / 5))).toBeLessThan(0.005)
        expect(own(none!, p)).toBeCloseTo(0.3, 9)
      }
    }
    expect(looked).toBeGreaterThan(50)
    const felt = (p: FootPlan) => p.layers.findings.find((f) => f.id === `layers.step.${stay}`)?.level
    expect([felt(leather!), felt(cloth!)]).toEqual(['fine', 'watch'])
  })
  it('gives the back line the room that its own lining needs', () => {
    const thin = (piece: string) =>
      planPair(
        cutFrom(
          derby,
          { [piece]: like(pigskin, 1, { thickness: 0.4 }) },
          {
            materials: { ...derby.decisions.materials, stiffener: named('Belly, firm').id },
            rules: { 'upper.backGap': 4 },
          },
        ),
        cache,
      ).upper.findings.find((f) => f.id === 'upper.backGap')?.limit
    // The grip stands behind the stiffener, the vamp's lining does not.
    expect([thin('heelGrip'), thin('vampLining')].map((l) => l?.toFixed(2))).toEqual(['2.80', '3.30'])
  })
})

describe.each(Object.entries(pairOfEachStyle))('every piece by itself: %s', (style, input) => {
  const usual = planPair(input, cache)
  it('comes to the same as the pair’s material for all', () => {
    const thick = { upper: like(calf, 1, { thickness: 1.9 }), lining: like(pigskin, 2, { thickness: 1.2 }) }
    const each = Object.fromEntries(
      severals(usual).flatMap((p) => {
        const r = pieceRole(p)
        return r === 'upper' || r === 'lining' ? [[p, thick[r]]] : []
      }),
    )
    expect(Object.keys(each).length).toBeGreaterThan(1)
    const byPiece = planPair(cutFrom(input, each), cache)
    const forAll = planPair(
      {
        ...input,
        materials: [...input.materials, ...Object.values(thick)],
        decisions: {
          ...input.decisions,
          materials: { ...input.decisions.materials, upper: thick.upper.id, lining: thick.lining.id },
        },
      },
      cache,
    )
    const seen = (p: FootPlan) => ({
      upper: p.upper,
      parts: p.parts,
      layers: p.layers,
      lasted: p.lasted,
      worst: p.worst,
    })
    // A drawn pattern lies on no forme: its wall is taken as even, of the pair's own materials.
    if (style === 'own pattern') {
      expect(byPiece.parts.filter((p) => p.role === 'lining').map((p) => p.thickness)).toEqual(
        forAll.parts.filter((p) => p.role === 'lining').map((p) => p.thickness),
      )
    } else expect(seen(byPiece)).toEqual(seen(forAll))
  })
})

describe('what may serve', () => {
  const derby = samplePair()
  const refused = (input: PlanInput) => {
    try {
      planPair(input, cache)
    } catch (error) {
      if (error instanceof PlanError) return [error.field, error.message]
      throw error
    }
    return null
  }
  it.each([
    ['quarter.lateral', bend, /^Upper, piece quarter\.lateral: Bend leather is sole leather, which cannot serve here/],
    ['insole', calf, /alone in what it serves as/],
    ['insoleFoam', calf, /alone in what it serves as/],
  ])('%s is not cut from just anything', (piece, material, sentence) => {
    const [field, message] = refused(cutFrom(derby, { [piece]: material })) ?? []
    expect(field).toBe(`pieceMaterials.${piece}`)
    expect(message).toMatch(sentence)
  })
  it('a material that is not with the pair is told', () => {
    const input = cutFrom(derby, { 'quarter.lateral': like(calf, 1, {}) })
    expect(refused({ ...input, materials: derby.materials })?.[1]).toMatch(/not among the pair's materials/)
  })
  it('is what the maker says: belly for a midsole that its kind would not be, and calf that is not for uppers', () => {
    const soft = named('Belly, soft')
    const as = (material: Material): PlanInput => ({
      ...derby,
      materials: derby.materials.map((m) => (m.id === material.id ? material : m)),
      decisions: { ...derby.decisions, materials: { ...derby.decisions.materials, midsole: soft.id } },
    })
    expect(refused(as(soft))?.[0]).toBe('materials.midsole')
    const plan = planPair(as({ ...soft, serves: ['puff', 'midsole'] }), cache)
    expect(part(plan, 'midsole').materialName).toBe(soft.name)
    const never = { ...derby, materials: derby.materials.map((m) => (m.id === calf.id ? { ...m, serves: [] } : m)) }
    expect(refused(never)?.[1]).toBe('Upper: Brown calf is upper leather, which by your stores does not serve here.')
  })
})

describe('a backer', () => {
  const weave = Material.parse({ id: id(8), name: 'Weave', kind: 'woven backer', thickness: 0.35 })
  const backed = (input: PlanInput, pieces: Record<string, Material> = {}): PlanInput => {
    const all = cutFrom(input, pieces)
    return {
      ...all,
      materials: [...all.materials, weave],
      decisions: { ...all.decisions, materials: { ...all.decisions.materials, backer: weave.id } },
    }
  }
  it.each(Object.entries(pairOfEachStyle))(
    'is cut by the outline of its piece, and lies behind it wherever the piece lies: %s',
    (style, input) => {
      const [before, after] = [planPair(input, cache), planPair(backed(input), cache)]
      for (const piece of after.upper.pieces) {
        const own = part(after, `backer.${piece.id}`)
        expect(own).toMatchObject({ materialName: 'Weave', thickness: 0.35, count: 2, outline: piece.outline })
        const areas = (p: string) => after.layers.areas.filter((a) => a.part === p)
        const places = areas(piece.id)
        expect(own.areas.map((a) => a.area)).toEqual(places.map((a) => a.area))
        own.areas.forEach((a, i) => {
          expect(a.depth).toBeLessThan(places[i]!.depth)
          expect(a.depth).toBeGreaterThan(places[i]!.depth - 1)
        })
      }
      // All round the shoe it goes under with the upper: the lasted outline stands out by as much.
      const out = after.lasted.map((p) => nearest([...before.lasted, before.lasted[0]!], p).away)
      const turned = input.decisions.construction !== 'stitch-down'
      // Where a shoe is open nothing goes under.
      if (turned) expect(Math.min(...out)).toBeGreaterThan(after.upper.open.behind ? -1 : 0.2)
      expect(Math.max(...out)).toBeLessThan(style === 'own pattern' ? 0.4 : 1.1)
    },
  )
  it('may be another one for a piece, or for one piece alone, and is stuck on before the pieces are cut', () => {
    const derby = samplePair()
    const drill = Material.parse({ id: id(9), name: 'Drill', kind: 'lining cloth', thickness: 0.6 })
    const both = planPair(backed(derby, { 'backer.tongue': drill }), cache)
    expect([part(both, 'backer.tongue').materialName, part(both, 'backer.vamp').materialName]).toEqual([
      'Drill',
      'Weave',
    ])
    const one = planPair(cutFrom(derby, { 'backer.vamp': drill }), cache)
    expect(one.parts.filter((p) => p.role === 'backer').map((p) => p.id)).toEqual(['backer.vamp'])
    const cut = one.steps.find((s) => s.id === 'cut-upper')
    expect(cut?.after.map((a) => a.id)).toContain('back-upper')
    const ids = one.steps.map((s) => s.id)
    expect(ids.indexOf('back-upper')).toBeLessThan(ids.indexOf('cut-upper'))
    expect(planPair(derby, cache).steps.map((s) => s.id)).not.toContain('back-upper')
  })
  it('counts in what a binding has to wrap', () => {
    const bound = samplePair({ upper: { style: 'court', topFinish: 'bound' } }, sampleMeasures.heeled)
    const width = (i: PlanInput) => planPair(i, cache).upper.topFinish.strip!.width
    expect(width(backed(bound)) - width(bound)).toBeCloseTo(0.35, 6)
  })
})

describe('welt, rand and shank', () => {
  const derby = samplePair()
  const chosen = (role: 'welt' | 'shank', material: Material) =>
    planPair(
      {
        ...derby,
        materials: [...derby.materials, material],
        decisions: { ...derby.decisions, materials: { ...derby.decisions.materials, [role]: material.id } },
      },
      cache,
    )
  const before = planPair(derby, cache)

  it('a thicker welt raises the level that the bottom is filled to by as much, and its strip in the section', () => {
    const thick = part(before, 'welt').thickness + 0.8
    const after = chosen('welt', like(bend, 6, { name: 'Welting', thickness: thick }))
    for (const id of ['welt', 'rand'])
      expect(part(after, id)).toMatchObject({ materialName: 'Welting', thickness: thick })
    expect(part(after, 'welt').becauses.map((b) => b.id)).not.toContain('thickness')
    const filler = (p: FootPlan) => p.bottom.profile.layers.find((l) => l.id === 'filler')!
    const depth = (p: FootPlan) => {
      const { upper, lower } = filler(p)
      const at = upper[Math.floor(upper.length / 2)]!
      return at[1] - nearest(lower, at).point[1]
    }
    expect(depth(after) - depth(before)).toBeCloseTo(0.8, 1)
    const high = (p: FootPlan) => p.bottom.strips.map(({ outline }) => boxOf(outline).maxY - boxOf(outline).minY)
    high(after).forEach((h, i) => expect(h - high(before)[i]!).toBeCloseTo(0.8, 1))
  })
  it('a wooden shank is thicker, and the filler holds so much less', () => {
    const ash = Material.parse({ id: id(7), name: 'Ash', kind: 'wooden shank', thickness: 3 })
    const after = chosen('shank', ash)
    expect(part(after, 'shank')).toMatchObject({ materialName: 'Ash', thickness: 3, role: 'shank' })
    const volume = (p: FootPlan) => part(p, 'filler').becauses.find((b) => b.id === 'volume')!.value
    const { value: length } = part(after, 'shank').dimensions[0]!
    const more = (3 - part(before, 'shank').thickness) * bottomRules.shankWidth.value * length
    expect(volume(before) - volume(after)).toBeCloseTo(more / 1000, 2)
  })
})

describe('what is no leather', () => {
  const derby = samplePair()
  const sheet = Material.parse({ id: id(3), name: 'Felt sheet', kind: 'stiffener sheet', thickness: 1.1 })
  const withSheets = (role: 'stiffener' | 'puff'): PlanInput => ({
    ...derby,
    materials: [...derby.materials, sheet],
    decisions: { ...derby.decisions, materials: { ...derby.decisions.materials, [role]: sheet.id } },
  })
  const steps = (input: PlanInput) => planPair(input, cache).steps
  it.each(['stiffener', 'puff'] as const)('a sheet is not soaked, nor is it too thin: %s', (role) => {
    const list = steps(withSheets(role))
    const ids = list.map((s) => s.id)
    expect(ids).not.toContain(`soak-${role}`)
    expect(ids).toContain(role === 'puff' ? 'soak-stiffener' : 'soak-puff')
    expect(list.find((s) => s.id === `cut-${role}`)?.name).toMatch(/from sheet$/)
    // What came after the water comes after the knife.
    const set = list.find((s) => s.key === (role === 'puff' ? 'set-puff' : 'paste-stiffener'))
    expect(set?.after.map((a) => a.id)).toContain(`skive-${role}`)
    expect(set?.name).toMatch(/^Glue/)
    expect(set?.cautions).toEqual(['cement', 'heat'])
    const finding = part(planPair(withSheets(role), cache), role).findings.find((f) => f.id === `${role}.thickness`)
    expect([finding?.level, spoken(finding?.sentence ?? '')]).toEqual([
      'fine',
      expect.stringMatching(/leaves a line unless/),
    ])
  })
  it('non-woven board is tacked on as fibre board is, and carries no holdfast', () => {
    const board = Material.parse({ id: id(4), name: 'Felted board', kind: 'non-woven board', thickness: 2 })
    const on = (insole: string): PlanInput => ({
      ...derby,
      materials: [...derby.materials, board],
      decisions: { ...derby.decisions, materials: { ...derby.decisions.materials, insole } },
    })
    const [felted, fibre] = [on(board.id), on(boardId)].map((i) => planPair(i, cache))
    expect(felted!.steps.map((s) => s.id)).toEqual(fibre!.steps.map((s) => s.id))
    expect(part(felted!, 'insole').findings.find((f) => f.id === 'insole.holdfast')?.level).toBe('stop')
    expect(distance(part(felted!, 'insole').outline[0]!, part(fibre!, 'insole').outline[0]!)).toBe(0)
  })
})

import { describe, expect, it } from 'vitest'
import { keptCache } from '../../../test/keptCache.ts'
import { lastNames, lastWithHeel, upperNeeds, type LastName } from '../../../test/lastsWithHeels.ts'
import { sampleMeasures, samplePair } from '../../../test/samplePair.ts'
import { contains, distance, pathLength, signedArea, type Path, type Point } from '../../geometry/path.ts'
import { nearest, pointAt, pointsAt } from '../../geometry/polyline.ts'
import { dist3 } from '../../geometry/vec3.ts'
import { planPair } from '../../plan/planPair.ts'
import { DesignBoard } from '../designPoints.ts'
import type { Piece } from '../piece.ts'
import { deriveUpper, drawBase, type Upper } from '../upper.ts'

const cache = keptCache()
const derive = (...of: Parameters<typeof upperNeeds>) => deriveUpper(upperNeeds(...of))
const drawn = (...of: Parameters<typeof upperNeeds>) => drawBase(upperNeeds(...of))!.drawn
const finding = (u: Upper, id: string) => {
  const found = u.findings.find((f) => f.id === id)
  if (!found) throw new Error(`No finding ${id}.`)
  return found
}
const piece = (pieces: readonly Piece[], id: string) => {
  const found = pieces.find((p) => p.id === id)
  if (!found) throw new Error(`No piece ${id}.`)
  return found
}
type Points = Record<string, readonly [number, number]>
/** What a finding's button decides about points. */
const decided = (u: Upper, id: string): Points => {
  const { remedy } = finding(u, id)
  if (remedy?.kind !== 'choice') throw new Error(`${id} has no button.`)
  return { ...remedy.decisions.upper?.points } as Points
}
/** The decision that moves a key point by so much on the forme. */
function moved(name: LastName, style: 'mule' | 'sandal', id: string, side: 'lateral' | 'medial', by: Point): Points {
  const needs = upperNeeds(name, { style })
  const board = new DesignBoard(needs.map, needs.book, needs.decisions, needs.heelGirth)
  const point = derive(name, { style }).points.find((p) => p.id === id)!
  const at = point.at[side]
  const key = `${id}:${point.sides.length === 1 ? 'both' : side}`
  return { [key]: board.placeFor(point, side, [at[0] + by[0], at[1] + by[1]]) }
}
const dense = (line: Path): Point[] =>
  pointsAt(
    line,
    Array.from({ length: Math.floor(pathLength(line)) + 1 }, (_, i) => i),
  )

describe.each(['mule', 'sandal'] as const)('a %s', (style) => {
  it.each(lastNames)('on the %s last passes what is checked on an open shoe', (name) => {
    const asked = derive(name, { style }).findings.filter((f) => /upper\.(bones|openHold|strapHold)/.test(f.id))
    expect(asked.length).toBeGreaterThanOrEqual(3)
    expect(asked.filter((f) => f.level !== 'fine')).toEqual([])
  })
  it.each(lastNames)('on the %s last keeps its edges off the bones of the joint, measured in space', (name) => {
    const { map } = lastWithHeel(name)
    const { straps, topLine } = drawn(name, { style })
    for (const side of ['lateral', 'medial'] as const) {
      const bone = map.toLast(side, map.above(map.surface.joints[side], 0.05 * map.surface.length))
      const edges = straps ? straps.flatMap((s) => [s.front[side], s.rear[side]]) : [topLine[side]]
      for (const p of edges.flatMap(dense)) expect(dist3(map.toLast(side, p), bone)).toBeGreaterThan(6)
    }
  })
  it('has nothing behind: no stiffener, no check of a back line, no margin at the heel', () => {
    const plan = planPair(samplePair({ construction: 'cemented', upper: { style } }), cache)
    const ids = plan.parts.map((p) => p.id)
    expect(ids).not.toContain('stiffener')
    expect(ids.includes('puff')).toBe(style === 'mule')
    expect(ids.filter((id) => /sideLining|heelGrip|quarterLining|backStay/.test(id))).toEqual([])
    expect(plan.upper.findings.filter((f) => f.id.startsWith('upper.back'))).toEqual([])
    expect(plan.upper.lines.filter((l) => l.kind === 'back')).toEqual([])
    for (const strip of plan.lasting.strips) {
      for (const t of strip.tacks) expect(t.at[0]).toBeGreaterThan(0.35 * plan.last.length)
    }
  })
  it('has no back to be measured, and rests on the last by a tack at every end that it has', () => {
    const left = { construction: 'cemented', upper: { style }, work: { ways: { rest: 'drafted and left' } } } as const
    const plan = planPair(samplePair(left), cache)
    expect(plan.checks.map((c) => c.id)).not.toContain('backHeight')
    const rests = plan.steps.find((s) => s.key === 'draft-upper')!
    // Toe, two joints and two rear ends; of two straps both ends each; of both shoes.
    expect(rests.stuff).toMatchObject([{ name: 'Tacks', amount: style === 'mule' ? 2 * (1 + 2 + 2) : 2 * 2 * 2 }])
    expect(JSON.stringify(rests)).not.toMatch(/seat|waist/i)
  })
  it('is lasted to the insole itself where nothing lies, and further out by its layers where it does', () => {
    const plan = planPair(samplePair({ construction: 'cemented', upper: { style } }), cache)
    const insole = plan.parts.find((p) => p.id === 'insole')!.outline
    const away = (from: number, to: number) =>
      plan.lasted
        .filter(([x]) => x > from * plan.last.length && x < to * plan.last.length)
        .map((p) => nearest(insole, p, true).away)
    expect(Math.max(...away(0, 0.3))).toBeLessThan(0.05)
    // Upper and lining, 1.4 and 0.9 mm by the sample's materials.
    expect(Math.max(...away(0.62, 0.72))).toBeGreaterThan(1.5)
    expect(Math.max(...away(0.62, 0.72))).toBeLessThan(4)
  })
  it('asks for something on its insole, which is seen', () => {
    const seen = (sock: 'full' | 'heel') =>
      planPair(
        samplePair({ construction: 'cemented', upper: { style }, sock: { extent: sock, padding: 'none' } }),
        cache,
      ).findings.find((f) => f.id === 'pair.insoleSeen')!
    expect(seen('full').level).toBe('fine')
    expect(seen('heel').level).toBe('watch')
    expect(seen('heel').remedy).toMatchObject({ decisions: { insole: { covered: true } } })
  })
})

describe('a mule', () => {
  const style = 'mule'
  it('that ends too near to the joint is told, and its button mends it', () => {
    const points = moved('walking', style, 'throat', 'lateral', [30, -8])
    const told = derive('walking', { style, points: points as never })
    expect(finding(told, 'upper.openHold').level).not.toBe('fine')
    const mended = derive('walking', { style, points: { ...points, ...decided(told, 'upper.openHold') } as never })
    expect(finding(mended, 'upper.openHold').level).toBe('fine')
  })
  it('has an opening that ends at the feather, and a binding that goes all the way', () => {
    const u = derive('walking', { style })
    const lines = u.lines.filter((l) => l.kind === 'top line')
    const whole = lines.reduce((sum, l) => sum + pathLength(l.path), 0)
    expect(u.topFinish.opening).toBeCloseTo(whole, 0)
    expect(u.topFinish.marks.map((m) => m.name)).toEqual(['feather, medial', 'front', 'feather, lateral'])
    for (const l of lines) {
      const { feathers } = lastWithHeel('walking').map
      expect(nearest(feathers[l.side], l.path[l.path.length - 1]!).away).toBeLessThan(0.5)
    }
  })
})

describe('a sandal', () => {
  const style = 'sandal'
  it('with an edge on the bone is told, and its button leads the edge off it', () => {
    const points = moved('walking', style, 'strapRearFoot', 'medial', [26, 0])
    const told = derive('walking', { style, points: points as never })
    const bone = finding(told, 'upper.bones.medial')
    expect(bone.level).toBe('watch')
    const mended = derive('walking', { style, points: { ...points, ...decided(told, 'upper.bones.medial') } as never })
    expect(finding(mended, 'upper.bones.medial').measured).toBeGreaterThan(bone.measured + 1)
  })
  it('whose heel strap lies below the fullest of the heel is told, and its button raises it', () => {
    const points = { 'backTop:both': [0.2, 0] }
    const told = derive('heeled', { style, points: points as never })
    expect(finding(told, 'upper.strapHold').level).toBe('watch')
    const mended = derive('heeled', { style, points: { ...points, ...decided(told, 'upper.strapHold') } as never })
    expect(finding(mended, 'upper.strapHold').level).toBe('fine')
  })
  it.each(lastNames)(
    'on the %s last: its heel strap is as wide as the rule, but for where it meets the other',
    (name) => {
      const strap = piece(derive(name, { style }).pieces, 'heelStrap')
      for (const side of ['lateral', 'medial']) {
        const edges = strap.edges.filter((e) => e.name === 'top line' && e.side === side)
        const [a, b] = edges.map((e) => e.line) as [Path, Path]
        const whole = pathLength(a)
        for (const t of [0.2, 0.35, 0.5, 0.65]) {
          const across = nearest(b, pointAt(a, t * whole)).away
          expect(across).toBeGreaterThan(16)
          expect(across).toBeLessThan(20)
        }
      }
    },
  )
  it('has a free end on the lateral side with five holes in its middle, evenly apart', () => {
    const strap = piece(derive('walking', { style }).pieces, 'heelStrap')
    expect(strap.holes.map((h) => h.for)).toEqual(Array.from({ length: 5 }, () => 'buckle'))
    strap.holes.slice(1).forEach((h, i) => expect(distance(h.at, strap.holes[i]!.at)).toBeCloseTo(8, 1))
    const edges = strap.edges.filter((e) => e.side === 'lateral' && e.name === 'top line')
    for (const { at } of strap.holes) {
      expect(contains(strap.net, at)).toBe(true)
      const [a, b] = edges.map((e) => nearest(e.line, at).away)
      expect(Math.abs(a! - b!)).toBeLessThan(0.5)
    }
    const end = strap.edges.find((e) => e.name === 'end')!
    expect(end.side).toBe('lateral')
  })
  it('has the end of its heel strap under the instep strap: both edges of the seam as long as each other', () => {
    for (const name of lastNames) {
      const join = derive(name, { style }).joins.find((j) => j.seam.startsWith('heel'))!
      expect(join.pieces.toSorted()).toEqual(['heelStrap', 'instepStrap'])
      expect(Math.abs(join.ease)).toBeLessThan(0.3)
    }
  })
  it('is a slide without its heel strap: no buckle, no step for one', () => {
    const plan = planPair(
      samplePair({ construction: 'cemented', upper: { style, options: { heelStrap: false } } }),
      cache,
    )
    expect(plan.upper.pieces.map((p) => p.id)).toEqual(['frontStrap', 'instepStrap'])
    expect(plan.steps.filter((s) => /buckle|punch-strap/.test(s.id))).toEqual([])
    const whole = planPair(samplePair({ construction: 'cemented', upper: { style } }), cache)
    expect(whole.steps.filter((s) => /buckle|punch-strap/.test(s.id)).map((s) => s.id)).toEqual([
      'set-buckles',
      'punch-strap',
    ])
    expect(whole.steps.find((s) => s.id === 'set-buckles')?.stuff).toMatchObject([{ name: 'Buckles', amount: 2 }])
  })
  it('has a lining of every strap, cut to it and standing proud where it is trimmed', () => {
    const plan = planPair(samplePair({ construction: 'cemented', upper: { style } }, sampleMeasures.flat), cache)
    for (const id of ['frontStrap', 'instepStrap', 'heelStrap']) {
      const [strap, lining] = [piece(plan.upper.pieces, id), plan.parts.find((p) => p.id === `${id}Lining`)!]
      const proud = strap.edges.filter((e) => e.name === 'top line').reduce((sum, e) => sum + pathLength(e.line), 0)
      const more = signedArea(lining.outline) - signedArea(strap.net)
      // Six millimetres along every edge that is trimmed; margins come on top.
      expect(more).toBeGreaterThan(6 * proud * 0.95)
    }
  })
  it('says what is laid on which foot and where it is looked at', () => {
    const plan = planPair(samplePair({ construction: 'cemented', upper: { style } }), cache)
    const ids = plan.checks.map((c) => c.id)
    expect(ids).toContain('look.straps')
    for (const id of ['look.straight', 'look.folds', 'look.toes', 'look.puff', 'backGap']) expect(ids).not.toContain(id)
    const names = plan.steps.map((s) => s.name).join('; ')
    expect(names).not.toMatch(/heel out|over the toe|last the back/)
  })
})

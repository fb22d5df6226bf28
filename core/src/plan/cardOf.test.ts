import { describe, expect, it } from 'vitest'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { contains } from '../geometry/path.ts'
import { crossings } from '../geometry/crossings.ts'
import { nearest } from '../geometry/polyline.ts'
import { boxOf, signedArea, type Path, type Point } from '../geometry/path.ts'
import { ridgeAndToe } from '../last/surface.ts'
import { CupSole } from '../model/cupSole.ts'
import { colourOf } from '../model/material.ts'
import type { PictureShape } from '../model/pairCard.ts'
import { patternKinds } from '../model/upper.ts'
import { cardOf } from './cardOf.ts'
import { ruleChapters } from './ruleRegistry.ts'
import { formeStage, lastStage, planPair } from './planPair.ts'
import { keptCache } from '../../test/keptCache.ts'

describe.each(patternKinds)('the card of a pair: %s', (style) => {
  const cache = keptCache()
  const input = pairOfEachStyle[style]
  const plan = planPair(input, cache)
  const map = formeStage(lastStage(input.last, cache), input.decisions.upper.forme, cache)
  const card = cardOf(input, cache)
  const of = (kind: PictureShape['kind']) => card.shapes.filter((s) => s.kind === kind).map((s) => s.path)
  const all = boxOf(...card.shapes.map((s) => s.path))
  const body = (of('upper')[0] ?? of('last')[0]) as Path
  const bodies = of('upper').length > 0 ? of('upper') : of('last')
  /** Whether a point lies in the upper, or so near to it. */
  const held = (p: Point, by: number) => bodies.some((b) => contains(b, p) || nearest(b, p, true).away < by)
  const { open } = plan.upper

  it('stands on the ground, as long as the shoe, its toe to the right', () => {
    const { profile } = plan.bottom
    const ground = Math.min(
      ...profile.underside.map((p) => p[1]),
      ...of('heel')
        .flat()
        .map((p) => p[1]),
    )
    expect(Math.abs(all.minY - ground)).toBeLessThan(0.2)
    expect(all.maxX - all.minX).toBeGreaterThan(map.surface.length - 4)
    expect(all.maxX - all.minX).toBeLessThan(map.surface.length + 40)
    if (open.behind) return
    const high = (from: number, to: number) =>
      Math.max(...body.filter((p) => p[0] >= from && p[0] <= to).map((p) => p[1]))
    expect(high(0, 0.5 * map.surface.length)).toBeGreaterThan(high(0.9 * map.surface.length, Infinity))
  })
  it('shows the lines of its plan where they lie on the last', () => {
    const drawn = of('line')
    const wanted = plan.upper.lines.filter((l) => l.side === 'lateral' && ['seam', 'facing', 'zip'].includes(l.kind))
    expect(drawn).toHaveLength(style === 'own pattern' ? 0 : wanted.length)
    // As far as one line of the plan was moved up or down, all were; that apart each lies where it lies on the last.
    const shifts = drawn.map((line, i) => {
      const [x, , z] = map.toLast('lateral', wanted[i]!.path[0]!)
      expect(Math.abs(line[0]![0] - x)).toBeLessThan(0.11)
      return line[0]![1] - z
    })
    if (shifts.length > 0) expect(Math.max(...shifts) - Math.min(...shifts)).toBeLessThan(0.11)
    drawn.forEach((line, i) => {
      for (const p of wanted[i]!.path) {
        const [x, , z] = map.toLast('lateral', p)
        expect(nearest(line, [x, z + shifts[i]!]).away).toBeLessThan(0.5)
      }
    })
  })
  it('has a body that holds its lines, over its sole and under its ridge', () => {
    const least = open.toes ? 0.02 : open.behind ? 0.06 : 0.11
    const area = bodies.reduce((sum, b) => sum + Math.abs(signedArea(b)), 0)
    expect(area).toBeGreaterThan(least * map.surface.length ** 2)
    for (const line of of('line')) for (const p of line) expect(held(p, 7), `${p.join()}`).toBe(true)
    const ridge = ridgeAndToe(map.surface)
    const tip = ridge.reduce((a, b) => (b[0] > a[0] ? b : a))
    if (!open.toes) expect(Math.abs(boxOf(body).maxX - tip[0])).toBeLessThan(1)
    // No light falls between upper and sole.
    const sole = of('sole')[0] as Path
    const shares = open.toes ? [] : open.behind ? [0.6, 0.7, 0.9] : [0.1, 0.3, 0.5, 0.7, 0.9]
    for (const share of style === 'own pattern' ? [] : shares) {
      const x = share * map.surface.length
      expect(crossings(body, { x })[0]! - crossings(sole, { x }).at(-1)!).toBeLessThan(0.7)
    }
  })
  it('has the colours of its materials: each its own, or the usual one of its kind', () => {
    const { decisions, materials } = input
    const of = (role: 'upper' | 'lining' | 'midsole' | 'heel' | 'outsole') =>
      colourOf(materials.find((m) => m.id === (decisions.materials[role] ?? '')) ?? { colour: '', kind: 'rubber' })
    for (const s of card.shapes) {
      if (s.kind === 'upper') expect(s.fill).toBe(of('upper'))
      if (s.kind === 'inside') expect(s.fill).toBe(of('lining'))
      if (s.kind === 'line' || s.kind === 'last') expect(s.fill).toBeUndefined()
    }
    const dyed = {
      ...input,
      materials: materials.map((m) => (m.id === decisions.materials.upper ? { ...m, colour: '#123456' } : m)),
    }
    const again = cardOf(dyed, cache).shapes
    expect(again.filter((s) => s.kind === 'upper').map((s) => s.fill)).toEqual(
      card.shapes.filter((s) => s.kind === 'upper').map(() => '#123456'),
    )
    // Nothing but colours is another: what shares the material shares the colour.
    expect(again.map((s) => ({ ...s, fill: '' }))).toEqual(card.shapes.map((s) => ({ ...s, fill: '' })))
  })
  it('shows a piece of another colour where it lies, inside the upper’s outline', () => {
    const blue = { ...input.materials[0]!, id: '01900000-0000-7000-8000-000000000777', colour: '#2f4257' }
    const shift = of('line')[0]
    const pieces = plan.upper.pieces.filter((p) => p.places.some((q) => q.side === 'lateral'))
    expect(pieces.length > 0).toBe(style !== 'own pattern')
    for (const piece of pieces) {
      const { shapes } = cardOf(
        {
          ...input,
          materials: [...input.materials, blue],
          decisions: { ...input.decisions, pieceMaterials: { [piece.id]: blue.id } },
        },
        cache,
      )
      const [mine, ...more] = shapes.filter((s) => s.kind === 'piece' && s.fill === '#2f4257')
      expect([mine?.fill, more]).toEqual(['#2f4257', []])
      // All else of the picture is as it was; what lies over the piece is drawn over it.
      expect(shapes.filter((s) => s.kind !== 'piece')).toEqual(card.shapes)
      for (const p of mine!.path) {
        expect(held(p, 2.5), `${piece.id} ${p.join()}`).toBe(true)
      }
      // The middle of what is seen of it lies in it, wherever the last puts it.
      if (!shift) continue
      const wanted = plan.upper.lines.filter((l) => l.side === 'lateral' && ['seam', 'facing', 'zip'].includes(l.kind))
      const up = shift[0]![1] - map.toLast('lateral', wanted[0]!.path[0]!)[2]
      const { forme } = piece.places.find((q) => q.side === 'lateral')!
      const box = boxOf(forme)
      const inside = [0.3, 0.5, 0.7]
        .flatMap((a) =>
          [0.3, 0.5, 0.7].map((b): [number, number] => [
            box.minX + a * (box.maxX - box.minX),
            box.minY + b * (box.maxY - box.minY),
          ]),
        )
        .filter((p) => contains(forme, p) && nearest(forme, p, true).away > 2)
      for (const p of inside) {
        const [x, , z] = map.toLast('lateral', p)
        expect(contains(mine!.path, [x, z + up]), `${piece.id} ${p.join()}`).toBe(true)
      }
    }
  })
  it('names the rules that its plan rests on: another figure of any other changes nothing', () => {
    const others = ruleChapters.flatMap((c) => c.rules).filter((r) => !card.rules.includes(r.key))
    expect(card.rules).toEqual([...card.rules].sort())
    expect(card.rules.length).toBeGreaterThan(20)
    expect(others.length).toBeGreaterThan(0)
    // All of them at once, each at the end of its range that is further from its default.
    const far = Object.fromEntries(others.map((r) => [r.key, r.max - r.value > r.value - r.min ? r.max : r.min]))
    expect(planPair({ ...input, houseRules: { ...input.houseRules, ...far } }, cache)).toEqual(plan)
    // And whatever a reason names is among them.
    const named = [...plan.parts, ...plan.upper.pieces].flatMap((p) =>
      p.becauses.flatMap((b) => (b.rule ? [b.rule] : [])),
    )
    expect(card.rules).toEqual(expect.arrayContaining([...new Set(named)]))
  })
  it('has every step in working order and the gravest finding, and is small', () => {
    expect(card.steps.map((s) => s.id)).toEqual(plan.steps.map((o) => o.id))
    expect(card.worst).toBe(plan.worst)
    expect(JSON.stringify(card.shapes).length).toBeLessThan(16_000)
  })
})

describe('a cup in the picture', () => {
  const cache = keptCache()
  const input = pairOfEachStyle.trainer
  const insole = planPair(input, cache).parts.find((p) => p.id === 'insole')!.outline
  const card = (cup: { seat: number | null; tread: number | null }, rules: Record<string, number> = {}) => {
    const cupSole = CupSole.parse({
      id: input.last.id,
      name: 'Cup',
      outline: insole.map(([x, y]) => [x * 1.02, y * 1.04]),
      ...cup,
    })
    const decisions = { ...input.decisions, construction: 'cup sole' as const, cupSoleId: cupSole.id }
    return cardOf({ ...input, cupSole, decisions, houseRules: rules }, cache).shapes
  }
  const sole = (shapes: PictureShape[]) => shapes.filter((s) => s.kind === 'sole').at(-1)!.path

  it('stands round the shoe over the upper, its wall as high as the house has it, and on the ground', () => {
    const shapes = card({ seat: 22, tread: 8 })
    const body = shapes.find((s) => s.kind === 'upper')!.path
    const wall = boxOf(sole(shapes))
    // Close round the shoe: by the thickness of a wall before the toe and behind the heel.
    const lasted = boxOf(body)
    expect(wall.minX).toBeLessThan(lasted.minX)
    expect(wall.maxX).toBeGreaterThan(lasted.maxX)
    expect(wall.maxX - wall.minX).toBeLessThan(lasted.maxX - lasted.minX + 12)
    expect(shapes.findIndex((s) => s.path === sole(shapes))).toBeGreaterThan(shapes.findIndex((s) => s.path === body))
    // Raised by ten, its upper edge is ten higher under the middle of the foot.
    const edge = (path: Path) => Math.max(...path.filter(([x]) => Math.abs(x - 100) < 12).map((p) => p[1]))
    const higher = sole(card({ seat: 22, tread: 8 }, { 'cup.wallHeight': 32 }))
    expect(edge(higher) - edge(sole(shapes))).toBeCloseTo(10, 0)
    // Every upright line but at the very ends goes through it once.
    for (let x = wall.minX + 8; x < wall.maxX - 8; x += 5) expect(crossings(sole(shapes), { x })).toHaveLength(2)
  })
  it('of a cup that nobody measured is its wall alone', () => {
    const path = sole(card({ seat: null, tread: null }))
    const at = (near: number) => path.filter(([x]) => Math.abs(x - near) < 12).map((p) => p[1])
    expect(Math.max(...at(100)) - Math.min(...at(100))).toBeLessThan(22 + 6)
  })
})

import { describe, expect, it } from 'vitest'
import { asDrawing, moved } from '../../../test/asDrawing.ts'
import { keptCache } from '../../../test/keptCache.ts'
import { upperNeeds } from '../../../test/lastsWithHeels.ts'
import { sampleMaterials, samplePair } from '../../../test/samplePair.ts'
import { distance, type Path, type Point } from '../../geometry/path.ts'
import { nearest, resample } from '../../geometry/polyline.ts'
import type { OwnPattern, StyleName } from '../../model/upper.ts'
import { planPair } from '../../plan/planPair.ts'
import { subpath } from '../../geometry/subpath.ts'
import type { FootPlan } from '../../plan/plan.ts'
import { spoken } from '../../units/sentence.ts'
import { registerOnForme } from './registerOnForme.ts'

const cache = keptCache(10)
const planOf = (upper: object, more: object = {}) => planPair(samplePair({ upper, ...more }), cache)
const piece = (p: FootPlan, id: string) => p.upper.pieces.find((q) => q.id === id)!

const finding = (p: FootPlan, id: string) => p.upper.findings.find((f) => f.id === id)

describe('a line laid on the line it belongs to', () => {
  // A spiral bends differently everywhere, so that there is one place only.
  const spiral: Path = Array.from({ length: 300 }, (_, k) => {
    const a = k / 60
    return [(40 + 12 * a) * Math.cos(a), (40 + 12 * a) * Math.sin(a)]
  })
  it('is found where it was cut out, however it was turned and moved', () => {
    const part = subpath(spiral, 60, 180)
    for (const turn of [0, 1, 2.5, -3]) {
      const { place, off } = registerOnForme({ line: part.map((q) => moved(q, turn)), on: spiral }, [])
      expect(off).toBeLessThan(0.05)
      for (const q of part) expect(distance(place(moved(q, turn)), q)).toBeLessThan(0.5)
    }
  })
  it('shifted by a known amount off the line it stands off by that', () => {
    const straight: Path = [
      [0, 0],
      [200, 0],
    ]
    const { off } = registerOnForme(
      {
        line: [
          [20, 5],
          [120, 5],
        ],
        on: straight,
      },
      [
        {
          line: [
            [20, 5],
            [20, 60],
          ],
          on: [
            [0, 0],
            [0, 90],
          ],
        },
      ],
    )
    expect(off).toBeLessThan(1e-6)
    const bent = registerOnForme(
      {
        line: [
          [0, 0],
          [50, 4],
          [100, 0],
        ],
        on: straight,
      },
      [],
    )
    // A bow of 4 mm laid on a straight line stands off by its own spread, and no more.
    expect(bent.off).toBeGreaterThan(0.8)
    expect(bent.off).toBeLessThan(1.6)
  })
})

describe('a pattern drawn elsewhere, placed on the forme', () => {
  const patterns: [StyleName, string[]][] = [
    ['derby', ['vamp', 'quarter.lateral', 'quarter.medial']],
    ['oxford', ['vamp', 'quarter.lateral', 'quarter.medial']],
    ['ballet flat', ['upper']],
    ['court', ['upper']],
  ]
  it.each(patterns)('%s: lies where the style laid it, within 1.2 mm', (style, ids) => {
    const first = planOf({ style })
    const known = ids.filter((id) => piece(first, id))
    const p = planOf({ style: 'own pattern', own: asDrawing(first.upper, known) })
    expect(finding(p, 'upper.placed')).toMatchObject({ level: 'fine' })
    for (const id of known) {
      const [was, is] = [piece(first, id), p.upper.pieces.find((q) => q.name === piece(first, id).name)!]
      expect(is.places.map((q) => q.side)).toEqual(was.places.map((q) => q.side))
      // A half that is unfolded is the same on both sides: it was drawn by the lateral one.
      for (const place of was.places.filter((q) => was.fold === null || q.side === 'lateral')) {
        const found = is.places.find((q) => q.side === place.side)!
        for (const q of resample(place.forme, 60, true))
          expect(nearest(found.forme, q, true).away, `${id} ${q.join()}`).toBeLessThan(1.2)
      }
    }
  })
  it('with a toe cap before its vamp both lie one behind the other', () => {
    const first = planOf({ style: 'oxford', options: { toeCap: true } })
    const ids = ['cap', 'vamp', 'quarter.lateral', 'quarter.medial']
    const p = planOf({ style: 'own pattern', own: asDrawing(first.upper, ids) })
    expect(finding(p, 'upper.placed')).toMatchObject({ level: 'fine' })
    for (const id of ['cap', 'vamp']) {
      const was = piece(first, id).places.find((q) => q.side === 'lateral')!
      const is = piece(p, id).places.find((q) => q.side === 'lateral')!
      for (const q of resample(was.forme, 60, true)) expect(nearest(is.forme, q, true).away, id).toBeLessThan(1.5)
    }
    // The throat is the vamp's, not the cap's.
    const length = (q: FootPlan) => finding(q, 'upper.vampLength')!.measured
    expect(Math.abs(length(p) - length(first))).toBeLessThan(1.5)
  })
  it('a piece of another leather makes its own layers, as in a style', () => {
    const first = planOf({ style: 'derby' })
    const own = asDrawing(first.upper, ['vamp', 'quarter.lateral', 'quarter.medial'])
    const thick = { ...sampleMaterials[0]!, id: '01900000-0000-7000-8000-0000000000a7', thickness: 2.6 }
    const input = samplePair({ upper: { style: 'own pattern', own }, pieceMaterials: { 'quarter-lateral': thick.id } })
    const p = planPair({ ...input, materials: [...input.materials, thick] }, cache)
    const of = (part: string) => p.layers.areas.find((a) => a.part === part)!.thickness
    expect(of('quarter-lateral')).toBe(2.6)
    expect(of('quarter-medial')).not.toBe(2.6)
  })
  it('has the checks of the last: back gap, throat or lacing, ankle, margin, as the style itself has them', () => {
    const first = planOf({ style: 'derby' })
    const p = planOf({
      style: 'own pattern',
      own: asDrawing(first.upper, ['vamp', 'quarter.lateral', 'quarter.medial']),
    })
    for (const id of ['upper.backGap', 'upper.ankle', 'upper.vampLength', 'upper.backGrip']) {
      const [own, its] = [p, first].map((q) => q.upper.findings.filter((f) => f.id.startsWith(id)))
      expect(own!.length, id).toBe(its!.length)
      own!.forEach((f, i) => expect(Math.abs(f.measured - its![i]!.measured), f.id).toBeLessThan(1.5))
    }
    expect(p.upper.findings.some((f) => f.id.startsWith('upper.margin'))).toBe(true)
    // A low shoe has a throat; unfolded from one half it is the same height on both sides.
    const low = planOf({ style: 'own pattern', own: asDrawing(planOf({ style: 'ballet flat' }).upper, ['upper']) })
    expect(finding(low, 'upper.throat')!.measured).toBeLessThan(0.1)
    expect(finding(p, 'upper.throat')).toBeUndefined()
    expect(p.upper.findings.every((f) => f.remedy === undefined)).toBe(true)
  })
  it('has linings, stiffener and layers from the last, where an unplaced one has them from the drawing alone', () => {
    const first = planOf({ style: 'derby' })
    const own = asDrawing(first.upper, ['vamp', 'quarter.lateral', 'quarter.medial'])
    const placed = planOf({ style: 'own pattern', own })
    const loose = planOf({ style: 'own pattern', own: { ...own, placed: false } })
    const ids = (p: FootPlan) => p.parts.map((q) => q.id)
    for (const id of ['vampLining', 'quarterLining.lateral', 'heelGrip']) {
      expect(ids(placed), id).toContain(id)
      expect(ids(loose), id).not.toContain(id)
    }
    const top = (p: FootPlan) => p.parts.find((q) => q.id === 'stiffener')!.outline
    const worst = Math.max(...top(placed).map((q) => nearest(top(first), q, true).away))
    expect(worst).toBeLessThan(2)
    expect(placed.upper.findings.some((f) => f.id === 'upper.placed')).toBe(true)
    expect(loose.upper.findings.some((f) => f.id === 'upper.placed')).toBe(false)
  })
  it('a piece is moved by the ends of its bottom edge, the vamp along the ridge: what moves is what was moved', () => {
    const first = planOf({ style: 'derby' })
    const own = asDrawing(first.upper, ['vamp', 'quarter.lateral', 'quarter.medial'])
    const p = planOf({ style: 'own pattern', own })
    expect(p.upper.points.map((q) => q.id).sort()).toEqual([
      'own.quarter-lateral.front',
      'own.quarter-lateral.rear',
      'own.quarter-medial.front',
      'own.quarter-medial.rear',
      'own.vamp',
    ])
    // The rear end led back and down along the back of the last by a little: the piece turns round its front end.
    const at = (q: FootPlan, id: string, side: 'lateral' | 'medial' = 'lateral') =>
      q.upper.points.find((x) => x.id === id)!.at[side]
    const [rear, front] = ['rear', 'front'].map((end) => at(p, `own.quarter-lateral.${end}`))
    const ground = upperNeeds('walking', { style: 'derby' } as never)
    const to = (q: Point): [number, number] => [...ground.map.toLandmarks(q)] as [number, number]
    const shifted = planOf({
      style: 'own pattern',
      own,
      points: {
        'own.quarter-lateral.rear:both': to([rear![0] - 3, rear![1]]),
        'own.quarter-lateral.front:both': to([front![0] - 3, front![1]]),
      },
    })
    // Both ends three millimetres back: so is every point of the piece, and nothing else.
    const forme = (q: FootPlan, name: string) => q.upper.pieces.find((x) => x.name === name)!.places[0]!.forme
    forme(p, 'Quarter, lateral').forEach((q, i) => {
      const now = forme(shifted, 'Quarter, lateral')[i]!
      expect(now[0] - q[0]).toBeCloseTo(-3, 2)
      expect(now[1] - q[1]).toBeCloseTo(0, 2)
    })
    expect(forme(shifted, 'Quarter, medial')).toEqual(forme(p, 'Quarter, medial'))
    expect(at(shifted, 'own.quarter-lateral.rear')[0] - rear![0]).toBeCloseTo(-3, 2)
    // Laid 3.5 mm too high its margin is short by as much, on that side alone.
    const high = planOf({
      style: 'own pattern',
      own,
      points: {
        'own.quarter-lateral.rear:both': to([rear![0], rear![1] + 3.5]),
        'own.quarter-lateral.front:both': to([front![0], front![1] + 3.5]),
      },
    })
    const margin = (q: FootPlan, side: string) => finding(q, `upper.margin.${side}`)!.measured
    const quarter = p.upper.pieces.find((x) => x.name === 'Quarter, lateral')!
    const along = (q: FootPlan) => {
      const line = q.upper.lines.find((l) => l.kind === 'margin' && l.side === 'lateral')!.path
      const under = quarter.places[0]!.edges.find((e) => e.role === 'lasting margin')!.line
      return nearest(line, under[Math.floor(under.length / 2)]!).away
    }
    expect(along(p) - along(high)).toBeCloseTo(3.5, 0)
    expect(margin(high, 'lateral')).toBeLessThanOrEqual(margin(p, 'lateral') + 1e-9)
    expect(margin(high, 'medial')).toBeCloseTo(margin(p, 'medial'), 6)
  })
  it('says what has no name yet, what lies nowhere, and that a cut edge cannot be laid', () => {
    const first = planOf({ style: 'derby' })
    const own = asDrawing(first.upper, ['vamp', 'quarter.lateral', 'quarter.medial', 'tongue'])
    const said = (o: OwnPattern) => {
      const p = planOf({ style: 'own pattern', own: o })
      return p.upper.findings
        .filter((f) => f.id === 'upper.placed' || f.id.startsWith('upper.loose'))
        .map((f) => spoken(f.sentence))
    }
    expect(said(own).some((s) => s.startsWith('Tongue has no bottom edge'))).toBe(true)
    const renamed = (from: string) => ({
      ...own,
      pieces: own.pieces.map((p) => ({
        ...p,
        edges: p.edges.map((e) => (e.name === from ? { ...e, name: 'edge' } : e)),
      })),
    })
    expect(said(renamed('top line'))[0]).toContain('No edge is named “top line”')
    expect(said(renamed('back'))[0]).toContain('No edge is named “back”')
    expect(said({ ...own, pieces: own.pieces.filter((p) => p.id !== 'vamp') })[0]).toContain(
      'No piece is folded along the middle',
    )
    expect(said({ ...own, drawn: 'cut edge' })[0]).toContain('Where the knife goes is drawn')
  })
  it('drawn for another last it says so', () => {
    const first = planOf({ style: 'derby' })
    const own = asDrawing(first.upper, ['vamp', 'quarter.lateral', 'quarter.medial'])
    const known = finding(planOf({ style: 'own pattern', own }), 'upper.placed')!
    const grown = {
      ...own,
      pieces: own.pieces.map((p) => ({
        ...p,
        outline: p.outline.map(([x, y]): [number, number] => [1.15 * x, 1.15 * y]),
      })),
    }
    const p = planOf({ style: 'own pattern', own: grown })
    expect(finding(p, 'upper.placed')!.measured).toBeGreaterThan(known.measured + 3)
    expect(finding(p, 'upper.placed')!.level).toBe('stop')
    // It is not asked of the last, but can be moved there.
    expect(p.upper.findings.some((f) => f.id === 'upper.backGap')).toBe(false)
    expect(p.upper.points).toHaveLength(5)
  })
})

import { describe, expect, it } from 'vitest'
import { layerOf } from '../../test/layerOf.ts'
import { boardId, samplePair } from '../../test/samplePair.ts'
import { unite } from '../geometry/polygonClip.ts'
import { pathLength, signedArea, type Path } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { RuleBook } from '../trade/rules.ts'
import type { Plan } from '../plan/plan.ts'
import { formeStage, lastStage, planPair } from '../plan/planPair.ts'
import { flatPiece } from '../upper/pieceMaker.ts'
import { pieceAreas, pieceOrder } from './pieceAreas.ts'
import { feltSteps } from './ridges.ts'
import { wallSection } from './section.ts'
import { finer } from '../last/finer.ts'
import { wallPoint } from '../last/surface.ts'
import { thicknessMap } from './thicknessMap.ts'
import { TurnedStack, thicknessOf } from './turnedStack.ts'
import { usedUp } from './usedUp.ts'
import { profileAt, type WallArea } from '../trade/wallArea.ts'
import { WallStack } from './wallStack.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const box = (x0: number, y0: number, x1: number, y1: number): Path => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
]
const book = new RuleBook({}, {})
const cache = keptCache()
const plans = new Map<string, Plan>()
const plan = (change: Parameters<typeof samplePair>[0] = {}): Plan => {
  const key = JSON.stringify(change)
  const known = plans.get(key) ?? planPair(samplePair(change), cache)
  plans.set(key, known)
  return known
}
const input = samplePair()
const map = formeStage(lastStage(input.last, cache), input.decisions.upper.forme, cache)
const turnedOf = (p: Plan) => new TurnedStack(map, new WallStack(p.layers.areas), p.layers.turned, p.layers.insoleEdge)

describe('thickness at a place', () => {
  const skived: WallArea['thinned'] = [
    {
      edge: [
        [100, 0],
        [100, 50],
      ],
      profile: [
        [0, 0],
        [10, 2],
      ],
    },
  ]
  const stack = new WallStack([
    layerOf('puff', 4, 2, box(0, 0, 100, 50), { thinned: skived }),
    layerOf('lining', 1, 1, box(0, 0, 60, 50)),
  ])

  it('is the sum of what lies there, the inner layer first', () => {
    expect(stack.at('lateral', [30, 20])).toEqual([
      { part: 'lining', name: 'lining', thickness: 1 },
      { part: 'puff', name: 'puff', thickness: 2 },
    ])
    expect(stack.thickness('lateral', [80, 20])).toBe(2)
    expect(stack.thickness('lateral', [120, 20])).toBe(0)
    expect(stack.thickness('medial', [30, 20])).toBe(0)
    expect(stack.thickness('lateral', [30, 20], (a) => a.part === 'lining')).toBe(1)
  })
  it('falls straight to nothing over a straight skive', () => {
    for (const d of [0.5, 2, 5, 9.5]) expect(stack.thickness('lateral', [100 - d, 25])).toBeCloseTo(0.2 * d, 9)
    expect(stack.thickness('lateral', [85, 25])).toBe(2)
  })
  it('a profile is read between its points and holds beyond them', () => {
    const p = [
      [0, 0.5],
      [4, 1],
      [8, 3],
    ] as const
    expect([0, 2, 4, 6, 8, 50].map((d) => profileAt(p, d))).toEqual([0.5, 0.75, 1, 2, 3, 3])
  })
})

describe('edges', () => {
  it('what laps under lies deeper, through chains; what is laid on lies on top', () => {
    const piece = (id: string, edges: [string, 'lap under' | 'lap over', string?][]) =>
      flatPiece(
        { id, name: id },
        'lateral',
        box(0, 0, 40, 40).map((p, i, all) => ({
          name: edges[i]?.[0] ?? `e${i}`,
          role: edges[i]?.[1] ?? ('raw' as const),
          seam: edges[i]?.[2],
          line: [p, all[(i + 1) % 4]!],
        })),
        book,
      )
    const order = pieceOrder([
      piece('cap', [['a', 'lap over', 's1']]),
      piece('vamp', [
        ['a', 'lap under', 's1'],
        ['b', 'lap over', 's2'],
      ]),
      piece('quarter', [['a', 'lap under', 's2']]),
      piece('stay', [['a', 'lap over']]),
    ])
    expect([...order].sort((a, b) => a[1] - b[1]).map(([id]) => id)).toEqual(['quarter', 'vamp', 'cap', 'stay'])
  })
  it('an area reaches under its neighbour by the lap and not past the feather', () => {
    const p = flatPiece(
      { id: 'x', name: 'X' },
      'lateral',
      box(0, 0, 60, 40).map((q, i, all) => ({
        name: `e${i}`,
        role: (['lasting margin', 'lap under', 'raw', 'closed seam'] as const)[i]!,
        line: [q, all[(i + 1) % 4]!],
      })),
      book,
    )
    const placed = { ...p, places: [{ side: 'lateral' as const, forme: p.net, edges: p.edges }] }
    const sheet = { thickness: 1.4, kind: 'upper leather' as const }
    const [whole, seam] = pieceAreas(
      placed,
      6,
      sheet,
      { facing: 'out', spans: {}, finish: 'folded', onFacings: false },
      book,
    )
    expect(signedArea(whole!.area)).toBeCloseTo((60 + 9) * 40, 6)
    // The opened allowance of the closed seam is a layer of its own beside it.
    expect(Math.abs(signedArea(seam!.area))).toBeCloseTo(2.5 * 40, 6)
    expect(seam!.thickness).toBeCloseTo(0.6 * 1.4, 9)
    // And the piece is thin beside the seam too: 1.5 mm behind the line its skive of 4 mm ends.
    const at = (d: number) => new WallStack([whole!]).thickness('lateral', [d, 20])
    expect(at(0.01)).toBeCloseTo(0.6 * 1.4, 1)
    expect(at(0.75)).toBeCloseTo(0.8 * 1.4, 6)
    expect(at(1.5)).toBeCloseTo(1.4, 6)
  })
})

describe('felt steps', () => {
  const wall = layerOf('upper', 6, 1.4, box(0, 0, 200, 60))
  const inner = (thinned: WallArea['thinned']) => layerOf('puff', 4, 2, box(60, 10, 140, 50), { thinned })
  const worst = (thinned: WallArea['thinned']) => {
    const all = [wall, inner(thinned)]
    return Math.max(...feltSteps(all, new WallStack(all), () => true).map((s) => s.slope))
  }
  it('an unskived edge is as steep as its thickness over the run; a skived one as its skive', () => {
    expect(worst([])).toBeCloseTo(2 / 2, 9)
    const around = box(60, 10, 140, 50)
    const edge = [...around, around[0]!]
    expect(
      worst([
        {
          edge,
          profile: [
            [0, 0],
            [10, 2],
          ],
        },
      ]),
    ).toBeLessThan(0.21)
  })
  it('at the edge of the wall nothing is a step', () => {
    const all = [wall, inner([])]
    expect(feltSteps(all, new WallStack(all), () => false)).toEqual([])
  })
})

describe('the layers of a pair', () => {
  it('at the heel: grip, stiffener, the opened seam and the quarter, each as thick as it is', () => {
    const layers = turnedOf(plan()).atFeather('lateral', 0)
    expect(layers.map((l) => l.part)).toEqual(['heelGrip', 'stiffener', 'quarter.lateral', 'quarter.lateral'])
    expect(thicknessOf(layers)).toBeCloseTo(0.9 + 2.4 + 0.6 * 1.4 + 1.4, 6)
  })
  it('in the waist lining, side lining and upper; at the toe lining, puff and vamp', () => {
    const turned = turnedOf(plan())
    expect(turned.atFeather('lateral', 110).map((l) => l.part)).toEqual([
      'quarterLining.lateral',
      'sideLining.lateral',
      'quarter.lateral',
    ])
    expect(turned.atFeather('medial', 280).map((l) => l.part)).toEqual(['vampLining', 'puff', 'vamp'])
    expect(thicknessOf(turned.atFeather('medial', 280))).toBeCloseTo(0.9 + 2.2 + 1.4, 6)
  })
  it('under the feather the turned edges end where they are trimmed, the margin goes on', () => {
    const turned = turnedOf(plan())
    const at = (d: number) => turned.at('lateral', 40, d).map((l) => l.part)
    // 4 mm of insole: of 8 mm of lining 4 - pi / 2 x 0.45 lie under it, and of 6 mm of stiffener nothing does.
    expect(at(0.5)).not.toContain('stiffener')
    expect(at(3.2)).toContain('heelGrip')
    expect(at(3.4)).not.toContain('heelGrip')
    const reach = turned.reachUnder('lateral', 40)
    expect(at(reach - 0.1)).toEqual(['quarter.lateral'])
    expect(at(reach + 0.1)).toEqual([])
    // Under the lining's 0.9 mm, and what the cupped stiffener still is at the corner, the bend of 1.4 mm of upper.
    expect(reach).toBeLessThan(18 - usedUp(4, 0.9, 1.4))
    expect(reach).toBeGreaterThan(18 - usedUp(4, 0.9 + 2.4, 1.4))
  })
  it('what lies flat under an insole is the margin less its edge and a quarter turn round it', () => {
    expect(18 - usedUp(4, 0, 0)).toBe(14)
    // A layer of 2 mm on a bare edge turns on a radius of 1 mm: a quarter of 2 pi.
    expect(18 - usedUp(4, 0, 2)).toBeCloseTo(14 - Math.PI / 2, 12)
    // What is used up before it is turned lies nowhere.
    expect(usedUp(4, 1, 2.4)).toBeGreaterThan(6)
    const thin = turnedOf(plan({ materials: { ...input.decisions.materials, insole: boardId } }))
    // A board of 2 mm takes 2 mm less of every margin.
    expect(thin.reachUnder('lateral', 130) - turnedOf(plan()).reachUnder('lateral', 130)).toBeCloseTo(2, 6)
  })
  it('a lining trimmed to the feather is not turned; one left long is', () => {
    const parts = (trim: 'feather' | 'long', d: number) =>
      turnedOf(plan({ lining: { trim } }))
        .at('medial', 130, d)
        .map((l) => l.part)
    expect(parts('feather', 0.5).some((p) => p.includes('ining'))).toBe(false)
    expect(parts('long', 15)).toContain('quarterLining.medial')
  })
  it('the map on the last says the same as the places asked one by one, and is nowhere broken', () => {
    const p = plan()
    const wall = new WallStack(p.layers.areas)
    const measured = thicknessMap(map, wall)
    const fine = finer(map.surface, measured.by)
    const { rows, columns } = fine
    for (const side of ['lateral', 'medial'] as const) {
      expect(measured[side]).toHaveLength(rows * columns)
      // Asked one by one, at points of the last's own grid and between them, away from edges of layers.
      for (let v = 7; v < rows * columns; v += 977) {
        const at = map.fromLast(side, wallPoint(fine, side, Math.floor(v / rows), v % rows))
        if (v % rows === 0) continue
        const near = [-0.5, 0, 0.5].flatMap((dx) =>
          [-0.5, 0, 0.5].map((dy) => wall.thickness(side, [at[0] + dx, at[1] + dy])),
        )
        expect(measured[side][v]).toBeGreaterThan(Math.min(...near) - 0.05)
        expect(measured[side][v]).toBeLessThan(Math.max(...near) + 0.05)
      }
      expect(measured[side].every((t) => Number.isFinite(t) && t >= 0 && t < 9)).toBe(true)
      // Everywhere at the feather the shoe is covered.
      for (let i = 2; i < columns - 2; i++) expect(measured[side][i * rows]).toBeGreaterThan(1.9)
    }
    // What is laid back in a closed seam is narrower than a cell of the last, and is judged as a seam.
    const coarse = thicknessMap(map, wall, 1)
    const most = Math.max(...coarse.lateral, ...coarse.medial)
    expect(p.layers.wall.thickness).toBeGreaterThan(most - 0.6)
  })
  it('thick leathers are too much to turn, thin ones are not; the sentence names what lies there', () => {
    const finding = (thick: number) => {
      const pair = samplePair()
      const materials = pair.materials.map((m) => (m.kind === 'stiffener leather' ? { ...m, thickness: thick } : m))
      const f = planPair({ ...pair, materials }, cache).layers.findings.find((x) => x.id === 'layers.turn')
      if (!f) throw new Error('no finding')
      return f
    }
    expect(finding(2.4).level).toBe('fine')
    const stop = finding(9)
    expect(stop.level).toBe('stop')
    expect(spoken(stop.sentence)).toContain('stiffener 9.0')
    expect(spoken(stop.mend)).not.toBe('')
  })
  it('a side lining of heavy leather that is hardly skived is a ridge; the usual one is not', () => {
    const level = (rules: Record<string, number>, t: number) => {
      const pair = samplePair({ rules })
      const materials = pair.materials.map((m) => (m.kind === 'lining leather' ? { ...m, thickness: t } : m))
      return planPair({ ...pair, materials }, cache).layers.findings.find(
        (f) => f.id === 'layers.step.sideLining.lateral',
      )?.level
    }
    expect(level({}, 0.9)).toBe('fine')
    expect(level({ 'sideLining.overlap': 5 }, 2.4)).toBe('watch')
  })
  it('the margin at the seat is crowded when it is wide', () => {
    const shrinks = (margin: number) =>
      plan({ rules: { 'upper.lastingMargin': margin } }).layers.findings.find((f) => f.id === 'layers.seat')
        ?.measured ?? 0
    // What the insole's edge and the bend take does not shrink; of the rest, each mm inwards costs the curvature of the seat.
    const lies = (margin: number) =>
      turnedOf(plan({ rules: { 'upper.lastingMargin': margin } })).reachUnder('lateral', 12)
    expect(shrinks(24) / shrinks(18)).toBeCloseTo(lies(24) / lies(18), 1)
    // A seat 62 mm wide is rounder than a half circle of 31 mm at the back, and flatter at the sides.
    const radius = (100 * lies(18)) / shrinks(18)
    expect(radius).toBeGreaterThan(17)
    expect(radius).toBeLessThan(31)
  })
})

describe('a section', () => {
  const p = plan()
  const wall = new WallStack(p.layers.areas)
  const at = (side: Side, station: number) => wallSection(map, wall, turnedOf(p), side, station, 4)

  it('holds every layer as an area of its thickness times its length', () => {
    const s = at('lateral', 120)
    const insole = s.layers.find((l) => l.part === 'insole')
    const sole = (insole?.outlines[0] ?? []).slice(0, (insole?.outlines[0]!.length ?? 0) / 2)
    expect(Math.abs(signedArea(insole?.outlines[0] ?? []))).toBeCloseTo(
      4 * Math.abs(sole[0]![0] - sole[sole.length - 1]![0]),
      0,
    )
    const upper = s.layers.find((l) => l.name === 'Quarter, lateral')
    const body = upper?.outlines[0] ?? []
    const half = body.slice(0, body.length / 2)
    const ratio = Math.abs(signedArea(body)) / (pathLength(half) * 1.4)
    expect(ratio).toBeGreaterThan(0.85)
    expect(ratio).toBeLessThan(1.15)
  })
  it('names the layers from the foot outwards, wherever along the wall they begin', () => {
    const names = at('lateral', 60).layers.map((l) => l.name)
    expect(names.indexOf('Insole')).toBe(0)
    expect(names.indexOf('Heel grip')).toBeLessThan(names.indexOf('Stiffener'))
    expect(names.indexOf('Stiffener')).toBeLessThan(names.indexOf('Quarter, lateral'))
    // What is folded in at the top line lies under the quarter.
    expect(names.indexOf('Quarter, lateral, top line')).toBeLessThan(names.indexOf('Quarter, lateral'))
    expect(at('medial', 265).layers.map((l) => l.part)).toEqual(['insole', 'vampLining', 'puff', 'vamp'])
  })
  it('piles the layers on each other: none covers another, and no gap is left between them', () => {
    for (const [side, station] of [
      ['medial', 60],
      ['lateral', 150],
      ['medial', 250],
    ] as const) {
      const outlines = at(side, station).layers.flatMap((l) => l.outlines)
      const sum = outlines.reduce((all, o) => all + Math.abs(signedArea(o)), 0)
      // The union is one piece, and as large as all of them together: where the wall bends a little may be lost.
      const whole = signedArea(unite(outlines))
      expect(whole / sum).toBeGreaterThan(0.97)
      expect(whole / sum).toBeLessThan(1.01)
    }
  })
})

describe('along the feather line', () => {
  const p = plan()
  const turned = turnedOf(p)
  const { along, feather } = p.layers
  it('says of every place what lies there, heel to toe on each side', () => {
    for (const side of ['lateral', 'medial'] as const) {
      const places = along.filter((a) => a.side === side)
      expect(places.length).toBeGreaterThan(20)
      expect(places.map((a) => a.x)).toEqual(places.map((a) => a.x).sort((a, b) => a - b))
      for (const { x, thickness } of places) expect(thickness).toBe(thicknessOf(turned.atFeather(side, x)))
    }
    const thick = along.map((a) => a.thickness)
    expect([Math.min(...thick), Math.max(...thick)]).toEqual([feather.thinnest.thickness, feather.thickest.thickness])
  })
  it('must shrink most round seat and toe, not at all where the waist runs hollow, and at the seat as its check says', () => {
    const most = (from: number, to: number) =>
      Math.max(...along.filter((a) => a.x >= from * input.length && a.x <= to * input.length).map((a) => a.shrinks))
    const input = { length: map.surface.length }
    expect(most(0, 0.2)).toBeGreaterThan(most(0.35, 0.6))
    expect(most(0.85, 1)).toBeGreaterThan(most(0.35, 0.6))
    expect(Math.min(...along.filter((a) => a.side === 'medial').map((a) => a.shrinks))).toBe(0)
    const seat = p.layers.findings.find((f) => f.id === 'layers.seat')!
    // The check looks at every station, the line at every third.
    expect(most(0, 0.2)).toBeLessThanOrEqual(seat.measured + 1e-9)
    expect(most(0, 0.2)).toBeGreaterThan(0.8 * seat.measured)
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { lastNames, lastWithHeel, upperNeeds, type LastName } from '../../test/lastsWithHeels.ts'
import { samplePair } from '../../test/samplePair.ts'
import { contains, distance, pathLength, signedArea, type Path, type Point } from '../geometry/path.ts'
import { nearest, pointAt, resample } from '../geometry/polyline.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import { styles, type MovedPoint, type StyleName } from '../model/upper.ts'
import { planPair } from '../plan/planPair.ts'
import { withAllowances } from './allowance.ts'
import { DesignBoard } from './designPoints.ts'
import { MARGIN_PLACES, marginFoot, marginPlace, moreAt } from './marginMore.ts'
import { allowanceAt, type Piece } from './piece.ts'
import { deriveUpper } from './upper.ts'

const cache = keptCache(6)
type Margins = Record<string, number>
/** Margin points moved by so many mm, by their keys. */
const pointsOf = (name: LastName, by: Margins): Record<string, MovedPoint> =>
  Object.fromEntries(
    Object.entries(by).map(([key, mm]) => [key, [mm / lastWithHeel(name).map.surface.length, 0] as MovedPoint]),
  )
const derive = (name: LastName, style: StyleName, by: Margins, rules = {}) =>
  deriveUpper(upperNeeds(name, { style, points: pointsOf(name, by) }, rules))
const allRound = (by: number): Margins => ({
  'margin.0:both': by,
  'margin.8:both': by,
  ...Object.fromEntries([1, 2, 3, 4, 5, 6, 7].map((k) => [`margin.${k}:both`, by])),
})

describe('a margin that differs', () => {
  it('goes over evenly between its places', () => {
    const by = [0, 0, 4, 0, 0, 0, 0, 0, -8]
    expect(moreAt(by, 2 / 8)).toBe(4)
    expect(moreAt(by, 1.5 / 8)).toBe(2)
    expect(moreAt(by, 2.25 / 8)).toBe(3)
    expect(moreAt(by, 7.5 / 8)).toBe(-4)
    expect(moreAt(by, 1.2)).toBe(-8)
  })
  it('beside a straight edge is a trapezium: its area is the mean of both ends', () => {
    const net: Path = [
      [0, 0],
      [100, 0],
      [100, 40],
      [0, 40],
    ]
    const edge = (line: Path, allowance: number, more?: [number, number][]) => ({
      line,
      allowance,
      role: 'lasting margin' as const,
      ...(more ? { more } : {}),
    })
    const edges = [
      edge([net[0]!, net[1]!], 10, [
        [0, 0],
        [1, 6],
      ]),
      edge([net[1]!, net[2]!], 0),
      edge([net[2]!, net[3]!], 0),
      edge([net[3]!, net[0]!], 0),
    ]
    expect(signedArea(withAllowances(net, edges, 'strip')) - 4000).toBeCloseTo(100 * 13, 6)
    expect(allowanceAt(edges[0]!, 0.25)).toBeCloseTo(11.5, 12)
  })
  it.each(styles.filter((s) => s !== 'stitch-down'))(
    'of a %s set to the same all round is the rule’s, widened',
    (style) => {
      const [set, ruled] = [
        derive('walking', style, allRound(5)),
        derive('walking', style, {}, { 'upper.lastingMargin': 23 }),
      ]
      set.pieces.forEach((p, i) => {
        const wide = ruled.pieces[i]!
        expect(p.net).toEqual(wide.net)
        for (const q of p.outline) expect(nearest(wide.outline, q, true).away, p.id).toBeLessThan(0.35)
        for (const q of wide.outline) expect(nearest(p.outline, q, true).away, p.id).toBeLessThan(0.35)
      })
    },
  )
  it('at one place widens the pieces there by so much and nowhere else', () => {
    const [even, wide] = [derive('walking', 'derby', {}), derive('walking', 'derby', { 'margin.5:medial': 6 })]
    const { map } = lastWithHeel('walking')
    const feather = map.feathers.medial
    const vamp = (u: typeof even) => u.pieces.find((p) => p.id === 'vamp')!
    const stands = (share: number) => {
      const line = vamp(wide)
        .places.find((p) => p.side === 'medial')!
        .edges.find((e) => e.name === 'feather')!.line
      const at = pointAt(feather, share * pathLength(feather))
      const s = nearest(line, at).at / pathLength(line)
      const edge = vamp(wide).edges.find((e) => e.name === 'feather' && e.side === 'medial')!
      const p = pointAt(edge.line, (1 - s) * pathLength(edge.line))
      return nearest(vamp(wide).outline, p, true).away
    }
    expect(stands(5 / 8)).toBeCloseTo(18 + 6, 0)
    expect(stands(5.5 / 8)).toBeCloseTo(18 + 3, 0)
    expect(stands(7 / 8)).toBeCloseTo(18, 0)
    // The other side, and all that does not reach there, is as it was.
    const lateral = (p: Piece) => p.outline.filter(([, y]) => y < -1)
    for (const q of lateral(vamp(wide))) expect(nearest(vamp(even).outline, q, true).away).toBeLessThan(0.02)
    const quarter = (u: typeof even) => u.pieces.find((p) => p.id === 'quarter.lateral')!
    for (const q of quarter(wide).outline) expect(nearest(quarter(even).outline, q, true).away).toBeLessThan(0.05)
  })
  it('stays simple and outside the finished line on every style, wherever it is set', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...styles.filter((s) => s !== 'stitch-down')),
        fc.constantFrom(...lastNames),
        fc.array(fc.double({ min: -10, max: 25, noNaN: true }), { minLength: 9, maxLength: 9 }),
        (style, name, by) => {
          const u = derive(name, style, Object.fromEntries(by.map((mm, k) => [`margin.${k}:both`, mm])))
          for (const p of u.pieces) {
            expect(isSimple(p.outline), p.id).toBe(true)
            for (const q of p.net) expect(contains(p.outline, q) || nearest(p.outline, q, true).away < 0.1).toBe(true)
          }
        },
      ),
      { numRuns: 25 },
    )
  })
  it('is never cut wider than 60 mm nor narrower than 4', () => {
    const at = (mm: number) => {
      const u = derive('walking', 'derby', { 'margin.4:lateral': mm })
      const point = u.points.find((p) => p.id === 'margin.4')!
      const { foot } = marginFoot(lastWithHeel('walking').map.feathers.lateral, 4)
      return distance(point.at.lateral, foot)
    }
    expect(at(200)).toBeCloseTo(60, 6)
    expect(at(-200)).toBeCloseTo(4, 6)
    expect(at(0)).toBeCloseTo(18, 6)
  })
})

describe('a place of the margin', () => {
  const needs = upperNeeds('walking', { style: 'derby' })
  const board = new DesignBoard(needs.map, needs.book, needs.decisions, needs.heelGirth)
  const { points } = deriveUpper(needs)
  const point = (k: number) => points.find((p) => marginPlace(p.id) === k)!
  it('is dragged square out of the feather, and found again where it was put', () => {
    for (let k = 0; k < MARGIN_PLACES; k++) {
      for (const side of point(k).sides) {
        const { foot, out } = marginFoot(needs.map.feathers[side], k)
        const to: Point = [foot[0] + out[0] * 26 + out[1] * 3, foot[1] + out[1] * 26 - out[0] * 3]
        const place = board.placeFor(point(k), side, to)
        expect(place[0] * needs.map.surface.length).toBeCloseTo(8, 6)
        expect(board.placeByFigure(point(k), side, 0, 26)[0]).toBeCloseTo(place[0], 9)
      }
    }
  })
  it('is there only where a margin is: not behind a mule, nor between the straps of a sandal', () => {
    const places = (style: StyleName) =>
      deriveUpper(upperNeeds('walking', { style }))
        .points.flatMap((p) => (marginPlace(p.id) === null ? [] : [marginPlace(p.id)!]))
        .sort((a, b) => a - b)
    expect(places('derby')).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8])
    expect(places('mule')[0]).toBeGreaterThanOrEqual(3)
    expect(places('mule').at(-1)).toBe(8)
    expect(places('sandal')).not.toContain(0)
    expect(places('sandal')).not.toContain(8)
    expect(places('stitch-down')).toEqual([])
  })
})

describe('what follows from it', () => {
  const plan = (by: Margins) =>
    planPair(
      samplePair({ construction: 'cemented', upper: { style: 'derby', points: pointsOf('walking', by) } }),
      cache,
    )
  const even = plan({})
  it('layers, tacks and lining follow: more lies flat just there', () => {
    const wide = plan({ 'margin.3:lateral': 8 })
    const flat = (p: typeof even) => p.lasting.strips.find((s) => s.id === 'upper')!
    const zone = (p: typeof even, name: string, side: string) =>
      flat(p).zones.find((z) => z.zone === name && z.side === side)!
    expect(JSON.stringify(zone(wide, 'waist', 'lateral'))).not.toBe(JSON.stringify(zone(even, 'waist', 'lateral')))
    expect(zone(wide, 'toe', 'medial')).toEqual(zone(even, 'toe', 'medial'))
    const area = (p: typeof even, id: string) => signedArea(p.parts.find((x) => x.id === id)!.outline)
    expect(area(wide, 'quarterLining.lateral')).toBeGreaterThan(area(even, 'quarterLining.lateral') + 100)
    expect(area(wide, 'quarterLining.medial')).toBeCloseTo(area(even, 'quarterLining.medial'), -1)
  })
  it('the leather that is saved is that of the pieces, of both shoes', () => {
    const less = plan(allRound(-4))
    const sum = (p: typeof even) => p.upper.pieces.reduce((s, x) => s + signedArea(x.outline), 0)
    const because = less.upper.becauses.find((b) => b.id === 'marginLeather')!
    expect(because.quantity).toMatch(/saved/)
    expect(because.value).toBeCloseTo(2 * (sum(even) - sum(less)), 3)
    // About the feather of both sides, twice, four millimetres wide, and what laps and corners add to that.
    const { feathers } = lastWithHeel('walking').map
    const round = pathLength(feathers.lateral) + pathLength(feathers.medial)
    expect(because.value / (2 * 4 * round)).toBeGreaterThan(0.9)
    expect(because.value / (2 * 4 * round)).toBeLessThan(1.3)
    expect(even.upper.becauses.some((b) => b.id === 'marginLeather')).toBe(false)
  })
  it('where it runs short it is widened just there by the button, and stays as it is elsewhere', () => {
    const short = derive('walking', 'derby', { 'margin.6:medial': -9 })
    const told = short.findings.find((f) => f.id === 'upper.margin.medial')!
    expect(told.level).not.toBe('fine')
    expect(told.remedy?.kind).toBe('choice')
    const points = told.remedy?.kind === 'choice' ? told.remedy.decisions.upper?.points : {}
    expect(Object.keys(points!).every((key) => key.startsWith('margin.') && key.endsWith(':medial'))).toBe(true)
    const mended = deriveUpper(
      upperNeeds('walking', {
        style: 'derby',
        points: { ...pointsOf('walking', { 'margin.6:medial': -9 }), ...(points as Record<string, MovedPoint>) },
      }),
    )
    expect(mended.findings.find((f) => f.id === 'upper.margin.medial')!.level).toBe('fine')
  })
  it('the line that is drawn lies so far past the feather as is left there', () => {
    const u = derive('walking', 'derby', { 'margin.4:lateral': 10 })
    const line = u.lines.find((l) => l.kind === 'margin' && l.side === 'lateral')!.path
    const { feathers } = lastWithHeel('walking').map
    const away = resample(line, 60).map((p) => nearest(feathers.lateral, p).away)
    expect(Math.max(...away)).toBeGreaterThan(27)
    expect(Math.min(...away)).toBeLessThan(19)
  })
})

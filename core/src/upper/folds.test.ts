import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { lastNames, upperNeeds } from '../../test/lastsWithHeels.ts'
import { sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { distance, pathLength, signedArea, type Path, type Point } from '../geometry/path.ts'
import { nearest, pointAt, resample } from '../geometry/polyline.ts'
import { planPair } from '../plan/planPair.ts'
import { gatheredTimes } from '../trade/gatherBand.ts'
import type { FootPlan } from '../plan/plan.ts'
import type { Piece } from './piece.ts'
import { deriveUpper } from './upper.ts'

const cache = keptCache(8)
const derive = (...of: Parameters<typeof upperNeeds>) => deriveUpper(upperNeeds(...of))
const planOf = (upper: object, more: object = {}, on: keyof typeof sampleMeasures = 'walking') =>
  planPair(samplePair({ upper, ...more }, sampleMeasures[on]), cache)
const piece = (p: { pieces: readonly Piece[] }, id: string) => p.pieces.find((q) => q.id === id)!
const part = (p: FootPlan, id: string) => p.parts.find((q) => q.id === id)!
const folds = (where: string, amount: number) => ({ folds: { versions: [amount], chosen: 0, where } })
const edge = (p: Piece, name: string, side?: string) =>
  p.edges.find((e) => e.name === name && (!side || e.side === side))!

describe('how thick pressed folds are', () => {
  // A quarter of a ring: what is gained along the outer arc, nothing along the inner one.
  const arc = (r: number): Path =>
    Array.from({ length: 91 }, (_, k) => [r * Math.cos((k * Math.PI) / 180), r * Math.sin((k * Math.PI) / 180)])
  const band = { area: [...arc(100), ...[...arc(40)].reverse()], full: arc(100), none: arc(40), gained: 30 }
  it('grows from nothing to what was opened, as leather on the area that it lies on', () => {
    const at = (r: number) => gatheredTimes(band, [r * Math.SQRT1_2, r * Math.SQRT1_2])
    expect(at(40)).toBeCloseTo(1, 6)
    expect(at(100)).toBeCloseTo(1 + 30 / (50 * Math.PI), 3)
    // Half-way between: half of what was opened over a quarter circle of 70 mm.
    expect(at(70)).toBeCloseTo(1 + 15 / (35 * Math.PI), 3)
  })
  it('is as much everywhere where slashes open parallel', () => {
    const even = {
      area: [],
      full: [
        [0, 0],
        [0, 80],
      ] as Path,
      none: null,
      gained: 20,
    }
    expect(gatheredTimes(even, [7, 7])).toBeCloseTo(1.25, 12)
  })
})

describe('folds over instep or toes, on everything that is opened along its middle', () => {
  it.each(['ankle boot', 'pull-on boot', 'laced boot', 'mule', 'derby', 'ballet flat'] as const)(
    '%s: the feather stays as long, the middle gains what was asked, and upper and lining have the same marks',
    (style) => {
      const construction = 'cemented' as const
      const [plain, gathered] = [0, 24].map((n) =>
        planOf({ style, ...folds('instep', n) }, { construction }, style.includes('boot') ? 'boot' : 'walking'),
      )
      const id = gathered!.upper.pieces.some((p) => p.id === 'vamp') ? 'vamp' : 'upper'
      const [before, after] = [piece(plain!.upper, id), piece(gathered!.upper, id)]
      const along = (p: Piece) => distance(...p.fold!)
      expect(along(after) - along(before)).toBeCloseTo(24, 1)
      for (const side of ['lateral', 'medial']) {
        const margin = (p: Piece) =>
          pathLength(p.edges.filter((e) => e.side === side && e.role === 'lasting margin').flatMap((e) => e.line))
        expect(Math.abs(margin(after) - margin(before))).toBeLessThan(0.015 * margin(before))
      }
      // Where there is a vamp lining it stays, and has as many marks as lie on what covers it.
      const lining = part(gathered!, 'vampLining')
      const ticks = (lines: readonly { name: string }[]) => lines.filter((l) => l.name === 'gather mark').length
      expect(after.ticks.length).toBeGreaterThan(5)
      if (!lining) return
      expect(lining.outline).toEqual(part(plain!, 'vampLining').outline)
      expect(ticks(lining.lines)).toBe(after.ticks.length)
      expect(ticks(part(plain!, 'vampLining').lines)).toBe(0)
      // Nine at the feather on either side of both, where the slashes end.
      const more = (count: (p: FootPlan) => number) => count(gathered!) - count(plain!)
      expect(more((p) => piece(p.upper, id).marks.filter((m) => m.kind === 'match').length)).toBe(18)
      expect(more((p) => part(p, 'vampLining').lines.filter((l) => l.name === 'match mark').length)).toBe(18)
    },
  )
  it('between two marks the upper has more leather than its lining, by an equal part of the folds', () => {
    const p = planOf({ style: 'ankle boot', ...folds('instep', 32) }, {}, 'boot')
    const onUpper = piece(p.upper, 'vamp').ticks.map((t) => (t[0]![0] + t[1]![0]) / 2)
    const onLining = part(p, 'vampLining')
      .lines.filter((l) => l.name === 'gather mark')
      .map((l) => (l.path[0]![0] + l.path[1]![0]) / 2)
    const gaps = (xs: readonly number[]) => xs.slice(1).map((x, i) => Math.abs(x - xs[i]!))
    const more = gaps(onUpper).map((g, i) => g - gaps(onLining)[i]!)
    // Eight slashes, each between two marks.
    expect(more).toHaveLength(8)
    for (const m of more) expect(Math.abs(m - 4)).toBeLessThan(0.6)
    expect(Math.abs(more.reduce((a, b) => a + b) - 32)).toBeLessThan(1.6)
  })
  it('lie in the straps of a sandal, each as much as was asked, and not in their linings', () => {
    const sandal = (where: string, n: number) =>
      planOf({ style: 'sandal', ...folds(where, n) }, { construction: 'cemented' }, 'flat')
    const plain = sandal('instep', 0)
    const wide = (p: FootPlan, id: string) => distance(...piece(p.upper, id).fold!)
    const gain = (p: FootPlan, id: string) => wide(p, id) - wide(plain, id)
    const [instep, toes, all] = ['instep', 'toes', 'all along'].map((w) => sandal(w, 12))
    expect([gain(instep!, 'instepStrap'), gain(instep!, 'frontStrap')].map((g) => Math.round(g))).toEqual([12, 0])
    expect([gain(toes!, 'instepStrap'), gain(toes!, 'frontStrap')].map((g) => Math.round(g))).toEqual([0, 12])
    for (const id of ['instepStrap', 'frontStrap']) {
      expect(Math.abs(gain(all!, id) - 12)).toBeLessThan(1)
      expect(part(all!, `${id}Lining`).outline).toEqual(part(plain, `${id}Lining`).outline)
    }
    // Its rear edge stays; its front edge leans forward, smoothly: no step turns it where a slash would have crossed it.
    const turns = (line: Path) =>
      Math.max(
        ...resample(line, 40)
          .slice(1, -1)
          .map((q, k, row) => {
            const [a, b] = [row[Math.max(0, k - 1)]!, row[Math.min(row.length - 1, k + 1)]!]
            const angle = Math.atan2(b[1] - q[1], b[0] - q[0]) - Math.atan2(q[1] - a[1], q[0] - a[0])
            return k === 0 || k === row.length - 1 ? 0 : Math.abs(Math.atan2(Math.sin(angle), Math.cos(angle)))
          }),
      )
    for (const id of ['instepStrap', 'frontStrap'])
      for (const { name, side, line } of piece(all!.upper, id).edges) {
        const before = piece(plain.upper, id)
          .edges.filter((e) => e.name === name && e.side === side)
          .map((e) => turns(e.line))
        expect(turns(line), `${id} ${name} ${side}`).toBeLessThan(Math.max(...before) + 0.3)
      }
    expect(all!.upper.findings.some((f) => f.id === 'upper.folds')).toBe(false)
  })
  it('count in the layers of the wall, not at the feather', () => {
    const [plain, gathered] = [0, 40].map((n) => planOf({ style: 'ankle boot', ...folds('instep', n) }, {}, 'boot'))
    const upperAt = (p: FootPlan, share: number) => {
      const [top, foot] = gathered!.upper.opened!.slashes[3] as [Point, Point]
      const at: Point = [foot[0] + (top[0] - foot[0]) * share, foot[1] + (top[1] - foot[1]) * share]
      return p.layers.areas
        .filter((a) => a.part === 'vamp' && a.side === 'lateral' && a.area.length > 3)
        .map((a) => (a.gathered?.[0] ? a.thickness * gatheredTimes(a.gathered[0], at) : a.thickness))[0]!
    }
    const times = [0, 0.5, 1].map((s) => upperAt(gathered!, s) / upperAt(plain!, s))
    expect(times[0]).toBeCloseTo(1, 2)
    expect(times[1]!).toBeGreaterThan(1.05)
    expect(times[2]!).toBeGreaterThan(times[1]!)
    // At the feather nothing is gained: the lasted edge stays, but for what lies a hair above it.
    for (const q of gathered!.lasted) expect(nearest(plain!.lasted, q, true).away).toBeLessThan(0.1)
  })
})

describe('what a straight middle cuts off', () => {
  const boot = (n: number, rules: Record<string, number> = {}) =>
    planOf({ style: 'ankle boot', ...folds('instep', n) }, { rules }, 'boot')
  const told = (p: FootPlan) => p.upper.findings.find((f) => f.id === 'upper.folds')
  /** How far the feather's marks of the vamp lie from its middle, one side, measured on the cut piece. */
  const heights = (p: FootPlan) => {
    const vamp = piece(p.upper, 'vamp')
    const line = edge(vamp, 'feather', 'lateral').line
    return p.upper.opened!.slashes.map(([, foot]) => {
      const onForme = vamp.places[0]!.edges.find((e) => e.role === 'lasting margin')!.line
      const at = nearest(onForme, foot!).at / pathLength(onForme)
      return Math.abs(pointAt(line, at * pathLength(line))[1] - vamp.fold![0][1])
    })
  }
  it('is as much as the opened piece is lower than the lining over the same places', () => {
    const p = boot(40)
    const lining = (foot: Point) => {
      const plain = boot(0)
      const vamp = piece(plain.upper, 'vamp')
      const onForme = vamp.places[0]!.edges.find((e) => e.role === 'lasting margin')!.line
      const line = edge(vamp, 'feather', 'lateral').line
      return Math.abs(pointAt(line, (nearest(onForme, foot).at / pathLength(onForme)) * pathLength(line))[1])
    }
    const lower = heights(p).map((h, k) => lining(p.upper.opened!.slashes[k]![1]!) - h)
    const gives = 4
    const lost = 18 - told(p)!.measured + gives
    expect(Math.abs(Math.max(...lower) - lost)).toBeLessThan(2)
    expect(lost).toBeGreaterThan(6)
  })
  it('grows with what is opened, is nothing without folds, and a wider margin makes it good', () => {
    expect(told(boot(0))).toBeUndefined()
    expect(told(boot(12))!.level).toBe('fine')
    expect(told(boot(20))!.measured).toBeGreaterThan(told(boot(40))!.measured)
    const bad = told(boot(60))!
    expect(bad.level).not.toBe('fine')
    const remedy = bad.remedy as { kind: 'rule'; key: string; value: number }
    expect(told(boot(60, { [remedy.key]: remedy.value }))!.level).toBe('fine')
  })
})

describe('folds round a shaft', () => {
  it.each(lastNames)(
    'on the %s last it opens parallel: front and back gain the same, the hem and the foot stay',
    (name) => {
      const [plain, gathered] = [0, 30].map((n) =>
        derive(name, { style: 'pull-on boot', ...folds('shaft', n) } as never),
      )
      const of = (u: typeof plain, edgeName: string, side = 'lateral') =>
        pathLength(edge(piece(u!, `shaft.${side}`), edgeName).line)
      for (const side of ['lateral', 'medial']) {
        for (const same of ['top line', 'under the vamp'])
          expect(Math.abs(of(gathered, same, side) - of(plain, same, side)), same).toBeLessThan(0.6)
        const [front, back] = ['front seam', 'back'].map((n) => of(gathered, n, side) - of(plain, n, side))
        // Both stand nearly upright, so that each gains nearly what was opened.
        expect(front!).toBeGreaterThan(24)
        expect(front!).toBeLessThan(30.01)
        expect(back!).toBeGreaterThan(26)
        expect(back!).toBeLessThan(30.01)
      }
      expect(piece(gathered!, 'vamp').outline).toEqual(piece(plain!, 'vamp').outline)
      expect(gathered!.findings.filter((f) => f.level === 'stop')).toEqual(
        plain!.findings.filter((f) => f.level === 'stop'),
      )
    },
  )
  it('is marked where it meets its lining, which stays: as many marks up the front and up the back of both', () => {
    const [plain, gathered] = [0, 30].map((n) => planOf({ style: 'pull-on boot', ...folds('shaft', n) }, {}, 'boot'))
    expect(part(gathered!, 'quarterLining.lateral').outline).toEqual(part(plain!, 'quarterLining.lateral').outline)
    const shaft = piece(gathered!.upper, 'shaft.lateral')
    const on = (p: Piece, name: string) => {
      const { line, allowance } = edge(p, name)
      return p.marks
        .filter((m) => m.kind === 'match' && Math.abs(nearest(line, m.at).away - allowance) < 0.05)
        .map((m) => nearest(line, m.at).at)
    }
    const plainMarks = on(piece(plain!.upper, 'shaft.lateral'), 'back').length
    expect(on(shaft, 'back').length - plainMarks).toBe(7)
    expect(on(shaft, 'front seam').length).toBeGreaterThanOrEqual(7)
    const marks = (p: FootPlan) => part(p, 'quarterLining.lateral').lines.filter((l) => l.name === 'match mark').length
    expect(marks(gathered!) - marks(plain!)).toBeGreaterThanOrEqual(7)
    // Pressed, thirty millimetres more lie on as much of the shaft as is between its levels.
    const band = gathered!.layers.areas.find((a) => a.part === 'shaft.lateral' && a.gathered)!.gathered![0]!
    expect(gatheredTimes(band, pointAt(band.full, 5))).toBeCloseTo(1 + 30 / pathLength(band.full), 9)
  })
  it('is of no use on a style without a shaft', () => {
    const [plain, asked] = [folds('instep', 0), folds('shaft', 30)].map((f) =>
      derive('walking', { style: 'derby', ...f } as never),
    )
    expect(asked!.pieces.map((p) => p.outline)).toEqual(plain!.pieces.map((p) => p.outline))
  })
})

describe('a vamp lining with a seam along its middle', () => {
  it.each(['derby', 'ankle boot', 'mule', 'court'] as const)(
    '%s: two halves that meet along the last’s own middle, the toe to the throat',
    (style) => {
      const way = { construction: 'cemented' as const }
      const on = style === 'ankle boot' ? 'boot' : 'walking'
      const [whole, halves] = (['in one', 'centre seam'] as const).map((front) =>
        planOf({ style }, { ...way, lining: { front } }, on),
      )
      const ids = (p: FootPlan) => p.parts.filter((q) => q.id.startsWith('vampLining')).map((q) => q.id)
      expect(ids(whole!)).toEqual(['vampLining'])
      expect(ids(halves!)).toEqual(['vampLining.lateral', 'vampLining.medial'])
      const seam = halves!.stitching.seams.find((s) => s.id.startsWith('liningCentre'))!
      expect(seam.kind).toBe('closed')
      // Both halves have it equally long: as long as the middle in one is straightened.
      const middle = (p: FootPlan) => part(p, 'vampLining').lines.find((l) => l.name === 'centre line')!.path
      expect(Math.abs(seam.length - pathLength(middle(whole!)))).toBeLessThan(4)
      expect(halves!.steps.some((s) => s.key === 'sew-lining' && /vamp lining/i.test(s.name))).toBe(true)
      const stops = (p: FootPlan) =>
        [...p.layers.findings, ...p.parts.flatMap((q) => q.findings)].filter((f) => f.level === 'stop').length
      expect(stops(halves!)).toBe(stops(whole!))
      // The same feather, no wider and no narrower.
      const feather = (q: FootPlan['parts'][number]) => q.lines.find((l) => l.name === 'finished line')!.path
      const long = (p: FootPlan) => ids(p).reduce((sum, id) => sum + Math.abs(signedArea(feather(part(p, id)))), 0)
      expect(long(halves!) / long(whole!)).toBeCloseTo(1, 1)
    },
  )
})

import { CUP_SEAM } from './cupSeam.ts'
import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { distance, pathLength, type Path } from '../geometry/path.ts'
import { nearest } from '../geometry/polyline.ts'
import { contains } from '../geometry/path.ts'
import { PairDecisions } from '../model/pair.ts'
import type { OwnSeam } from '../model/stitching.ts'
import { styles } from '../model/upper.ts'
import type { Plan } from '../plan/plan.ts'
import { planPair } from '../plan/planPair.ts'
import { remedied } from '../trade/remedy.ts'
import { makeables } from '../plan/remake.ts'
import type { Seam } from './seam.ts'
import { rowBeside } from './rowBeside.ts'
import { threadOf } from './thread.ts'

const cache = keptCache(24)
type Change = NonNullable<Parameters<typeof samplePair>[0]>
const plan = (change: Change = {}): Plan => planPair(samplePair(change), cache)
const ofStyle = (style: (typeof styles)[number], by: 'machine' | 'hand'): Plan =>
  plan({
    upper: { style },
    stitching: { by },
    construction: style === 'stitch-down' ? 'stitch-down' : style === 'trainer' ? 'cup sole' : 'cemented',
  })
const seam = (p: Plan, name: string): Seam => {
  const found = p.stitching.seams.find((s) => s.name === name)
  if (!found) throw new Error(`no seam ${name}: ${p.stitching.seams.map((s) => s.name).join('; ')}`)
  return found
}
/** Length of a line by its own points, by another way of adding up. */
const lengthOf = (line: Path): number => line.slice(1).reduce((sum, p, i) => sum + distance(line[i]!, p), 0)

describe('thread', () => {
  it('is 2 n (p + T) x 1.1, by hand and 2 x 200 mm to hold', () => {
    const need = { stitches: 100, pitch: 6, thickness: 4, inside: 3, more: 1.1, end: 200 }
    expect(threadOf('two needles', need)).toBeCloseTo(2 * 100 * 10 * 1.1 + 400, 9)
    expect(threadOf('lock', need)).toBeCloseTo(2200, 9)
    // In and out with one thread; or round both edges: through 4 mm, and back over 4 + 2 x 3 mm and 6 along.
    expect(threadOf('running', need)).toBeCloseTo(1100 + 400, 9)
    expect(threadOf('whip', need)).toBeCloseTo(100 * (4 + Math.sqrt(36 + 100)) * 1.1 + 400, 9)
    // Of thick hand work about four times the seam.
    expect(threadOf('two needles', need) / 600).toBeCloseTo(4.33, 2)
  })
})

describe.each(['machine', 'hand'] as const)('a pair sewn by %s', (by) => {
  it.each(styles)(
    '%s: partners have the same number, as many as the pitch says, and lie inside their pieces',
    (style) => {
      const p = ofStyle(style, by)
      const outline = new Map(p.upper.pieces.map((x) => [x.id, x.outline]))
      // A mule has the row along its opening and no other.
      expect(p.stitching.seams.length).toBeGreaterThan(style === 'mule' ? 0 : 3)
      // The seam of a cup lies on all pieces together, see its own test.
      for (const s of p.stitching.seams.filter((x) => x.id !== CUP_SEAM)) {
        const firstRow = s.on.slice(0, s.on.length / s.rows)
        const whole = firstRow.filter((r) => !r.part)
        // One that runs all round begins and ends in one hole.
        const closed = distance(whole[0]!.line[0]!, whole[0]!.line[whole[0]!.line.length - 1]!) < 1e-6
        const more = closed ? 0 : 1
        for (const { holes } of whole) expect(holes.length, s.name).toBe(s.way === 'hand' ? s.stitches + more : 0)
        // What lies along a part of the seam has holes of it and no others.
        for (const { holes } of firstRow.filter((r) => r.part)) {
          for (const h of holes) expect(Math.min(...whole[0]!.holes.map((w) => distance(w, h)))).toBeLessThan(1e-9)
        }
        for (let k = 0; k < s.rows; k++) {
          const rowHoles = s.on
            .slice(k * firstRow.length, (k + 1) * firstRow.length)
            .filter((r) => !r.part)
            .map((r) => r.holes.length)
          expect(new Set(rowHoles).size, `${s.name}, row ${k + 1}`).toBe(1)
        }
        expect(s.pitch * s.stitches, s.name).toBeCloseTo(s.length, 6)
        expect(lengthOf(whole[0]!.line), s.name).toBeCloseTo(s.length, 6)
        // Between two corners the pitch is off by half a stitch in all at the most.
        // Those of the sole go by their parts.
        if (s.sewnWith === 'sole') continue
        const wanted = s.kind === 'butt' ? 3 : s.way === 'hand' ? 6 : 2
        if (s.length > 6 * wanted) expect(Math.abs(s.pitch - wanted) / wanted, s.name).toBeLessThan(0.16)
        for (const { piece, holes } of s.on) {
          const path = outline.get(piece)
          if (!path) continue
          for (const h of holes) {
            expect(contains(path, h) || nearest(path, h, true).away < 0.6, `${s.name} on ${piece}`).toBe(true)
          }
        }
        expect(s.thread, s.name).toBeGreaterThan(s.length)
      }
    },
  )
})

describe('what is sewn', () => {
  it('a lap: two rows by machine, one by hand, on the leather over it and through the one under it', () => {
    const [machine, hand] = (['machine', 'hand'] as const).map((by) =>
      seam(plan({ stitching: { by } }), 'Quarter over vamp, lateral'),
    )
    expect([machine!.rows, hand!.rows]).toEqual([2, 1])
    expect([machine!.fromEdge, hand!.fromEdge]).toEqual([1.75, 3])
    // 1.4 mm of quarter on 0.55 of 1.4 mm of vamp.
    expect(machine!.thickness).toBeCloseTo(1.4 * 1.55, 6)
    expect(hand!.on.map((o) => [o.piece, o.punched])).toEqual([
      ['quarter.lateral', 'now'],
      ['vamp', 'later'],
    ])
    const quarter = plan().upper.pieces.find((x) => x.id === 'quarter.lateral')!
    const tab = quarter.edges.find((e) => e.role === 'lap over')!
    for (const h of hand!.on[0]!.holes.slice(1, -1)) expect(nearest(tab.line, h).away).toBeCloseTo(3, 1)
    // Two rows of as many stitches as 2 mm go into each, through 2.17 mm, 1.1 times twice the way.
    const rows = machine!.on.filter((o) => o.piece === 'quarter.lateral').map((o) => pathLength(o.line))
    expect(rows).toHaveLength(2)
    const taken = rows.reduce((sum, l) => sum + 1.1 * 2 * (l + Math.round(l / 2) * machine!.thickness), 0)
    expect(machine!.thread).toBeCloseTo(taken, 6)
  })
  it('over the fold of both pieces a seam runs on in one, and so does an opening round its corner', () => {
    const derby = plan()
    expect(derby.stitching.seams.filter((s) => s.name.startsWith('Vamp over tongue'))).toHaveLength(1)
    // Facing and top line of a quarter are one row, with a hole in the corner between them.
    const opening = seam(derby, 'Quarter, top line, lateral')
    const quarter = derby.upper.pieces.find((x) => x.id === 'quarter.lateral')!
    const both = quarter.edges.filter((e) => e.role === 'folded').reduce((sum, e) => sum + pathLength(e.line), 0)
    expect(Math.abs(opening.length - both)).toBeLessThan(6)
    const court = ofStyle('court', 'machine')
    expect(court.stitching.seams.filter((s) => s.name === 'Upper, top line')).toHaveLength(1)
  })
  it('a closed seam on the finished line, both edges punched now; the opening later, through lining and outside', () => {
    const p = plan({ stitching: { by: 'hand' } })
    const back = seam(p, 'Quarter, back')
    expect(back.on.map((o) => o.punched)).toEqual(['now', 'now'])
    expect(back.thickness).toBeCloseTo(2 * 0.6 * 1.4, 6)
    expect(seam(p, 'Quarter, top line, medial').on.map((o) => o.punched)).toEqual(['later'])
    // Fold of 1.4 mm in two leaves of half, and the lining.
    expect(seam(p, 'Quarter, top line, medial').thickness).toBeCloseTo(1.4 + 0.9, 6)
  })
  it('a butt seam goes half to two thirds deep, by hand whatever the upper is', () => {
    const p = plan({ lining: { back: 'butt seam' } })
    const butt = seam(p, 'Quarter lining, back')
    expect(butt).toMatchObject({ way: 'hand', depth: expect.closeTo(0.58 * 0.9, 9), fromEdge: 2 })
    expect(butt.on.map((o) => o.punched)).toEqual(['now', 'now'])
  })
  it('a heel cover has the very holes of its section; the section’s are punched through it', () => {
    const p = ofStyle('stitch-down', 'machine')
    const cover = seam(p, 'Heel cover seam')
    expect(cover.way).toBe('hand')
    const by = Object.fromEntries(cover.on.map((o) => [o.piece, o]))
    expect(by.heelCover!.holes).toEqual(by.heelSection!.holes)
    expect([by.heelCover!.punched, by.heelSection!.punched]).toEqual(['now', 'later'])
  })
  it('is drawn on its pieces: by hand with holes, which say when they are punched; by machine a line', () => {
    const lines = (by: 'machine' | 'hand') => plan({ stitching: { by } }).stitching.rows.vamp!
    expect(lines('machine').every((l) => l.holes === undefined)).toBe(true)
    const hand = lines('hand').filter((l) => !l.name.startsWith('bar tack'))
    expect(hand.every((l) => (l.holes?.length ?? 0) > 0)).toBe(true)
    expect(hand.filter((l) => l.later).map((l) => l.name)).toContain('Quarter over vamp, lateral')
  })
  it('linings bear their rows as well; holes of a hand seam make another print of a piece, a machine’s line does not', () => {
    const of = (by: 'machine' | 'hand') => plan({ stitching: { by } })
    const stitched = (p: Plan) =>
      p.parts.find((x) => x.id === 'quarterLining.lateral')!.lines.filter((l) => l.kind === 'stitch')
    expect(stitched(of('hand')).map((l) => [l.name, (l.holes?.length ?? 0) > 8])).toContainEqual([
      'Quarter lining over vamp lining, lateral',
      true,
    ])
    expect(stitched(of('machine')).every((l) => l.holes === undefined)).toBe(true)
    const print = (p: Plan, part: string) => makeables(p).find((m) => m.part === part)?.print
    for (const part of ['upper.vamp', 'quarterLining.lateral']) {
      expect(print(of('hand'), part), part).not.toBe(print(of('machine'), part))
      // Another stitch of the machine is no other piece; another of the hand is.
      const finer = (by: 'machine' | 'hand') =>
        plan({ stitching: { by }, rules: { 'seam.machinePitch': 1.5, 'upper.handPitch': 4 } })
      expect(print(finer('machine'), part), part).toBe(print(of('machine'), part))
      expect(print(finer('hand'), part), part).not.toBe(print(of('hand'), part))
    }
  })
  it('one seam may be sewn in another way, its row moved, its stitch longer: no other changes', () => {
    const usual = plan()
    const id = seam(usual, 'Quarter over vamp, lateral').id
    const set = (own: Partial<OwnSeam>) => plan({ stitching: { own: { [id]: own } } })
    const moved = seam(set({ by: 'hand', fromEdge: 5, pitch: 4 }), 'Quarter over vamp, lateral')
    expect(moved).toMatchObject({ way: 'hand', fromEdge: 5, rows: 1 })
    expect(Math.abs(moved.pitch - 4)).toBeLessThan(0.2)
    const tab = usual.upper.pieces.find((x) => x.id === 'quarter.lateral')!.edges.find((e) => e.role === 'lap over')!
    for (const h of moved.on[0]!.holes.slice(1, -1)) expect(nearest(tab.line, h).away).toBeCloseTo(5, 1)
    expect(seam(set({ rows: 3 }), 'Quarter over vamp, lateral').on).toHaveLength(6)
    const others = (p: Plan) =>
      p.stitching.seams.filter((s) => s.id !== id).map((s) => [s.id, s.way, s.length, s.pitch])
    expect(others(set({ by: 'hand' }))).toEqual(others(usual))
  })
  it('an eye stay is sewn with the quarter under it, through the very holes of its facing', () => {
    const p = ofStyle('trainer', 'hand')
    const opening = p.stitching.seams.filter((s) => s.on.some((o) => o.part))
    expect(opening.map((s) => s.on.map((o) => o.piece))).toEqual([
      ['stay.lateral', 'quarter.lateral'],
      ['stay.medial', 'quarter.medial'],
    ])
    for (const s of opening) {
      const [stay, quarter] = s.on
      expect(stay!.holes.length).toBeGreaterThan(8)
      expect(stay!.holes.length).toBeLessThan(quarter!.holes.length)
      const facing = p.upper.pieces.find((x) => x.id === stay!.piece)!.edges.find((e) => e.name === 'facing')!
      // It is 22 mm wide: along the top line too its holes are those of the quarter.
      for (const h of stay!.holes) expect(nearest(facing.line, h).away).toBeLessThan(22)
    }
    expect(p.stitching.seams.filter((s) => s.name.startsWith('Eye stay, facing'))).toEqual([])
  })
  it('soles are sewn with a thicker thread, through sole, midsole and welt, or upper and midsole', () => {
    const p = plan({ construction: 'welted' })
    const sole = seam(p, 'Sole to welt')
    const thick = (id: string) => p.parts.find((x) => x.id === id)!.thickness
    expect(sole.thickness).toBeCloseTo(thick('outsole') + thick('midsole') + thick('welt'), 9)
    expect(sole.on.map((o) => [o.piece, o.punched])).toEqual([['outsole', 'later']])
    expect(sole.thread).toBeCloseTo(2 * 1.1 * (sole.length + sole.stitches * sole.thickness) + 400, 6)
    expect(p.stitching.notions.sole.thickness).toBeGreaterThan(p.stitching.notions.hand.thickness)
    const down = seam(ofStyle('stitch-down', 'hand'), 'Upper to midsole')
    const midsole = ofStyle('stitch-down', 'hand').parts.find((x) => x.id === 'midsole')!
    expect(down.on[0]!.holes).toEqual(midsole.lines.find((l) => l.holes)!.holes)
    expect(down.stitches).toBe(down.on[0]!.holes.length)
    expect(plan().stitching.seams.some((s) => s.name === 'Upper to midsole')).toBe(false)
  })
  it('a last row that leaves the lap is told, a stop where nothing lies under it, and given back by a press', () => {
    const finding = (p: Plan) => p.stitching.findings.find((f) => f.id === 'seams.lap')!
    // Two rows, the last at 3.75 mm, in a lap of 9 mm.
    expect(finding(plan())).toMatchObject({ level: 'fine', measured: expect.closeTo(9 - 3.75, 9) })
    const set = (own: Partial<OwnSeam>) => samplePair({ stitching: { own: { 'tab.lateral': own } } })
    for (const [own, level] of [
      [{ fromEdge: 6 }, 'watch'],
      [{ fromEdge: 8, rows: 3 }, 'stop'],
      [{ by: 'hand', fromEdge: 14 }, 'stop'],
    ] as const) {
      const input = set(own)
      const told = finding(planPair(input, cache))
      expect(told, JSON.stringify(own)).toMatchObject({ level, where: 'Quarter over vamp, lateral' })
      const mended = { ...input, decisions: remedied(input.decisions, told.remedy!) }
      expect(finding(planPair(mended, cache)).level).toBe('fine')
    }
  })
  it('a lap too narrow for a single row of the house is widened for all', () => {
    const rules = { 'upper.handPitch': 6, 'upper.stitchFromEdge': 5, 'upper.lapUnder': 6 }
    const input = samplePair({ stitching: { by: 'hand' }, rules })
    const finding = (p: Plan) => p.stitching.findings.find((f) => f.id === 'seams.lap')!
    const told = finding(planPair(input, cache))
    expect(told).toMatchObject({ level: 'watch', remedy: { kind: 'rule', key: 'upper.lapUnder', value: 7 } })
    const mended = { ...input, decisions: remedied(input.decisions, told.remedy!) }
    expect(finding(planPair(mended, cache)).level).toBe('fine')
  })
  it('holes of a sole too near to each other ask for a finer thread, and get one', () => {
    const rules = { 'work.solePitch': 3, 'seam.solePlies': 16 }
    const input = samplePair({ construction: 'welted', rules })
    const finding = (p: Plan) => p.stitching.findings.find((f) => f.id === 'seams.bridge')!
    const told = finding(planPair(input, cache))
    expect(told).toMatchObject({
      level: 'watch',
      where: 'Sole to welt',
      remedy: { kind: 'rule', key: 'seam.solePlies' },
    })
    const mended = { ...input, decisions: remedied(input.decisions, told.remedy!) }
    expect(finding(planPair(mended, cache)).level).toBe('fine')
    expect(seam(planPair(input, cache), 'Sole to welt')).toMatchObject({ punch: null, knot: null })
  })
  it('a row so far inside a curve that none is left is refused with what to do', () => {
    const arc: Path = Array.from({ length: 41 }, (_, i) => {
      const a = (Math.PI * i) / 40
      return [5 * Math.cos(a), 5 * Math.sin(a)] as const
    })
    expect(Math.abs(lengthOf(rowBeside(arc, 2, 'Cap')) - Math.PI * 3)).toBeLessThan(0.3)
    expect(() => rowBeside(arc, 8, 'Cap over vamp')).toThrow(/Cap over vamp: no row of stitches is left/)
  })
  it('a hand seam may be run or whipped: it takes less thread, and says so', () => {
    const of = (stitch: OwnSeam['stitch']) =>
      seam(plan({ stitching: { own: { 'tab.lateral': { by: 'hand', stitch } } } }), 'Quarter over vamp, lateral')
    expect(of(null).stitch).toBe('two needles')
    const { stitches, length, thickness } = of('running')
    expect(of('running').thread).toBeCloseTo(1.1 * (length + stitches * thickness) + 400, 6)
    expect(of('running').thread).toBeLessThan(of(null).thread)
    expect(of('whip').thread).toBeGreaterThan(of('running').thread)
  })
  it('the thread of a hand seam is knotted at its end under the insole, of an opening inside', () => {
    const p = plan({ stitching: { by: 'hand' } })
    const tab = seam(p, 'Quarter over vamp, lateral')
    expect(tab.knot!.where).toBe('bottom edge')
    const feather = p.upper.pieces
      .find((x) => x.id === tab.knot!.piece)!
      .edges.find((e) => e.role === 'lasting margin')!.line
    const ends = [tab.on[0]!.line[0]!, tab.on[0]!.line[tab.on[0]!.line.length - 1]!]
    const away = ends.map((e) => nearest(feather, e).away)
    expect(nearest(feather, tab.knot!.at).away).toBe(Math.min(...away))
    expect(Math.max(...away)).toBeGreaterThan(40)
    expect(seam(p, 'Quarter, top line, lateral').knot!.where).toBe('inside')
    expect(seam(plan(), 'Quarter over vamp, lateral').knot).toBeNull()
  })
  it('bar tacks lie across the ends at throat, tab and back, inside their pieces', () => {
    const tacks = (p: Plan) =>
      p.upper.pieces.flatMap((x) =>
        (p.stitching.rows[x.id] ?? []).filter((l) => l.name.startsWith('bar tack')).map((l) => ({ piece: x, line: l })),
      )
    const derby = tacks(plan())
    expect(derby.map((t) => [t.piece.id, t.line.name]).sort()).toEqual([
      ['quarter.lateral', 'bar tack, back'],
      ['quarter.lateral', 'bar tack, tab'],
      ['quarter.medial', 'bar tack, back'],
      ['quarter.medial', 'bar tack, tab'],
      ['vamp', 'bar tack, throat'],
      ['vamp', 'bar tack, throat'],
    ])
    for (const { piece, line } of derby) {
      expect(lengthOf(line.path)).toBeCloseTo(5, 9)
      for (const end of line.path) expect(contains(piece.outline, end), `${piece.id} ${line.name}`).toBe(true)
    }
    expect(tacks(ofStyle('court', 'machine')).every((t) => t.line.name === 'bar tack, back')).toBe(true)
  })
  it('holes too near to each other are told, and mended for the house or for that seam alone', () => {
    const finding = (p: Plan) => p.stitching.findings.find((f) => f.id === 'seams.bridge')!
    // A needle of 100 in stitches of 2 mm leaves half of it.
    expect(finding(plan())).toMatchObject({ level: 'fine', limit: 0.4 })
    expect(finding(plan()).measured).toBeCloseTo(0.5, 1)
    const fine = plan({ rules: { 'seam.machinePitch': 1.4 } })
    expect(finding(fine)).toMatchObject({ level: 'watch', remedy: { kind: 'rule', key: 'seam.machinePitch' } })
    const { value } = finding(fine).remedy as { value: number }
    expect(finding(plan({ rules: { 'seam.machinePitch': value } })).level).toBe('fine')
    const own = finding(plan({ stitching: { own: { 'tab.lateral': { pitch: 1 } } } }))
    expect(own).toMatchObject({ level: 'watch', remedy: { kind: 'choice' } })
    const { decisions } = own.remedy as { decisions: { stitching: { own: Record<string, { pitch: number }> } } }
    expect(finding(plan(decisions)).level).toBe('fine')
  })
  it('a document of before says nothing of it: it is closed by machine', () => {
    const { stitching: _, ...before } = samplePair().decisions
    expect(PairDecisions.parse(before).stitching).toEqual({ by: 'machine', own: {} })
  })
  it('a thread longer than an arm draws is named, with how many are cut', () => {
    const finding = (longest: number) =>
      plan({ stitching: { by: 'hand' }, rules: { 'seam.longestThread': longest } }).stitching.findings[0]
    expect(finding(3000)).toMatchObject({ level: 'fine' })
    expect(finding(1000)).toMatchObject({ level: 'watch', limit: 1000 })
  })
})

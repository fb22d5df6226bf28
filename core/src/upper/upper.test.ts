import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { makeForme } from '../forme/forme.ts'
import { FormeMap } from '../forme/formeMap.ts'
import { nearest } from '../geometry/polyline.ts'
import { contains, distance, pathLength, signedArea, type Point } from '../geometry/path.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import { gradeMeasures, gradeOf } from '../last/grade.ts'
import { generateLast } from '../last/generate.ts'
import type { RuleFigures } from '../model/pair.ts'
import { RuleBook } from '../trade/rules.ts'
import { foldPlaces, styles, UpperDecisions } from '../model/upper.ts'
import { punchedRow } from './decoration.ts'
import { DesignBoard } from './designPoints.ts'
import { joinsOf } from './joins.ts'
import { withMarks } from './marks.ts'
import type { Piece } from './piece.ts'
import { styleBook } from './styles/index.ts'
import { deriveUpper, type Upper } from './upper.ts'
import { spoken } from '../units/sentence.ts'

/** Short heel of whatever last, mm. */
const HEEL = 340
const layers = {
  upper: 1.4,
  own: {},
  backer: 0,
  heelLining: 0.9,
  lining: 0.9,
  stiffener: 2.4,
  gives: { usual: null, own: {} },
}
const maps = new Map<string, FormeMap>()
const mapOf = (name: keyof typeof sampleMeasures, feather: 'own' | 'mean' = 'own'): FormeMap => {
  const kept = maps.get(name + feather)
  if (kept) return kept
  const surface = generateLast(sampleMeasures[name])
  const map = new FormeMap(surface, makeForme(surface, 'true seams', 'back and vamp'), feather)
  maps.set(name + feather, map)
  return map
}
const derive = (
  name: keyof typeof sampleMeasures,
  decisions: Partial<UpperDecisions> = {},
  rules: RuleFigures = {},
): Upper =>
  deriveUpper({
    map: mapOf(name, decisions.forme?.feather),
    decisions: UpperDecisions.parse(decisions),
    book: new RuleBook({}, rules),
    heelHeight: sampleMeasures[name].heelHeight,
    heelGirth: HEEL,
    layers,
  })
const boardOf = (name: keyof typeof sampleMeasures, decisions: Partial<UpperDecisions>): DesignBoard =>
  new DesignBoard(mapOf(name), new RuleBook({}, {}), UpperDecisions.parse(decisions), HEEL)
const finding = (u: Upper, id: string) => u.findings.find((f) => f.id === id)
/** What a finding's button decides about the upper. */
const chosen = (f: ReturnType<typeof finding>) => (f?.remedy?.kind === 'choice' ? f.remedy.decisions.upper : undefined)
const allOptions = (style: (typeof styles)[number]) => [
  {},
  ...styleBook[style].options.map((o) => ({ [o.key]: true })),
  Object.fromEntries(styleBook[style].options.filter((o) => o.key !== 'straightRound').map((o) => [o.key, true])),
]

/** What every upper must be, whatever the style: closed pieces inside their cut edge, seams that fit. */
function isSound(u: Upper, ease = 0.3): void {
  for (const p of u.pieces) {
    expect(signedArea(p.net), p.name).toBeGreaterThan(50)
    expect(isSimple(p.net), `${p.name} finished`).toBe(true)
    expect(isSimple(p.outline), `${p.name} cut`).toBe(true)
    expect(signedArea(p.outline)).toBeGreaterThanOrEqual(signedArea(p.net) - 40)
    expect(p.outline.flat().every(Number.isFinite)).toBe(true)
    p.edges.forEach((e, i) => {
      const next = p.edges[(i + 1) % p.edges.length]!
      expect(distance(e.line[e.line.length - 1]!, next.line[0]!)).toBeLessThan(0.06)
    })
  }
  for (const j of u.joins) expect(Math.abs(j.ease), j.seam).toBeLessThan(ease)
  expect(joinsOf(u.pieces).unpaired).toEqual([])
}

describe.each(styles)('%s', (style) => {
  it.each(Object.keys(sampleMeasures) as (keyof typeof sampleMeasures)[])(
    'gives closed pieces whose seams fit, on the %s last, with every option',
    (name) => {
      for (const options of allOptions(style))
        isSound(derive(name, { style, options, decoration: 'punched and gimped' }))
    },
  )
  it('passes its own checks on a last it is made for', () => {
    const last = style === 'ballet flat' ? 'flat' : style === 'ankle boot' ? 'boot' : 'walking'
    const u = derive(last, { style })
    expect(u.findings.filter((f) => f.level === 'stop').map((f) => spoken(f.sentence))).toEqual([])
  })
})

describe('pieces', () => {
  let u: Upper
  beforeAll(() => {
    u = derive('walking', { style: 'oxford', options: { toeCap: true, counter: true } })
  })
  it('carry their allowances outside the finished line, each edge its own', () => {
    for (const p of u.pieces) {
      for (const e of p.edges) {
        if (pathLength(e.line) < 20) continue
        const mid = e.line[Math.floor(e.line.length / 2)]
        const away = nearest(p.outline, mid!, true).away
        expect(away).toBeLessThanOrEqual(e.allowance + 0.01)
        if (e.allowance > 0) expect(away, `${p.name}, ${e.name}`).toBeGreaterThan(0.5 * e.allowance)
      }
    }
  })
  it('whole pieces are marked at both ends of the centre and on the medial side', () => {
    const vamp = u.pieces.find((p) => p.id === 'vamp')
    expect(vamp?.marks.filter((m) => m.kind === 'centre')).toHaveLength(2)
    expect(vamp?.marks.filter((m) => m.kind === 'medial')).toHaveLength(1)
    // The medial half lies above the fold, the lateral below.
    expect(vamp?.marks.find((m) => m.kind === 'medial')?.at[1]).toBeGreaterThan(0)
    for (const p of u.pieces) for (const m of p.marks) expect(nearest(p.outline, m.at, true).away).toBeLessThan(1.2)
  })
  it('the two halves of a whole piece meet on the fold', () => {
    for (const p of u.pieces.filter((x) => x.side === 'whole')) {
      const { fold } = p
      expect(fold).not.toBeNull()
      if (!fold) continue
      for (const end of fold) expect(nearest(p.net, end, true).away).toBeLessThan(1e-6)
      const upright = Math.abs(fold[0][0] - fold[1][0]) < 1e-6
      const of = (side: string) => p.edges.filter((e) => e.side === side).flatMap((e) => e.line)
      for (const [x, y] of of('lateral')) expect(upright ? x : -y).toBeGreaterThan(-1e-6)
      for (const [x, y] of of('medial')) expect(upright ? -x : y).toBeGreaterThan(-1e-6)
    }
  })
  it('both edges of a seam carry the same match marks, at the same lengths along it', () => {
    for (const j of u.joins) {
      // Where the marks of a seam lie along one of its edges, measured from its start, mm.
      const along = (id: string, name: string) => {
        const piece = u.pieces.find((p) => p.id === id)
        const edge = piece?.edges.find((e) => e.name === name && e.seam === j.seam)
        if (!piece || !edge) return null
        return piece.marks
          .filter((m) => m.kind === 'match')
          .map((m) => nearest(edge.line, m.at))
          .filter((n) => Math.abs(n.away - edge.allowance) < 0.05)
          .map((n) => n.at)
          .sort((a, b) => a - b)
      }
      const [first, second] = [along(j.pieces[0], j.edges[0]), along(j.pieces[1], j.edges[1])]
      if (!first || !second) continue
      expect(first.length, j.seam).toBe(j.lengths[0] > 90 ? 2 : j.lengths[0] < 20 ? 0 : 1)
      // Partners run against each other.
      const mirrored = second.map((at) => j.lengths[1] - at).reverse()
      expect(mirrored).toHaveLength(first.length)
      first.forEach((at, i) => expect(at).toBeCloseTo(mirrored[i]!, 0))
    }
  })
  it('a seam just as long as the limit gets the same marks on both edges', () => {
    const edge = (length: number, side: 'lateral' | 'medial') => ({
      name: 'e',
      role: 'lap under' as const,
      line: [
        [0, 0],
        [length, 0],
      ] as Point[],
      allowance: 9,
      seam: 's',
      side,
    })
    const piece = (length: number, side: 'lateral' | 'medial') =>
      ({
        ...u.pieces[0],
        id: side,
        side,
        fold: null,
        edges: [edge(length, side)],
        net: [
          [0, 0],
          [length, 0],
          [length, 9],
        ],
      }) as Piece
    const pieces = [piece(89.99, 'lateral'), piece(90.01, 'medial')]
    const { joins } = joinsOf(pieces)
    const count = pieces.map((p) => withMarks(p, joins).marks.filter((m) => m.kind === 'match').length)
    expect(count[0]).toBe(count[1])
  })
})

describe('a heel cover', () => {
  it.each(['walking', 'boot'] as const)(
    'on the %s last shares its holes with the heel section, and is cut from its folded half',
    (last) => {
      const u = derive(last, { style: 'stitch-down' })
      const [section, cover] = ['heelSection', 'heelCover'].map((id) => u.pieces.find((p) => p.id === id) as Piece)
      const holes = cover!.sewn[0]!.holes
      expect(section!.sewn[0]!.holes).toEqual(holes)
      // As near to 6 mm as comes out whole, 3 mm inside the cover's edge, all on both pieces.
      const gaps = holes.slice(1).map((h, i) => distance(h, holes[i]!))
      for (const gap of gaps) {
        expect(gap).toBeGreaterThan(5.5)
        expect(gap).toBeLessThan(6.4)
      }
      const edge = cover!.edges.filter((e) => e.name === 'cover edge').flatMap((e) => e.line)
      for (const h of holes) {
        expect(nearest(edge, h).away).toBeCloseTo(3, 0)
        expect(contains(cover!.net, h)).toBe(true)
        expect(contains(section!.net, h)).toBe(true)
      }
      // Laid fold on fold and foot on foot, the cover's finished outline leaves the section's nowhere but where its edge is led square to the fold.
      for (const p of cover!.net) {
        if (!contains(section!.net, p)) expect(nearest(section!.net, p, true).away).toBeLessThan(0.6)
      }
      expect(cover!.fold?.[0]).toEqual(section!.fold?.[0])
    },
  )
})

describe('points', () => {
  it('a moved point stays at its place between the landmarks when the last changes', () => {
    const board = (name: keyof typeof sampleMeasures, points = {}) => {
      const b = boardOf(name, { points })
      styleBook.derby.draw(b)
      return b
    }
    const first = board('walking')
    const ankle = first.points.find((p) => p.id === 'ankle')
    expect(ankle).toBeDefined()
    if (!ankle) return
    const to: Point = [ankle.at.lateral[0] + 6, ankle.at.lateral[1] - 4]
    const place = first.placeFor(ankle, 'lateral', to)
    const again = board('walking', { 'ankle:lateral': place }).points.find((p) => p.id === 'ankle')
    expect(distance(again?.at.lateral ?? [0, 0], to)).toBeLessThan(1e-6)
    expect(again?.at.medial).toEqual(ankle.at.medial)
    expect(again?.moved).toBe('lateral')
    const other = board('heeled', { 'ankle:lateral': place }).points.find((p) => p.id === 'ankle')
    const map = mapOf('heeled')
    expect(map.toLandmarks(other?.at.lateral ?? [0, 0]).map((x) => x.toFixed(9))).toEqual(
      place.map((x) => x.toFixed(9)),
    )
  })
  it('every point goes where its figures say', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...styles),
        fc.nat(30),
        fc.double({ min: -4, max: 4, noNaN: true }),
        (style, n, by) => {
          const board = boardOf('walking', { style })
          styleBook[style].draw(board)
          const point = board.points[n % board.points.length]!
          const index = n % point.figures.length
          const wanted = point.figures[index]!.value + by
          // At the ends of the feather line there is no square to it any more.
          if (point.figures.some((f) => f.value < 8) || wanted < 8) return
          const place = board.placeByFigure(point, 'lateral', index, wanted)
          const key = `${point.id}:${point.sides.length === 1 ? 'both' : 'lateral'}`
          const moved = boardOf('walking', { style, points: { [key]: place } })
          try {
            styleBook[style].draw(moved)
          } catch (error) {
            // Some points may not go there without lines crossing; then a sentence says so.
            expect((error as Error).message).toMatch(/[Mm]ove/)
            return
          }
          const now = moved.points.find((p) => p.id === point.id)
          expect(Math.abs((now?.figures[index]!.value ?? NaN) - wanted)).toBeLessThan(0.75)
        },
      ),
      { numRuns: 40 },
    )
  })
  it('moving the throat of a court moves the edge on the last', () => {
    const before = derive('walking', { style: 'court' })
    const board = boardOf('walking', { style: 'court' })
    const throat = before.points.find((p) => p.id === 'throat')
    if (!throat) throw new Error('A court has a throat.')
    const map = mapOf('walking')
    const to = map.ridgeAt(0.66 * 290)
    const after = derive('walking', {
      style: 'court',
      points: { 'throat:both': board.placeFor(throat, 'lateral', to) },
    })
    const front = (u: Upper) => map.toLast('lateral', u.lines[0]!.path[0]!)
    expect(front(after)[0]).toBeCloseTo(0.66 * 290, 0)
    expect(front(before)[0]).toBeCloseTo(0.7 * 290, 0)
  })
})

describe('the back line', () => {
  /** The foot of the back line drawn outwards by so much. */
  const spoiled = (mm: number, taper = 0) => {
    const map = mapOf('walking')
    const foot = map.toLandmarks([-mm, 0])
    return derive('walking', {
      backTaper: taper,
      points: { 'backFoot:both': [...foot] },
    })
  }
  it('fits when it follows the last', () => {
    expect(finding(derive('walking'), 'upper.backGap')?.level).toBe('fine')
  })
  it('too flat by 4 mm is stopped, and the smallest taper that works is proposed', () => {
    const bad = finding(spoiled(4), 'upper.backGap')
    expect(bad?.level).toBe('stop')
    expect(bad?.measured).toBeCloseTo(4, 0)
    const taper = chosen(bad)?.backTaper ?? 0
    expect(taper).toBeGreaterThanOrEqual(2)
    expect(taper).toBeLessThanOrEqual(3)
    expect(finding(spoiled(4, taper), 'upper.backGap')?.level).toBe('fine')
    // Half a millimetre less would not have done, unless it is the step one begins with.
    if (taper > 2) expect(finding(spoiled(4, taper - 0.5), 'upper.backGap')?.level).not.toBe('fine')
  })
  it('what no taper mends without a bump gets no mend', () => {
    const bad = finding(spoiled(9), 'upper.backGap')
    expect(bad?.level).toBe('stop')
    expect(bad?.remedy).toEqual({ kind: 'open', control: { room: 'upper', point: 'backMiddle' } })
    expect(spoken(bad?.mend ?? '')).toContain('draw the back line anew')
  })
  it('shows the line before beside the one after: the same from mid-height up, apart by the taper at the foot', () => {
    const u = spoiled(4, 2)
    const after = u.lines.find((l) => l.kind === 'back')?.path ?? []
    const before = u.lines.find((l) => l.kind === 'before')?.path ?? []
    expect(distance(after[0]!, before[0]!)).toBeCloseTo(2, 6)
    expect(distance(after[after.length - 1]!, before[before.length - 1]!)).toBeLessThan(1e-9)
    expect(derive('walking').lines.some((l) => l.kind === 'before')).toBe(false)
  })
  it('past the bump limit the taper itself is stopped', () => {
    expect(finding(spoiled(4, 5), 'upper.backBump')?.level).toBe('stop')
    expect(finding(spoiled(4, 2), 'upper.backBump')?.level).toBe('fine')
  })
})

describe('checks', () => {
  it('one feather line for both sides costs margin, and each its own mends it', () => {
    const mean = derive(
      'walking',
      { forme: { kind: 'true seams', match: 'back and vamp', feather: 'mean', tapings: null } },
      { 'upper.lastingMargin': 15 },
    )
    const own = derive('walking', {}, { 'upper.lastingMargin': 15 })
    const least = (u: Upper) =>
      Math.min(...u.findings.filter((f) => f.id.startsWith('upper.margin')).map((f) => f.measured))
    expect(least(mean)).toBeLessThan(12)
    expect(least(own)).toBeGreaterThan(least(mean))
    // The line drawn past the feather is as far from it as the figure says, at its narrowest.
    for (const side of ['lateral', 'medial'] as const) {
      const line = own.lines.find((l) => l.kind === 'margin' && l.side === side)?.path ?? []
      const away = line.map((p) => nearest(mapOf('walking').feathers[side], p).away)
      expect(Math.min(...away)).toBeCloseTo(finding(own, `upper.margin.${side}`)?.measured ?? 0, 0)
    }
    const short = mean.findings.find((f) => f.id.startsWith('upper.margin') && f.level !== 'fine')
    expect(chosen(short)?.forme?.feather).toBe('own')
  })
  it('a mirrored throat adds to the medial margin and shifts the pattern; over a heel it is stopped', () => {
    const drawn = derive('flat', { style: 'ballet flat' })
    const mirrored = derive('flat', { style: 'ballet flat', throat: 'mirrored' })
    const difference = finding(drawn, 'upper.throat')?.measured ?? 0
    expect(difference).toBeGreaterThan(3)
    expect(difference).toBeLessThan(8)
    const margin = (u: Upper, side: string) =>
      u.pieces[0]!.edges.find((e) => e.role === 'lasting margin' && e.side === side)?.allowance ?? 0
    expect(margin(mirrored, 'medial') - margin(mirrored, 'lateral')).toBeCloseTo(difference, 1)
    const top = (u: Upper, side: string) =>
      pathLength(u.pieces[0]!.edges.find((e) => e.name === 'top line' && e.side === side)?.line ?? [])
    expect(Math.abs(top(mirrored, 'lateral') - top(mirrored, 'medial'))).toBeLessThan(0.01)
    expect(finding(derive('heeled', { style: 'court', throat: 'mirrored' }), 'upper.throat')?.level).toBe('stop')
  })
  it('a measured ankle bone lowers what is allowed', () => {
    const low = derive('walking', { ankleBone: { lateral: 34, medial: null } })
    expect(finding(low, 'upper.ankle.lateral')?.level).toBe('stop')
    expect(finding(low, 'upper.ankle.medial')?.level).toBe('fine')
    expect(finding(derive('walking', { ankleBone: { lateral: 60, medial: 60 } }), 'upper.ankle.lateral')?.level).toBe(
      'fine',
    )
  })
  it('a lacing led past the crease line is stopped', () => {
    expect(finding(derive('walking'), 'upper.vampLength')?.level).toBe('fine')
    const late = derive('walking', {}, { 'upper.derbyTab': 0.67, 'upper.vampBehindCrease': 20 })
    expect(finding(late, 'upper.vampLength')?.level).not.toBe('fine')
  })
  it('a zip that ends too high does not let the last out', () => {
    const map = mapOf('boot')
    const high = map.toLandmarks(map.above(90, 75))
    const u = derive('boot', { style: 'ankle boot', points: { 'zipFoot:both': [...high] } })
    expect(finding(u, 'upper.zip')?.level).toBe('stop')
    // The opening: both sides of the top and twice the zip.
    const good = derive('boot', { style: 'ankle boot' })
    const line = (kind: string) => good.lines.filter((l) => l.kind === kind).reduce((s, l) => s + pathLength(l.path), 0)
    expect(finding(good, 'upper.zipGirth')).toMatchObject({ level: 'fine', limit: 340 * 1.06 })
    expect(finding(good, 'upper.zipGirth')?.measured).toBeCloseTo(line('top line') + 2 * line('zip'), 6)
    expect(finding(u, 'upper.zipGirth')?.measured).toBeLessThan(finding(good, 'upper.zipGirth')?.measured ?? 0)
  })
  it('a seam drawn over the joint crosses the crease line', () => {
    const map = mapOf('walking')
    const ahead = map.toLandmarks(map.above(0.7 * 290, 40))
    const u = derive('walking', { style: 'oxford', points: { 'seamShoulder:lateral': [...ahead] } })
    expect(u.findings.some((f) => f.id.startsWith('upper.crease') && f.level === 'watch')).toBe(true)
  })
})

describe('what a shoemaker would see at once', () => {
  const turns = (line: readonly Point[]) =>
    line.slice(2).map((c, i) => {
      const [a, b] = [line[i]!, line[i + 1]!]
      const cross = (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0])
      const dot = (b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1])
      return (Math.atan2(cross, dot) * 180) / Math.PI
    })

  it.each(styles)('the top line of a %s comes square onto the back, so that both sides make one curve', (style) => {
    for (const name of Object.keys(sampleMeasures) as (keyof typeof sampleMeasures)[]) {
      const board = boardOf(name, { style })
      const drawn = styleBook[style].draw(board)
      const back = drawn.backLine
      if (!back) continue
      const up = [back[back.length - 4], back[back.length - 1]]
      for (const side of ['lateral', 'medial'] as const) {
        const line = drawn.topLine[side]
        const [p, q] = [line[line.length - 2]!, line[line.length - 1]!]
        expect(distance(q, up[1]!)).toBeLessThan(0.01)
        const [ax, ay, bx, by] = [up[1]![0] - up[0]![0], up[1]![1] - up[0]![1], p[0] - q[0], p[1] - q[1]]
        const angle = (Math.acos((ax * bx + ay * by) / Math.hypot(ax, ay) / Math.hypot(bx, by)) * 180) / Math.PI
        expect(Math.abs(angle - 90), `${name}, ${side}`).toBeLessThan(4)
      }
    }
  })
  it.each(styles)('the toe of a %s is round: fine chords, no corner, nowhere hollow', (style) => {
    for (const name of Object.keys(sampleMeasures) as (keyof typeof sampleMeasures)[]) {
      const u = derive(name, { style })
      const toe = u.pieces.find(
        (p) =>
          p.fold &&
          p.edges.some((e) => e.role === 'lasting margin' || e.role === 'turned-out margin') &&
          p.id !== 'counter' &&
          p.id !== 'heelSection' &&
          p.id !== 'heelCover',
      )
      if (u.open.toes) continue
      if (!toe) throw new Error('A shoe has a forepart.')
      for (const side of ['lateral', 'medial']) {
        const edge = toe.edges.find((e) => e.side === side && e.name === 'feather')?.line ?? []
        const near = side === 'lateral' ? edge.slice(-40) : edge.slice(0, 40)
        for (const [i, t] of turns(near).entries()) {
          expect(t, `${name}, ${side}, ${i}`).toBeGreaterThan(-0.4)
          expect(t, `${name}, ${side}, ${i}`).toBeLessThan(6)
        }
        expect(Math.max(...near.slice(1).map((p, i) => distance(p, near[i]!)))).toBeLessThan(2)
      }
    }
  })
  it('a punched row has a large hole on the fold, and small pairs between equal steps on either side', () => {
    const line: Point[] = [
      [0, -40],
      [0, 0],
      [0, 33],
    ]
    const holes = punchedRow(line, 5, 7, 2.5, 1.2, 40)
    const large = holes.filter((h) => h.diameter === 2.5).map((h) => h.at[1])
    expect(large.some((y) => Math.abs(y) < 1e-9)).toBe(true)
    const gaps = large.slice(1).map((y, i) => y - large[i]!)
    // Equal from the fold to each corner, near the pitch, with half a step left at the corner.
    for (const g of gaps) expect(Math.abs(g - 7)).toBeLessThan(1)
    expect(40 + large[0]!).toBeCloseTo(gaps[0]! / 2, 6)
    expect(33 - large[large.length - 1]!).toBeCloseTo(gaps[gaps.length - 1]! / 2, 6)
    expect(holes.filter((h) => h.diameter === 1.2)).toHaveLength(2 * (large.length - 1))
  })
  it('a gimped edge has a root on the fold, from which the centre slit goes in clear of the teeth', () => {
    const u = derive('walking', { style: 'oxford', options: { toeCap: true }, decoration: 'punched and gimped' })
    const cap = u.pieces.find((p) => p.id === 'cap')
    if (!cap?.fold) throw new Error('no cap')
    const slit = cap.marks.find((m) => m.kind === 'centre slit')
    if (!slit) throw new Error('no slit')
    expect(nearest(cap.outline, slit.at, true).away).toBeLessThan(0.3)
    const tip: Point = [slit.at[0] + 3 * slit.inwards[0], slit.at[1] + 3 * slit.inwards[1]]
    expect(contains(cap.outline, tip)).toBe(true)
    expect(
      Math.min(...cap.holes.map((h) => (distance(h.at, [0, 0]) > 30 ? Infinity : Math.abs(h.at[1])))),
    ).toBeLessThan(0.5)
  })
})

describe('designed folds', () => {
  it.each([
    ['ankle boot', 'vamp'],
    ['pull-on boot', 'vamp'],
    ['mule', 'upper'],
    ['derby', 'vamp'],
  ] as const)(
    'lie over the instep, over the toes or all along on a %s, and gain what is asked wherever',
    (style, id) => {
      const middle = (u: Upper) => u.pieces.find((p) => p.id === id)!.fold!
      const feather = (u: Upper) =>
        u.pieces
          .find((p) => p.id === id)!
          .edges.filter((e) => e.name === 'feather')
          .reduce((sum, e) => sum + pathLength(e.line), 0)
      const plain = derive('boot', { style })
      const stretch = (where: (typeof foldPlaces)[number]) => {
        const u = derive('boot', { style, folds: { versions: [24], chosen: 0, where } })
        expect(distance(...middle(u)) - distance(...middle(plain))).toBeCloseTo(24, 6)
        expect(Math.abs(feather(u) - feather(plain))).toBeLessThan(12)
        isSound(u, 1)
        const tops = u.opened!.slashes.map(([top]) => nearest(mapOf('boot').centre, top!).at)
        return { first: Math.min(...tops), last: Math.max(...tops) }
      }
      const [instep, toes, all] = foldPlaces.filter((where) => where !== 'shaft').map(stretch)
      expect(toes!.first).toBeGreaterThan((instep!.first + instep!.last) / 2)
      expect(toes!.last).toBeGreaterThan(instep!.last + 10)
      expect(all!.first).toBeCloseTo(instep!.first, 6)
      expect(all!.last).toBeCloseTo(toes!.last, 6)
    },
  )
  it('open the centre line, leave the feather line as it is, and keep the seam', () => {
    const plain = derive('boot', { style: 'ankle boot' })
    const folded = derive('boot', { style: 'ankle boot', folds: { versions: [20, 40], chosen: 1, where: 'instep' } })
    const vamp = (u: Upper) => {
      const p = u.pieces.find((x) => x.id === 'vamp')
      if (!p) throw new Error('A boot has a vamp.')
      return p
    }
    // What is asked for is what the centre line gains.
    expect(folded.opened?.gained).toBeCloseTo(40, 6)
    const { fold } = vamp(folded)
    const { fold: before } = vamp(plain)
    if (!fold || !before) throw new Error('A vamp is folded along its centre.')
    expect(distance(...fold) - distance(...before)).toBeCloseTo(40, 6)
    const length = (u: Upper, name: string, side: string) =>
      pathLength(vamp(u).edges.find((e) => e.name === name && e.side === side)?.line ?? [])
    for (const side of ['lateral', 'medial']) {
      // Growth is zero at the feather line, up to what rounding the toe takes.
      expect(Math.abs(length(folded, 'feather', side) - length(plain, 'feather', side))).toBeLessThan(6)
      // The seam is led square to a fold that now leaves the throat another way: a stated ease, under a millimetre.
      expect(Math.abs(length(folded, 'vamp seam', side) - length(plain, 'vamp seam', side))).toBeLessThan(1)
    }
    isSound(folded, 1)
    // The slashes are shown where they lie on the forme: from the centre line down to the feather, apart from each other.
    const map = mapOf('boot')
    const slashes = folded.opened?.slashes ?? []
    expect(slashes).toHaveLength(8)
    for (const [top, foot] of slashes) {
      expect(nearest(map.centre, top!).away).toBeLessThan(1e-6)
      expect(nearest(map.feather, foot!).away).toBeLessThan(1e-6)
      expect(nearest(map.centre, top!).at).toBeGreaterThan(nearest(map.centre, map.ridgeAt(0.57 * 300)).at)
    }
    expect(plain.opened?.slashes).toEqual([])
    expect(
      derive('boot', { style: 'ankle boot', folds: { versions: [20, 40], chosen: 0, where: 'instep' } }).opened?.gained,
    ).toBeLessThan(folded.opened?.gained ?? 0)
  })
})

describe('versions of the folds', () => {
  it('are kept side by side: the chosen one is cut, the others can be laid over it', () => {
    const u = derive('boot', { style: 'ankle boot', folds: { versions: [10, 25, 40], chosen: 1, where: 'instep' } })
    expect(u.foldVersions.map((v) => v.amount)).toEqual([10, 25, 40])
    // The throat lies at the origin, the toe at the end of the fold line.
    const spans = u.foldVersions.map((v) => Math.max(...v.outline.map((p) => p[0])))
    expect(spans[1]).toBeGreaterThan(spans[0]! + 5)
    expect(spans[2]).toBeGreaterThan(spans[1]! + 5)
    const cut = u.pieces.find((p) => p.id === 'vamp')
    expect(cut?.outline).toEqual(u.foldVersions[1]!.outline)
    expect(derive('boot', { style: 'ankle boot' }).foldVersions).toEqual([])
  })
})

describe('strain', () => {
  it('names the worst stretched and crowded places, within what leather gives on these lasts', () => {
    for (const name of ['flat', 'walking', 'heeled', 'boot'] as const) {
      const u = derive(name)
      for (const side of ['lateral', 'medial']) {
        const f = finding(u, `upper.strain.${side}`)
        expect(spoken(f?.sentence ?? '')).toMatch(
          /has to stretch by up to [\d.]+ % \(at the .*crowds by up to [\d.]+ %/,
        )
        expect(f?.measured).toBeGreaterThan(0.03)
        expect(f?.measured).toBeLessThan(0.17)
      }
    }
    expect(finding(derive('boot', {}, { 'upper.mostStretch': 0.06 }), 'upper.strain.lateral')?.level).toBe('watch')
  })
})

describe('the top line', () => {
  it('folded: tape as long as the line, slits that stop short of it, inside the piece’s cut edge', () => {
    const u = derive('walking', { style: 'court' })
    expect(u.topFinish.tape).toBeCloseTo(u.topFinish.opening, 9)
    expect(u.topFinish.slits).toBeGreaterThan(4)
    for (const p of u.pieces) {
      for (const s of p.slits) {
        expect(distance(s.from, s.to)).toBeCloseTo(5 - 1.5, 6)
        expect(contains(p.net, s.to)).toBe(false)
      }
    }
  })
  it('counts the opening once, whatever is laid on it', () => {
    for (const style of styles) {
      const u = derive(style === 'ankle boot' ? 'boot' : 'walking', { style })
      // Of straps all edges count: those over the foot, and both of what goes round the heel to its free end.
      if (u.open.toes) continue
      const drawn = u.lines.filter((l) => l.kind === 'top line').reduce((s, l) => s + pathLength(l.path), 0)
      expect(Math.abs(u.topFinish.opening - drawn), style).toBeLessThan(1)
    }
  })
  it('bead: the opening and 50 mm; a narrow strip asks for a tape', () => {
    const u = derive('flat', { style: 'ballet flat' })
    expect(u.topFinish.strip?.length).toBeCloseTo(u.topFinish.opening + 50, 9)
    expect(u.topFinish.tape).toBeNull()
    // Kerfs only where the edge is hollow, in order along the strip, none in its spare ends.
    expect(u.topFinish.kerfs).toHaveLength(u.topFinish.slits)
    u.topFinish.kerfs.forEach((k, i) => expect(k).toBeGreaterThan(i === 0 ? 25 : u.topFinish.kerfs[i - 1]!))
    expect(Math.max(...u.topFinish.kerfs)).toBeLessThan(u.topFinish.opening + 25)
    expect(derive('flat', { style: 'ballet flat' }, { 'upper.beadStrip': 16 }).topFinish.tape).not.toBeNull()
  })
  it('bound: twice the reveal, what it wraps, and the turn-in', () => {
    const u = derive('walking', { topFinish: 'bound' })
    expect(u.topFinish.strip?.width).toBeCloseTo(2 * 1.75 + 1.4 + 0.9 + 6, 9)
  })
})

describe('random lasts', () => {
  it('of other sizes and heels give sound uppers in every style', () => {
    const grade = gradeOf('paris', 'kept', new RuleBook({}, {}))
    fc.assert(
      fc.property(
        fc.constantFrom('flat', 'walking', 'heeled', 'boot'),
        fc.integer({ min: -3, max: 3 }),
        fc.double({ min: -3, max: 4, noNaN: true }),
        fc.constantFrom(...styles),
        (name, sizes, heel, style) => {
          const base = sampleMeasures[name]
          const measures = gradeMeasures({ ...base, heelHeight: base.heelHeight + heel }, sizes, grade)
          let surface
          try {
            surface = generateLast(measures)
          } catch (error) {
            // Not every last can be made; that is the generator's to say.
            expect((error as Error).name).toBe('GeometryError')
            return
          }
          const map = new FormeMap(surface, makeForme(surface, 'paper', 'all round'))
          const book = new RuleBook({}, {})
          const u = deriveUpper({
            map,
            decisions: UpperDecisions.parse({ style, options: { toeCap: true } }),
            book,
            heelHeight: measures.heelHeight,
            heelGirth: 330,
            layers,
          })
          isSound(u)
        },
      ),
      {
        numRuns: 10,
        examples: [
          ['walking', 0, 3.4279157036786696, 'trainer'],
          // The feather had a point within a hair of the heel cover's front.
          ['heeled', 1, 0, 'stitch-down'],
        ],
      },
    )
  })
})

describe('random lasts and points', () => {
  it('whatever is drawn is sound, or refused with a sentence', () => {
    const share = fc.double({ min: -1, max: 1, noNaN: true })
    fc.assert(
      fc.property(
        fc.constantFrom(...styles),
        fc.constantFrom('flat', 'walking', 'heeled', 'boot'),
        fc.array(share, { minLength: 8, maxLength: 8 }),
        (style, name, moves) => {
          const last = name
          const board = boardOf(last, { style })
          styleBook[style].draw(board)
          const points: UpperDecisions['points'] = {}
          board.points.slice(0, 4).forEach((p, i) => {
            const at = p.at.lateral
            points[`${p.id}:${p.sides.length === 1 ? 'both' : 'lateral'}`] = board.placeFor(p, 'lateral', [
              at[0] + 9 * moves[2 * i]!,
              at[1] + 9 * moves[2 * i + 1]!,
            ])
          })
          let u: Upper
          try {
            u = derive(last, { style, points })
          } catch (error) {
            expect((error as Error).name).toBe('GeometryError')
            expect((error as Error).message).toMatch(/[Mm]ove/)
            return
          }
          isSound(u)
        },
      ),
      { numRuns: 60, examples: [['ankle boot', 'heeled', [0, 0, 0, 0, 0, 0, -0.042, 0]]] },
    )
  })
})

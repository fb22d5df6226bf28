import { describe, expect, it } from 'vitest'
import { keptCache } from '../../../test/keptCache.ts'
import { sampleMaterials, samplePair } from '../../../test/samplePair.ts'
import { pairOfEachStyle } from '../../../test/warmAndCold.ts'
import { pathLength, signedArea, type Path } from '../../geometry/path.ts'
import { pointAt } from '../../geometry/polyline.ts'
import { pile } from '../../edges/pile.ts'
import { WallStack } from '../../layers/wallStack.ts'
import type { PlanInput } from '../../model/pair.ts'
import type { TopFinish, UpperDecisions } from '../../model/upper.ts'
import type { FootPlan } from '../../plan/plan.ts'
import { planPair } from '../../plan/planPair.ts'
import { remedied } from '../../trade/remedy.ts'
import { spoken } from '../../units/sentence.ts'

const cache = keptCache()
const finished = (input: PlanInput, change: Partial<UpperDecisions>, rules: Record<string, number> = {}): FootPlan =>
  planPair(
    {
      ...input,
      decisions: { ...input.decisions, rules, upper: { ...input.decisions.upper, ...change } },
    },
    cache,
  )
const oxford = samplePair({ upper: { style: 'oxford', options: { straightRound: true } } })
const derby = samplePair({ upper: { style: 'derby' } })
const part = (plan: FootPlan, id: string) => {
  const found = plan.parts.find((p) => p.id === id)
  if (!found) throw new Error(`No ${id}.`)
  return found
}
const widthOf = (outline: Path) => Math.max(...outline.map((p) => p[1])) - Math.min(...outline.map((p) => p[1]))
const longOf = (outline: Path) => Math.max(...outline.map((p) => p[0])) - Math.min(...outline.map((p) => p[0]))

/** What the lines of the design measure that the edge runs along: not read off pieces. */
const openingOf = (plan: FootPlan, facings: boolean) =>
  plan.upper.open.toes ? edgesOfStraps(plan) : openingByLines(plan, facings)
/** Both edges of every strap, of what they are cut as. */
const edgesOfStraps = (plan: FootPlan) =>
  plan.upper.pieces
    .flatMap((p) => p.edges.filter((e) => e.name === 'top line'))
    .reduce((sum, e) => sum + pathLength(e.line), 0)
const openingByLines = (plan: FootPlan, facings: boolean) =>
  plan.upper.lines
    .filter((l) => l.kind === 'top line' || (facings && l.kind === 'facing'))
    .reduce((sum, l) => sum + pathLength(l.path), 0)

/** How thick a part is on the lateral wall, so many mm inside of the top line. */
function thicknessInside(plan: FootPlan, part: string): (inside: number) => number {
  const stack = new WallStack(plan.layers.areas)
  const line = plan.upper.lines.find((l) => l.kind === 'top line' && l.side === 'lateral')!.path
  const half = pathLength(line) * 0.6
  const [p, q] = [pointAt(line, half), pointAt(line, half + 0.5)]
  const l = Math.hypot(q[0] - p[0], q[1] - p[1])
  return (inside) => {
    const at = [p[0] - ((q[1] - p[1]) / l) * inside, p[1] + ((q[0] - p[0]) / l) * inside] as const
    return stack.thickness('lateral', at, (a) => a.part === part)
  }
}

describe('what is laid along the opening', () => {
  it('is as long as the opening of every style, with every finish, down the facings or not', () => {
    const strips: [TopFinish, string, number][] = [
      ['bead', 'bead', 50],
      ['bound', 'binding', 50],
      ['folded', 'topTape', 0],
    ]
    for (const [style, input] of Object.entries(pairOfEachStyle)) {
      if (style === 'own pattern') continue
      const laced = finished(input, {}).upper.lines.some((l) => l.kind === 'facing')
      for (const finishOnFacings of laced ? [false, true] : [false]) {
        for (const [topFinish, id, spare] of strips) {
          const plan = finished(input, { topFinish, finishOnFacings })
          // Each edge of a strap has a strip of its own, with its spare.
          const runs = plan.upper.open.toes ? 7 : 1
          // A heel in one piece is straightened along its fold: a few tenths.
          expect(
            Math.abs(longOf(part(plan, id).outline) - openingOf(plan, finishOnFacings) - runs * spare),
            style,
          ).toBeLessThan(0.5)
          expect(plan.parts.filter((p) => ['bead', 'binding', 'topTape'].includes(p.id)).map((p) => p.id)).toEqual([id])
        }
      }
    }
  })
  it('runs down both facings of a straight-round oxford by itself, and of other shoes when asked', () => {
    const round = finished(oxford, { topFinish: 'bead' })
    const [whole, alone] = [round.upper.topFinish.opening, openingOf(round, false)]
    expect(whole).toBeCloseTo(openingOf(round, true), 1)
    expect(whole / alone).toBeGreaterThan(1.25)
    expect(whole / alone).toBeLessThan(1.5)
    const without = finished(oxford, { topFinish: 'bead', finishOnFacings: false })
    expect(without.upper.topFinish.opening).toBeCloseTo(alone, 1)
    expect(finished(derby, { topFinish: 'bead' }).upper.topFinish.onFacings).toBe(false)
    const facing = (plan: FootPlan) =>
      plan.upper.pieces.flatMap((p) => p.edges.filter((e) => e.name === 'facing').map((e) => e.role))
    expect(facing(round)).toEqual(['bead', 'bead'])
    expect(facing(without)).toEqual(['folded', 'folded'])
  })
  it('has its marks where ends, corners and back lie on it, and its cuts between them', () => {
    const plan = finished(oxford, { topFinish: 'bead' })
    const line = (kind: string, side: string) =>
      pathLength(plan.upper.lines.find((l) => l.kind === kind && l.side === side)!.path)
    const [f, t, m, g] = [
      line('facing', 'lateral'),
      line('top line', 'lateral'),
      line('top line', 'medial'),
      line('facing', 'medial'),
    ]
    const wanted = [0, f, f + t, f + t + m, f + t + m + g].map((at) => 25 + at)
    const { marks, kerfs, nips } = plan.upper.topFinish
    expect(marks.map((k) => k.name)).toEqual([
      'front, lateral',
      'top of the facing, lateral',
      'back',
      'top of the facing, medial',
      'front, medial',
    ])
    marks.forEach((k, i) => expect(k.at).toBeCloseTo(wanted[i]!, 3))
    // The corners at the top of the facings stand out and are notched; the hollow under either ankle is slit.
    expect(nips.map((at) => Math.round(at))).toEqual([wanted[1], wanted[3]].map((at) => Math.round(at!)))
    for (const [from, to] of [
      [wanted[1]!, wanted[2]!],
      [wanted[2]!, wanted[3]!],
    ] as const) {
      expect(kerfs.filter((at) => at > from && at < to).length).toBeGreaterThan(3)
    }
    expect(kerfs.every((at) => at > wanted[1]! && at < wanted[3]!)).toBe(true)
    const drawn = part(plan, 'bead').lines
    expect(drawn.filter((l) => l.name === 'kerf').map((l) => l.path[0]![0])).toEqual(kerfs)
    expect(drawn.filter((l) => l.kind === 'mark').map((l) => l.path[0]![0])).toEqual(marks.map((k) => k.at))
  })
  it('on a slip-on begins and ends at the back, on a boot at the zip', () => {
    const ends = (plan: FootPlan) => {
      const { marks } = plan.upper.topFinish
      return [marks[0]!.name, marks[marks.length - 1]!.name]
    }
    expect(ends(finished(pairOfEachStyle.court, {}))).toEqual(['back', 'back'])
    expect(ends(finished(pairOfEachStyle['ankle boot'], {}))).toEqual(['zip', 'zip'])
  })
  it('is folded into a long leg and a short one; the long one must reach behind the punched row', () => {
    const plan = finished(oxford, { topFinish: 'bead', decoration: 'punched' })
    const bead = part(plan, 'bead')
    const fold = bead.lines.find((l) => l.kind === 'fold')!.path[0]![1]
    expect(widthOf(bead.outline)).toBe(30)
    expect(fold).toBeCloseTo(0.4 * 30, 9)
    // 18 mm less the reveal, against 6 mm to the row, half a large hole, and 3 mm past it.
    const leg = bead.findings.find((f) => f.id === 'bead.leg')!
    expect(leg.level).toBe('fine')
    expect(leg.measured).toBeCloseTo(18 - 1.75, 9)
    expect(leg.limit).toBeCloseTo(6 + 1.25 + 3, 9)
    const narrow = finished(oxford, { topFinish: 'bead', decoration: 'punched' }, { 'upper.beadStrip': 18 })
    const short = part(narrow, 'bead').findings.find((f) => f.id === 'bead.leg')!
    expect(short.level).toBe('watch')
    expect(short.remedy).toEqual({ kind: 'rule', key: 'upper.beadLongLeg', value: 0.67 })
    const mended = { 'upper.beadStrip': 18, 'upper.beadLongLeg': 0.67 }
    const again = part(finished(oxford, { topFinish: 'bead', decoration: 'punched' }, mended), 'bead')
    expect(again.findings.find((f) => f.id === 'bead.leg')!.level).toBe('fine')
    // Plain, only the seam has to be covered.
    expect(part(finished(oxford, { topFinish: 'bead' }), 'bead').findings[0]!.limit).toBeCloseTo(1.75 + 3, 9)
  })
  it('the leg reaches behind a row that was moved for one seam alone', () => {
    const own = {
      'quarter.lateral.top line.lateral': { by: null, pitch: null, fromEdge: 14, stitch: null, rows: null },
    }
    const decisions = { ...oxford.decisions, stitching: { by: 'machine' as const, own } }
    const leg = part(finished({ ...oxford, decisions }, { topFinish: 'bead' }), 'bead').findings[0]!
    expect(leg.limit).toBeCloseTo(14 + 3, 9)
    expect(leg.level).toBe('watch')
  })
  it('a very narrow strip has legs that are all edge', () => {
    const { skives } = part(finished(derby, { topFinish: 'bead' }, { 'upper.beadStrip': 12 }), 'bead')
    const profileOf = (name: string) => skives.find((k) => k.name === name)!.profile
    // Legs of 7.2 and 4.8 mm, thinned over 5 mm or as far as they go.
    expect(profileOf('long leg')[1]![0]).toBe(5)
    expect(profileOf('short leg')[1]![0]).toBeCloseTo(4.8, 9)
  })
  it('a leg that no fold of so narrow a strip makes long enough asks for a wider one, and is cured by it', () => {
    const rules = { 'upper.beadStrip': 14, 'upper.punchFromEdge': 10 }
    const narrow = { ...oxford, decisions: { ...oxford.decisions, rules } }
    const beaded = { topFinish: 'bead', decoration: 'punched' } as const
    const leg = part(finished(narrow, beaded, rules), 'bead').findings[0]!
    expect(leg.level).toBe('watch')
    // 10 mm to the row, half a large hole, 3 mm past it and the reveal are three quarters of the strip.
    expect(spoken(leg.mend)).toBe('Cut the strip 22 mm wide and fold it at 0.75 of its width.')
    const mended = remedied(narrow.decisions, leg.remedy!).rules
    expect(mended).toMatchObject({ 'upper.beadStrip': 22, 'upper.beadLongLeg': 0.75 })
    expect(part(finished(oxford, beaded, mended), 'bead').findings[0]!.level).toBe('fine')
  })
  it('is skived to what four layers bear, cloth is not, thin leather no thinner than it is', () => {
    const of = (input: PlanInput, own: Record<string, string>) =>
      part(
        planPair(
          {
            ...input,
            decisions: {
              ...input.decisions,
              pieceMaterials: own,
              upper: { ...input.decisions.upper, topFinish: 'bead' },
            },
          },
          cache,
        ),
        'bead',
      )
    const usual = of(derby, {})
    // Each at one setting of the guide: the strip first, then what runs out to nothing.
    expect(usual.skives.map((s) => [s.name, s.profile])).toEqual([
      [
        'whole strip',
        [
          [0, 0.8],
          [30, 0.8],
        ],
      ],
      [
        'long leg',
        [
          [0, 0],
          [5, 0.8],
        ],
      ],
      [
        'short leg',
        [
          [0, 0],
          [5, 0.8],
        ],
      ],
      [
        'first end',
        [
          [0, 0],
          [15, 0.8],
        ],
      ],
      [
        'other end',
        [
          [0, 0],
          [15, 0.8],
        ],
      ],
    ])
    const upper = sampleMaterials.find((m) => m.id === derby.decisions.materials.upper)!
    const thin = { ...upper, id: '01930000-0000-7000-8000-0000000000f1', name: 'Thin kid', thickness: 0.6 }
    const kid = of({ ...derby, materials: [...derby.materials, thin] }, { bead: thin.id })
    expect(kid.materialName).toBe('Thin kid')
    const cloth = { ...thin, kind: 'lining cloth' as const, serves: ['upper' as const] }
    const woven = of({ ...derby, materials: [...derby.materials, cloth] }, { bead: cloth.id })
    expect(woven.skives).toEqual([])
    expect(kid.skives[0]!.profile).toEqual([
      [0, 0],
      [5, 0.6],
    ])
  })
  it('lies between lining and upper as thick as its legs are', () => {
    const at = thicknessInside(finished(pairOfEachStyle.court, { topFinish: 'bead' }), 'bead')
    // Short leg to 12 - 1.75 = 10.25 mm, long one to 16.25 mm, either to nothing over 5 mm.
    expect(at(3)).toBeCloseTo(1.6, 2)
    expect(at(7.75)).toBeCloseTo(0.8 + 0.4, 1)
    expect(at(10.8)).toBeCloseTo(0.8, 1)
    expect(at(13.75)).toBeCloseTo(0.4, 1)
    expect(at(17)).toBeCloseTo(0, 6)
  })
})

it('a binding lies on the lining to nothing, and outside as far as it shows', () => {
  const bound = finished(pairOfEachStyle.court, { topFinish: 'bound' })
  const at = thicknessInside(bound, 'binding')
  // As thick as two of its leather where it shows, one down to 7.75 mm, its last 5 mm to nothing.
  expect(at(0.9)).toBeCloseTo(1.6, 2)
  expect(at(2.3)).toBeCloseTo(0.8, 2)
  expect(at(5.25)).toBeCloseTo(0.4, 1)
  expect(at(8.5)).toBeCloseTo(0, 6)
  expect(bound.layers.findings.find((f) => f.id === 'layers.step.binding')).toMatchObject({ level: 'fine', limit: 0.4 })
})

describe('an edge with its strip, cut through', () => {
  const seam = (plan: FootPlan, kind: string) => plan.edges.seams.find((s) => s.kind === kind)!
  it('a bead: four layers with the lining, its legs as large as their profiles', () => {
    const s = seam(finished(derby, { topFinish: 'bead' }), 'bead')
    expect(s.thickest.after).toBeCloseTo(1.4 + 2 * 0.8, 6)
    expect(s.thickest.before).toBeCloseTo(3 * 1.4, 6)
    const area = (part: string) =>
      pile(s.after)
        .filter((body) => body.part === part)
        .map((body) => Math.abs(signedArea(body.outline)))
    // Each leg: its width times 0.8, less the triangle that is skived away over 5 mm.
    const [inner, outer] = area('bead')
    expect(inner).toBeCloseTo(12 * 0.8 - (5 * 0.8) / 2, 3)
    expect(outer).toBeCloseTo(18 * 0.8 - (5 * 0.8) / 2, 3)
    expect(s.step!.after).toBeLessThan(s.step!.before)
  })
  it('a binding: round upper and lining, twice its thickness more', () => {
    const s = seam(finished(derby, { topFinish: 'bound' }), 'bound')
    expect(s.thickest.after).toBeCloseTo(0.8 + 0.9 + 1.4 + 0.8, 6)
    expect(spoken(s.skives.map((k) => k.sentence)[0]!)).toContain('0.8')
    expect(s.skives[0]!.shape).toBe('to nothing')
    const [inner, outer] = pile(s.after).filter((b) => b.part === 'binding')
    // 6 mm turned in below the 1.75 that show, to nothing over 5 of them, and 0.8 past the edge.
    expect(Math.abs(signedArea(inner!.outline))).toBeCloseTo((6 + 1.75 + 0.8) * 0.8 - (5 * 0.8) / 2, 3)
    expect(Math.abs(signedArea(outer!.outline))).toBeCloseTo(1.75 * 0.8 + 0.8 * (0.8 + 0.9 + 1.4), 3)
    // Each of its legs is told as thick as it is, not with what it wraps.
    expect(
      pile(s.after)
        .filter((b) => b.part === 'binding')
        .map((b) => b.thickest),
    ).toEqual([0.8, 0.8])
  })
  it('what is stitched through there counts the strip, and the lining once', () => {
    const sewn = (topFinish: TopFinish) =>
      finished(derby, { topFinish }).stitching.seams.find(
        (s) =>
          s.kind === (topFinish === 'bound' ? 'bound' : topFinish === 'bead' ? 'bead' : 'fold') &&
          s.name.includes('top line'),
      )!.thickness
    expect(sewn('bead')).toBeCloseTo(1.4 + 1.6 + 0.9, 6)
    expect(sewn('bound')).toBeCloseTo(1.4 + 1.6 + 0.9, 6)
  })
})

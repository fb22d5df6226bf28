import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { corkId, sampleMaterials, samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { pathLength, signedArea } from '../geometry/path.ts'
import { unite } from '../geometry/polygonClip.ts'
import { LeftShoe } from '../model/pair.ts'
import { WallStack } from '../layers/wallStack.ts'
import { styles } from '../model/upper.ts'
import type { FootPlan, Plan } from '../plan/plan.ts'
import { planPair } from '../plan/planPair.ts'
import { remedied } from '../trade/remedy.ts'
import { seamInWall } from './seamInWall.ts'
import type { SeamSection } from './seamSection.ts'
import { leftOf, widthOf } from './skivingList.ts'
import { totalAt } from './pile.ts'

const cache = keptCache(24)
type Change = NonNullable<Parameters<typeof samplePair>[0]>
const plan = (change: Change = {}, thickness: Record<string, number> = {}): Plan =>
  planPair(pairOf(change, thickness), cache)
function pairOf(change: Change, thickness: Record<string, number>) {
  const pair = samplePair(change)
  return {
    ...pair,
    materials: pair.materials.map((m) => ({ ...m, thickness: thickness[m.kind] ?? m.thickness })),
  }
}
const ways: Partial<Record<(typeof styles)[number], Change>> = {
  'stitch-down': { construction: 'stitch-down' },
  trainer: { construction: 'cup sole' },
}
const ofStyle = (style: (typeof styles)[number]): Plan => plan({ ...ways[style], upper: { style } })
const seam = (p: FootPlan, name: string): SeamSection => {
  const found = p.edges.seams.find((s) => s.name === name)
  if (!found) throw new Error(`no section of ${name}: ${p.edges.seams.map((s) => s.name).join(', ')}`)
  return found
}

describe('sections of seams', () => {
  const p = plan()
  it('a lap: the leather over it lies on 0.55 of the one under it, and on two whole ones without a skive', () => {
    const lap = seam(p, 'Quarter over vamp')
    // 1.4 mm of leather, 9 mm of lap: from the cut edge at -9 its skive rises to 0.77 and is whole at +2.
    expect(lap.thickest.before).toBeCloseTo(2.8, 6)
    expect(lap.thickest.after).toBeCloseTo(1.4 + 0.55 * 1.4, 6)
    for (const [x, after] of [
      [-12, 1.4],
      [-5, 1.4 + 0.77],
      [-0.1, 1.4 + 0.77],
      [0.1, 0.77 + (0.1 / 2) * 0.63],
      [1, 0.77 + 0.315],
      [4, 1.4],
    ] as const) {
      expect(totalAt(lap.after, x), `at ${x}`).toBeCloseTo(after, 6)
    }
    // Under the quarter the cut edge of 0.25 x 0.77 mm rises to 0.77 over 3.3 mm.
    expect(lap.step?.before).toBeCloseTo(0.7, 3)
    expect(lap.step?.after).toBeCloseTo((0.25 * 0.77 + (0.75 * 0.77 * 2) / 3.3) / 2, 3)
  })
  it('a fold is as thick as the leather, and twice that without a skive', () => {
    const fold = seam(p, 'Quarter, top line')
    for (const x of [-0.1, -2.5, -4.9, -8]) expect(totalAt(fold.after, x)).toBeCloseTo(1.4, 6)
    expect(fold.thickest).toEqual({ before: expect.closeTo(2.8, 6), after: expect.closeTo(1.4, 6) })
  })
  it('an opened seam lies at twice 0.6 of the leather', () => {
    const back = seam(p, 'Quarter, back')
    expect(totalAt(back.after, -0.01)).toBeCloseTo(1.2 * 1.4, 2)
    expect(totalAt(back.after, 2.4)).toBeCloseTo(0.6 * 1.4 + 1.4, 6)
    expect(totalAt(back.after, 3)).toBeCloseTo(1.4, 6)
    expect(back.kind).toBe('closed')
  })
  it('a butt seam is as thick as the leather all through, cut at opposing slants', () => {
    const butt = seam(plan({ lining: { back: 'butt seam' } }), 'Quarter lining, back')
    for (const x of [-6, -0.4, 0, 0.3, 6]) expect(totalAt(butt.after, x)).toBeCloseTo(0.9, 6)
    const bevels = plan({ lining: { back: 'butt seam' } })
      .parts.filter((q) => q.id.startsWith('quarterLining'))
      .map((q) => q.skives.find((s) => s.shape === 'bevel'))
    expect(bevels.map((s) => s?.face)).toEqual(['grain', 'flesh'])
    for (const s of bevels)
      expect(s?.profile).toEqual([
        [0, 0.45],
        [0.45, 0.9],
      ])
  })
  it('cover and section turned out together are as thick as one of them', () => {
    const down = plan({ ...ways['stitch-down'], upper: { style: 'stitch-down' } }, { 'upper leather': 2 })
    const turned = seam(down, 'Heel cover and heel section, turned out')
    expect(turned.thickest).toEqual({ before: expect.closeTo(4, 6), after: expect.closeTo(2, 6) })
    expect(turned.step).toBeNull()
    // The line at 0 is the feather, the cut edge lies 12 mm outside it.
    for (const x of [11.9, 6, 0, -1.4]) expect(totalAt(turned.after, x)).toBeCloseTo(2, 6)
    expect(totalAt(turned.after, -3.1)).toBeCloseTo(4, 6)
  })
  it.each(styles)('%s: every seam and folded edge is told, skived no thicker than it was', (style) => {
    const { upper, edges } = ofStyle(style)
    for (const join of upper.joins) {
      const told = edges.seams.some((s) => join.pieces.every((id) => s.pieces.includes(id)))
      const zip = join.seam === 'zip'
      expect(told || zip, join.seam).toBe(true)
    }
    for (const piece of upper.pieces) {
      for (const e of piece.edges.filter((x) => x.role === 'folded')) {
        expect(
          edges.seams.some((s) => s.kind === 'fold' && s.pieces.includes(piece.id) && s.name.endsWith(e.name)),
          `${piece.id}, ${e.name}`,
        ).toBe(true)
      }
    }
    for (const s of edges.seams) {
      expect(s.thickest.after, s.name).toBeLessThanOrEqual(s.thickest.before + 1e-9)
      expect(s.length, s.name).toBeGreaterThan(0)
      if (s.kind === 'lap') expect(s.step?.after, s.name).toBeLessThan(s.step?.before ?? 0)
    }
    expect(edges.findings.filter((f) => f.level !== 'fine')).toEqual([])
  })
  it.each(['derby', 'oxford', 'court'] as const)(
    '%s: a section is as thick as the wall is said to be there',
    (style) => {
      const one = ofStyle(style)
      const wall = new WallStack(one.layers.areas)
      let compared = 0
      const onWall = (s: SeamSection) => s.pieces.every((id) => one.layers.areas.some((a) => a.part === id))
      for (const s of one.edges.seams.filter((x) => ['lap', 'fold'].includes(x.kind) && onWall(x))) {
        const bodies = seamInWall(s, 'after', wall)
        const heightAt = (x: number) =>
          bodies.reduce((top, b) => {
            const across = b.outline.flatMap(([ax, ay], i, all) => {
              const [bx, by] = all[(i + 1) % all.length]!
              return ax <= x === bx <= x ? [] : [ay + ((by - ay) * (x - ax)) / (bx - ax)]
            })
            return Math.max(top, ...across)
          }, 0)
        for (const [k, sign] of [
          [0, -1],
          [1, 1],
        ] as const) {
          const cut = s.cuts[k]
          if (!cut) continue
          // Readings are every half millimetre; a curved edge and the ends of other layers near by take a little.
          for (const d of [3.25, 6.25]) {
            const at = [cut.at[0] + cut.inwards[0] * d, cut.at[1] + cut.inwards[1] * d] as const
            expect(
              Math.abs(heightAt(sign * d) - wall.thickness(cut.side, [at[0], at[1]])),
              `${s.name} at ${sign * d}`,
            ).toBeLessThan(0.12)
            compared++
          }
        }
      }
      expect(compared).toBeGreaterThan(7)
    },
  )
  it('with what lies inside and outside of it, piled without gaps', () => {
    const bodies = seamInWall(seam(p, 'Quarter, top line'), 'after', new WallStack(p.layers.areas))
    expect(bodies.map((b) => b.part)).toContain('quarterLining.lateral')
    const sum = bodies.reduce((all, b) => all + Math.abs(signedArea(b.outline)), 0)
    expect(signedArea(unite(bodies.map((b) => b.outline))) / sum).toBeGreaterThan(0.97)
    // The stiffener goes on behind the back seam, which is drawn a little beside the last's own back line.
    const behind = seamInWall(seam(p, 'Quarter, back'), 'after', new WallStack(p.layers.areas))
    const stiffener = behind.filter((b) => b.part === 'stiffener').map((b) => b.outline.map(([x]) => x))
    expect(stiffener).toHaveLength(1)
    expect([Math.min(...stiffener[0]!) < -8, Math.max(...stiffener[0]!) > 8]).toEqual([true, true])
    // A pattern that lies on no forme shows what meets alone.
    expect(seamInWall(seam(p, 'Quarter, top line'), 'after', null)).toHaveLength(2)
  })
  it('sides of different leathers are told apart, and each is as thick as its own', () => {
    const pair = samplePair()
    const thin = { ...sampleMaterials[0]!, id: '01900000-0000-7000-8000-0000000000cc', thickness: 1 }
    const p = planPair(
      {
        ...pair,
        materials: [...pair.materials, thin],
        decisions: { ...pair.decisions, pieceMaterials: { 'quarter.medial': thin.id } },
      },
      cache,
    )
    expect(seam(p, 'Quarter over vamp, lateral').thickest.after).toBeCloseTo(1.4 + 0.55 * 1.4, 6)
    expect(seam(p, 'Quarter over vamp, medial').thickest.after).toBeCloseTo(1 + 0.55 * 1.4, 6)
    expect(p.stitching.seams.find((s) => s.name === 'Quarter over vamp, medial')?.thickness).toBeCloseTo(1.77, 6)
  })
  it('cloth that shows as a ridge is not told to be skived', () => {
    const cloth = sampleMaterials.map((m) =>
      m.kind === 'lining leather' ? { ...m, kind: 'lining cloth' as const, thickness: 1.2 } : m,
    )
    const p = planPair({ ...samplePair(), materials: cloth }, cache)
    expect(p.edges.findings.find((f) => f.id === 'edges.ridge')).toMatchObject({
      level: 'watch',
      remedy: { kind: 'open', control: { at: 'lining' } },
    })
  })
  it('a backer goes with its leather, unskived', () => {
    const backer = {
      ...sampleMaterials[0]!,
      id: '01900000-0000-7000-8000-0000000000bb',
      kind: 'woven backer' as const,
      thickness: 0.3,
    }
    const pair = samplePair({})
    const backed = planPair(
      {
        ...pair,
        materials: [...pair.materials, backer],
        decisions: { ...pair.decisions, materials: { ...pair.decisions.materials, backer: backer.id } },
      },
      cache,
    )
    expect(seam(backed, 'Quarter over vamp').thickest.after).toBeCloseTo(1.4 + 0.55 * 1.4 + 0.6, 6)
    expect(seam(backed, 'Quarter, top line').thickest.after).toBeCloseTo(1.4 + 0.6, 6)
  })
})

describe('the skiving list', () => {
  it.each(['derby', 'stitch-down', 'ankle boot'] as const)(
    '%s: every skived edge of the pair stands in it once',
    (style) => {
      const p = ofStyle(style)
      const all = [
        ...Object.values(p.edges.markings).flatMap((m) => m.skives.map((skive) => ({ skive, count: 2 }))),
        ...p.parts
          .filter((q) => !['heelWedge', 'topPiece'].includes(q.id))
          .flatMap((q) => q.skives.map((skive) => ({ skive, count: q.count }))),
      ]
      const length = all.reduce((sum, { skive, count }) => sum + count * pathLength(skive.edge), 0)
      expect(p.skiving.reduce((sum, g) => sum + g.length, 0)).toBeCloseTo(length, 6)
      expect(p.skiving.flatMap((g) => g.lines).reduce((sum, l) => sum + l.count, 0)).toBe(
        all.reduce((sum, { count }) => sum + count, 0),
      )
    },
  )
  it('puts together what one setting of the guide does, and nothing else', () => {
    const { skiving } = plan()
    const settings = skiving.map((g) => `${g.shape} ${g.face} ${g.width} ${g.left.toFixed(2)}`)
    expect(new Set(settings).size).toBe(settings.length)
    // Facings and top lines of both quarters: 5 mm turned in, so 11 mm wide, to half of 1.4 mm.
    const folds = skiving.find((g) => g.width === 11 && g.left.toFixed(2) === '0.70')
    // A facing and the top line that goes on from it are one cut, called by the longer.
    expect(folds?.lines.map((l) => [l.name, l.edge, l.count])).toEqual([
      ['Quarter, lateral', 'top line', 2],
      ['Quarter, medial', 'top line', 2],
    ])
    expect(folds).toMatchObject({ shape: 'level', face: 'flesh' })
  })
  it('says of which foot an edge is so, where the shoes differ, and of none where they do not', () => {
    const pair = samplePair()
    const both = (left: Parameters<typeof LeftShoe.parse>[0]) =>
      planPair({ ...pair, decisions: { ...pair.decisions, left: LeftShoe.parse(left) } }, cache).skiving
    const sum = (groups: Plan['skiving']) => groups.reduce((all, g) => all + g.length, 0)
    expect(sum(both({}))).toBeCloseTo(sum(plan().skiving), 6)
    expect(both({}).flatMap((g) => g.lines.filter((l) => l.foot !== null))).toEqual([])
    // A half padding under the left foot alone is skived in front.
    const padded = { ...pair.decisions.materials, padding: corkId }
    const one = planPair(
      {
        ...pair,
        decisions: { ...pair.decisions, materials: padded, left: LeftShoe.parse({ padding: 'half' }) },
      },
      cache,
    ).skiving
    expect(
      one
        .flatMap((g) => g.lines)
        .filter((l) => l.foot === 'left')
        .map((l) => [l.part, l.count]),
    ).toEqual([['padding', 1]])
  })
  it('reads width and what is left as the knife sees them', () => {
    const lap = plan().edges.markings.vamp!.skives.find((s) => s.name.startsWith('under the tab'))!
    expect([widthOf(lap), leftOf(lap)]).toEqual([11, expect.closeTo(0.77, 9)])
  })
})

describe('what is wrong with an edge', () => {
  const finding = (p: Plan, id: string) => p.edges.findings.find((f) => f.id === id)
  /** Provoked, pressed, and fine. */
  const mended = (id: string, change: Change, thickness: Record<string, number> = {}) => {
    const bad = finding(plan(change, thickness), id)
    expect(bad?.level, id).toBe('watch')
    if (bad?.remedy?.kind !== 'rule') throw new Error(`${id}: nothing to press`)
    const pair = pairOf(change, thickness)
    const after = planPair({ ...pair, decisions: remedied(pair.decisions, bad.remedy) }, cache)
    expect(finding(after, id)?.level, id).toBe('fine')
  }
  it('a lap too thin to hold a stitch is left thicker', () => {
    mended('edges.stitch', { rules: { 'skive.lapShare': 0.3 } }, { 'lining leather': 1 })
  })
  it('a fold or seam skived so thin that it tears', () => {
    mended('edges.tears', { rules: { 'skive.foldShare': 0.3 } }, { 'upper leather': 0.9 })
  })
  it('a fold too thick to lie down is skived', () => {
    mended('edges.fold', { rules: { 'skive.foldShare': 1 } }, { 'upper leather': 2 })
    // (pi / 2) t of 5 mm do not lie flat: half of it at 1.59 mm.
    const at = (t: number) => finding(plan({ rules: { 'skive.foldShare': 1 } }, { 'upper leather': t }), 'edges.fold')
    expect(at(1.55)?.level).toBe('fine')
    expect(at(1.65)?.level).toBe('watch')
    expect(at(1.4)?.measured).toBeCloseTo(1 - (Math.PI / 2) * (1.4 / 5), 9)
  })
  it('a lap that shows as a ridge is skived', () => {
    mended('edges.ridge', { rules: { 'skive.lapShare': 1 } })
  })
  it('what is laid back in a closed seam or a fold is seen as the seam it is, unskived as a second line', () => {
    // Laid back on one leather of 1.4 mm, over a run of 2 mm: 1.4 / 2, skived to 0.6 of it 0.42.
    const at = (rules: Record<string, number>) => finding(plan({ rules }), 'edges.seamRidge')
    expect(at({})).toMatchObject({ level: 'fine', limit: 0.5 })
    expect(at({})?.measured).toBeCloseTo((0.6 * 1.4) / 2, 6)
    expect(at({ 'skive.seamShare': 1 })).toMatchObject({ level: 'watch' })
    expect(at({ 'skive.seamShare': 1 })?.measured).toBeCloseTo(1.4 / 2, 6)
    mended('edges.seamRidge', { rules: { 'skive.seamShare': 1 } })
    mended('edges.seamRidge', { rules: { 'skive.foldShare': 1 } })
  })
  it('a ridge in a lining leads to the lining', () => {
    let seen = 0
    for (const pair of Object.values(pairOfEachStyle)) {
      const materials = pair.materials.map((m) =>
        m.kind === 'lining leather'
          ? { ...m, kind: 'lining cloth' as const, thickness: 2 }
          : m.kind === 'upper leather'
            ? { ...m, thickness: 0.8 }
            : m,
      )
      const { edges } = planPair({ ...pair, materials }, cache)
      const ridge = edges.findings.find((f) => f.id === 'edges.seamRidge')
      if (edges.seams.find((x) => x.name === ridge?.where)?.seen !== 'foot') continue
      seen++
      expect(ridge).toMatchObject({ level: 'watch', remedy: { kind: 'open', control: { at: 'lining' } } })
    }
    expect(seen).toBeGreaterThan(0)
  })
})

describe('what is marked on the pieces', () => {
  it('the span of every lap on the piece that lies over it, as far in as the lap is wide', () => {
    const { markings } = plan().edges
    const spans = markings['quarter.lateral']!.spans
    expect(spans.map((s) => s.kind)).toEqual(['neighbour'])
    expect(spans[0]!.name).toBe('lap of the vamp')
    expect(markings.vamp!.spans.map((s) => s.name)).toContain('lap of the tongue')
  })
})

import { beforeAll, describe, expect, it } from 'vitest'
import { sampleMaterials, sampleMeasures, samplePair } from '../../../test/samplePair.ts'
import { makeForme } from '../../forme/forme.ts'
import { FormeMap } from '../../forme/formeMap.ts'
import { nearest } from '../../geometry/polyline.ts'
import { unite } from '../../geometry/polygonClip.ts'
import { contains, distance, signedArea, type Path } from '../../geometry/path.ts'
import { isSimple } from '../../geometry/selfIntersection.ts'
import { generateLast } from '../../last/generate.ts'
import { liningBacks } from '../../model/pair.ts'
import { RuleBook } from '../../trade/rules.ts'
import { styles, UpperDecisions } from '../../model/upper.ts'
import { planPair } from '../../plan/planPair.ts'
import { joinsOf } from '../../upper/joins.ts'
import type { Piece } from '../../upper/piece.ts'
import type { BasePattern } from '../../upper/basePattern.ts'
import { drawBase } from '../../upper/upper.ts'
import type { Part } from '../../trade/part.ts'
import { foamPieces, tongueLining } from './foam.ts'
import { liningParts, sideLiningParts, type LiningPartNeeds } from './liningParts.ts'
import { liningPieces } from './linings.ts'
import { spoken } from '../../units/sentence.ts'
import { keptCache } from '../../../test/keptCache.ts'

const book = new RuleBook({}, {})
const maps = {} as Record<keyof typeof sampleMeasures, FormeMap>
beforeAll(() => {
  for (const name of ['flat', 'walking', 'boot'] as const) {
    const surface = generateLast(sampleMeasures[name])
    maps[name] = new FormeMap(surface, makeForme(surface, 'true seams', 'back and vamp'))
  }
})
const lastFor = (style: string) =>
  style === 'ballet flat' ? 'flat' : style === 'ankle boot' ? 'boot' : ('walking' as const)
const base = (style: (typeof styles)[number], more: Partial<UpperDecisions> = {}, rules = book): BasePattern => {
  const drawn = drawBase({
    map: maps[lastFor(style)],
    decisions: UpperDecisions.parse({ style, ...more }),
    book: rules,
    heelGirth: 340,
  })
  if (!drawn) throw new Error('nothing drawn')
  return drawn
}
const pieces = (b: BasePattern, back: (typeof liningBacks)[number] = 'heel grip', rules = book): Piece[] =>
  liningPieces({ ...b, decisions: { back, front: 'in one', trim: 'short' }, book: rules })
const find = (list: readonly Piece[], id: string): Piece => {
  const p = list.find((x) => x.id === id)
  if (!p) throw new Error(`no piece ${id}`)
  return p
}
const needs = (b: BasePattern): LiningPartNeeds => ({
  base: b,
  pieces: pieces(b),
  decisions: { back: 'heel grip', front: 'in one', trim: 'short' },
  material: sampleMaterials[1]!,
  foam: null,
  stay: null,
  own: {},
  opening: { finish: 'folded', onFacings: false },
  book,
})
const part = (list: readonly Part[], id: string): Part => {
  const p = list.find((x) => x.id === id)
  if (!p) throw new Error(`no part ${id}`)
  return p
}
/** Greatest distance that one outline stands out past another, and the least. */
const standsOut = (outer: Path, inner: Path) => {
  const away = inner.map((p) => nearest(outer, p, true).away * (contains(outer, p) ? 1 : -1))
  return { least: Math.min(...away), most: Math.max(...away) }
}

describe.each(styles)('linings of the %s', (style) => {
  it.each(liningBacks)('with a %s are closed, and their seams fit', (back) => {
    const list = pieces(base(style), back)
    for (const p of list) {
      expect(isSimple(p.net), p.name).toBe(true)
      expect(isSimple(p.outline), p.name).toBe(true)
      expect(signedArea(p.net)).toBeGreaterThan(300)
      expect(signedArea(p.outline)).toBeGreaterThan(signedArea(p.net))
    }
    const { joins, unpaired } = joinsOf(list)
    expect(unpaired).toEqual([])
    for (const j of joins) expect(Math.abs(j.ease), j.seam).toBeLessThan(0.1)
    const behind = base(style).drawn.backLine !== null
    expect(list.some((p) => p.id === 'heelGrip')).toBe(behind && back === 'heel grip')
  })
  it('together cover the same ground as the base pattern', () => {
    const b = base(style)
    const area = (list: readonly Piece[], side: 'lateral' | 'medial') =>
      signedArea(unite(list.flatMap((p) => p.places.filter((q) => q.side === side).map((q) => q.forme))))
    for (const side of ['lateral', 'medial'] as const) {
      const [upper, lining] = [area(b.drawn.pieces, side), area(pieces(b, 'butt seam'), side)]
      // The back is eased in at its foot, and the tip of an open tab in front of the throat is not lined.
      expect(lining / upper).toBeGreaterThan(0.98)
      expect(lining / upper).toBeLessThan(1.005)
    }
  })
})

describe('what a lining is cut to', () => {
  it('stands proud by the rule where it is trimmed, laps by the rule, and has the upper’s margin', () => {
    const list = pieces(base('derby'))
    const roles = list.flatMap((p) => p.edges).filter((e) => e.allowance > 0)
    const allowances = (role: string) => [...new Set(roles.filter((e) => e.role === role).map((e) => e.allowance))]
    expect(allowances('trimmed')).toEqual([6])
    expect(allowances('lap under')).toEqual([8])
    expect(allowances('lasting margin')).toEqual([18])
    const top = find(list, 'heelGrip')
    for (const e of top.edges.filter((x) => x.role === 'trimmed')) {
      const ends = [e.line[0], e.line[e.line.length - 1]]
      for (const p of e.line.filter((q) => ends.every((end) => distance(q, end!) > 8)))
        expect(nearest(top.outline, p, true).away).toBeCloseTo(6, 1)
    }
  })
  it('comes in at the foot of the back by the rule and nowhere above the middle', () => {
    const b = base('oxford')
    const quarter = find(pieces(b, 'butt seam'), 'quarterLining.lateral')
    const line = quarter.places[0]!.edges.find((e) => e.name === 'back')?.line ?? []
    const off = line.map((p) => nearest(b.drawn.backLine!, p).away)
    expect(off[off.length - 1]).toBeCloseTo(1.5, 1)
    expect(Math.max(...off.slice(0, Math.floor(off.length / 2)))).toBeLessThan(1e-6)
  })
  it('has its seam behind the upper’s by the rule, so that two seams are not one ridge', () => {
    const b = base('derby')
    const seam =
      find(pieces(b), 'quarterLining.medial').places[0]!.edges.find((e) => e.name === 'vamp lining')?.line ?? []
    const own = b.drawn.foot?.medial ?? [0, 0]
    const feather = b.board.feather.medial
    expect(nearest(feather, own).at - nearest(feather, seam[0]!).at).toBeCloseTo(14, 1)
  })
  it('does not grow with the designed folds of the upper', () => {
    const plain = find(pieces(base('ankle boot')), 'vampLining')
    const folded = find(
      pieces(base('ankle boot', { folds: { versions: [40], chosen: 0, where: 'instep' } })),
      'vampLining',
    )
    expect(folded.outline).toEqual(plain.outline)
  })
  it('a butt seam adds nothing at the back; a lap adds it on one side only', () => {
    const back = (kind: 'butt seam' | 'lapped') =>
      pieces(base('court'), kind)
        .flatMap((p) => p.edges.filter((e) => e.name === 'back'))
        .map((e) => e.allowance)
    expect(back('butt seam')).toEqual([0, 0])
    expect(back('lapped')).toEqual([0, 8])
  })
  it('the heel grip is one piece, folded where the back is', () => {
    const grip = find(pieces(base('derby')), 'heelGrip')
    expect(grip.side).toBe('whole')
    const mirrored = grip.net.map(([x, y]) => Math.min(...grip.net.map((q) => distance(q, [-x, y]))))
    // Both sides of the last differ by some millimetres at the quarter's height, no more.
    expect(Math.max(...mirrored)).toBeLessThan(12)
  })
})

describe('tongue, foam and stays', () => {
  it('the tongue lining is wider than the tongue by the rule all round', () => {
    const { pieces: upper } = base('derby').drawn
    const tongue = find(upper, 'tongue')
    const { least, most } = standsOut(tongueLining(upper, book)[0]!.outline, tongue.net)
    expect(least).toBeCloseTo(4, 1)
    expect(most).toBeLessThan(5)
    expect(tongueLining(base('court').drawn.pieces, book)).toEqual([])
  })
  it('foam keeps clear of every stitched edge of tongue and collars', () => {
    const { pieces: upper } = base('trainer').drawn
    const foams = foamPieces(upper, book)
    expect(foams.map((p) => p.id).sort()).toEqual(['collarFoam.lateral', 'collarFoam.medial', 'tongueFoam'])
    for (const f of foams) {
      const filled = find(upper, f.id.replace('Foam', ''))
      expect(standsOut(filled.net, f.outline).least).toBeGreaterThan(5.95)
    }
  })
  it('foam lies inside the collar on the wall, and is neither bulk nor a step: it is meant to be felt', () => {
    const b = base('trainer')
    for (const side of ['lateral', 'medial'] as const) {
      const foam = part(liningParts(needs(b)), `collarFoam.${side}`)
      expect(foam.areas.map((a) => [a.side, a.thickness])).toEqual([[side, 6]])
      const collar = find(b.drawn.pieces, `collar.${side}`).places[0]!.forme
      expect(standsOut(collar, foam.areas[0]!.area).least).toBeGreaterThan(5.95)
    }
    expect(part(liningParts(needs(b)), 'tongueFoam').areas).toEqual([])
    const plan = planPair(samplePair({ upper: { style: 'trainer' } }), keptCache())
    expect(plan.layers.findings.filter((f) => f.level !== 'fine').map((f) => spoken(f.sentence))).toEqual([])
    expect(plan.layers.wall.layers.some((l) => l.part.includes('Foam'))).toBe(false)
  })
  it('says where its seam lies: behind the upper’s, or by the rule where the upper has none', () => {
    const quantities = (style: (typeof styles)[number]) =>
      part(liningParts(needs(base(style))), 'quarterLining.medial').becauses.map((x) => x.rule)
    expect(quantities('derby')).toContain('lining.seamBehind')
    expect(quantities('court')).toContain('lining.seamShare')
    expect(quantities('court')).not.toContain('lining.seamBehind')
  })
  it('only a trainer is padded', () => {
    const ids = (style: (typeof styles)[number]) => liningParts(needs(base(style))).map((p) => p.id)
    expect(ids('trainer').filter((id) => id.includes('Foam'))).toHaveLength(3)
    expect(ids('derby').filter((id) => id.includes('Foam'))).toEqual([])
  })
  it('a side lining reaches into both skives, stays below the opening, and is not there where the gap is short', () => {
    const b = base('derby')
    const list = sideLiningParts({ ...needs(b), stiffenerEnd: { lateral: 70, medial: 70 }, puffBack: 226 })
    for (const side of ['lateral', 'medial'] as const) {
      const area = part(list, `sideLining.${side}`).areas[0]!.area
      const xs = area.map((p) => b.board.map.toLast(side, p)[0])
      expect(Math.min(...xs)).toBeLessThan(70 - 9)
      expect(Math.max(...xs)).toBeGreaterThan(226 + 8)
      for (const p of area) expect(nearest(b.drawn.topLine[side], p).away).toBeGreaterThan(5.9)
    }
    const short = sideLiningParts({ ...needs(b), stiffenerEnd: { lateral: 70, medial: 210 }, puffBack: 226 })
    expect(short.map((p) => p.id)).toContain('sideLining.lateral')
    expect(short.map((p) => p.id)).not.toContain('sideLining.medial')
  })
  it('tape, patch and stay lie on the upper’s own ground', () => {
    const b = base('derby')
    const list = liningParts(needs(b))
    const walls = b.drawn.pieces.flatMap((p) => p.places)
    for (const id of ['facingTape.lateral', 'cornerPatch.medial', 'backStay']) {
      const p = part(list, id)
      expect(p.thickness).toBe(0.3)
      for (const a of p.areas) {
        const ground = walls.filter((w) => w.side === a.side).map((w) => w.forme)
        const out = a.area.filter((q) => !ground.some((g) => contains(g, q) || nearest(g, q, true).away < 0.1))
        expect(out, `${id}, ${a.side}`).toEqual([])
      }
    }
    expect(liningParts(needs(base('court'))).map((p) => p.id)).not.toContain('facingTape.lateral')
  })
  it('every part says why, and has its skives where it laps', () => {
    for (const p of liningParts(needs(base('oxford')))) {
      expect(p.becauses.length, p.name).toBeGreaterThan(0)
      expect(p.becauses.every((x) => Number.isFinite(x.value) && spoken(x.sentence).length > 10)).toBe(true)
      for (const s of p.skives) expect(s.profile[s.profile.length - 1]![1]).toBeCloseTo(p.thickness, 9)
    }
    expect(part(liningParts(needs(base('oxford'))), 'vampLining').skives).toHaveLength(2)
  })
})

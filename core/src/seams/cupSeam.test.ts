import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { contains, distance, pathLength, type Point } from '../geometry/path.ts'
import { nearest } from '../geometry/polyline.ts'
import type { StyleName } from '../model/upper.ts'
import { formeStage, lastStage, planPair } from '../plan/planPair.ts'
import { CUP_SEAM } from './cupSeam.ts'
import { spoken } from '../units/sentence.ts'

const cache = keptCache(6)
const input = (style: StyleName, more: object = {}) =>
  samplePair({ construction: 'cup sole', upper: { style }, ...more })
const plan = (style: StyleName, more: object = {}) => planPair(input(style, more), cache)
const seamOf = (p: ReturnType<typeof plan>) => p.stitching.seams.find((s) => s.id === CUP_SEAM)

describe('the seam through the wall of a cup', () => {
  it.each(['trainer', 'derby', 'oxford', 'court', 'ankle boot'] as StyleName[])(
    'of a %s has as many holes in the upper’s pieces together as marks on the insole and stitches in the wall',
    (style) => {
      const seam = seamOf(plan(style))!
      const [insole, ...pieces] = seam.on
      expect(insole!.piece).toBe('insole')
      expect(insole!.holes).toHaveLength(seam.stitches)
      expect(pieces.reduce((n, row) => n + row.holes.length, 0)).toBe(seam.stitches)
      expect(seam.on.every((row) => row.punched === 'later')).toBe(true)
    },
  )
  it('goes round both feather lines in stitches as near to the rule as comes out whole', () => {
    const p = plan('trainer')
    const { last, decisions } = input('trainer')
    const { feathers } = formeStage(lastStage(last, cache), decisions.upper.forme, cache)
    const round = pathLength(feathers.lateral) + pathLength(feathers.medial)
    expect(seamOf(p)!.stitches).toBe(Math.round(round / 6))
    expect(seamOf(p)!.pitch * seamOf(p)!.stitches).toBeCloseTo(round, 6)
  })
  it('lies at one height over the feather on every piece, and inside it', () => {
    for (const height of [8, 14]) {
      const p = plan('derby', { rules: { 'seam.cupHeight': height } })
      for (const { piece, holes } of seamOf(p)!.on.slice(1)) {
        const { edges, net, fold, side } = p.upper.pieces.find((x) => x.id === piece)!
        const { last, decisions } = input('derby')
        const { feathers } = formeStage(lastStage(last, cache), decisions.upper.forme, cache)
        const bottoms = edges.filter((e) => e.role === 'lasting margin').map((e) => e.line)
        for (const h of holes) {
          expect(contains(net, h), piece).toBe(true)
          // A side piece lies as on the forme, the medial one mirrored: there the whole feather line can be asked.
          const onForme: Point = side === 'medial' ? [-h[0], h[1]] : h
          const away =
            fold || side === 'whole'
              ? Math.min(...bottoms.map((line) => nearest(line, h).away))
              : nearest(feathers[side], onForme).away
          expect(Math.abs(away - height), piece).toBeLessThan(0.6)
        }
      }
    }
  })
  it('has even marks inside the insole’s edge', () => {
    const p = plan('trainer')
    const insole = p.parts.find((x) => x.id === 'insole')!
    const { holes } = seamOf(p)!.on[0]!
    for (const h of holes) {
      expect(contains(insole.outline, h)).toBe(true)
      expect(Math.abs(nearest(insole.outline, h, true).away - 3)).toBeLessThan(0.2)
    }
    const apart = holes.slice(1).map((h, i) => distance(h, holes[i]!))
    expect(Math.max(...apart) - Math.min(...apart)).toBeLessThan(0.4)
    // It is drawn on what is printed.
    expect(insole.lines.some((l) => l.kind === 'stitch' && l.holes?.length === holes.length)).toBe(true)
  })
  it('takes thread by wall, upper and lining, and its step says so', () => {
    const p = plan('trainer')
    const seam = seamOf(p)!
    // Sample leathers: 1.4 mm and 0.9; the wall 3.5.
    expect(seam.thickness).toBeCloseTo(5.8, 9)
    expect(seam.thread).toBeCloseTo(2 * seam.stitches * (seam.pitch + 5.8) * 1.1 + 2 * 200, 6)
    const step = p.steps.find((s) => s.key === 'sew-cup')!
    expect(step.seams).toEqual([CUP_SEAM])
    expect(step.stuff[0]!.amount).toBeCloseTo(seam.thread / 1000, 0)
    const at = (key: string) => p.steps.findIndex((s) => s.key === key && s.foot !== 'left')
    expect(at('sew-cup')).toBeGreaterThan(at('last-out'))
    // Upper 1.4, lining 0.9 and the wall's 3.5 mm, and 30 to take hold of.
    const thick = p.stitching.seams.find((s) => s.id === 'cup.wall seam')!.thickness
    expect(spoken(step.look[0]!)).toContain(`${Math.round(thick + 30)} mm or longer`)
    expect(at('sew-cup')).toBeGreaterThan(at('press-cup'))
  })
  it('is not there where a cup is glued alone', () => {
    const { work } = input('trainer').decisions
    const glued = plan('trainer', { work: { ...work, ways: { ...work.ways, cup: 'glued alone' } } })
    expect(seamOf(glued)).toBeUndefined()
    expect(glued.steps.some((s) => s.key === 'sew-cup')).toBe(false)
    expect(seamOf(planPair(samplePair(), cache))).toBeUndefined()
  })
})

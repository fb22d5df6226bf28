import { describe, expect, it } from 'vitest'
import { keptCache } from '../../../test/keptCache.ts'
import { lastNames, lastWithHeel, upperNeeds } from '../../../test/lastsWithHeels.ts'
import { samplePair } from '../../../test/samplePair.ts'
import { distance, pathLength, type Path } from '../../geometry/path.ts'
import { nearest, pointAt } from '../../geometry/polyline.ts'
import { dist3 } from '../../geometry/vec3.ts'
import { remedied } from '../../trade/remedy.ts'
import { planPair } from '../../plan/planPair.ts'
import type { Piece } from '../piece.ts'
import { deriveUpper } from '../upper.ts'

const cache = keptCache(8)
const derive = (...of: Parameters<typeof upperNeeds>) => deriveUpper(upperNeeds(...of))
const piece = (pieces: readonly Piece[], id: string) => {
  const found = pieces.find((p) => p.id === id)
  if (!found) throw new Error(`No piece ${id}.`)
  return found
}
const planOf = (upper: object, more: object = {}) => planPair(samplePair({ upper, ...more }), cache)
const at = (plan: ReturnType<typeof planOf>, id: string) => plan.steps.findIndex((s) => s.id === id)

describe('a tongue in one with the vamp', () => {
  const upper = { style: 'derby', options: { tongueInOne: true } } as const
  it.each(lastNames)(
    'on the %s last: the vamp is as long as the last along its middle, from the tongue to the toe',
    (name) => {
      const { map } = lastWithHeel(name)
      const vamp = piece(derive(name, upper).pieces, 'vamp')
      const whole = distance(vamp.fold![0], vamp.fold![1])
      // Along ridge and toe rib of the last itself, from the tongue's top: 14 mm over the facings, or where the ridge begins.
      const facing = derive(name, upper).lines.find((l) => l.kind === 'facing')!.path[0]!
      const from = Math.max(0, nearest(map.ridge, facing).at - 14)
      const centre = map.centre
      const run = pathLength(centre) - from
      const points = Array.from({ length: 600 }, (_, i) =>
        map.toLast('lateral', pointAt(centre, from + (run * i) / 599)),
      )
      const onLast = points.slice(1).reduce((sum, p, i) => sum + dist3(p, points[i]!), 0)
      expect(Math.abs(whole - onLast)).toBeLessThan(0.8)
    },
  )
  it('has no tongue to cut, line or sew in, and lies under the facings as a layer', () => {
    const [plain, inOne] = [planOf({ style: 'derby' }), planOf(upper)]
    expect(inOne.upper.pieces.map((p) => p.id)).toEqual(
      plain.upper.pieces.map((p) => p.id).filter((id) => id !== 'tongue'),
    )
    expect(inOne.parts.map((p) => p.id)).not.toContain('tongueLining')
    for (const step of ['line-tongue', 'sew-tongue']) {
      expect(at(plain, step)).toBeGreaterThan(-1)
      expect(at(inOne, step)).toBe(-1)
    }
    const areas = (p: typeof plain) => p.layers.areas.filter((a) => a.part === 'vamp' && a.side === 'lateral')
    const back = (p: typeof plain) => Math.min(...areas(p).flatMap((a) => a.area.map(([x]) => x)))
    expect(back(inOne)).toBeLessThan(back(plain) - 30)
  })
  it('has a lining that goes up with it, and a lace guard in it where one is wanted', () => {
    const inOne = planOf({ ...upper, lacing: { guard: true } })
    const lining = inOne.parts.find((p) => p.id === 'vampLining')!
    const longest = (outline: Path) => Math.max(...outline.map((p) => p[0])) - Math.min(...outline.map((p) => p[0]))
    const vamp = piece(inOne.upper.pieces, 'vamp')
    expect(Math.abs(longest(lining.outline) - longest(vamp.outline))).toBeLessThan(8)
    const guard = vamp.holes.filter((h) => h.for === 'lace guard')
    expect(guard).toHaveLength(2)
    expect(distance(guard[0]!.at, guard[1]!.at)).toBeCloseTo(12, 9)
  })
})

describe('teeth and rows', () => {
  it('a gimped tongue has a whole number of teeth across its top, and its finished line stays', () => {
    for (const style of ['derby', 'oxford', 'stitch-down', 'laced boot'] as const) {
      const choices: Record<string, boolean>[] = [{}, { gimpedTongue: true }]
      const [plain, toothed] = choices.map((options) => piece(derive('walking', { style, options }).pieces, 'tongue'))
      expect(plain!.teeth).toBe(0)
      expect(toothed!.teeth).toBeGreaterThan(1)
      expect(toothed!.net).toEqual(plain!.net)
      expect(pathLength(toothed!.outline, true)).toBeGreaterThan(pathLength(plain!.outline, true) + 20)
    }
  })
  it('go by what was measured instead of the house’s spacing', () => {
    const rows = (measured: object) =>
      piece(
        derive('walking', {
          style: 'oxford',
          options: { toeCap: true },
          decoration: 'punched and gimped',
          measured: { row: null, tooth: null, ...measured },
        }).pieces,
        'cap',
      )
    const large = (p: Piece) => p.holes.filter((h) => h.diameter === 2.5).length
    const [house, measured] = [rows({}), rows({ row: 10, tooth: 3 })]
    // The edge is as long: spaces of 7 and of 10 mm.
    expect(large(measured) / large(house)).toBeGreaterThan(0.6)
    expect(large(measured) / large(house)).toBeLessThan(0.8)
    // A tooth is 0.45 of its pitch deep.
    expect(house.teeth).toBeCloseTo(0.45 * 4, 9)
    expect(measured.teeth).toBeCloseTo(0.45 * 3, 9)
  })
})

describe('an outside back strip', () => {
  it.each(['derby', 'oxford', 'ankle boot', 'laced boot'] as const)(
    'of a %s is twice its half wide, runs from the feather to the top line, and brings a loop',
    (style) => {
      for (const name of lastNames) {
        const u = derive(name, { style, options: { backStrip: true } })
        const strip = piece(u.pieces, 'backStrip')
        const sides = ['lateral', 'medial'].map(
          (side) => strip.edges.find((e) => e.name === 'strip edge' && e.side === side)!.line,
        ) as [Path, Path]
        for (const t of [0.3, 0.5, 0.7]) {
          const across = nearest(sides[1], pointAt(sides[0], t * pathLength(sides[0]))).away
          expect(Math.abs(across - 20)).toBeLessThan(0.3)
        }
        const back = u.lines.find((l) => l.kind === 'back')!.path
        // Folded, it is as long as the back that it covers.
        expect(distance(strip.fold![0], strip.fold![1])).toBeCloseTo(pathLength(back), 6)
        expect(u.pieces.filter((p) => p.id === 'pullLoop')).toHaveLength(1)
        // The opening is still the quarters' own edge.
        expect(u.topFinish.opening).toBeCloseTo(derive(name, { style }).topFinish.opening, 6)
      }
    },
  )
  it('is sewn over the back seam once that is hammered, its loop on it', () => {
    const plan = planOf({ style: 'derby', options: { backStrip: true } })
    const sew = plan.steps.findIndex((s) => s.id.startsWith('sew.') && s.parts.includes('upper.backStrip'))
    expect(sew).toBeGreaterThan(at(plan, 'hammer-back'))
    expect(at(plan, 'set-loops')).toBeGreaterThan(-1)
    expect(at(plan, 'set-loops')).toBeLessThan(sew)
    expect(plan.worst).not.toBe('stop')
  })
})

describe('a channel in the outsole', () => {
  const welted = planOf({ style: 'derby' })
  const channelled = planOf({ style: 'derby' }, { outsole: { channel: true } })
  const seam = (p: typeof welted) => p.stitching.seams.find((s) => s.id === 'outsole.outsole seam')!
  it('is opened before the sole is laid on and closed over the stitches', () => {
    expect(at(welted, 'open-channel')).toBe(-1)
    expect(at(channelled, 'open-channel')).toBeGreaterThan(-1)
    for (const foot of ['right', 'left']) {
      expect(at(channelled, 'open-channel')).toBeLessThan(at(channelled, `cement-outsole.${foot}`))
      expect(at(channelled, `close-channel.${foot}`)).toBeGreaterThan(at(channelled, `sew-outsole.${foot}`))
    }
  })
  it('makes each stitch as much shorter as it is deep', () => {
    expect(seam(welted).thickness - seam(channelled).thickness).toBeCloseTo(1.5, 9)
    // Both threads pass each hole: two a stitch, and a tenth more for what is lost in it.
    expect(seam(welted).thread - seam(channelled).thread).toBeCloseTo(2 * seam(welted).stitches * 1.5 * 1.1, 6)
  })
  it('that leaves too little under it is stopped, and its button takes it away', () => {
    const deep = samplePair({
      upper: { style: 'derby' },
      outsole: { channel: true },
      rules: { 'bottom.channelDepth': 3, 'bottom.outsoleThickness': 4 },
    })
    const of = (input: typeof deep) =>
      planPair(input, cache)
        .parts.find((p) => p.id === 'outsole')!
        .findings.find((f) => f.id === 'outsole.channel')
    const told = of(deep)!
    expect(told.level).toBe('stop')
    expect(told.measured).toBeCloseTo(1, 9)
    expect(of({ ...deep, decisions: remedied(deep.decisions, told.remedy!) })).toBeUndefined()
  })
})

import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { nearest } from '../geometry/polyline.ts'
import { pathLength } from '../geometry/path.ts'
import { formeStage, lastStage } from '../plan/planPair.ts'
import { RuleBook } from '../trade/rules.ts'
import { drawBase } from '../upper/upper.ts'
import { pieceSkives } from './pieceSkives.ts'
import { spanKey, turnedSpans } from './turnedSpans.ts'

const cache = keptCache()
const book = new RuleBook({}, {})
const drawn = (style: 'stitch-down' | 'derby') => {
  const { last, decisions } = samplePair({ upper: { style } })
  const map = formeStage(lastStage(last, cache), decisions.upper.forme, cache)
  const base = drawBase({ map, decisions: decisions.upper, book, heelGirth: 340 })
  if (!base) throw new Error('nothing drawn')
  return base.drawn
}

describe('where margins are turned out together', () => {
  const { pieces, seams } = drawn('stitch-down')
  const spans = turnedSpans(pieces)
  const find = (id: string) => pieces.find((p) => p.id === id)!
  const bottom = (id: string, side: 'lateral' | 'medial') =>
    find(id)
      .places.find((p) => p.side === side)!
      .edges.find((e) => e.role === 'turned-out margin')!

  it('a heel cover has it over all its edge, the section under it as far as the cover reaches', () => {
    for (const side of ['lateral', 'medial'] as const) {
      const cover = bottom('heelCover', side)
      expect(spans[spanKey('heelCover', side, cover.name)]).toEqual([[0, 1]])
      const section = bottom('heelSection', side)
      const line = seams.find((s) => s.name === 'heel-cover line' && s.side === side)!.line
      // The cover's line comes down on the feather at its front: so far along the section's edge the span goes.
      const front = nearest(section.line, line[line.length - 1]!).at
      const [first] = spans[spanKey('heelSection', side, section.name)]!
      expect(first![0]).toBe(0)
      expect(Math.abs(first![1] * pathLength(section.line) - front)).toBeLessThan(2)
    }
  })
  it('is skived there and nowhere else along the edge', () => {
    const sight = { facing: 'out' as const, spans, finish: 'raw' as const, onFacings: false }
    const material = { thickness: 1.8, kind: 'upper leather' as const, face: null }
    const of = (id: string) => pieceSkives(find(id), material, sight, book).filter((s) => s.name.startsWith('feather'))
    const length = (id: string) => of(id).reduce((sum, s) => sum + pathLength(s.edge), 0)
    const edges = (id: string) =>
      find(id)
        .edges.filter((e) => e.role === 'turned-out margin')
        .reduce((sum, e) => sum + pathLength(e.line), 0)
    // Drawn out at the cut edge, 12 mm outside the feather, a round is longer.
    expect(length('heelCover')).toBeGreaterThan(edges('heelCover'))
    // Of the section all that the cover covers, and the short laps of the vamp at the tabs.
    expect(length('heelSection')).toBeGreaterThan(length('heelCover'))
    expect(length('heelSection')).toBeLessThan(0.8 * edges('heelSection'))
    expect(of('vamp')).toEqual([])
  })
  it('nothing is, where nothing is turned out', () => {
    expect(turnedSpans(drawn('derby').pieces)).toEqual({})
  })
})

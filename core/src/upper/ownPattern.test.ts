import { describe, expect, it } from 'vitest'
import { resample } from '../geometry/polyline.ts'
import { distance, pathLength, signedArea, type Path } from '../geometry/path.ts'
import { RuleBook } from '../trade/rules.ts'
import { LacingDecisions } from '../model/lacing.ts'
import { OwnPattern, type OwnPiece } from '../model/upper.ts'
import { eyeletRowOn, withEyelets } from './eyelets.ts'
import { cornersOf, ownFindings, ownPieces, piecesFromOutlines } from './ownPattern.ts'

const book = new RuleBook({}, {})
/** A rectangle with a point every 2 mm. */
const rectangle = (w: number, h: number): Path => {
  const side = (a: [number, number], b: [number, number]) =>
    resample([a, b], Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / 2) + 1).slice(0, -1)
  return [...side([0, 0], [w, 0]), ...side([w, 0], [w, h]), ...side([w, h], [0, h]), ...side([0, h], [0, 0])]
}
const named = (p: OwnPiece, edges: Partial<OwnPiece['edges'][number]>[]): OwnPiece => ({
  ...p,
  edges: p.edges.map((e, i) => ({ ...e, ...edges[i] })),
})

describe('a pattern drawn elsewhere', () => {
  it('finds the four corners of a rectangle and none on a circle', () => {
    expect(cornersOf(rectangle(80, 40))).toHaveLength(4)
    const circle = Array.from({ length: 90 }, (_, k): [number, number] => [
      30 * Math.cos((k * Math.PI) / 45),
      30 * Math.sin((k * Math.PI) / 45),
    ])
    expect(cornersOf(circle)).toEqual([])
    expect(piecesFromOutlines([circle])[0]!.edges).toHaveLength(1)
  })
  it('turns clockwise outlines round, and each edge runs from corner to corner', () => {
    const [piece] = piecesFromOutlines([[...rectangle(80, 40)].reverse()])
    const [made] = ownPieces(OwnPattern.parse({ pieces: [piece] }), book)
    expect(made!.edges.map((e) => Math.round(pathLength(e.line))).sort((a, b) => a - b)).toEqual([40, 40, 80, 80])
  })
  it('grows by the allowance of each edge, unless the cut edge was drawn', () => {
    const [piece] = piecesFromOutlines([rectangle(80, 40)])
    const roles = named(piece!, [{ role: 'lasting margin' }, { role: 'raw' }, { role: 'folded' }, { role: 'raw' }])
    const box = (drawn: OwnPattern['drawn']) => {
      const [made] = ownPieces(OwnPattern.parse({ drawn, pieces: [roles] }), book)
      const ys = made!.outline.map((p) => p[1])
      return Math.max(...ys) - Math.min(...ys)
    }
    const first = piece!.corners[0] === 0
    expect(first).toBe(true)
    expect(box('finished line')).toBeCloseTo(40 + 18 + 5, 3)
    expect(box('cut edge')).toBeCloseTo(40, 6)
  })
  it('has eyelets along an edge that is named a facing, counted from where the top line is', () => {
    const made = (names: (string | null)[], side: OwnPiece['side']) => {
      const [piece] = piecesFromOutlines([rectangle(80, 72)])
      const edges = names.map((name) => (name === null ? {} : { name }))
      const pieces = ownPieces(OwnPattern.parse({ pieces: [{ ...named(piece!, edges), side }] }), book)
      const row = eyeletRowOn(pieces, LacingDecisions.parse({}), book)
      return pieces.map((p) => withEyelets(p, row)).flatMap((p) => p.holes)
    }
    // Up the right side to the top, 11 mm inside; the first 9 mm under the top, 5 of them (see eyeletRow).
    const along = [9, 22.25, 35.5, 48.75, 62]
    const up = made([null, 'facing', 'top line', null], 'lateral')
    expect(up.map((h) => h.for)).toEqual(along.map(() => 'eyelet'))
    up.forEach((h, i) => {
      expect(h.at[0]).toBeCloseTo(80 - 11, 6)
      expect(h.at[1]).toBeCloseTo(72 - along[i]!, 6)
    })
    // Drawn the other way up, whichever side it is of.
    const down = made(['top line', 'facing', null, null], 'lateral')
    down.forEach((h, i) => expect(h.at[1]).toBeCloseTo(along[i]!, 6))
    expect(down).toHaveLength(5)
    expect(made([null, 'facing', null, null], 'medial').map((h) => h.at)).toEqual(down.map((h) => h.at))
    expect(made([null, 'edge', 'top line', null], 'lateral')).toEqual([])
  })
  it('says which seams fit, which do not, and which have no partner', () => {
    const [a, b] = piecesFromOutlines([rectangle(80, 40), rectangle(60, 43)])
    const pieces = ownPieces(
      OwnPattern.parse({
        pieces: [
          named(a!, [{}, { seam: 'side', role: 'closed seam' }, { seam: 'lonely' }]),
          named(b!, [{}, { seam: 'side', role: 'closed seam' }]),
        ],
      }),
      book,
    )
    const findings = ownFindings(pieces)
    expect(findings.find((f) => f.id === 'upper.join.side')).toMatchObject({
      level: 'stop',
      measured: expect.closeTo(3, 6) as number,
    })
    expect(findings.find((f) => f.id === 'upper.unpaired.lonely')?.level).toBe('watch')
  })
  it('a drawn half is unfolded along its fold, and joins a piece of either side', () => {
    const [half, lateral, medial] = piecesFromOutlines([rectangle(80, 40), rectangle(50, 40), rectangle(50, 40)])
    const side = (p: OwnPiece, which: 'lateral' | 'medial', id: string): OwnPiece => ({
      ...named(p, [{}, { seam: 'side', role: 'lap under' }]),
      id,
      side: which,
    })
    const made = ownPieces(
      OwnPattern.parse({
        pieces: [
          named(half!, [{}, { seam: 'side', role: 'lap over' }, { role: 'fold' }]),
          side(lateral!, 'lateral', 'l'),
          side(medial!, 'medial', 'm'),
        ],
      }),
      book,
    )
    const [whole] = made
    expect(whole!.fold && distance(...whole!.fold)).toBeCloseTo(80, 6)
    expect(signedArea(whole!.net)).toBeCloseTo(2 * 80 * 40, 6)
    expect(whole!.edges.some((e) => e.role === 'fold')).toBe(false)
    const findings = ownFindings(made)
    expect(findings.map((f) => [f.id, f.level])).toEqual([
      ['upper.join.side.lateral', 'fine'],
      ['upper.join.side.medial', 'fine'],
    ])
  })
  it('a fold that is bent is refused', () => {
    const arc = Array.from({ length: 21 }, (_, k): [number, number] => [
      80 - 4 * k,
      40 + 9 * Math.sin((Math.PI * k) / 20),
    ])
    const bowed: OwnPiece = {
      id: 'bowed',
      name: 'Bowed',
      side: 'whole',
      outline: [[0, 0], [80, 0], ...arc],
      corners: [0, 1, 2, 22],
      edges: ['a', 'b', 'c', 'd'].map((name, i) => ({ name, role: i === 2 ? 'fold' : 'raw', seam: '' })),
    }
    expect(() => ownPieces(OwnPattern.parse({ pieces: [bowed] }), book)).toThrow(
      /Bowed: "c" is to be the fold.* 9\.0 mm/,
    )
  })
  it('refuses an outline that crosses itself, by name, and edges that do not fit the corners', () => {
    const crossed = {
      ...piecesFromOutlines([rectangle(80, 40)])[0],
      name: 'Wing',
      outline: [
        [0, 0],
        [60, 40],
        [60, 0],
        [0, 30],
      ],
      corners: [0],
      edges: [{ name: 'e', role: 'raw', seam: '' }],
    }
    expect(() => ownPieces(OwnPattern.parse({ pieces: [crossed] }), book)).toThrow(/Wing: its outline crosses itself/)
    expect(OwnPattern.safeParse({ pieces: [{ ...crossed, corners: [0, 2] }] }).success).toBe(false)
    expect(OwnPattern.safeParse({ pieces: [{ ...crossed, corners: [9] }] }).success).toBe(false)
  })
})

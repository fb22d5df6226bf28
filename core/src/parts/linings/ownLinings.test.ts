import { describe, expect, it } from 'vitest'
import { sampleMaterials, samplePair } from '../../../test/samplePair.ts'
import { boxOf, signedArea, type Path } from '../../geometry/path.ts'
import { isSimple } from '../../geometry/selfIntersection.ts'
import type { Material } from '../../model/material.ts'
import { RuleBook } from '../../trade/rules.ts'
import { OwnPattern } from '../../model/upper.ts'
import { planPair } from '../../plan/planPair.ts'
import { ownPieces, piecesFromOutlines } from '../../upper/ownPattern.ts'
import { ownLiningPieces, ownLinings } from './ownLinings.ts'
import { keptCache } from '../../../test/keptCache.ts'

const book = new RuleBook({}, {})
const lining = sampleMaterials.find((m) => m.kind === 'lining leather') as Material
const rectangle = (w: number, h: number): Path => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
]
/** Two rectangles: feather below, opening above, joined by a lap on one upright side, each with a raw end. */
const pattern = (drawn: OwnPattern['drawn'] = 'finished line') =>
  OwnPattern.parse({
    drawn,
    pieces: piecesFromOutlines([rectangle(90, 60), rectangle(110, 60)]).map((p, i) => ({
      ...p,
      name: ['Front', 'Back'][i],
      edges: [
        { name: 'feather', role: 'lasting margin', seam: '' },
        { name: 'joint', role: i === 0 ? 'lap over' : 'lap under', seam: 'side' },
        { name: 'opening', role: 'folded', seam: '' },
        { name: 'end', role: 'closed seam', seam: '' },
      ],
    })),
  })
const made = (drawn?: OwnPattern['drawn']) => {
  const own = pattern(drawn)
  const cutEdge = own.drawn === 'cut edge'
  return ownLinings({
    pieces: ownLiningPieces(ownPieces(own, book), cutEdge, book),
    cutEdge,
    opening: { finish: 'folded', onFacings: false },
    material: lining,
    own: {},
    book,
  })
}
const size = (outline: Path) => {
  const b = boxOf(outline)
  return [b.maxX - b.minX, b.maxY - b.minY]
}

describe('linings of a drawn pattern', () => {
  it('are one a piece: proud of the opening, as wide as the upper at the feather, lapped by the lining’s own lap', () => {
    const [front, back] = made()
    expect([front!.id, front!.name]).toEqual(['lining.piece-1', 'Lining of front'])
    // Upright: 18 of margin below, 6 proud above. Along: 2.5 of the closed end; the lap under adds 8 on the back alone.
    expect(size(front!.outline)[1]).toBeCloseTo(60 + 18 + 6, 3)
    expect(size(front!.outline)[0]).toBeCloseTo(90 + 2.5, 3)
    expect(size(back!.outline)[0]).toBeCloseTo(110 + 2.5 + 8, 3)
    for (const p of [front, back]) {
      expect(isSimple(p!.outline)).toBe(true)
      expect(p).toMatchObject({ place: 'foot', role: 'lining', thickness: lining.thickness, count: 2 })
      expect(p!.becauses.map((b) => b.quantity)).toContain('Proud of the opening')
    }
    // The lap is thinned on both, so that the foot feels no step, the closed end to lie flat, the opening because it shows.
    for (const p of [front, back]) {
      expect(p!.skives.map((s) => s.name)).toEqual(['joint', 'opening', 'end'])
      expect(p!.skives.find((s) => s.name === 'opening')).toMatchObject({ shape: 'rounded', face: 'flesh' })
    }
  })
  it('of a drawn cut edge keep that edge and stand proud of the opening all the same', () => {
    const [front, back] = made('cut edge')
    expect(size(front!.outline)).toEqual([expect.closeTo(90, 3), expect.closeTo(66, 3)])
    expect(size(back!.outline)[0]).toBeCloseTo(110, 3)
  })
  it('are parts of the pair: cut, skived and closed with the others, and mirrored for the left foot', () => {
    const plan = planPair(samplePair({ upper: { style: 'own pattern', own: pattern() } }), keptCache())
    const linings = plan.parts.filter((p) => p.id.startsWith('lining.'))
    expect(linings).toHaveLength(2)
    const cut = plan.steps.find((o) => o.id === 'cut-lining')
    expect(cut?.parts).toEqual(linings.map((p) => p.id))
    expect(plan.steps.some((o) => o.id === 'skive-lining')).toBe(true)
    // They lie nowhere on the last, so the wall is still taken as one even thickness of upper and lining.
    expect(plan.layers.feather.thinnest.layers.map((l) => l.part)).toContain('lining')
    for (const p of linings) expect(signedArea(p.outline)).toBeGreaterThan(0)
  })
})

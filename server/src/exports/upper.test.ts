import {
  contains,
  distance,
  grainArrow,
  leftPart,
  mirror,
  pieceAsPart,
  planPair,
  styles,
  type DrawablePart,
  type PairFile,
  type Path,
  type Piece,
  type Plan,
  pairParts,
} from '@gentle-awl/core'
import DxfParser from 'dxf-parser'
import { beforeAll, describe, expect, it } from 'vitest'
import { samplePair } from '../../../core/test/samplePair.ts'
import { pairSvg } from './partsSvg.ts'
import { layOutAll } from './sheets.ts'
import { upperDxf } from './upperDxf.ts'
import { keptCache } from '../../../core/test/keptCache.ts'

let plan: Plan
let pieces: DrawablePart[]
const input = samplePair()
beforeAll(() => {
  plan = planPair(
    {
      ...input,
      decisions: {
        ...input.decisions,
        upper: { ...input.decisions.upper, style: 'oxford', options: { toeCap: true }, decoration: 'punched' },
      },
    },
    keptCache(),
  )
  pieces = plan.upper.pieces.map((p) => pieceAsPart(p, input.materials[0]!))
})

/** The greatest distance of a point of one line from the same point of the other. */
const apart = (a: Path, b: Path) => a.reduce((most, p, i) => Math.max(most, distance(p, b[i]!)), 0)

describe('the upper as DXF', () => {
  it('reads back equal: a block for every piece and foot, millimetres, layers by line kind', () => {
    const dxf = new DxfParser().parseSync(upperDxf(pairParts(pieces), 'face'))
    expect(dxf?.header.$INSUNITS).toBe(4)
    for (const piece of pieces) {
      for (const foot of ['right', 'left'] as const) {
        const block = dxf?.blocks[`${piece.id}-${foot}`.replace(/[^A-Za-z0-9_-]/g, '_')]
        expect(block, `${piece.id} ${foot}`).toBeDefined()
        const lines = (block?.entities ?? []).map((e) => ({
          layer: e.layer,
          path: (e as unknown as { vertices: { x: number; y: number }[] }).vertices.map((v): [number, number] => [
            v.x,
            v.y,
          ]),
        }))
        const cut = lines.filter((l) => l.layer === 'CUT')
        expect(cut).toHaveLength(1)
        const outline = foot === 'left' ? mirror(piece.outline) : piece.outline
        expect(cut[0]!.path).toHaveLength(outline.length)
        expect(apart(cut[0]!.path, outline)).toBeLessThan(0.01)
        const punched = piece.lines.filter((l) => l.kind === 'punch').length
        expect(lines.filter((l) => l.layer === 'PUNCH')).toHaveLength(punched)
        expect(lines.filter((l) => l.layer === 'NOTCH').length).toBeGreaterThan(0)
      }
    }
    const inserts = dxf?.entities.filter((e) => e.type === 'INSERT') ?? []
    expect(inserts).toHaveLength(2 * pieces.length)
  })
})

describe('the upper as SVG', () => {
  it('reads back equal, one unit to the millimetre', () => {
    const file: Pick<PairFile, 'label' | 'revision'> = {
      label: { order: '7', name: 'Sample', trade: '', note: '', due: null, weight: 1 },
      revision: 3,
    }
    const svg = pairSvg(file as PairFile, pairParts(pieces), 'face')
    const [, width] = /width="([\d.]+)mm"/.exec(svg) ?? []
    const [, box] = /viewBox="0 0 ([\d.]+) /.exec(svg) ?? []
    expect(width).toBe(box)
    for (const piece of pieces) {
      const at = svg.indexOf(`id="${piece.id}-right"`)
      const group = svg.slice(at, svg.indexOf('</g>', at))
      const [, d] = /class="cut" d="M([^"]+)Z"/.exec(group) ?? []
      const path = (d ?? '').split('L').map((pair): [number, number] => {
        const [x, y] = pair.split(' ').map(Number)
        return [x!, -y!]
      })
      expect(path).toHaveLength(piece.outline.length)
      expect(apart(path, piece.outline)).toBeLessThan(0.01)
    }
  })
})

describe('the tight direction', () => {
  /** Toe to heel on the forme, where the toe lies forwards: what the arrow must say, seen from outside the piece. */
  const wanted = (piece: Piece): [number, number] | 'along itself' | 'round the heel' => {
    if (/^(facingTape|backStay|pullLoop|buckleLoop|frontStrap|instepStrap|heelStrap)/.test(piece.id))
      return 'along itself'
    const upright = piece.fold && Math.abs(piece.fold[0][0] - piece.fold[1][0]) < 1
    if (upright) return 'round the heel'
    return piece.side === 'medial' ? [1, 0] : [-1, 0]
  }
  const unit = ([a, b]: readonly (readonly [number, number])[]): [number, number] => {
    const l = distance([a![0], a![1]], [b![0], b![1]])
    return [(b![0] - a![0]) / l, (b![1] - a![1]) / l]
  }

  it.each(styles)('of every piece of a %s goes with it through paper, SVG and DXF, turned and mirrored', (style) => {
    const shoe = planPair(
      { ...input, decisions: { ...input.decisions, upper: { ...input.decisions.upper, style } } },
      keptCache(),
    )
    const stuff = input.materials[0]
    const drawn = [...shoe.upper.pieces.map((p) => pieceAsPart(p, stuff!)), ...shoe.parts]
    for (const piece of shoe.upper.pieces) {
      const way = unit([piece.grain.from, piece.grain.to])
      const want = wanted(piece)
      if (want === 'along itself') continue
      const [x, y] = want === 'round the heel' ? [1, 0] : want
      expect(way[0] * x + way[1] * y, `${style}, ${piece.name}`).toBeCloseTo(1, 9)
      // The arrow lies on the leather.
      for (const end of [piece.grain.from, piece.grain.to]) expect(contains(piece.outline, end), piece.name).toBe(true)
    }
    const parts = pairParts(drawn)
    const file: Pick<PairFile, 'label' | 'revision'> = {
      label: { order: '7', name: 'S', trade: '', note: '', due: null, weight: 1 },
      revision: 3,
    }
    const svg = pairSvg(file as PairFile, parts, 'face')
    const dxf = new DxfParser().parseSync(upperDxf(parts, 'face'))
    const placed = layOutAll(parts, 'a4').flatMap((s) => s.placed)
    for (const part of drawn) {
      for (const foot of ['right', 'left'] as const) {
        const own = foot === 'left' ? leftPart(part) : part
        const [shaft] = grainArrow(own.grain)
        const at = svg.indexOf(`id="${part.id}-${foot}"`)
        expect(at, part.name).toBeGreaterThan(0)
        const [, d] = /class="grain" d="M([^"]+)"/.exec(svg.slice(at, svg.indexOf('</g>', at))) ?? []
        const read = (d ?? '').split('L').map((pair): [number, number] => {
          const [px, py] = pair.split(' ').map(Number)
          return [px!, -py!]
        })
        expect(apart(read, shaft!), part.name).toBeLessThan(0.01)
        const block = dxf?.blocks[`${part.id}-${foot}`.replace(/[^A-Za-z0-9_-]/g, '_')]
        const arrows = (block?.entities ?? []).filter((e) => e.layer === 'GRAIN')
        expect(arrows, part.name).toHaveLength(2)
        // On paper the arrow has the same place on the piece, whatever way the piece lies.
        for (const p of placed.filter((q) => q.part.id === part.id && q.foot === foot)) {
          const [outline, arrow] = [p.move(part.outline, false), p.move([part.grain.from, part.grain.to], false)]
          for (const k of [0, 5, Math.floor(part.outline.length / 2)].filter((n) => n < part.outline.length)) {
            for (const e of [0, 1]) {
              const before = distance(part.outline[k]!, e === 0 ? part.grain.from : part.grain.to)
              expect(distance(outline[k]!, arrow[e]!)).toBeCloseTo(before, 6)
            }
          }
        }
      }
    }
  })
})

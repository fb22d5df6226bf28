import {
  boxOf,
  distance,
  mirror,
  pieceAsPart,
  planPair,
  type DrawablePart,
  type PairFile,
  type Path,
  type Plan,
} from '@gentle-awl/core'
import DxfParser from 'dxf-parser'
import { beforeAll, describe, expect, it } from 'vitest'
import { samplePair } from '../../../core/test/samplePair.ts'
import { pairSvg } from './partsSvg.ts'
import { pairParts } from './pairParts.ts'
import { layOut } from './sheets.ts'
import { upperDxf } from './upperDxf.ts'

let plan: Plan
let pieces: DrawablePart[]
const input = samplePair()
beforeAll(() => {
  plan = planPair({
    ...input,
    decisions: {
      ...input.decisions,
      upper: { ...input.decisions.upper, style: 'oxford', options: { toeCap: true }, decoration: 'punched' },
    },
  })
  pieces = plan.upper.pieces.map((p) => pieceAsPart(p, input.materials[0]))
})

/** The greatest distance of a point of one line from the same point of the other. */
const apart = (a: Path, b: Path) => a.reduce((most, p, i) => Math.max(most, distance(p, b[i])), 0)

describe('the upper as DXF', () => {
  it('reads back equal: a block for every piece and foot, millimetres, layers by line kind', () => {
    const dxf = new DxfParser().parseSync(upperDxf(pairParts(pieces)))
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
        expect(cut[0].path).toHaveLength(outline.length)
        expect(apart(cut[0].path, outline)).toBeLessThan(0.01)
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
      label: { order: '7', name: 'Sample', trade: '', note: '' },
      revision: 3,
    }
    const svg = pairSvg(file as PairFile, pairParts(pieces))
    const [, width] = /width="([\d.]+)mm"/.exec(svg) ?? []
    const [, box] = /viewBox="0 0 ([\d.]+) /.exec(svg) ?? []
    expect(width).toBe(box)
    for (const piece of pieces) {
      const at = svg.indexOf(`id="${piece.id}-right"`)
      const group = svg.slice(at, svg.indexOf('</g>', at))
      const [, d] = /class="cut" d="M([^"]+)Z"/.exec(group) ?? []
      const path = (d ?? '').split('L').map((pair): [number, number] => {
        const [x, y] = pair.split(' ').map(Number)
        return [x, -y]
      })
      expect(path).toHaveLength(piece.outline.length)
      expect(apart(path, piece.outline)).toBeLessThan(0.01)
    }
  })
})

describe('the upper on paper', () => {
  it('every piece of both feet fits on its sheet', () => {
    for (const piece of pieces) {
      const sheet = layOut(pairParts([piece])[0], 'a4')
      for (const { move } of sheet.placed) {
        const b = boxOf(move(piece.outline))
        expect(b.minX).toBeGreaterThanOrEqual(0)
        expect(b.maxX).toBeLessThanOrEqual(sheet.width)
        expect(b.maxY).toBeLessThanOrEqual(sheet.height)
      }
    }
  })
})

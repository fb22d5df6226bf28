import { cuttingList, makeablesOf, type CutPiece, type PairFile, type Plan } from '@gentle-awl/core'
import { ListPages } from './listPages.ts'
import { PALE } from './pdfPage.ts'
import type { Paper } from './sheets.ts'

/** Height of a line and of what heads a material, mm; places of a line's figures from its left. */
const ROW = 5.8
const HEAD = 11
const AT = { right: 84, left: 97, thick: 116, area: 138, how: 142 } as const
/** So much of a fingerprint tells one shape from another at the bench. */
const SIGNS = 6

const dm2 = (mm2: number): string => `${(mm2 / 1e4).toFixed(1)} dm²`
const countOf = ({ cuts }: CutPiece, foot: 'right' | 'left'): number => cuts.find((c) => c.foot === foot)?.count ?? 0
const how = (p: CutPiece): string =>
  p.strip ? 'strip, by measure' : p.cuts.length === 1 ? 'this foot only' : p.mirrored ? 'turned over' : 'each its own'

/**
 * The cutting list of a pair for the bench: under every material its pieces for both shoes, each with a box to tick and the
 * fingerprint of the shape that it is cut from.
 */
export async function cuttingPdf(file: PairFile, plan: Plan, paper: Paper): Promise<Buffer> {
  const pages = new ListPages(file, paper, 'cutting list')
  const { width } = pages
  pages.head(
    'Cutting list',
    'Both shoes. Left pieces are the right ones turned over where it says so; what is traced on the flesh side is turned over once more. The tight direction runs along the arrow of each pattern. The signs at the end of a line are those of the shape: a pattern with others was cut from another plan.',
  )
  for (const { material, face, area, pieces } of cuttingList(file, plan)) {
    const head = pages.room(Math.min(HEAD + pieces.length * ROW, pages.height / 2) + 4)
    pages.y -= 4
    const rule: [number, number][] = [
      [0, pages.y],
      [width, pages.y],
    ]
    head.line(rule, false, 0.4)
    head.text(`${material.charAt(0).toUpperCase()}${material.slice(1)}`, 0, pages.y - 5, 12, { bold: true })
    head.text(face, AT.thick, pages.y - 5, 9.5, { right: true })
    head.text(dm2(area), width, pages.y - 5, 12, { bold: true, right: true })
    head.text('right', AT.right, pages.y - 9, 8, { right: true, colour: PALE })
    head.text('left', AT.left, pages.y - 9, 8, { right: true, colour: PALE })
    pages.y -= HEAD
    for (const piece of pieces) {
      const { page: at, words, base } = pages.ticked(ROW)
      at.text(piece.name, words, base, 9.5)
      at.text(String(countOf(piece, 'right')), AT.right, base, 9.5, { right: true })
      at.text(String(countOf(piece, 'left')), AT.left, base, 9.5, { right: true })
      at.text(`${piece.thickness.toFixed(1)} mm`, AT.thick, base, 9.5, { right: true })
      at.text(dm2(piece.area), AT.area, base, 9.5, { right: true })
      at.text(how(piece), AT.how, base, 8.5, { colour: PALE })
      const prints = makeablesOf(
        plan,
        piece.cuts.map(({ foot }) => ({ part: piece.record, foot })),
      ).map((m) => m.print.slice(0, SIGNS))
      at.text([...new Set(prints)].join(' '), width, base, 8.5, { right: true, colour: PALE })
    }
  }
  return pages.finish()
}

import { CODE_CELLS, MARK_CELLS, markCodes, matSheet, type MatKind, type Path } from '@gentle-awl/core'
import { startPdf } from './pdfDocument.ts'
import { INK, Page, PALE } from './pdfPage.ts'
import { papers, type Paper } from './sheets.ts'

const BAR = 100
/** Words and bar keep this far from the marks, mm. */
const AWAY = 4
/** Black without a tint: a printer rasters every other colour, and edges with it. */
const BLACK = '#000000'

const box = (x0: number, y0: number, x1: number, y1: number): Path => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
]

/**
 * Sheets of the mat to print: marks round the edge, a bar of 100 mm to check the printer by, and what to do with it. Vector,
 * at true size; the box of the marks stands in the middle of the paper.
 */
export async function matPdf(kind: MatKind, paper: Paper, first: number, last: number): Promise<Uint8Array> {
  const { width, height } = papers[paper]
  const { doc, finish } = startPdf(paper, 'Mat for photographs')
  for (let number = first; number <= last; number++) {
    const sheet = matSheet(kind, number)
    doc.addPage()
    const page = new Page(doc, height, (width - sheet.width) / 2, (height - sheet.height) / 2)
    const cell = sheet.side / MARK_CELLS
    for (const { mark, corners } of sheet.marks) {
      const [x, y] = corners[0]
      const code = markCodes()[mark]!
      // The black cells, row by row in as few boxes as they make, so that no hairline shows between them.
      for (let row = 0; row < MARK_CELLS; row++) {
        let from = 0
        for (let column = 0; column <= MARK_CELLS; column++) {
          if (column < MARK_CELLS && isBlack(code, column, row)) continue
          if (column > from) {
            const top = y + sheet.side - row * cell
            page.fill(
              box(x + from * cell, top - cell - (row + 1 < MARK_CELLS ? 0.02 : 0), x + column * cell, top),
              BLACK,
              1,
            )
          }
          from = column + 1
        }
      }
    }
    words(page, kind, number, sheet)
  }
  return finish()
}

/** Whether a cell of a mark is black: all of its border, and the field where its bit is 0. Row 0 is the upper one. */
function isBlack(code: number, column: number, row: number): boolean {
  const [c, r] = [column - 1, row - 1]
  if (c < 0 || r < 0 || c >= CODE_CELLS || r >= CODE_CELLS) return true
  return ((code >>> (r * CODE_CELLS + c)) & 1) === 0
}

function words(
  page: Page,
  kind: MatKind,
  number: number,
  sheet: { width: number; height: number; side: number },
): void {
  const title = `Mat, ${kind} sheet ${number}`
  if (kind === 'floor') {
    // Between the two columns of marks.
    const x = sheet.width / 2
    const y0 = (sheet.height - BAR) / 2
    page.line(
      [
        [x, y0],
        [x, y0 + BAR],
      ],
      false,
      0.25,
      [],
      PALE,
    )
    for (const y of [y0, y0 + BAR])
      page.line(
        [
          [x - 3, y],
          [x + 3, y],
        ],
        false,
        0.25,
        [],
        PALE,
      )
    page.text(title, x, y0 - 6, 9, { centred: true, bold: true })
    page.text(`This bar is ${BAR} mm`, x, y0 - 11, 8, { centred: true })
    page.text('Print at 100 %', x, y0 - 15, 8, { centred: true })
    return
  }
  const x0 = (sheet.width - BAR) / 2
  const y = sheet.side + AWAY + 2
  page.line(
    [
      [x0, y],
      [x0 + BAR, y],
    ],
    false,
    0.2,
    [],
    PALE,
  )
  for (const x of [x0, x0 + BAR])
    page.line(
      [
        [x, y - 1.5],
        [x, y + 1.5],
      ],
      false,
      0.2,
      [],
      PALE,
    )
  const top = sheet.height - sheet.side - AWAY - 3
  page.text(
    `${title}. Print at 100 %, without fitting to the page; the bar below is ${BAR} mm.`,
    sheet.width / 2,
    top,
    7.5,
    {
      centred: true,
      colour: INK,
    },
  )
}

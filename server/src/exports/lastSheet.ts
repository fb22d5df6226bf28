import {
  backProfile,
  bottomView,
  boxOf,
  checkedLast,
  sizeFromLast,
  sizeSystemNames,
  sideView,
  sizeSystems,
  type Last,
  type LastLine,
  type LastView,
  type Point,
} from '@gentle-awl/core'
import { startPdf } from './pdfDocument.ts'
import { INK, Page, PALE } from './pdfPage.ts'
import { papers, type Paper } from './sheets.ts'

const MARGIN = 14
const strokes: Record<LastLine['kind'], { width: number; dash: number[]; colour: string }> = {
  outline: { width: 0.4, dash: [], colour: INK },
  feather: { width: 0.4, dash: [], colour: INK },
  hidden: { width: 0.2, dash: [1.5, 1], colour: PALE },
  ground: { width: 0.25, dash: [4, 1.5], colour: PALE },
  tape: { width: 0.25, dash: [], colour: PALE },
  axis: { width: 0.2, dash: [6, 1.5, 1, 1.5], colour: PALE },
}

/** Draws a view at a scale, its origin at (x, y) of the page, with its dimensions. */
function draw(page: Page, view: LastView, x: number, y: number, scale: number): void {
  const at = ([px, py]: Point): Point => [x + px * scale, y + py * scale]
  for (const { kind, closed, path } of view.lines) {
    const { width, dash, colour } = strokes[kind]
    page.line(path.map(at), closed, width, dash, colour)
  }
  for (const d of view.dimensions) {
    const [a, b] = [at(d.from), at(d.to)]
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
    const n: Point = [(-(b[1] - a[1]) / length) * d.away * scale, ((b[0] - a[0]) / length) * d.away * scale]
    const p: Point = [a[0] + n[0], a[1] + n[1]]
    const q: Point = [b[0] + n[0], b[1] + n[1]]
    page.line([p, q], false, 0.2)
    if (d.away !== 0) {
      page.line([a, p], false, 0.1, [], PALE)
      page.line([b, q], false, 0.1, [], PALE)
    }
    const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
    for (const [tip, way] of [
      [p, 1],
      [q, -1],
    ] as const) {
      const back: Point = [tip[0] + ux * 1.8 * way, tip[1] + uy * 1.8 * way]
      page.line([[back[0] - uy * 0.6, back[1] + ux * 0.6], tip, [back[0] + uy * 0.6, back[1] - ux * 0.6]], false, 0.2)
    }
    const upright = Math.abs(uy) > Math.abs(ux)
    const middle: Point = [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2]
    const words = `${d.name} ${d.value.toFixed(1)}`
    // Figures stand outside the body: before the heel, past the toe; widths beside their line.
    const atHeel = upright && d.away > 0
    if (upright) page.text(words, middle[0] + (atHeel ? -1.5 : 1.5), middle[1] + 1, 7, { right: atHeel })
    else page.text(words, middle[0], middle[1] + 4, 7, { centred: true })
  }
}

/** Measurement sheet of a last: both views at half size, what tape and rule read, the back's profile, room for notes. */
export async function lastSheet(last: Last, paper: Paper): Promise<Uint8Array> {
  const { surface, readings: r } = checkedLast(last)
  const { width, height } = papers[paper]
  const { doc, finish } = startPdf(paper, `${last.name}, measurement sheet`)
  doc.addPage()
  const page = new Page(doc, height, MARGIN, MARGIN)
  const wide = width - 2 * MARGIN
  let y = height - 2 * MARGIN
  page.text(last.name, 0, y, 18, { bold: true })
  y -= 8
  const { number, feet, count, place } = last.stock
  const kept = [
    number ? `No. ${number}` : '',
    feet === 'pair' ? `${count === 1 ? 'one pair' : `${count} pairs`}` : `${feet} only`,
    place ? `stands: ${place}` : '',
  ].filter((s) => s !== '')
  page.text(`${kept.join(', ')}. Right last shown; the left is its mirror image.`, 0, y, 9)
  y -= 5
  if (last.note) page.text(last.note.slice(0, 110), 0, y, 9, { colour: PALE })
  const scale = Math.min(0.5, (wide - 74) / surface.length)
  const side = sideView(surface, r)
  const tall = boxOf(...side.lines.map((l) => l.path)).maxY
  y -= 20 + tall * scale
  draw(page, side, 38, y, scale)
  page.text(side.name, 0, y + tall * scale + 13, 8, { bold: true })
  y -= 18 + (surface.length * 0.2 + 18) * scale
  const below = bottomView(surface, r)
  draw(page, below, 38, y, scale)
  page.text(below.name, 0, y + 62 * scale, 8, { bold: true })
  y -= 62 * scale + 4
  page.text(`Drawn at ${Math.round(scale * 100)} % of true size; figures are millimetres.`, 0, y, 8, { colour: PALE })
  y -= 10
  tables(page, y, wide, last, surface, r)
  return finish()
}

function tables(
  page: Page,
  top: number,
  wide: number,
  last: Last,
  surface: ReturnType<typeof checkedLast>['surface'],
  r: ReturnType<typeof checkedLast>['readings'],
): void {
  const column = (title: string, x: number, rows: [string, string][]) => {
    page.text(title, x, top, 10, { bold: true })
    rows.forEach(([name, value], i) => {
      const y = top - 6.5 - i * 5
      page.text(name, x, y, 9)
      page.text(value, x + wide / 3 - 22, y, 9, { bold: true })
      page.line(
        [
          [x, y - 1.4],
          [x + wide / 3 - 8, y - 1.4],
        ],
        false,
        0.1,
        [],
        PALE,
      )
    })
  }
  const mm = (v: number) => v.toFixed(1)
  column('Tape and rule', 0, [
    ['Length', mm(r.length)],
    ['Joint girth', mm(r.girths.joint)],
    ['Waist girth', mm(r.girths.waist)],
    ['Instep girth', mm(r.girths.instep)],
    ['Short heel girth', mm(r.girths.heel)],
    ['Seat width', mm(r.widths.seat)],
    ['Waist width', mm(r.widths.waist)],
    ['Joint width', mm(r.widths.joint)],
    ['Heel height', mm(r.heelHeight)],
    ['Toe spring of the last', mm(r.toeSpring)],
    ['Toe box height', mm(r.toeBoxHeight)],
  ])
  column(
    'Back, in from its fullest',
    wide / 3,
    backProfile(surface)
      .slice(0, 12)
      .map(({ height, inwards }): [string, string] => [`${height} mm over the seat`, mm(inwards)]),
  )
  column('About size', (2 * wide) / 3, [
    ...sizeSystems.map((s): [string, string] => [sizeSystemNames[s], sizeFromLast(s, r.length).toFixed(1)]),
    ...last.buildUps.map((b): [string, string] => [`Glued on, ${b.station}`, mm(b.thickness)]),
  ])
}

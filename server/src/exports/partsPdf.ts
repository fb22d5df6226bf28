import {
  boxOf,
  contains,
  cutLine,
  grainAlong,
  grainArrow,
  holeRings,
  intersect,
  stitchTicks,
  type DrawablePart,
  type PairFile,
  type Path,
  type Plan,
  type PairPart,
} from '@gentle-awl/core'
import { faceWords, type Face } from './faces.ts'
import { labelPlace, leading } from './label.ts'
import { benchSheet } from './benchSheet.ts'
import { skiveMark } from './skiveOnPiece.ts'
import { startPdf } from './pdfDocument.ts'
import { bar, MM, Page, PALE } from './pdfPage.ts'
import { FOOT, layOutAll, MARGIN, papers, windowOf, type Paper, type Placed, type Sheet } from './sheets.ts'

/** Lines of the last or of a neighbour that reach further than this past a part would cross what shares its page, mm. */
const PAST = 4
/** Half the length of a register cross's arms, mm. */
const CROSS = 3
/** Figures of a skive, points. */
const SKIVE_WORDS = 5.5
/** Further lines of a name are so much smaller than the first. */
const SMALLER = 0.8

function staysNear(part: DrawablePart, path: Path): boolean {
  const [a, b] = [boxOf(part.outline), boxOf(path)]
  return b.minX > a.minX - PAST && b.maxX < a.maxX + PAST && b.minY > a.minY - PAST && b.maxY < a.maxY + PAST
}

function drawPart(page: Page, placed: Placed, face: Face): void {
  const { part, move } = placed
  const others = [
    ...part.lines.map((l) => (l.closed ? [...l.path, l.path[0]!] : l.path)),
    [...part.outline, part.outline[0]!],
    [part.grain.from, part.grain.to],
  ]
  for (const skive of part.skives) {
    page.fill(move(skive.band), '#C98A1B', 0.18)
    const mark = skiveMark(skive, others)
    if (!mark) continue
    page.fill(move(mark.section), '#C98A1B', 0.5)
    page.line(move(mark.section), true, 0.15)
    const [at, ahead] = move([mark.at, [mark.at[0] + mark.way[0], mark.at[1] + mark.way[1]]], false)
    page.along(mark.words, at!, [ahead![0] - at![0], ahead![1] - at![1]], SKIVE_WORDS)
  }
  for (const l of part.lines) {
    // A crease line that runs beside the part says nothing here and would cross the other foot.
    if (l.kind === 'crease' && !l.path.some((p) => contains(part.outline, p))) continue
    if ((l.kind === 'neighbour' || l.kind === 'feather') && !staysNear(part, l.path)) continue
    const path = move(l.path, l.closed)
    if (l.kind === 'feather') {
      page.line(path, l.closed, 0.45, [], PALE)
      page.line(path, l.closed, 0.25, [], '#FFFFFF')
    } else if (l.holes) {
      page.line(path, l.closed, 0.1, [], PALE)
      if (l.later) for (const ring of holeRings(move(l.holes, false))) page.line(ring, true, 0.2)
      else for (const tick of stitchTicks(move(l.holes, false))) page.line(tick, false, 0.3)
    } else if (l.kind === 'fold') page.line(path, l.closed, 0.25, [6, 2])
    else if (l.kind === 'stitch') page.line(path, l.closed, 0.3, [2, 2])
    else if (l.kind === 'crease') page.line(path, l.closed, 0.2, [0.6, 1.6], PALE)
    else if (l.kind === 'cut mark') page.line(path, l.closed, 0.35)
    else if (l.kind === 'punch') page.line(path, l.closed, 0.2, l.later ? [0.8, 0.8] : [])
    else if (l.kind === 'neighbour') page.line(path, l.closed, 0.15, [1, 1], PALE)
    else page.line(path, l.closed, 0.2, [3, 1.5], PALE)
  }
  page.line(move(cutLine(part.outline, part.notches)), true, 0.35)
  const arrow = arrowOf(placed)
  for (const line of arrow) page.line(line, false, 0.25)
  for (const [x, y] of placed.crosses) cross(page, x, y)
  nameOn(page, placed, arrow, face)
}

/** The tight direction as it lies on the page; each stretch of a long part has an arrow of its own. */
function arrowOf({ part, move, stretch }: Placed): Path[] {
  if (!stretch) return grainArrow(part.grain).map((line) => move(line, false))
  const { x, y, width, height } = stretch.window
  const shown = intersect(
    move(part.outline),
    [
      [x, y],
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
    ],
    part.name,
  )
  const [from, to] = move([part.grain.from, part.grain.to], false)
  return grainArrow(grainAlong(shown, [to![0] - from![0], to![1] - from![1]]))
}

/** A cross on which the other stretch of the part is laid. */
function cross(page: Page, x: number, y: number): void {
  for (const [dx, dy] of [
    [CROSS, 0],
    [0, CROSS],
  ] as const) {
    page.line(
      [
        [x - dx, y - dy],
        [x + dx, y + dy],
      ],
      false,
      0.2,
    )
  }
}

/** Name, foot, stuff and stretch of a part where they touch neither its arrow, nor a fold, nor a hole; else under it. */
function nameOn(page: Page, { part, move, foot, stretch }: Placed, arrow: readonly Path[], face: Face): void {
  const name = `${part.name}, ${foot}`
  const stuff = `${part.materialName}, ${part.thickness} mm`
  const which = stretch ? [`sheet ${stretch.index + 1} of ${stretch.of}: lay cross on cross`] : []
  const inTheWay = [
    ...arrow.map((path) => ({ path, closed: false })),
    ...part.lines
      .filter((l) => l.kind !== 'neighbour' && l.kind !== 'crease')
      .map((l) => ({ path: move(l.path, l.closed), closed: l.closed })),
  ]
  const w = stretch?.window
  const window = w ? { minX: w.x, minY: w.y, maxX: w.x + w.width, maxY: w.y + w.height } : null
  const outline = move(part.outline)
  const side = faceWords[face]
  for (const lines of [[name, side, stuff, ...which], [name, side, ...which], [name, ...which], [name]]) {
    const widthOf = (size: number) =>
      Math.max(...lines.map((l, i) => page.widthOf(l, i === 0 ? size : size * SMALLER, i === 0)))
    const place = labelPlace(outline, inTheWay, lines.length, widthOf, window)
    if (!place) continue
    lines.forEach((l, i) =>
      page.text(l, place.at[0], place.at[1] - i * leading(place.size), i === 0 ? place.size : place.size * SMALLER, {
        bold: i === 0,
        centred: true,
      }),
    )
    return
  }
  // No room on it: beside it, as small as can be read, over or under.
  const box = boxOf(outline)
  page.text(name, (box.minX + box.maxX) / 2, box.minY > 3 ? box.minY - 2.4 : box.maxY + 1, 4.5, { centred: true })
}

function foot(page: Page, words: string, pageNumber: number, total: number, width: number): void {
  bar(page, 0, -10)
  page.text('100 mm', 102, -11, 7)
  page.text(words, 0, -15, 7.5)
  page.text(`${pageNumber} of ${total}`, width - 14, -11, 7.5)
}

/** What lies on a page, for its foot. */
const namesOn = ({ placed }: Sheet): string => {
  const names = [...new Set(placed.map((p) => p.part.name))]
  return names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(', ')
}

/**
 * Parts of a pair, or the pieces of its upper, at true size: one sheet for the bench with bars, list, map and what to cut
 * from what; then both feet of every part, packed on the paper. Vector PDF; 1 mm is 72 / 25.4 points.
 */
export async function partsPdf(
  file: PairFile,
  plan: Plan,
  paper: Paper,
  parts: readonly PairPart[],
  face: Face,
): Promise<Buffer> {
  const size = papers[paper]
  const window = windowOf(paper)
  const sheets = layOutAll(parts, paper, face)
  const total = sheets.length + 1
  const { doc, finish } = startPdf(paper, `${file.label.order} ${file.label.name}, revision ${file.revision}`)
  const newPage = () => {
    doc.addPage()
    return new Page(doc, size.height, MARGIN, MARGIN + FOOT)
  }
  const words = `${file.label.order}  ${file.label.name}  revision ${file.revision}`
  const first = newPage()
  benchSheet(first, file, plan, parts, sheets, paper)
  const lies = face === 'flesh' ? '  mirrored for the flesh side' : '  face side up'
  foot(first, `${words}  for the bench`, 1, total, window.width)
  sheets.forEach((sheet, i) => {
    const page = newPage()
    for (const placed of sheet.placed) {
      doc.save()
      const w = placed.stretch?.window ?? { x: 0, y: 0, width: window.width, height: window.height }
      doc.rect(page.x(w.x), page.y(w.y + w.height), w.width * MM, w.height * MM).clip()
      drawPart(page, placed, face)
      doc.restore()
    }
    foot(page, `${words}${lies}  ${namesOn(sheet)}`, i + 2, total, window.width)
  })
  return finish()
}

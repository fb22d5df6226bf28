import {
  holeRings,
  punchingStrip,
  type DrawablePart,
  type PairFile,
  type Path,
  type Plan,
  type Point,
  type Seam,
  type PairPart,
} from '@gentle-awl/core'
import { ListPages } from './listPages.ts'
import { bar, PALE, type Page } from './pdfPage.ts'
import type { Paper } from './sheets.ts'
import { onRow, stripRows, type StripRow } from './stripRows.ts'

/** Space under a row, and for the words over it, mm. */
const GAP = 5
const WORDS = 5
/** Half the length of the tick of a hole, and how far a punching strip goes on past its row, mm. */
const TICK = 1.4
const PAST = 6
/** The paper of a punching strip goes on past its first and its last hole, mm. */
const ENDS = 5
/** Names of marks stand this far over their strip, in so many points. */
const NAME = 6.5

const mm = (v: number): string => `${Number.isInteger(v) ? v : v.toFixed(1)} mm`
/** A seam with a row of holes: of both feet's where they are mirrors. */
interface PunchedSeam {
  seam: Seam
  foot: string
}

/** Hand seams of both shoes; what is so on both is told once. */
function punchedSeams(plan: Plan): PunchedSeam[] {
  const hand = (seams: readonly Seam[], foot: string) =>
    // Those of the sole are punched by the sole's own print.
    seams.filter((s) => s.way === 'hand' && s.sewnWith === 'hand').map((seam): PunchedSeam => ({ seam, foot }))
  return plan.left
    ? [...hand(plan.stitching.seams, 'right'), ...hand(plan.left.stitching.seams, 'left')]
    : hand(plan.stitching.seams, 'both feet')
}

/**
 * Everything of a pair that is cut or punched by measure along a line, at true size: strips for the opening's edge and
 * the welt with their folds, kerfs and marks, and a punching strip for every seam that is sewn by hand. A strip longer
 * than the paper goes on in the next row, which begins where the one before ends.
 */
export async function stripsPdf(file: PairFile, plan: Plan, paper: Paper, parts: readonly PairPart[]): Promise<Buffer> {
  const pages = new ListPages(file, paper, 'strips')
  const seams = punchedSeams(plan)
  pages.head(
    'Strips',
    'At true size: print at “actual size” and lay a rule on the bar. Cut the rows of a strip out, lay each at the end of the one before, and stick them on card.',
  )
  bar(pages.room(8), 0, pages.y - 6)
  pages.room(8).text('100 mm', 102, pages.y - 7, 7)
  pages.y -= 12
  for (const { feet } of parts) {
    for (const { foot, part } of alike(feet)) partStrip(pages, part, foot)
  }
  if (seams.length > 0) {
    pages.head(
      'Punching strips',
      'Lay the lower edge of a strip along the edge that the seam runs beside, or its row along the drawn row where that bends. Ticks are punched now; rings later, through all that is joined there. Both partners of a seam have the same holes.',
    )
    for (const { seam, foot } of seams) seamStrip(pages, seam, foot)
  } else if (parts.length === 0) {
    pages.words('This pair has nothing that is cut by measure, and no seam that is sewn by hand.')
  }
  return pages.finish()
}

/** Feet whose strips are the same are told once. */
function alike(feet: PairPart['feet']): { foot: string; part: DrawablePart }[] {
  const [first, second] = feet
  if (!first || !second) return feet
  const same =
    JSON.stringify([first.part.outline, first.part.lines]) === JSON.stringify([second.part.outline, second.part.lines])
  return same ? [{ foot: 'both feet', part: first.part }] : feet
}

/** One row of a strip: what of a path lies on it, moved to its place on the page. */
const placer =
  (row: StripRow, last: boolean, base: number) =>
  (path: Path): Path | null =>
    onRow(path, row, last)?.map(([x, y]): Point => [x - row.from, base + y]) ?? null

const titleOfRow = (row: StripRow, rows: readonly StripRow[]): string =>
  rows.length === 1 ? '' : `, ${row.from} to ${row.to.toFixed(row.to % 1 === 0 ? 0 : 1)} mm`

function partStrip(pages: ListPages, part: DrawablePart, foot: string): void {
  const length = Math.max(...part.outline.map((p) => p[0]))
  const width = Math.max(...part.outline.map((p) => p[1]))
  const rows = stripRows(length, pages.width)
  rows.forEach((row, i) => {
    const last = i === rows.length - 1
    const page = pages.room(width + WORDS + GAP + 4)
    const head = i === 0 ? `${part.name}, ${foot}: ${mm(length)} × ${mm(width)}, ${part.materialName}` : part.name
    page.text(`${head}${titleOfRow(row, rows)}`, 0, pages.y - 3, i === 0 ? 10 : 8.5, { bold: i === 0 })
    pages.y -= WORDS + 3
    const base = pages.y - width
    const place = placer(row, last, base)
    frame(page, row.to - row.from, width, base, i === 0, last)
    for (const l of part.lines) {
      const path = place(l.path)
      if (!path) continue
      if (l.kind === 'fold') page.line(path, false, 0.25, [6, 2])
      else if (l.kind === 'mark') {
        page.line(path, false, 0.2, [1.5, 1], PALE)
        markName(pages, page, `${l.name}, ${l.path[0]![0].toFixed(0)}`, path[0]![0], base + width - 2.6)
      } else page.line(path, false, 0.35)
    }
    pages.y = base - GAP
  })
}

/** The name of a mark beside it: on its other side where the paper ends. */
function markName(pages: ListPages, page: Page, name: string, x: number, y: number): void {
  const right = x + page.widthOf(name, NAME) + 1 > pages.width
  page.text(name, right ? x - 0.6 : x + 0.6, y, NAME, { right, colour: PALE })
}

/** Long edges of a row, with its ends where the strip itself ends. */
function frame(page: Page, length: number, width: number, base: number, first: boolean, last: boolean): void {
  for (const y of [0, width]) {
    page.line(
      [
        [0, base + y],
        [length, base + y],
      ],
      false,
      0.3,
    )
  }
  for (const [x, whole] of [
    [0, first],
    [length, last],
  ] as const) {
    page.line(
      [
        [x, base],
        [x, base + width],
      ],
      false,
      whole ? 0.3 : 0.15,
      whole ? [] : [1, 1],
    )
  }
}

function seamStrip(pages: ListPages, seam: Seam, foot: string): void {
  // Where a piece has only a part of the seam, the other one has all of it.
  const whole = seam.on.filter((o) => !o.part)
  const first = whole[0]
  if (!first) return
  const strip = punchingStrip(first)
  const high = seam.fromEdge + PAST
  const times = [...new Set(whole.map((o) => o.punched))]
  // On the paper the row begins past its end.
  const onPaper = (at: number) => at + ENDS
  const rows = stripRows(strip.length + 2 * ENDS, pages.width)
  rows.forEach((row, i) => {
    const last = i === rows.length - 1
    const page = pages.room(high + WORDS + GAP + 6)
    const head =
      i === 0
        ? `${seam.name}, ${foot}: ${strip.holes.length} holes, ${mm(strip.length)}, ${mm(seam.fromEdge)} from the edge`
        : seam.name
    page.text(`${head}${titleOfRow(row, rows)}`, 0, pages.y - 3, i === 0 ? 10 : 8.5, { bold: i === 0 })
    if (i === 0) {
      pages.y -= 4.5
      page.text(punchWords(seam, times), 0, pages.y - 3, 8.5, { colour: PALE })
    }
    pages.y -= WORDS + 1
    const base = pages.y - high
    const place = placer(row, last, base)
    frame(page, row.to - row.from, high, base, i === 0, last)
    const along = place([
      [onPaper(0), seam.fromEdge],
      [onPaper(strip.length), seam.fromEdge],
    ])
    if (along) page.line(along, false, 0.1, [], PALE)
    for (const at of strip.holes) {
      const tick = place([
        [onPaper(at), seam.fromEdge - TICK],
        [onPaper(at), seam.fromEdge + TICK],
      ])
      if (!tick) continue
      if (times.includes('now')) page.line(tick, false, 0.3)
      else for (const ring of holeRings([[tick[0]![0], base + seam.fromEdge]])) page.line(ring, true, 0.2)
    }
    for (const at of strip.corners) {
      const mark = place([
        [onPaper(at), 0],
        [onPaper(at), high],
      ])
      if (!mark) continue
      page.line(mark, false, 0.2, [1.5, 1], PALE)
      markName(pages, page, 'corner', mark[0]![0], base + high - 2.6)
    }
    pages.y = base - GAP
  })
}

/** When and how the holes of a seam are made. */
function punchWords({ punch }: Seam, times: readonly string[]): string {
  const when =
    times.length > 1
      ? 'Punched now on the piece that lies over; through it on the one under it, once they are stuck together.'
      : times[0] === 'now'
        ? 'Punched now.'
        : 'Punched later, through all that is joined there.'
  return punch
    ? `${when} ${punch.tool === 'edge punch' ? 'Edge punch' : 'Drive punch'}, on ${punch.ground === 'shaped block' ? 'a shaped block' : 'scrap leather'}.`
    : when
}

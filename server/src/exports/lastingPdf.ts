import {
  boxOf,
  lastedNames,
  tackOrder,
  mirror,
  type FootPlan,
  type LastedStrip,
  type PairFile,
  type Path,
  type Plan,
  type Point,
} from '@gentle-awl/core'
import { startPdf } from './pdfDocument.ts'
import { bar, INK, MM, Page, PALE } from './pdfPage.ts'
import { MARGIN, papers, type Paper } from './sheets.ts'

/** Room at the head of a sheet for its words, and at its foot for the bar, mm. */
const HEAD = 40
const FOOT = 22
/** Room for numbers round the outline, mm; two rows by turns. */
const ROUND = 11
const ROWS = [3.4, 6.8] as const
/** Where a shoe that is longer than the paper is parted, as a share of its length, and how much both halves show of it, mm. */
const WAIST = 0.45
const BOTH = 8
/** Radius of an anchor and of another tack, mm. */
const ANCHOR = 2.1
const FILLS = 1.3

type Foot = 'right' | 'left'

const dot = ([x, y]: Point, r: number): Path =>
  Array.from({ length: 24 }, (_, i): Point => {
    const a = (2 * Math.PI * i) / 24
    return [x + r * Math.cos(a), y + r * Math.sin(a)]
  })

/** Everything of a strip in the place in which the shoe lies before the maker: seen from below, the toe up. */
function fromBelow(foot: Foot): (path: Path, closed?: boolean) => Path {
  return (path, closed = false) => (foot === 'right' ? mirror(path, closed) : path).map(([x, y]): Point => [-y, x])
}

/** The tack plan of every thing that is turned under, for both shoes, at true size: one sheet each, toe up, seen from below. */
export async function lastingPdf(file: PairFile, plan: Plan, paper: Paper): Promise<Buffer> {
  const { width, height } = papers[paper]
  const { label, revision } = file
  const pdf = startPdf(paper, `${label.order} ${label.name}, tack plan`)
  const shoes: readonly [Foot, FootPlan][] = [
    ['right', plan],
    ['left', plan.left ?? plan],
  ]
  for (const [foot, shoe] of shoes) {
    const feather = shoe.parts.find((p) => p.id === 'insole')?.outline ?? []
    // What lies inside is held by the upper's tacks.
    for (const strip of shoe.lasting.strips.filter((s) => !s.isInside)) {
      pdf.doc.addPage({ size: [width * MM, height * MM], margin: 0 })
      const page = new Page(pdf.doc, height, MARGIN, MARGIN)
      const wide = width - 2 * MARGIN
      const high = height - 2 * MARGIN
      page.text(`${label.order}  ${label.name}  revision ${revision}`, 0, 0, 8, { colour: PALE })
      heading(page, wide, high, strip, foot, shoe.lasting.hold)
      bar(page, 0, 8)
      page.text('100 mm', 102, 8, 8, { colour: PALE })
      sheet(page, wide, high - HEAD, feather, strip, foot)
    }
  }
  return pdf.finish()
}

function heading(
  page: Page,
  wide: number,
  high: number,
  strip: LastedStrip,
  foot: Foot,
  hold: FootPlan['lasting']['hold'],
): void {
  const { tackLength, tacks, between } = strip
  page.text(`${lastedNames[strip.id]}, ${foot} shoe`, 0, high - 5, 17, { bold: true })
  const stay = between.filter((b) => b.tuck > 0)
  const lines = [
    `${tacks.length} tacks, ${tackLength.least.toFixed(1)} to ${tackLength.most.toFixed(1)} mm under the head. Seen from below, the toe up. ${tackOrder(strip)}`,
    stay.length === 0
      ? 'Between any two tacks it is pressed flat.'
      : `Tucks stay between ${stay.map((b) => `${b.from} and ${b.to} (${b.tuck.toFixed(1)} mm)`).join(', ')}.`,
    ...(hold.length > 0
      ? [
          `Held, and measured: ${hold.map((b) => `${b.quantity.charAt(0).toLowerCase()}${b.quantity.slice(1)} ${b.value.toFixed(1)} mm ________`).join('   ')}`,
        ]
      : []),
  ]
  let y = high - 12
  for (const line of lines.flatMap((l) => page.wrapped(l, wide, 9.5))) {
    page.text(line, 0, y, 9.5)
    y -= 4.6
  }
}

/** Draws the strip in one piece where it fits, or forepart and back part beside each other. */
function sheet(page: Page, wide: number, high: number, feather: Path, strip: LastedStrip, foot: Foot): void {
  const lay = fromBelow(foot)
  const outline = lay(feather, true)
  const b = boxOf(outline)
  const long = b.maxY - b.minY
  if (long + 2 * ROUND + FOOT <= high) {
    const by: Point = [wide / 2 - (b.minX + b.maxX) / 2, FOOT + ROUND - b.minY]
    drawStrip(page, outline, strip, lay, by)
    return
  }
  const waist = b.minY + WAIST * long
  const fore = boxOf(outline.filter(([, y]) => y >= waist - BOTH))
  const back = boxOf(outline.filter(([, y]) => y <= waist + BOTH))
  // What is left of the width goes round both alike.
  const parted = (wide + fore.maxX - fore.minX - back.maxX + back.minX) / 2
  const halves = [
    { from: waist - BOTH, to: b.maxY + ROUND, left: 0, right: parted, box: fore },
    { from: b.minY - ROUND, to: waist + BOTH, left: parted, right: wide, box: back },
  ]
  for (const { from, to, left, right, box } of halves) {
    const by: Point = [(left + right) / 2 - (box.minX + box.maxX) / 2, FOOT + 4 - from]
    const window: Path = [
      [left, by[1] + from],
      [right, by[1] + from],
      [right, by[1] + to],
      [left, by[1] + to],
    ]
    page.clipped(window, () => {
      drawStrip(page, outline, strip, lay, by)
      const joint: Path = [
        [left, waist + by[1]],
        [right, waist + by[1]],
      ]
      page.line(joint, false, 0.2, [2, 1.5], PALE)
    })
  }
  page.text('Both halves meet at the dashed line.', wide, 12, 8.5, { right: true, colour: PALE })
}

function drawStrip(page: Page, outline: Path, strip: LastedStrip, lay: (path: Path) => Path, [dx, dy]: Point): void {
  const at = ([x, y]: Point): Point => [x + dx, y + dy]
  page.line(outline.map(at), true, 0.4)
  const middle = boxOf(outline)
  const [mx, my] = [(middle.minX + middle.maxX) / 2, (middle.minY + middle.maxY) / 2]
  const along = [...strip.tacks].sort((a, b) => a.place - b.place)
  along.forEach((tack, i) => {
    const [on, inner] = lay([tack.on, tack.at]).map(at) as [Point, Point]
    page.line([on, inner], false, 0.15, [], PALE)
    const r = tack.anchor === null ? FILLS : ANCHOR
    if (tack.anchor === null) page.line(dot(inner, r), true, 0.25)
    else page.fill(dot(inner, r), INK, 1)
    // Numbers stand outside, straight out from their tack.
    let [nx, ny] = [on[0] - inner[0], on[1] - inner[1]]
    const l = Math.hypot(nx, ny)
    if (l < 1e-6) [nx, ny] = [on[0] - mx - dx, on[1] - my - dy]
    const length = Math.hypot(nx, ny) || 1
    const far = ROWS[i % 2]!
    page.text(String(tack.number), on[0] + (nx / length) * far, on[1] + (ny / length) * far - 1, tack.anchor ? 9 : 7, {
      centred: true,
      bold: tack.anchor !== null,
    })
  })
  for (const b of strip.between.filter((x) => x.tuck > 0)) {
    const [on] = lay([b.on]).map(at) as [Point]
    page.line(dot(on, 0.9), true, 0.5)
  }
}

import {
  boxOf,
  grainArrow,
  holeRings,
  stitchTicks,
  type DrawablePart,
  type PairFile,
  type Path,
  type Plan,
  type Point,
  piecesOf,
  type PairPart,
} from '@gentle-awl/core'
import { bar, PALE, type Page } from './pdfPage.ts'
import { pagesOf, papers, windowOf, type Paper, type Sheet } from './sheets.ts'

/** The list stands in two columns of this layout: places of its figures from the column's left edge, and its width, mm. */
const LIST = { cut: 53, thick: 61, pages: 74, width: 91, name: 51 } as const
const ROW = 4.1
const COLUMN_GAP = 8
/** Figures and words of the list, points. */
const TEXT = 7.5

/** The one page for the bench: bars, what to cut from what with its pages, the map of the pages, and what the lines mean. */
export function benchSheet(
  page: Page,
  file: PairFile,
  plan: Plan,
  parts: readonly PairPart[],
  sheets: readonly Sheet[],
  paper: Paper,
): void {
  const { label } = file
  const window = windowOf(paper)
  let y = window.height - 6
  const title = page.wrapped(label.name, window.width, 17, true)
  for (const line of title) {
    page.text(line, 0, y, 17, { bold: true })
    y -= 6.5
  }
  const facts = `Order ${label.order}${label.trade ? `, ${label.trade}` : ''}. Revision ${file.revision}. ${lastsOf(file, plan)}`
  const print = `${papers[paper].name}, ${sheets.length + 1} pages at true size. Print without fitting to the page ("100 %" or "actual size"); lay a rule on both bars: each is 100 mm. If not, the printer scales: set it right before you cut.`
  for (const [words, size] of [
    [facts, 9.5],
    [print, 8],
  ] as const) {
    for (const line of page.wrapped(words, window.width, size)) {
      page.text(line, 0, y, size)
      y -= size * 0.5
    }
    y -= 0.8
  }
  bar(page, 12, y - 5)
  page.text('100 mm across', 114, y - 6, 7.5)
  bar(page, 6, y - 110, true)
  page.text('100 mm up', 0, y - 114, 7.5)
  const below = list(page, plan, parts, sheets, { x: 12, top: y - 13, width: window.width - 12 })
  const left = legendAt(page, Math.min(below, y - 118))
  pageMap(page, sheets, window, left - 4)
}

/** What to cut from what: parts under their stuff, in two columns; gives the height at which the list ends. */
function list(
  page: Page,
  plan: Plan,
  parts: readonly PairPart[],
  sheets: readonly Sheet[],
  at: { x: number; top: number; width: number },
): number {
  const own = new Set(plan.feet.filter((f) => f.kind === 'differs').map((f) => f.id.replace(/^upper\./, '')))
  const stuffs = new Map<string, PairPart[]>()
  for (const part of parts) {
    const { materialName } = part.feet[0]!.part
    stuffs.set(materialName, [...(stuffs.get(materialName) ?? []), part])
  }
  const entries = [...stuffs].map(([stuff, its]) => ({
    stuff,
    rows: its.map((part) => {
      const { foot, part: drawn } = part.feet[0]!
      const which = part.feet.length === 1 ? `, ${foot} only` : own.has(part.id) ? ', L and R differ' : ''
      const pages = pagesOf(sheets, part.id).map((i) => i + 2)
      return {
        name: page.wrapped(`${part.name}${which}`, LIST.name, TEXT),
        cut: `${piecesOf(part)}`,
        thick: drawn.thickness.toFixed(1),
        where: pages.length > 0 ? runs(pages) : sizes(part),
      }
    }),
  }))
  const heightOf = (e: (typeof entries)[number]) => 1.35 * ROW + e.rows.reduce((sum, r) => sum + r.name.length * ROW, 0)
  const whole = entries.reduce((sum, e) => sum + heightOf(e), 0)
  const columns = at.width >= 2 * LIST.width - 12 ? 2 : 1
  const width = (at.width - (columns - 1) * COLUMN_GAP) / columns
  const stretch = width / LIST.width
  const scale = Math.min(1, stretch)
  const [cut, thick, where] = [LIST.cut * scale, LIST.thick * scale, LIST.pages * scale]
  let [column, y, lowest, used] = [0, at.top, at.top, 0]
  const x = () => at.x + column * (width + COLUMN_GAP)
  const head = () => {
    page.text('Cut', x() + cut, y, 7, { colour: PALE })
    page.text('mm', x() + thick, y, 7, { colour: PALE })
    page.text('Pages', x() + where, y, 7, { colour: PALE })
    y -= ROW
  }
  head()
  for (const e of entries) {
    if (column + 1 < columns && used > 0 && used + heightOf(e) / 2 > whole / columns) {
      column++
      ;[y, used] = [at.top, 0]
      head()
    }
    page.text(`From ${e.stuff}`, x(), y, TEXT, { bold: true })
    y -= ROW
    for (const row of e.rows) {
      page.text(row.cut, x() + cut, y, TEXT)
      page.text(row.thick, x() + thick, y, TEXT)
      page.text(row.where, x() + where, y, row.where.length > 12 ? TEXT - 1.5 : TEXT)
      for (const line of row.name) {
        page.text(line, x() + 2, y, TEXT)
        y -= ROW
      }
    }
    y -= 0.35 * ROW
    used += heightOf(e)
    lowest = Math.min(lowest, y)
  }
  return lowest
}

/** Pages as a person writes them: 3, 5 to 7. */
function runs(pages: readonly number[]): string {
  const out: string[] = []
  for (let i = 0; i < pages.length; i++) {
    let j = i
    while (j + 1 < pages.length && pages[j + 1] === pages[j]! + 1) j++
    if (j === i) out.push(`${pages[i]}`)
    else if (j === i + 1) out.push(`${pages[i]}`, `${pages[j]}`)
    else out.push(`${pages[i]} to ${pages[j]}`)
    i = j
  }
  return out.join(', ')
}

/** What a strip is cut to. */
const sizes = (part: PairPart): string => [...new Set(part.feet.map((f) => sizeOf(f.part)))].join(' / ')

function sizeOf(part: DrawablePart): string {
  const { minX, maxX, minY, maxY } = boxOf(part.outline)
  return `${(maxX - minX).toFixed(0)} x ${(maxY - minY).toFixed(0)} mm`
}

/** The lasts the pair is made on. */
function lastsOf(file: PairFile, plan: Plan): string {
  const right = `${file.last.name}, ${plan.last.length.toFixed(0)} mm`
  if (!plan.left || !file.leftLast) return `Last: ${right}.`
  return `Lasts: right ${right}; left ${file.leftLast.name}, ${plan.left.last.length.toFixed(0)} mm.`
}

/** How the pages look, small, each with its number, in what room is left at the foot of the page. */
function pageMap(page: Page, sheets: readonly Sheet[], window: { width: number; height: number }, top: number): void {
  const gap = 4
  const room = top - 6
  let scale = 0.26
  const perRow = (k: number) => Math.max(1, Math.floor((window.width + gap) / (window.width * k + gap)))
  const heightAt = (k: number) => Math.ceil(sheets.length / perRow(k)) * (window.height * k + gap + 3)
  while (scale > 0.03 && heightAt(scale) > room) scale *= 0.95
  const [w, h] = [window.width * scale, window.height * scale]
  page.text('Map of the pages', 0, top, 8, { bold: true })
  sheets.forEach((sheet, i) => {
    const n = perRow(scale)
    const x = (i % n) * (w + gap)
    const y = top - 3 - h - Math.floor(i / n) * (h + gap + 3)
    const frame = ({ x: fx, y: fy, width, height }: { x: number; y: number; width: number; height: number }): Path => [
      [x + fx * scale, y + fy * scale],
      [x + (fx + width) * scale, y + fy * scale],
      [x + (fx + width) * scale, y + (fy + height) * scale],
      [x + fx * scale, y + (fy + height) * scale],
    ]
    page.line(frame({ x: 0, y: 0, ...window }), true, 0.2, [], PALE)
    for (const { part, move, stretch } of sheet.placed) {
      const outline = move(part.outline).map(([px, py]): Point => [x + px * scale, y + py * scale])
      if (!stretch) {
        page.line(outline, true, 0.2)
        continue
      }
      page.clipped(frame(stretch.window), () => page.line(outline, true, 0.2))
      page.line(frame(stretch.window), true, 0.12, [0.6, 0.6], PALE)
    }
    page.text(`${i + 2}`, x, y - 3, 6.5, { colour: PALE })
  })
}

const sample = (x: number, y: number): Path => [
  [x, y],
  [x + 14, y],
]
const legend: [string, (page: Page, x: number, y: number) => void][] = [
  [
    'Cut, on the inside of the line; triangles: medial side, ends of the centre',
    (p, x, y) => p.line(sample(x, y), false, 0.35),
  ],
  [
    'Arrow: tight direction, from toe to heel or along a tape',
    (p, x, y) => grainArrow({ from: [x, y], to: [x + 14, y] }, 2.4).forEach((l) => p.line(l, false, 0.25)),
  ],
  ['Fold', (p, x, y) => p.line(sample(x, y), false, 0.25, [6, 2])],
  [
    'Feather line of the last',
    (p, x, y) => {
      p.line(sample(x, y), false, 0.6, [], PALE)
      p.line(sample(x, y), false, 0.25, [], '#FFFFFF')
    },
  ],
  [
    'Stitch line, a tick at every hole',
    (p, x, y) =>
      stitchTicks([0, 4.5, 9, 14].map((dx): Point => [x + dx, y])).forEach((tick) => p.line(tick, false, 0.3)),
  ],
  [
    'Ring: a hole punched later, through both',
    (p, x, y) => holeRings([0, 4.5, 9, 14].map((dx): Point => [x + dx, y])).forEach((ring) => p.line(ring, true, 0.2)),
  ],
  ['Crease line, joint to joint', (p, x, y) => p.line(sample(x, y), false, 0.2, [0.6, 1.6], PALE)],
  ['Outline of another part', (p, x, y) => p.line(sample(x, y), false, 0.15, [1, 1], PALE)],
  [
    'Skive, its section, and how wide to how thin',
    (p, x, y) =>
      p.fill(
        [
          [x, y - 1],
          [x + 14, y - 1],
          [x + 14, y + 1],
          [x, y + 1],
        ],
        '#C98A1B',
        0.18,
      ),
  ],
]

/** What the lines mean, in two columns; gives the height at which it ends. */
function legendAt(page: Page, top: number): number {
  const half = Math.ceil(legend.length / 2)
  legend.forEach(([name, draw], i) => {
    const x = i < half ? 0 : 108
    const y = top - (i % half) * 4.2
    draw(page, x, y)
    page.text(name, x + 17, y - 1, 6.8)
  })
  return top - half * 4.2
}

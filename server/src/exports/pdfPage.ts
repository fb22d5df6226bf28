import type { Path, Point } from '@gentle-awl/core'
import type PDFDocument from 'pdfkit'

/** Points in a millimetre. */
export const MM = 72 / 25.4
export const INK = '#17262B'
export const PALE = '#6A7A80'
const BAR = 100

export type Doc = InstanceType<typeof PDFDocument>

/** A page in millimetres, origin at the lower left of the window, y up; text in points. */
export class Page {
  constructor(
    private readonly doc: Doc,
    private readonly paperHeight: number,
    private readonly originX: number,
    private readonly originY: number,
  ) {}

  x(mm: number): number {
    return (this.originX + mm) * MM
  }

  y(mm: number): number {
    return (this.paperHeight - this.originY - mm) * MM
  }

  line(path: Path, closed: boolean, width = 0.25, dash: number[] = [], colour = INK): void {
    const { doc } = this
    path.forEach(([x, y], i) => (i === 0 ? doc.moveTo(this.x(x), this.y(y)) : doc.lineTo(this.x(x), this.y(y))))
    if (closed) doc.closePath()
    doc.lineWidth(width * MM)
    if (dash.length > 0) doc.dash(dash[0]! * MM, { space: dash[1]! * MM })
    else doc.undash()
    doc.stroke(colour)
  }

  /** Draws with everything outside a closed path left out. */
  clipped(path: Path, draw: () => void): void {
    const { doc } = this
    doc.save()
    path.forEach(([x, y], i) => (i === 0 ? doc.moveTo(this.x(x), this.y(y)) : doc.lineTo(this.x(x), this.y(y))))
    doc.closePath().clip()
    draw()
    doc.restore()
  }

  fill(path: Path, colour: string, opacity: number): void {
    const { doc } = this
    path.forEach(([x, y], i) => (i === 0 ? doc.moveTo(this.x(x), this.y(y)) : doc.lineTo(this.x(x), this.y(y))))
    doc.closePath().fillOpacity(opacity).fill(colour).fillOpacity(1)
  }

  /** Width of words, mm. */
  widthOf(words: string, size: number, bold = false): number {
    return (
      this.doc
        .font(bold ? 'bold' : 'plain')
        .fontSize(size)
        .widthOfString(words) / MM
    )
  }

  /** Words in lines of at most `width` mm, broken between words; a word that is wider by itself is broken too. */
  wrapped(words: string, width: number, size: number, bold = false): string[] {
    const lines: string[] = []
    let line = ''
    for (const word of words.split(' ')) {
      const longer = line === '' ? word : `${line} ${word}`
      if (this.widthOf(longer, size, bold) <= width) {
        line = longer
        continue
      }
      if (line !== '') lines.push(line)
      line = word
      while (this.widthOf(line, size, bold) > width && line.length > 1) {
        let k = line.length - 1
        while (k > 1 && this.widthOf(line.slice(0, k), size, bold) > width) k--
        lines.push(line.slice(0, k))
        line = line.slice(k)
      }
    }
    return [...lines, line]
  }

  /** Words that run along a direction, centred on a place. */
  along(words: string, [x, y]: Point, way: Point, size: number): void {
    const { doc } = this
    // Never upside down.
    const [dx, dy] = way[0] < 0 ? [-way[0], -way[1]] : way
    doc.save()
    doc.rotate((-Math.atan2(dy, dx) * 180) / Math.PI, { origin: [this.x(x), this.y(y)] })
    this.text(words, x, y, size, { centred: true })
    doc.restore()
  }

  text(
    words: string,
    x: number,
    y: number,
    size: number,
    options: { bold?: boolean; centred?: boolean; right?: boolean; colour?: string } = {},
  ): void {
    const { doc } = this
    doc
      .font(options.bold ? 'bold' : 'plain')
      .fontSize(size)
      .fillColor(options.colour ?? INK)
    const width = doc.widthOfString(words)
    doc.text(words, this.x(x) - (options.centred ? width / 2 : options.right ? width : 0), this.y(y) - size * 0.75, {
      lineBreak: false,
    })
  }
}

/** The 100 mm bar with ends and tens, along x or up y, to lay a rule on. */
export function bar(page: Page, x: number, y: number, upright = false): void {
  const at = (along: number, across: number): Point => (upright ? [x + across, y + along] : [x + along, y + across])
  page.line([at(0, 0), at(BAR, 0)], false, 0.3)
  for (let mm = 0; mm <= BAR; mm += 10) {
    const tick = mm === 0 || mm === BAR ? 3 : mm === 50 ? 2.2 : 1.4
    page.line([at(mm, 0), at(mm, tick)], false, 0.25)
  }
}

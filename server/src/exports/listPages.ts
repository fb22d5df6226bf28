import type { PairFile } from '@gentle-awl/core'
import { startPdf } from './pdfDocument.ts'
import { MM, Page, PALE } from './pdfPage.ts'
import { MARGIN, papers, type Paper } from './sheets.ts'

/** Below this nothing is written but the words at the foot, mm. */
const FOOT = 10
/** Side of a box to tick, mm. */
const BOX = 3.2

/** Pages of a list for the bench, filled from the top: whatever does not fit on one begins the next. */
export class ListPages {
  /** mm */
  readonly width: number
  /** Height of an empty page, mm. */
  readonly height: number
  /** Where the page is filled down to, mm from below. */
  y = 0
  private page: Page | null = null
  private number = 0
  private readonly pdf: ReturnType<typeof startPdf>

  constructor(
    private readonly file: PairFile,
    private readonly paper: Paper,
    private readonly title: string,
  ) {
    this.width = papers[paper].width - 2 * MARGIN
    this.height = papers[paper].height - 2 * MARGIN
    this.pdf = startPdf(paper, `${file.label.order} ${file.label.name}, ${title}`)
  }

  /** The page on which so much more goes, mm. */
  room(high: number): Page {
    if (this.page && this.y - high >= FOOT) return this.page
    const { width, height } = papers[this.paper]
    const { label, revision } = this.file
    this.pdf.doc.addPage({ size: [width * MM, height * MM], margin: 0 })
    this.page = new Page(this.pdf.doc, height, MARGIN, MARGIN)
    this.number++
    this.page.text(`${label.order}  ${label.name}  revision ${revision}`, 0, 0, 8, { colour: PALE })
    this.page.text(`${this.title}, page ${this.number}`, this.width, 0, 8, { colour: PALE, right: true })
    this.y = this.height
    return this.page
  }

  /** A line of the list with a box to tick, `high` mm: its page, where its words begin, and their base line. */
  ticked(high: number): { page: Page; words: number; base: number } {
    const page = this.room(high)
    const { y } = this
    page.line(
      [
        [0, y - BOX],
        [BOX, y - BOX],
        [BOX, y],
        [0, y],
      ],
      true,
      0.25,
    )
    this.y -= high
    return { page, words: BOX + 2.5, base: y - BOX + 0.5 }
  }

  /** A heading with words under it. */
  head(words: string, text: string): void {
    const page = this.room(20)
    page.text(words, 0, this.y - 5, 17, { bold: true })
    this.y -= 12
    this.words(text)
  }

  /** Words as wide as the page. */
  words(text: string, size = 9.5): void {
    const lines = this.room(6).wrapped(text, this.width, size)
    for (const line of lines) {
      this.room(5).text(line, 0, this.y, size)
      this.y -= 4.8
    }
  }

  finish(): Promise<Buffer> {
    return this.pdf.finish()
  }
}

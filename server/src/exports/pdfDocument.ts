import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import PDFDocument from 'pdfkit'
import { MM, type Doc } from './pdfPage.ts'
import { papers, type Paper } from './sheets.ts'

const require = createRequire(import.meta.url)
const font = (weight: number) =>
  readFileSync(
    require.resolve(
      `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`,
    ),
  )

/** An empty vector PDF on a paper, in our own type; `finish` ends it and gives its bytes. */
export function startPdf(paper: Paper, title: string): { doc: Doc; finish: () => Promise<Buffer> } {
  const { width, height } = papers[paper]
  const doc = new PDFDocument({
    autoFirstPage: false,
    size: [width * MM, height * MM],
    margin: 0,
    info: { Title: title, Creator: 'Gentle Awl' },
  })
  doc.registerFont('plain', font(400))
  doc.registerFont('bold', font(700))
  const chunks: Buffer[] = []
  doc.on('data', (c: Buffer) => chunks.push(c))
  const done = new Promise<void>((resolve, reject) => {
    doc.on('end', resolve)
    doc.on('error', reject)
  })
  return {
    doc,
    finish: async () => {
      doc.end()
      await done
      return Buffer.concat(chunks)
    },
  }
}

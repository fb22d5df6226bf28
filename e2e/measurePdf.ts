import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** One stroked or filled line of a page, in millimetres on paper, with y up. */
export interface PdfLine {
  points: [number, number][]
  width: number
  height: number
}

const MM = 25.4 / 72

type Matrix = [number, number, number, number, number, number]
const multiply = (a: Matrix, b: Matrix): Matrix => [
  a[0] * b[0] + a[2] * b[1],
  a[1] * b[0] + a[3] * b[1],
  a[0] * b[2] + a[2] * b[3],
  a[1] * b[2] + a[3] * b[3],
  a[0] * b[4] + a[2] * b[5] + a[4],
  a[1] * b[4] + a[3] * b[5] + a[5],
]

// Inside a path: 0 moves, 1 draws a line (2 numbers each), 2 a cubic (6), 3 a quadratic (4), 4 closes.
const LENGTHS = [2, 2, 6, 4, 0]

/** Reads every path of every page with another program's eyes: what the printer will draw, measured. */
export async function measurePdf(
  bytes: Uint8Array,
): Promise<{ lines: PdfLine[]; text: string; width: number; height: number }[]> {
  const document = await getDocument({ data: Uint8Array.from(bytes), verbosity: 0 }).promise
  const pages = []
  for (let n = 1; n <= document.numPages; n++) {
    const page = await document.getPage(n)
    const { fnArray, argsArray } = await page.getOperatorList()
    const stack: Matrix[] = []
    let now: Matrix = [1, 0, 0, 1, 0, 0]
    const lines: PdfLine[] = []
    fnArray.forEach((fn: number, i: number) => {
      if (fn === OPS.save) stack.push(now)
      else if (fn === OPS.restore) now = stack.pop() ?? now
      else if (fn === OPS.transform) now = multiply(now, argsArray[i] as Matrix)
      else if (fn === OPS.constructPath) {
        const data = (argsArray[i] as [number, [ArrayLike<number> | null]])[1][0]
        if (data) lines.push(...readPath(data, now))
      }
    })
    const view = page.getViewport({ scale: 1 })
    const content = await page.getTextContent()
    const text = content.items.map((item) => ('str' in item ? item.str : '')).join(' ')
    pages.push({ lines, text, width: view.width * MM, height: view.height * MM })
  }
  return pages
}

function readPath(data: ArrayLike<number>, m: Matrix): PdfLine[] {
  const out: PdfLine[] = []
  let points: [number, number][] = []
  const end = () => {
    if (points.length > 1) {
      const xs = points.map((p) => p[0])
      const ys = points.map((p) => p[1])
      out.push({ points, width: Math.max(...xs) - Math.min(...xs), height: Math.max(...ys) - Math.min(...ys) })
    }
    points = []
  }
  for (let i = 0; i < data.length;) {
    const op = data[i]!
    const size = LENGTHS[op]
    if (size === undefined) throw new Error(`Unknown path operation ${op}.`)
    if (op === 0) end()
    if (size > 0) {
      const x = data[i + size - 1]!
      const y = data[i + size]!
      points.push([(m[0] * x + m[2] * y + m[4]) * MM, (m[1] * x + m[3] * y + m[5]) * MM])
    }
    i += size + 1
  }
  end()
  return out
}

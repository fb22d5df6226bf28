import { expect, test } from '@playwright/test'
import { measurePdf, type PdfLine } from './measurePdf.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
const derby = '01930000-0003-7000-8000-000000000001'

test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

interface PlannedPart {
  id: string
  name: string
  outline: [number, number][]
  /** Cut by measure: the cover says how long and wide. */
  strip?: true
}
async function planned(): Promise<PlannedPart[]> {
  const file = await (await fetch(`${server.url}/api/v1/pairs/${derby}/file`)).text()
  const plan = await fetch(`${server.url}/api/v1/plan`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: file,
  })
  return ((await plan.json()) as { parts: PlannedPart[] }).parts
}
const size = (points: [number, number][]) => {
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  return [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)].sort((a, b) => b - a)
}
const bars = (lines: PdfLine[]) => lines.filter((l) => l.points.length === 2 && Math.max(l.width, l.height) > 60)

for (const [paper, width, height] of [
  ['a4', 210, 297],
  ['a3', 297, 420],
  ['letter', 215.9, 279.4],
] as const) {
  test(`parts on ${paper} are true to size, both feet, with a 100.0 mm bar on every page`, async () => {
    const response = await fetch(`${server.url}/api/v1/pairs/${derby}/parts.pdf?paper=${paper}`)
    expect(response.headers.get('content-type')).toContain('application/pdf')
    const pages = await measurePdf(new Uint8Array(await response.arrayBuffer()))
    for (const page of pages) {
      expect(page.width).toBeCloseTo(width, 1)
      expect(page.height).toBeCloseTo(height, 1)
      const bar = bars(page.lines).find((l) => Math.abs(l.width - 100) < 1 && l.height < 0.01)
      expect(bar, 'a bar on every page').toBeDefined()
      expect(Math.abs((bar?.width ?? 0) - 100)).toBeLessThan(0.02)
      expect(page.text).toContain('revision 1')
    }
    const upright = bars(pages[0].lines).find((l) => Math.abs(l.height - 100) < 1 && l.width < 0.01)
    expect(Math.abs((upright?.height ?? 0) - 100)).toBeLessThan(0.02)

    for (const part of (await planned()).filter((p) => !p.strip)) {
      const [long, short] = size(part.outline)
      const mine = pages.slice(2).filter((p) => p.text.includes(part.name))
      expect(mine.length, part.name).toBeGreaterThan(0)
      // Notches change no extreme by more than the tip of a centre notch; the drawn outline keeps the part's box.
      const drawn = mine[0].lines.filter((l) => {
        const [a, b] = size(l.points)
        return l.points.length > 20 && Math.abs(a - long) < 0.2 && Math.abs(b - short) < 0.2
      })
      expect(drawn.length, `${part.name}, left and right`).toBeGreaterThanOrEqual(2)
    }
  })
}

test('the two feet on paper are mirror images', async () => {
  const bytes = await (await fetch(`${server.url}/api/v1/pairs/${derby}/parts.pdf?paper=a3`)).arrayBuffer()
  const pages = await measurePdf(new Uint8Array(bytes))
  const insole = pages.find((p) => p.text.includes('Insole, right'))
  const [long] = size((await planned()).find((p) => p.id === 'insole')?.outline ?? [])
  const [a, b] = (insole?.lines ?? []).filter((l) => l.points.length > 40 && Math.abs(size(l.points)[0] - long) < 0.2)
  const shape = (l: PdfLine, flip: number) => {
    const xs = l.points.map((p) => p[0] * flip)
    const x0 = Math.min(...xs)
    const y0 = Math.min(...l.points.map((p) => p[1]))
    return l.points.map((p): [number, number] => [p[0] * flip - x0, p[1] - y0])
  }
  const flipped = shape(b, -1)
  const upDown = shape(b, 1).map(([x, y]): [number, number] => [x, b.height - y])
  const away = (s: [number, number][]) =>
    Math.max(...shape(a, 1).map((p) => Math.min(...s.map((q) => Math.hypot(p[0] - q[0], p[1] - q[1])))))
  expect(Math.min(away(flipped), away(upDown))).toBeLessThan(0.05)
  // And it is not the same foot twice.
  expect(away(shape(b, 1))).toBeGreaterThan(3)
})

test('the SVG is in millimetres and holds every part of both feet', async () => {
  const svg = await (await fetch(`${server.url}/api/v1/pairs/${derby}/parts.svg`)).text()
  const [, width, box] = /width="([\d.]+)mm".*?viewBox="0 0 ([\d.]+) /.exec(svg) ?? []
  expect(width).toBe(box)
  const parts = await planned()
  for (const part of parts) {
    for (const foot of ['left', 'right']) expect(svg).toContain(`id="${part.id}-${foot}"`)
  }
  const one = await (await fetch(`${server.url}/api/v1/pairs/${derby}/parts/insole.svg?foot=left`)).text()
  const cut = /class="cut" d="M([^"]+)Z"/.exec(one)?.[1] ?? ''
  const points = cut.split('L').map((p) => p.split(' ').map(Number) as [number, number])
  // The notches at both ends of the centre line take about a tenth off the points.
  expect(Math.abs(size(points)[0] - size(parts.find((p) => p.id === 'insole')?.outline ?? [])[0])).toBeLessThan(0.2)
})

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
/** The longest calliper of an outline: however it is turned, it is the same. */
const longest = (points: [number, number][]) => {
  let best: [[number, number], [number, number]] = [points[0]!, points[0]!]
  let most = 0
  for (const p of points) {
    for (const q of points) {
      const d = Math.hypot(p[0] - q[0], p[1] - q[1])
      if (d > most) [most, best] = [d, [p, q]]
    }
  }
  return { length: most, ends: best }
}
const areaOf = (points: [number, number][]) =>
  Math.abs(
    points.reduce((sum, [x, y], i) => {
      const [u, v] = points[(i + 1) % points.length]!
      return sum + (x * v - u * y) / 2
    }, 0),
  )
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
    const upright = bars(pages[0]!.lines).find((l) => Math.abs(l.height - 100) < 1 && l.width < 0.01)
    expect(Math.abs((upright?.height ?? 0) - 100)).toBeLessThan(0.02)

    for (const part of (await planned()).filter((p) => !p.strip)) {
      const mine = pages.slice(1).filter((p) => p.text.includes(part.name))
      expect(mine.length, part.name).toBeGreaterThan(0)
      // Turned any way, the drawn outline keeps the part's longest calliper and, but for its notches, its area.
      const [long, area] = [longest(part.outline).length, areaOf(part.outline)]
      const drawn = mine
        .flatMap((p) => p.lines)
        .filter((l) => {
          if (l.points.length <= 8 || Math.abs(areaOf(l.points) - area) > 30) return false
          return Math.abs(longest(l.points).length - long) < 0.3
        })
      expect(drawn.length, `${part.name}, left and right`).toBeGreaterThanOrEqual(2)
    }
  })
}

test('the two feet on paper are mirror images', async () => {
  const bytes = await (await fetch(`${server.url}/api/v1/pairs/${derby}/parts.pdf?paper=a3`)).arrayBuffer()
  const pages = await measurePdf(new Uint8Array(bytes))
  const outline = (await planned()).find((p) => p.id === 'insole')?.outline ?? []
  const [long, area] = [longest(outline).length, areaOf(outline)]
  const drawn = pages
    .slice(1)
    .flatMap((p) => p.lines)
    .filter((l) => Math.abs(areaOf(l.points) - area) < 30 && Math.abs(longest(l.points).length - long) < 0.3)
  // Laid along its own longest calliper, either end first.
  const laid = (points: [number, number][], from: 0 | 1, flip: 1 | -1) => {
    const { ends, length } = longest(points)
    const [p, q] = from === 0 ? ends : [ends[1], ends[0]]
    const [c, s] = [(q[0] - p[0]) / length, (q[1] - p[1]) / length]
    return points.map(([x, y]): [number, number] => [
      (x - p[0]) * c + (y - p[1]) * s,
      flip * (-(x - p[0]) * s + (y - p[1]) * c),
    ])
  }
  const planned0 = laid(outline, 0, 1)
  const away = (l: PdfLine, flip: 1 | -1) =>
    Math.min(
      ...([0, 1] as const).map((from) => {
        const other = laid(l.points, from, flip)
        return Math.max(...planned0.map((p) => Math.min(...other.map((q) => Math.hypot(p[0] - q[0], p[1] - q[1])))))
      }),
    )
  // A notch takes its mouth out of the line; a foot's mirror image is a centimetre off somewhere.
  const [right, left] = ([1, -1] as const).map((flip) =>
    drawn.filter((l) => away(l, flip) < 2.5 && away(l, flip === 1 ? -1 : 1) > 8),
  )
  expect(right!.length).toBeGreaterThan(0)
  expect(left!.length).toBe(right!.length)
  expect(left!.length + right!.length).toBe(drawn.length)
})

test('the SVG is in millimetres and holds every part of both feet', async () => {
  const svg = await (await fetch(`${server.url}/api/v1/pairs/${derby}/parts.svg`)).text()
  const [, width, box] = /width="([\d.]+)mm".*?viewBox="0 0 ([\d.]+) /.exec(svg) ?? []
  expect(width).toBe(box)
  const parts = await planned()
  for (const part of parts) {
    for (const foot of ['left', 'right']) expect(svg).toContain(`id="${part.id}-${foot}"`)
  }
  const one = await (await fetch(`${server.url}/api/v1/pairs/${derby}/part.svg?part=insole&foot=left`)).text()
  const cut = /class="cut" d="M([^"]+)Z"/.exec(one)?.[1] ?? ''
  const points = cut.split('L').map((p) => p.split(' ').map(Number) as [number, number])
  // The notches at both ends of the centre line take about a tenth off the points.
  expect(Math.abs(size(points)[0]! - size(parts.find((p) => p.id === 'insole')?.outline ?? [])[0]!)).toBeLessThan(0.2)
})

import { signedArea, pathLength, type Path, type Point } from '@gentle-awl/core'
import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import { OutlineError } from './outlineError.ts'
import { readOutlines } from './readOutlines.ts'

const area = (p: Path) => Math.abs(signedArea(p))
const svg = (inside: string, head = 'width="300mm" height="200mm" viewBox="0 0 300 200"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inside}</svg>`
const one = (text: string, name: string) => readOutlines(text, name).outlines[0]

describe('an SVG', () => {
  it('circle and ellipse enclose what they should, in millimetres', () => {
    expect(area(one(svg('<circle cx="150" cy="100" r="50"/>'), 'a.svg'))).toBeCloseTo(Math.PI * 2500, -1)
    expect(
      Math.abs(pathLength(one(svg('<circle cx="150" cy="100" r="50"/>'), 'a.svg'), true) - 100 * Math.PI),
    ).toBeLessThan(0.2)
    expect(area(one(svg('<ellipse cx="9" cy="9" rx="80" ry="30"/>'), 'a.svg')) / (Math.PI * 2400)).toBeCloseTo(1, 3)
  })
  it('its unit comes from width and viewBox, or is 96 to the inch', () => {
    const box = '<path d="M10 10h80v0h1h1h1h1h1h1v50h-86z"/>'
    const wide = (p: Path) => Math.max(...p.map((q) => q[0])) - Math.min(...p.map((q) => q[0]))
    expect(wide(one(svg(box), 'a.svg'))).toBeCloseTo(86, 6)
    expect(wide(one(svg(box, 'width="30cm" viewBox="0 0 100 100"'), 'a.svg'))).toBeCloseTo(86 * 3, 6)
    expect(wide(one(svg(box, 'viewBox="0 0 300 200"'), 'a.svg'))).toBeCloseTo((86 * 25.4) / 96, 6)
  })
  it('curves, arcs, short forms and transforms of groups are followed', () => {
    const circle =
      'M 100 50 C 100 77.614 77.614 100 50 100 S 0 77.614 0 50 C 0 22.386 22.386 0 50 0 S 100 22.386 100 50 Z'
    expect(area(one(svg(`<path d="${circle}"/>`), 'a.svg')) / (Math.PI * 2500)).toBeCloseTo(1, 2)
    const arcs =
      '<g transform="translate(20 20) scale(2)"><path transform="rotate(30)" d="M0 25a25 25 0 1 0 50 0a25 25 0 1 0 -50 0z"/></g>'
    expect(area(one(svg(arcs), 'a.svg')) / (Math.PI * 2500)).toBeCloseTo(1, 3)
  })
  it('points up what was up, so that a right foot stays one', () => {
    const l = one(svg('<polygon points="10,10 200,10 200,20 60,20 60,30 60,40 30,60 10,90"/>'), 'a.svg')
    // The corner at the top left of the screen is the highest.
    expect(Math.max(...l.map((p) => p[1]))).toBeCloseTo(-10, 6)
  })
  it('the largest of several outlines comes first; marks and definitions do not count', () => {
    const many = svg(
      '<defs><circle r="500"/></defs><circle cx="50" cy="50" r="20"/><circle cx="90" cy="90" r="60"/><path d="M0 0L300 0"/>',
    )
    const { outlines } = readOutlines(many, 'a.svg')
    expect(outlines).toHaveLength(2)
    expect(area(outlines[0])).toBeGreaterThan(area(outlines[1]!))
  })
})

/** A DXF of its entities alone, as pairs of code and value. */
const dxf = (entities: (string | number)[][], units = 4) =>
  [
    [0, 'SECTION'],
    [2, 'HEADER'],
    [9, '$INSUNITS'],
    [70, units],
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'ENTITIES'],
    ...entities,
    [0, 'ENDSEC'],
    [0, 'EOF'],
  ]
    .map(([c, v]) => `${String(c).padStart(3)}\n${v}`)
    .join('\n')
const polyline = (points: Point[], bulges: number[] = []) => [
  [0, 'LWPOLYLINE'],
  [8, '0'],
  [90, points.length],
  [70, 1],
  ...points.flatMap(([x, y], i) => [[10, x], [20, y], ...(bulges[i] ? [[42, bulges[i]]] : [])]),
]
const line = (a: Point, b: Point) => [
  [0, 'LINE'],
  [8, '0'],
  [10, a[0]],
  [20, a[1]],
  [11, b[0]],
  [21, b[1]],
]

describe('a DXF', () => {
  const ring = Array.from({ length: 24 }, (_, i): Point => [100 * Math.cos(i / 3.8197), 40 * Math.sin(i / 3.8197)])
  it('polyline is read to its last digit, in its unit', () => {
    expect(one(dxf(polyline(ring)), 'a.dxf')).toHaveLength(24)
    one(dxf(polyline(ring)), 'a.dxf').forEach((p, i) =>
      expect(Math.hypot(p[0] - ring[i]![0], p[1] - ring[i]![1])).toBeLessThan(1e-6),
    )
    expect(area(one(dxf(polyline(ring), 5), 'a.dxf')) / area(ring)).toBeCloseTo(100, 6)
    expect(readOutlines(dxf(polyline(ring), 1), 'a.dxf').unit).toBe('inch')
  })
  it('a polyline of two half-circle bulges is a circle', () => {
    const circle = one(
      dxf(
        polyline(
          [
            [-50, 0],
            [50, 0],
          ],
          [1, 1],
        ),
      ),
      'a.dxf',
    )
    for (const p of circle) expect(Math.hypot(...p)).toBeCloseTo(50, 6)
    expect(area(circle) / (Math.PI * 2500)).toBeCloseTo(1, 2)
  })
  it('loose lines and an arc in any order and direction are joined', () => {
    const [a, b, c, d]: Point[] = [
      [0, 0],
      [120, 0],
      [120, 60],
      [0, 60],
    ]
    const mid: Point[] = [
      [20, 0],
      [40, 0],
      [60, 0],
      [80, 0],
    ]
    const entities = [
      ...line(c!, d!),
      ...line(mid[1]!, mid[0]!),
      ...line(a!, mid[0]!),
      ...line(mid[1]!, mid[2]!),
      ...line(mid[3]!, mid[2]!),
      ...line(mid[3]!, b!),
      ...line(a!, d!),
      [0, 'ARC'],
      [8, '0'],
      [10, 120],
      [20, 30],
      [40, 30],
      [50, 270],
      [51, 90],
    ]
    const loop = one(dxf(entities), 'a.dxf')
    expect(area(loop)).toBeCloseTo(120 * 60 + (Math.PI * 900) / 2, -1)
  })
})

describe('points by hand', () => {
  it('are read with any separator; notes are passed over', () => {
    const text = '# tracing\n0 0\n100,0\n200;0\n260 0\n260\t90\n200 90\n100 90\n0 90\n'
    expect(one(text, 'points')).toHaveLength(8)
  })
  it.each([
    ['1 2\n3 4\nfive 6', /Line 3 is "five 6"/],
    ['0 0\n1 1', /2 points; an outline needs at least 8/],
  ])('%s is refused', (text, sentence) => expect(() => readOutlines(text, 'points')).toThrow(sentence))
})

it.each([
  ['broken.svg', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0', /whole SVG|no closed outline|cannot be read/],
  ['open.svg', svg('<path d="M0 0L100 0L200 90"/>'), /no closed outline/],
  ['none.dxf', dxf([]), /no closed outline/],
  ['headerOnly.dxf', '0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nEOF\n', /no closed outline/],
  ['bad.svg', svg('<path d="M0 0 LXX Z"/>'), /cannot be read|no closed outline/],
])('%s says what is wrong', (name, text, sentence) => {
  expect(() => readOutlines(text, name)).toThrow(sentence)
  expect(() => readOutlines(text, name)).toThrow(OutlineError)
})

describe('a file that is not what it says', () => {
  const square = [
    [10, 0],
    [20, 0],
    [10, 90],
    [20, 0],
    [10, 90],
    [20, 60],
    [10, 0],
    [20, 60],
  ]
  const polyline = (said: number) => dxf([[0, 'LWPOLYLINE'], [90, said], [70, 1], ...square])
  it.each([9, 1000, 2_000_000_000, 1e300])(
    'a polyline that says it has %s points and has four is told, at once',
    (said) => {
      expect(() => readOutlines(polyline(said), 'x.dxf', 3)).toThrow(/says it has .* points, and there are 4/)
    },
  )
  it.each([4, 3, 0, -1])('a polyline that says it has %s points and has four is read with all four', (said) => {
    expect(area(readOutlines(polyline(said), 'x.dxf', 3).outlines[0])).toBeCloseTo(90 * 60, 6)
  })
  it('whatever is cut off or garbled gives an outline or a sentence', () => {
    // The parser talks to itself about every odd pair.
    const quiet = (['log', 'warn', 'error'] as const).map((way) =>
      vi.spyOn(console, way).mockImplementation(() => undefined),
    )
    const whole = [polyline(4), svg('<circle cx="150" cy="100" r="50"/><path d="M0 0L90 0L90 90L0 90Z"/>')]
    fc.assert(
      fc.property(
        fc.constantFrom(...whole),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.string({ maxLength: 6, unit: 'binary' }),
        fc.boolean(),
        (text, share, odd, cut) => {
          const at = Math.floor(share * text.length)
          const changed = text.slice(0, at) + odd + (cut ? '' : text.slice(at + odd.length))
          const name = text.startsWith('<svg') ? 'x.svg' : 'x.dxf'
          try {
            for (const p of readOutlines(changed, name, 3).outlines.flat(2)) expect(Number.isFinite(p)).toBe(true)
          } catch (error) {
            expect(error, changed).toBeInstanceOf(OutlineError)
            expect((error as Error).message).toMatch(/[.!]$/)
          }
        },
      ),
      { numRuns: 400 },
    )
    for (const way of quiet) way.mockRestore()
  })
})

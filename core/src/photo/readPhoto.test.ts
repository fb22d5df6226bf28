import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { photograph, type Shot } from '../../test/photoStudio.ts'
import { layTable, type Studio } from '../../test/studioTable.ts'
import { vision } from '../../test/vision.ts'
import { distance, signedArea, type Path, type Point } from '../geometry/path.ts'
import { extentOf } from '../geometry/extent.ts'
import { nearest } from '../geometry/polyline.ts'
import { readPhoto, usualPhoto, type PhotoChoices, type PhotoReading } from './readPhoto.ts'
import type { Picture } from './picture.ts'
import type { Vision } from './vision.ts'

let cv: Vision
beforeAll(async () => {
  ;({ cv } = await vision())
})

const TABLE = { minX: -30, minY: -35, maxX: 225, maxY: 300 }
const SHEET = [{ kind: 'small', number: 1 }] as const
const VIEW: Shot = {
  width: 1160,
  height: 870,
  from: [140, 20, 360],
  at: [97, 131],
  roll: 80,
  lens: [-0.08, 0.03, 0.004],
  noise: 3,
  quality: 88,
}

/** A sole 200 mm long: an egg that leans, all round. */
const sole: Path = Array.from({ length: 400 }, (_, i): Point => {
  const a = (2 * Math.PI * i) / 400
  const x = 100 * Math.cos(a)
  return [97 + (34 + 7 * Math.sin(x / 50)) * Math.sin(a) + 4 * Math.sin(x / 40), 131 + x]
})
/** A facing with square corners, one blunt and one sharp, and a bent side. */
const facing: Path = [
  [40, 60],
  [150, 60],
  [150, 110],
  ...Array.from({ length: 40 }, (_, i): Point => [
    150 - (70 * (i + 1)) / 41,
    110 + 18 * Math.sin((Math.PI * (i + 1)) / 41),
  ]),
  [80, 110],
  [40, 180],
]

/** Tables and pictures that several tests look at are made once. */
const made = new Map<string, unknown>()
// What other files are tested beside these has need of the memory.
afterAll(() => made.clear())
function once<T>(key: unknown, make: () => T): T {
  const name = JSON.stringify(key)
  if (!made.has(name)) made.set(name, make())
  return made.get(name) as T
}
const pictureOf = (studio: Omit<Studio, 'table'>, shot: Partial<Shot>): Picture => {
  const table = once(studio, () => layTable({ table: TABLE, ...studio }, 6))
  return once([studio, shot], () => photograph(table, { ...VIEW, ...shot }))
}
const read = (
  studio: Omit<Studio, 'table'>,
  shot: Partial<Shot> = {},
  choices: Partial<PhotoChoices> = {},
): PhotoReading => readPhoto(cv, pictureOf(studio, shot), { ...usualPhoto, ...choices })
/** In uneven light, with a shadow across it. */
const shaded: Partial<Shot> = { shadow: { at: [97, 140], degrees: 25, light: 0.55, soft: 5 }, uneven: 0.35 }
/** A sole drawn on the mat, as most tests have it. */
const drawn: Omit<Studio, 'table'> = { sheets: SHEET, lines: [{ path: sole, width: 0.6, dark: 0.6 }], spread: 0.05 }

/** How far an outline lies from the truth: of points on it, and of points of the truth from it, mm. */
function astray(found: Path, truth: Path): { p95: number; most: number } {
  const away = [
    ...found.map((p) => nearest(truth, p, true).away),
    ...truth.map((p) => nearest(found, p, true).away),
  ].sort((a, b) => a - b)
  return { p95: away[Math.floor(away.length * 0.95)]!, most: away.at(-1)! }
}

describe('a pencil line on the mat, photographed', () => {
  it('is read to a tenth of a millimetre from the side, through a lens, in uneven light with a shadow across it', () => {
    const { outlines, photo, notes } = read(drawn, shaded)
    expect(outlines).toHaveLength(1)
    const { p95, most } = astray(outlines[0]!.path, sole)
    expect(p95).toBeLessThan(0.12)
    expect(most).toBeLessThan(0.3)
    // What it says of itself holds.
    expect(outlines[0]!.error).toBeGreaterThan(0.7 * p95)
    expect(outlines[0]!.error).toBeLessThan(0.3)
    expect(Math.abs(extentOf(outlines[0]!.path).length / extentOf(sole).length - 1)).toBeLessThan(0.002)
    // At two pixels a millimetre a line is told too wide, and the picture says so.
    expect(Math.abs(outlines[0]!.pencil - 0.6)).toBeLessThan(0.2)
    expect(notes).toEqual([
      expect.stringMatching(/^It has only 2\.\d pixels to a millimetre: faint lines may be missed/),
    ])
    expect(outlines[0]!.seen).toBeGreaterThan(0.98)
    expect(photo!.marks).toBe(22)
  })
  it('keeps its corners, bridges its gaps and says where, and is not led off by lines that cross it or by writing', () => {
    const whole: Path = [...facing, facing[0]!]
    // The long side is open for 5 mm at (95, 60).
    const open: Path[] = [
      [[97.5, 60], ...whole.slice(1)],
      [
        [40, 60],
        [92.5, 60],
      ],
    ]
    const { outlines } = read({
      sheets: SHEET,
      lines: [
        ...open.map((path) => ({ path, closed: false, width: 0.5, dark: 0.65 })),
        {
          path: [
            [145, 85],
            [165, 85],
          ],
          closed: false,
          width: 0.5,
          dark: 0.65,
        },
        {
          path: [
            [60, 55],
            [60, 150],
          ],
          closed: false,
          width: 0.5,
          dark: 0.5,
        },
        {
          path: [
            [100, 80],
            [104, 88],
            [108, 80],
            [112, 88],
          ],
          closed: false,
          width: 0.5,
          dark: 0.7,
        },
      ],
    })
    const found = outlines[0]!
    const { p95, most } = astray(found.path, facing)
    expect(p95).toBeLessThan(0.2)
    expect(most).toBeLessThan(0.4)
    for (const corner of [facing[0]!, facing[1]!, facing[2]!, facing.at(-1)!]) {
      expect(Math.min(...found.corners.map((c) => distance(c, corner)))).toBeLessThan(0.3)
    }
    expect(found.gaps).toHaveLength(1)
    expect(distance(found.gaps[0]!.at, [95, 60])).toBeLessThan(1)
    expect(found.gaps[0]!.length).toBeGreaterThan(3.5)
    expect(found.gaps[0]!.length).toBeLessThan(6)
  })
  it('is found on paper that lies over the mat, several pieces in one picture, the paper itself last', () => {
    const piece = (x: number, y: number, r: number): Path =>
      Array.from({ length: 120 }, (_, i): Point => {
        const a = (2 * Math.PI * i) / 120
        return [x + r * (1 + 0.15 * Math.cos(3 * a)) * Math.cos(a), y + r * (1 + 0.15 * Math.cos(3 * a)) * Math.sin(a)]
      })
    const truths = [piece(70, 80, 24), piece(130, 130, 22), piece(75, 185, 20)]
    const { outlines } = read({
      sheets: SHEET,
      papers: [
        [
          [25, 30],
          [170, 34],
          [167, 232],
          [22, 228],
        ],
      ],
      lines: truths.map((path) => ({ path, width: 0.45, dark: 0.55 })),
    })
    for (const truth of truths) {
      const best = Math.min(...outlines.map((o) => astray(o.path, truth).p95))
      expect(best).toBeLessThan(0.15)
    }
  })
  it('is right where the mat lies flat though one corner of it stands up', () => {
    const { outlines } = read(drawn, { wrinkle: { at: [194, 263], reach: 60, height: 7 } })
    expect(astray(outlines[0]!.path, sole).p95).toBeLessThan(0.3)
  })
  it('is as large as the bar says that it was printed', () => {
    const { outlines } = read(drawn, shaded, { bar: 98 })
    expect(extentOf(outlines[0]!.path).length / extentOf(sole).length).toBeCloseTo(0.98, 3)
  })
})

describe('a flat thing without a line', () => {
  const liner: Path = sole.map(([x, y]): Point => [97 + (x - 97) * 0.9, y])
  it('is found by its edge, with the holes in it', () => {
    const hole: Path = Array.from({ length: 60 }, (_, i): Point => [
      95 + 6 * Math.cos(i / 9.549),
      120 + 5 * Math.sin(i / 9.549),
    ])
    const { outlines } = read(
      { sheets: SHEET, things: [{ path: liner, colour: [0.32, 0.2, 0.12], holes: [hole] }] },
      { uneven: 0.3 },
      { what: 'edge' },
    )
    expect(outlines).toHaveLength(1)
    const { p95, most } = astray(outlines[0]!.path, liner)
    expect(p95).toBeLessThan(0.2)
    expect(most).toBeLessThan(0.5)
    expect(outlines[0]!.pencil).toBe(0)
    expect(outlines[0]!.holes).toHaveLength(1)
    expect(signedArea(outlines[0]!.holes[0]!)).toBeCloseTo(Math.PI * 30, -1)
  })
  it('keeps its corners, also one that is sharp', () => {
    const { outlines } = read(
      { sheets: SHEET, things: [{ path: facing, colour: [0.3, 0.2, 0.1] }] },
      {},
      { what: 'edge' },
    )
    const { p95, most } = astray(outlines[0]!.path, facing)
    expect(p95).toBeLessThan(0.2)
    expect(most).toBeLessThan(0.5)
    expect(outlines[0]!.corners).toHaveLength(5)
  })
  it('that is thick is read at the height of its upper face, and too large without', () => {
    const studio = { sheets: SHEET, things: [{ path: liner, colour: [0.3, 0.18, 0.1] as const, height: 8 }] }
    const told = read(studio, {}, { what: 'edge', height: 8 })
    expect(astray(told.outlines[0]!.path, liner).p95).toBeLessThan(0.3)
    const untold = read(studio, {}, { what: 'edge' })
    // 8 mm nearer to a camera some 360 mm away: two parts in a hundred.
    expect(extentOf(untold.outlines[0]!.path).length / extentOf(liner).length).toBeGreaterThan(1.015)
  })
})

describe('a hide on the floor', () => {
  it('is found between loose sheets with large marks, with the hole in it', () => {
    const hide: Path = Array.from({ length: 240 }, (_, i): Point => {
      const a = (2 * Math.PI * i) / 240
      const r = 1 + 0.12 * Math.cos(4 * a) + 0.05 * Math.sin(3 * a)
      return [620 + 430 * r * Math.cos(a), 520 + 340 * r * Math.sin(a)]
    })
    const hole: Path = Array.from({ length: 40 }, (_, i): Point => [
      560 + 24 * Math.cos((2 * Math.PI * i) / 40),
      470 + 18 * Math.sin((2 * Math.PI * i) / 40),
    ])
    const table = layTable(
      {
        table: { minX: -250, minY: -250, maxX: 1500, maxY: 1300 },
        tableColour: [0.62, 0.62, 0.6],
        sheets: [
          { kind: 'floor', number: 1, x: -190, y: -190, degrees: 4 },
          { kind: 'floor', number: 2, x: 1180, y: -170, degrees: -7 },
          { kind: 'floor', number: 3, x: 1210, y: 960, degrees: 3 },
          { kind: 'floor', number: 4, x: -160, y: 930, degrees: 9 },
        ],
        things: [{ path: hide, colour: [0.3, 0.17, 0.09], holes: [hole] }],
      },
      1.4,
    )
    const picture = photograph(table, {
      ...VIEW,
      width: 1760,
      height: 1320,
      from: [760, 200, 1650],
      at: [620, 520],
      roll: 8,
    })
    const { outlines, notes } = readPhoto(cv, picture, { ...usualPhoto, what: 'edge', tolerance: 1 })
    expect(notes[0]).toBe('Sheets of the mat in the picture: floor 1, floor 2, floor 3, floor 4.')
    expect(outlines).toHaveLength(1)
    // The frame is that of one of the sheets: compared by size and area.
    const [found, truth] = [extentOf(outlines[0]!.path), extentOf(hide)]
    expect(Math.abs(found.length - truth.length)).toBeLessThan(3)
    expect(Math.abs(signedArea(outlines[0]!.path) / signedArea(hide) - 1)).toBeLessThan(0.006)
    expect(outlines[0]!.holes).toHaveLength(1)
    expect(Math.abs(signedArea(outlines[0]!.holes[0]!) / signedArea(hole) - 1)).toBeLessThan(0.12)
  })
})

describe('a scan', () => {
  it('is read at the scale that it was given, without a mat', () => {
    const table = layTable(
      {
        table: { minX: 0, minY: 0, maxX: 200, maxY: 260 },
        sheets: [],
        tableColour: [0.9, 0.9, 0.9],
        lines: [{ path: sole, width: 0.5, dark: 0.6 }],
      },
      6,
    )
    // From far above and long: no perspective to speak of.
    const scan = photograph(table, {
      width: 1200,
      height: 900,
      from: [100, 130, 40_000],
      at: [100, 130],
      roll: 90,
      focal: (40_000 * 4.5) / 1200,
      noise: 3,
    })
    const { outlines, photo } = readPhoto(cv, scan, { ...usualPhoto, scan: 4.5 })
    expect(photo).toBeNull()
    expect(outlines).toHaveLength(1)
    const [found, truth] = [extentOf(outlines[0]!.path), extentOf(sole)]
    expect(Math.abs(found.length / truth.length - 1)).toBeLessThan(0.002)
    expect(Math.abs(found.width / truth.width - 1)).toBeLessThan(0.003)
  })
})

describe('a picture that cannot be used', () => {
  it('without a mat says what to print', () => {
    expect(() => read({ ...drawn, sheets: [] })).toThrow('No mark of the mat is seen in this picture. Print the mat')
  })
  it('that shows a corner of the mat, or one side of it, says to step back', () => {
    expect(() => read(drawn, { from: [30, 0, 90], at: [8, 8] })).toThrow("Only 3 of the mat's marks are seen")
    expect(() => read(drawn, { from: [97, -40, 150], at: [97, 20] })).toThrow(
      /^Marks are seen on one side only: the far side could lie \d\.\d mm from where it is taken to be\./,
    )
  })
  it('that is blurred says by how much and what helps', () => {
    expect(() => read(drawn, { blur: 2 })).toThrow(
      /^The picture is blurred: sharp edges are 1\.\d mm wide in it\. Wipe the lens/,
    )
    expect(() => read(drawn, { blur: 4.6 })).toThrow(/a blurred or very dark picture shows none either\.$/)
  })
  it('that is small, or shows the mat small, says to go nearer', () => {
    expect(() => read(drawn, { width: 640, height: 480 })).toThrow('640 by 480 pixels, too few')
    expect(() => read(drawn, { from: [97, 131, 560] })).toThrow(
      /The drawing is too small in this picture: it has 1\.\d pixels to a millimetre/,
    )
  })
  it('with nothing on the mat gives no outline and says what to do', () => {
    const { outlines, notes } = read({ sheets: SHEET })
    expect(outlines).toEqual([])
    expect(notes.at(-1)).toMatch(/^No closed line of some size is seen\. Draw it darker/)
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { distance, type Point } from '../geometry/path.ts'
import { readHpgl, writeHpgl, type PlotLine } from './hpgl.ts'

const spot = fc.tuple(
  fc.double({ min: -3000, max: 3000, noNaN: true }),
  fc.double({ min: -3000, max: 3000, noNaN: true }),
)
const anyLine: fc.Arbitrary<PlotLine> = fc.record({
  path: fc.array(spot, { minLength: 3, maxLength: 12 }),
  closed: fc.boolean(),
  tool: fc.integer({ min: 1, max: 8 }),
})

describe('lines for a cutting table', () => {
  it('are written as its language is told', () => {
    expect(
      writeHpgl([
        {
          path: [
            [0, 0],
            [1, 0],
          ],
          closed: false,
          tool: 1,
        },
      ]),
    ).toBe('IN;SP1;PU0,0;PD40,0;PU;SP0;')
    expect(
      writeHpgl([
        {
          path: [
            [0, 0],
            [10, 0],
            [0, 5],
          ],
          closed: true,
          tool: 2,
        },
      ]),
    ).toBe('IN;SP2;PU0,0;PD400,0,0,200,0,0;PU;SP0;')
  })
  it('come back from it within half a unit of 0.025 mm, in order, with their tools', () => {
    fc.assert(
      fc.property(fc.array(anyLine, { minLength: 1, maxLength: 6 }), (lines) => {
        const back = readHpgl(writeHpgl(lines))
        expect(back.map((l) => l.tool)).toEqual(lines.map((l) => l.tool))
        back.forEach((line, i) => {
          const asked = lines[i]!.path
          // A line that ends where it began is closed, asked for or not.
          const points = line.closed && !lines[i]!.closed ? [...line.path, line.path[0]!] : line.path
          expect(points).toHaveLength(asked.length)
          points.forEach((p, k) => expect(distance(p, asked[k]!)).toBeLessThan(0.0125 * Math.SQRT2 + 1e-9))
        })
      }),
      { numRuns: 100 },
    )
  })
  it('of other programs are read too: moves from where it is, spaces, commands that mean nothing here', () => {
    const lines = readHpgl('IN; VS20;SP3;\nPU 40,40;PR;PD 40,0,0,40;PA;PD40,40;PU;')
    expect(lines).toEqual([
      {
        path: [
          [1, 1],
          [2, 1],
          [2, 2],
        ] as Point[],
        closed: true,
        tool: 3,
      },
    ])
  })
  it('that are damaged are refused with the command that is', () => {
    expect(() => readHpgl('IN;SP1;PU0,0;PD40')).toThrow('Command 4, "PD40", is damaged: send the file again.')
    expect(() => readHpgl('IN;PD4x,0;')).toThrow('Command 2')
    expect(() => readHpgl('not a plot')).toThrow('nothing that a cutting table knows')
    expect(() => writeHpgl([{ path: [[0, 0]], closed: false, tool: 1 }])).toThrow('two points at least')
    expect(() =>
      writeHpgl([
        {
          path: [
            [0, 0],
            [1, NaN],
          ],
          closed: false,
          tool: 1,
        },
      ]),
    ).toThrow('no number')
    expect(() =>
      writeHpgl([
        {
          path: [
            [0, 0],
            [1, 1],
          ],
          closed: false,
          tool: 9,
        },
      ]),
    ).toThrow('There is no tool 9')
  })
})

import { readHpgl, sheetGround, toLay, type CuttingGroup, type LaidPlace, type Point } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { laidOutlines, layoutHpgl } from './layoutFile.ts'
import { checkCuts, checkSentence, cutWhole } from './tableReport.ts'

const [ONE, OTHER] = ['01900000-0000-7000-8000-0000000000a1', '01900000-0000-7000-8000-0000000000a2']
const box: Point[] = [
  [0, 0],
  [60, 0],
  [60, 40],
  [0, 40],
]
const cut = (foot: 'right' | 'left', count: number) =>
  ({ foot, outline: box, seen: null, arrow: { from: [0, 0], to: [60, 0] }, tight: 0, count }) as const
const line = (id: string, count: number, feet: ('right' | 'left')[]): CuttingGroup['pieces'][number] => ({
  id,
  name: id,
  record: `upper.${id}`,
  thickness: 1.4,
  mirrored: true,
  strip: false,
  count,
  area: 1,
  cuts: feet.map((f) => cut(f, count / feet.length)),
})
const group: CuttingGroup = {
  material: 'Calf',
  face: 'grain up',
  area: 1,
  pieces: [line('vamp', 2, ['right', 'left']), line('tab', 2, ['right'])],
}
const pieces = [...toLay(ONE, group), ...toLay(OTHER, group)]
const at = (pair: string, record: string, foot: 'right' | 'left', copy: number, k: number): LaidPlace => ({
  pair,
  record,
  foot,
  copy,
  on: 0,
  x: 70 * k,
  y: 0,
  rotation: 0,
  pinned: false,
})
const places = [
  at(ONE, 'upper.vamp', 'right', 0, 0),
  at(ONE, 'upper.vamp', 'left', 0, 1),
  at(ONE, 'upper.tab', 'right', 0, 2),
  at(ONE, 'upper.tab', 'right', 1, 3),
  at(OTHER, 'upper.vamp', 'right', 0, 4),
]
const sent = laidOutlines(pieces, places)
const lines = readHpgl(layoutHpgl(sheetGround({ length: 900, width: 200 }), sent))
const report = (cutSoFar: number[]) => ({
  id: 'x',
  name: '',
  state: 'done' as const,
  progress: 1,
  cut: cutSoFar,
  lines,
})

describe('what the table cut', () => {
  it('leaves out what the pen drew before', () => {
    const withPen = readHpgl(layoutHpgl(sheetGround({ length: 900, width: 200 }), sent, { pen: true }))
    // Three pen lines a piece, of lengths that are no piece's; then the first two cuts.
    const told = [...withPen.slice(0, 15).map(() => 60), 200, 150]
    const checks = checkCuts(sent, { ...report(told), lines: withPen })
    expect(checks.map((c) => c.good)).toEqual([true, false, false, false, false])
    expect(checks.map((c) => c.measured)).toEqual([200, 150, null, null, null])
  })
  it('is good where it is as long as it was planned, within what a wheel measures', () => {
    const checks = checkCuts(sent, report([200.3, 199.2, 194, 200]))
    expect(checks.map((c) => c.good)).toEqual([true, true, false, true, false])
    expect(checks.map(checkSentence).slice(1)).toEqual([
      'vamp, left: 199 mm cut.',
      'tab, right: 194 mm of 200 mm cut. Look at it, and cut the rest by hand.',
      'tab, right: 200 mm cut.',
      'vamp, right: not cut.',
    ])
  })
  it('is ticked off where it is cut for both feet, in all its copies, for its own pair', () => {
    expect(cutWhole(pieces, sent)).toEqual([
      { pair: ONE, part: 'upper.vamp', feet: ['right', 'left'] },
      { pair: ONE, part: 'upper.tab', feet: ['right'] },
    ])
    expect(cutWhole(pieces, sent.slice(1, 4)).map((w) => w.part)).toEqual(['upper.tab'])
    expect(cutWhole(pieces, sent.slice(0, 3)).map((w) => w.part)).toEqual(['upper.vamp'])
    // One tab cut twice over is not both.
    expect(cutWhole(pieces, [sent[2]!, sent[2]!])).toEqual([])
    expect(cutWhole(pieces, [])).toEqual([])
  })
})

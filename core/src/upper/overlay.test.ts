import { describe, expect, it } from 'vitest'
import { upperNeeds } from '../../test/lastsWithHeels.ts'
import { hausdorffDistance } from '../geometry/hausdorff.ts'
import type { Path } from '../geometry/path.ts'
import { overlayDistances } from './overlay.ts'
import { deriveUpper } from './upper.ts'
import type { UpperLine } from './upperLines.ts'

const line = (name: string, path: Path, more: Partial<UpperLine> = {}): UpperLine => ({
  name,
  kind: 'seam',
  side: 'lateral',
  path,
  ...more,
})

describe('two designs held against each other', () => {
  it('lines that were moved by a known amount are that far apart, in the mean and at most', () => {
    const a = [
      line('tab', [
        [0, 0],
        [100, 0],
      ]),
      line(
        'back',
        [
          [0, 0],
          [0, 60],
        ],
        { kind: 'back' },
      ),
    ]
    const b = [
      line('tab', [
        [0, 4],
        [100, 4],
      ]),
      line(
        'back',
        [
          [-3, 0],
          [0, 60],
        ],
        { kind: 'back' },
      ),
    ]
    const [tab, back] = overlayDistances(a, b)
    expect(tab).toMatchObject({ name: 'tab', most: 4, mean: 4 })
    expect(back!.most).toBeCloseTo(3, 1)
    expect(back!.mean).toBeCloseTo(1.5, 1)
    expect(back!.at[1]).toBeLessThan(2)
  })
  it('what one has and the other has not is left out; sides and seams are not mixed up', () => {
    const a = [
      line('tab', [
        [0, 0],
        [9, 0],
      ]),
      line('cap', [
        [0, 0],
        [9, 0],
      ]),
      line(
        'crease',
        [
          [0, 0],
          [9, 0],
        ],
        { kind: 'crease' },
      ),
    ]
    const b = [
      line(
        'tab',
        [
          [0, 1],
          [9, 1],
        ],
        { side: 'medial' },
      ),
      line('cap', [
        [0, 2],
        [9, 2],
      ]),
      line(
        'crease',
        [
          [0, 5],
          [9, 5],
        ],
        { kind: 'crease' },
      ),
    ]
    expect(overlayDistances(a, b).map((d) => [d.name, d.most])).toEqual([['cap', 2]])
  })
  it('of styles on a last: as far as Hausdorff says, the same whichever is laid over, and nothing from itself', () => {
    const [derby, oxford] = (['derby', 'oxford'] as const).map((style) => deriveUpper(upperNeeds('walking', { style })))
    expect(overlayDistances(derby!.lines, derby!.lines).every((d) => d.most < 1e-9)).toBe(true)
    const there = overlayDistances(derby!.lines, oxford!.lines)
    const back = overlayDistances(oxford!.lines, derby!.lines)
    expect(there.length).toBeGreaterThan(3)
    for (const d of there) {
      const other = back.find((x) => x.name === d.name && x.side === d.side)!
      expect(other.most).toBeCloseTo(d.most, 9)
      const path = (lines: readonly UpperLine[]) => lines.find((l) => l.name === d.name && l.side === d.side)!.path
      expect(Math.abs(d.most - hausdorffDistance(path(derby!.lines), path(oxford!.lines)))).toBeLessThan(1)
    }
  })
})

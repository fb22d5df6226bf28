import type { Path } from '../../geometry/path.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { grainAlong } from '../../trade/grain.ts'
import type { EdgeSkive } from '../../layers/edgeSkive.ts'
import type { Part, PartLine, Skive, SkiveFace } from '../../trade/part.ts'
import type { RuleBook } from '../../trade/rules.ts'
import type { StripMark } from '../../upper/alongStrip.ts'
import { mm, say } from '../../units/sentence.ts'
import { edgingRules } from './rules.ts'

/** A strip laid flat: it begins at x = 0, one long edge at y = 0; mm. */
export interface Flat {
  length: number
  width: number
}

const box = (x0: number, y0: number, x1: number, y1: number): Path => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
]

/** A line across a strip at each place that it passes. */
export const marksAcross = (marks: readonly StripMark[], { width }: Flat): PartLine[] =>
  marks.map(({ name, at }) => ({
    name,
    kind: 'mark',
    path: [
      [at, 0],
      [at, width],
    ],
    closed: false,
  }))

/** A line along a strip. */
export const along = (name: string, kind: PartLine['kind'], y: number, { length }: Flat): PartLine => ({
  name,
  kind,
  path: [
    [0, y],
    [length, y],
  ],
  closed: false,
})

/** A long edge of a strip, thinned. */
export const skivedLong = (
  name: string,
  edge: 'low' | 'high',
  { length, width }: Flat,
  { profile: given, shape, sentence }: EdgeSkive,
  face: SkiveFace,
): Skive => {
  const profile = given.map(([d, t]): [number, number] => [d, t])
  const wide = profile[profile.length - 1]![0]
  const [y, from] = edge === 'low' ? [0, 0] : [width, width - wide]
  return {
    name,
    edge:
      edge === 'low'
        ? [
            [0, y],
            [length, y],
          ]
        : [
            [length, y],
            [0, y],
          ],
    band: box(0, from, length, from + wide),
    profile,
    shape,
    face,
    sentence,
  }
}

/** Both ends of a strip, thinned to nothing. */
export function skivedEnds({ length, width }: Flat, thickness: number, face: SkiveFace, book: RuleBook): Skive[] {
  const over = book.value(edgingRules.ends)
  return [0, length].map((x, i) => ({
    name: i === 0 ? 'first end' : 'other end',
    edge:
      i === 0
        ? [
            [x, width],
            [x, 0],
          ]
        : [
            [x, 0],
            [x, width],
          ],
    band: i === 0 ? box(0, 0, over, width) : box(length - over, 0, length, width),
    profile: [
      [0, 0],
      [over, thickness],
    ],
    shape: 'to nothing',
    face,
    sentence: say`Straight to nothing over ${mm(over)}, so that the ends lie on each other without a lump.`,
  }))
}

/** A strip as a part, cut by measure. */
export function stripPart(
  part: Pick<Part, 'id' | 'name' | 'role' | 'materialName' | 'thickness'> & Partial<Part>,
  flat: Flat,
): Part {
  const { length, width } = flat
  const outline = box(0, 0, length, width)
  return {
    place: 'wall',
    count: 2,
    strip: true,
    outline,
    lines: [],
    skives: [],
    notches: [],
    dimensions: [
      { name: 'length', from: [0, -8], to: [length, -8], value: length },
      { name: 'width', from: [-6, 0], to: [-6, width], value: width },
    ],
    grain: grainAlong(outline, [1, 0]),
    becauses: [],
    findings: [],
    areas: [],
    ...part,
  }
}

/** Why a strip's ends are as they are. */
export const becauseOfEnds = (book: RuleBook) => becauseOfRule('Ends skived over', edgingRules.ends, book)

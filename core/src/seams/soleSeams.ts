import { pathLength } from '../geometry/path.ts'
import type { Part } from '../trade/part.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Seam } from './seam.ts'
import { throughSole } from './throughSole.ts'

/** What of a part its seam is read off. */
export type SewnPart = Pick<Part, 'id' | 'thickness' | 'lines'>

/** Of the parts under the foot those that are sewn through, each with its seams alone. */
export const sewnParts = (parts: readonly Part[]): SewnPart[] =>
  parts
    .filter(({ id }) => id in SEWN || id === 'welt')
    .map(({ id, thickness, lines }) => ({ id, thickness, lines: lines.filter((l) => l.kind === 'stitch') }))

/** Parts that are sewn through with what lies on them; `on` names the parts that are in the seam besides. */
const SEWN: Readonly<Record<string, { name: string; on: readonly string[]; upper: boolean }>> = {
  midsole: { name: 'Upper to midsole', on: [], upper: true },
  outsole: { name: 'Sole to welt', on: ['midsole', 'welt'], upper: false },
}

/**
 * Seams through the sole, as their parts lay them out: their holes are punched later, through all that is joined there, so
 * that every partner has the same. `upper` is how thick the upper is that is sewn down, mm.
 */
export function soleSeams(parts: readonly SewnPart[], upper: number, book: RuleBook): Seam[] {
  const thick = (id: string) => parts.find((p) => p.id === id)?.thickness ?? 0
  return parts.flatMap((part) => {
    const sewn = SEWN[part.id]
    if (!sewn) return []
    return part.lines
      .filter((l) => l.kind === 'stitch' && l.holes)
      .map((line): Seam => {
        const holes = line.holes ?? []
        const path = line.closed ? [...line.path, line.path[0]!] : line.path
        const [length, stitches] = [pathLength(path), line.closed ? holes.length : holes.length - 1]
        // A stitch that lies in a channel is as much shorter.
        const thickness =
          part.thickness -
          (line.recess ?? 0) +
          sewn.on.reduce((sum, id) => sum + thick(id), 0) +
          (sewn.upper ? upper : 0)
        return throughSole(
          {
            id: `${part.id}.${line.name}`,
            name: sewn.name,
            stitches,
            pitch: length / stitches,
            length,
            fromEdge: 0,
            thickness,
            on: [{ piece: part.id, line: path, holes, punched: 'later' }],
          },
          book,
        )
      })
  })
}

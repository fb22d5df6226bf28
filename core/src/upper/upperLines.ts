import type { Path } from '../geometry/path.ts'
import { wallSides, type Side } from '../trade/side.ts'
import { marginLines } from './checks/margin.ts'
import type { CheckNeeds } from './checks/needs.ts'
import { creaseLine } from './creaseLine.ts'

/** A line of the design on the forme, for drawing it in its place and on the last. */
export interface UpperLine {
  name: string
  kind: 'top line' | 'seam' | 'facing' | 'back' | 'zip' | 'crease' | 'before' | 'margin'
  side: Side
  path: Path
}

/** Every line of a design on the forme, by side. */
export function upperLines(needs: CheckNeeds): UpperLine[] {
  const { map, drawn, decisions, bottom } = needs
  return wallSides.flatMap((side): UpperLine[] => [
    { name: 'top line', kind: 'top line', side, path: drawn.topLine[side] },
    ...(drawn.backLine ? [{ name: 'back line', kind: 'back' as const, side, path: drawn.backLine }] : []),
    ...(drawn.backBefore && decisions.backTaper > 0
      ? [
          {
            name: 'back line before it was taken in',
            kind: 'before' as const,
            side,
            path: drawn.backBefore,
          },
        ]
      : []),
    { name: 'crease line', kind: 'crease', side, path: creaseLine(map, side) },
    ...(bottom === 'lasting margin'
      ? marginLines(needs, side).map((path) => ({ name: 'margin left', kind: 'margin' as const, side, path }))
      : []),
    ...(drawn.facings ? [{ name: 'facing', kind: 'facing' as const, side, path: drawn.facings[side] }] : []),
    ...(drawn.straps ?? []).flatMap((s) =>
      (['front', 'rear'] as const).map((edge) => ({
        name: `${s.name}, ${edge} edge`,
        kind: 'seam' as const,
        side,
        path: s[edge][side],
      })),
    ),
    ...[...drawn.seams, ...(drawn.edges ?? [])]
      .filter((s) => s.side === side)
      .map((s) => ({ name: s.name, kind: 'seam' as const, side, path: s.line })),
    ...(drawn.zip && side === 'medial' ? [{ name: 'zip', kind: 'zip' as const, side, path: drawn.zip }] : []),
  ])
}

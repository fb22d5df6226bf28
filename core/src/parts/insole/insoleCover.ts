import { offset } from '../../geometry/polygonClip.ts'
import type { DevelopedBottom } from '../../last/developedBottom.ts'
import type { Material } from '../../model/material.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { alongBottom } from '../shared/alongBottom.ts'
import type { GirthLoss } from '../sock/paddingLoss.ts'
import type { Part } from '../../trade/part.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { lossFindings } from '../sock/sockLiner.ts'
import { bottomRules } from '../sole/bottomRules.ts'

/** What foam and cover add to the insole, above it and at its edge, mm. */
export const coverThickness = (lining: number, book: RuleBook): number => book.value(bottomRules.coverFoam) + lining

/** Foam and cover of a board insole: foam to its outline, the cover from lining leather turned round its edge. */
export function coverParts(
  insole: Part,
  bottom: DevelopedBottom,
  length: number,
  lining: Material,
  loss: GirthLoss | null,
  book: RuleBook,
): Part[] {
  const turn = book.value(bottomRules.coverTurn)
  const covered = offset(insole.outline, turn, 'the insole cover')
  const base = {
    place: 'foot',
    areas: [],
    skives: [],
    count: 2,
    findings: [],
    lines: [{ name: 'insole', kind: 'neighbour', path: insole.outline, closed: true }],
  } as const
  return [
    {
      ...base,
      id: 'insoleFoam',
      name: 'Foam on the insole',
      role: null,
      materialName: 'thin foam',
      thickness: book.value(bottomRules.coverFoam),
      outline: insole.outline,
      lines: [],
      ...alongBottom(insole.outline, bottom, length),
      becauses: [becauseOfRule('Thickness', bottomRules.coverFoam, book)],
    },
    {
      ...base,
      id: 'insoleCover',
      name: 'Insole cover',
      role: 'lining',
      materialName: lining.name,
      thickness: lining.thickness,
      outline: covered,
      lines: [...base.lines],
      ...alongBottom(covered, bottom, length),
      becauses: [becauseOfRule('Turned round the edge', bottomRules.coverTurn, book), ...(loss?.becauses ?? [])],
      findings: loss ? lossFindings(loss, false, book) : [],
    },
  ]
}

import { throatRules, throatShift } from '../throat.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'
import { mm, say } from '../../units/sentence.ts'

/** How a low-cut flat's throat is laid out, by either school. */
export function throatFindings(needs: CheckNeeds): UpperFinding[] {
  const { throatDifference, book, decisions, drawn, heelHeight } = needs
  if (throatDifference === null) return []
  const highest = book.value(throatRules.flatHeel)
  const { difference, added, shift } = throatShift(needs)
  const mirrored = decisions.throat === 'mirrored'
  const flat = heelHeight <= highest
  return [
    {
      id: 'upper.throat',
      level: mirrored && !flat ? 'stop' : 'fine',
      where: 'throat',
      sentence: mirrored
        ? flat
          ? say`The lateral throat is mirrored: ${mm(added, 1)} are added to the medial lasting margin, and the pattern is placed ${mm(shift, 1)} towards the lateral side when lasting.`
          : say`The throat is mirrored, but the heel is ${mm(heelHeight, 0)} high; over ${mm(highest)} this twists the upper.`
        : say`The medial line is drawn ${mm(difference, 1)} higher than the lateral one and laid centre on centre.${flat ? ' On the last the throat will look a little crooked; the other school mirrors it.' : ''}`,
      measured: mirrored ? heelHeight : difference,
      limit: mirrored ? highest : difference,
      unit: 'mm',
      mend: mirrored && !flat ? 'Lay the throat out as drawn.' : '',
      at: { side: 'medial', point: drawn.throat },
      remedy:
        mirrored && !flat
          ? { kind: 'choice', name: 'throat as drawn', decisions: { upper: { throat: 'as drawn' } } }
          : undefined,
    },
  ]
}

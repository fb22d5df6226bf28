import { throatRules, throatShift } from '../throat.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'

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
          ? `The lateral throat is mirrored: ${added.toFixed(1)} mm are added to the medial lasting margin, and the pattern is placed ${shift.toFixed(1)} mm towards the lateral side when lasting.`
          : `The throat is mirrored, but the heel is ${heelHeight.toFixed(0)} mm high; over ${highest} mm this twists the upper.`
        : `The medial line is drawn ${difference.toFixed(1)} mm higher than the lateral one and laid centre on centre.${flat ? ' On the last the throat will look a little crooked; the other school mirrors it.' : ''}`,
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

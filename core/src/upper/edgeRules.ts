import type { Rule } from '../trade/rules.ts'
import type { EdgeRole } from '../model/edgeRoles.ts'
import { mm, mmTo, say, bare, bareTo } from '../units/sentence.ts'

/** What a lining's edge stands out where it is trimmed to the upper; it stands in the house rules with the linings. */
export const trimmedRule: Rule = {
  key: 'lining.proud',
  name: 'Lining stands proud where it is trimmed',
  value: 6,
  min: 3,
  max: 10,
  unit: 'mm',
  why: say`${mmTo(5, 8)} along the opening: lining and upper never meet exactly, so it is trimmed after stitching.`,
}

/** How much each kind of edge is cut larger than the finished line. */
export const edgeRules = {
  lasting: {
    key: 'upper.lastingMargin',
    name: 'Lasting margin',
    value: 18,
    min: 12,
    max: 60,
    unit: 'mm',
    why: say`${mmTo(12, 15)} do for thin, cemented work, ${bareTo(16, 20)} usually; hand-lasted, welted and heavy shoes have ${bare(38)} and more, so that hands and pliers find a grip.`,
  },
  leastMargin: {
    key: 'upper.leastMargin',
    name: 'Least lasting margin on the last',
    value: 12,
    min: 8,
    max: 20,
    unit: 'mm',
    why: say`Pliers need ${mm(12)} to hold; where less is left the margin slips or tears.`,
  },
  turnedOut: {
    key: 'upper.turnedOut',
    name: 'Turned-out margin',
    value: 12,
    min: 8,
    max: 20,
    unit: 'mm',
    why: say`It covers the welt or midsole and ${mm(2)} more, which are trimmed after stitching.`,
  },
  lapUnder: {
    key: 'upper.lapUnder',
    name: 'Lap under a neighbour',
    value: 9,
    min: 6,
    max: 14,
    unit: 'mm',
    why: say`Two rows of stitches and room to bond; ${mmTo(8, 10)} lie under, skived away.`,
  },
  folded: {
    key: 'upper.folded',
    name: 'Turned in at a folded edge',
    value: 5,
    min: 3,
    max: 7,
    unit: 'mm',
    why: say`${mmTo(4, 5)} hold the fold; ${bareTo(3, 4)} do on fine, thin leather.`,
  },
  closedSeam: {
    key: 'upper.closedSeam',
    name: 'Allowance of a closed seam',
    value: 2.5,
    min: 2,
    max: 5,
    unit: 'mm',
    why: 'Enough to hold the stitches, little enough to hammer flat.',
  },
  zip: {
    key: 'upper.zip',
    name: 'Turned in along the zip',
    value: 8,
    min: 5,
    max: 12,
    unit: 'mm',
    why: 'The tape of the zip is stitched to it, and the edge must not fray into the teeth.',
  },
} satisfies Record<string, Rule>

/** The rule that says what an edge is cut larger by; null where nothing is added. */
export function allowanceRule(role: EdgeRole): Rule | null {
  switch (role) {
    case 'lasting margin':
      return edgeRules.lasting
    case 'turned-out margin':
      return edgeRules.turnedOut
    case 'lap under':
      return edgeRules.lapUnder
    case 'folded':
      return edgeRules.folded
    case 'closed seam':
      return edgeRules.closedSeam
    case 'zip':
      return edgeRules.zip
    case 'trimmed':
      return trimmedRule
    case 'lap over':
    case 'bead':
    case 'bound':
    case 'raw':
    case 'butt seam':
    case 'fold':
      return null
  }
}

import { feetRules } from './feetFindings.ts'
import { RuleError, type Rule } from '../model/rules.ts'
import type { RuleFigures } from '../model/pair.ts'
import { cupRules } from '../fit/cupFit.ts'
import { foamRules } from '../fit/foamTest.ts'
import { fitRules } from '../fit/footFit.ts'
import { tracedRules } from '../fit/tracedShoe.ts'
import { gradeRules } from '../fit/grade.ts'
import { edgeSkiveRules } from '../layers/edgeSkive.ts'
import { layerRules } from '../layers/layerRules.ts'
import { bottomRules } from '../parts/bottom/bottomRules.ts'
import { foamRule } from '../parts/linings/liningParts.ts'
import { liningRules } from '../parts/linings/liningRules.ts'
import { reinforcementRules } from '../parts/linings/reinforcements.ts'
import { sideLiningRules } from '../parts/linings/sideLining.ts'
import { insoleRules } from '../parts/insole.ts'
import { midsoleRules } from '../parts/midsole.ts'
import { sockRules } from '../parts/sockLiner.ts'
import { stiffenerRules } from '../parts/stiffenerRules.ts'
import { topLineRules } from '../parts/topLine.ts'
import { upperRules } from '../upper/upperRules.ts'
import { puffRules } from '../parts/toePuff.ts'
import { workRules } from '../work/step.ts'
import { waitRules } from '../work/waits.ts'

/** Every house rule, by chapter, in the order of the work. A new part adds one line here. */
export const ruleChapters: { name: string; rules: readonly Rule[] }[] = [
  { name: 'Last and foot', rules: Object.values(fitRules) },
  { name: 'Size runs', rules: Object.values(gradeRules) },
  { name: 'Cup soles', rules: Object.values(cupRules) },
  { name: 'Heights and key points', rules: Object.values(topLineRules) },
  { name: 'Upper', rules: Object.values(upperRules) },
  { name: 'Insole and last bottom', rules: Object.values(insoleRules) },
  {
    name: 'Linings',
    rules: [
      ...Object.values(liningRules),
      foamRule,
      ...Object.values(sideLiningRules),
      ...Object.values(reinforcementRules),
    ],
  },
  { name: 'Stiffener', rules: Object.values(stiffenerRules) },
  { name: 'Toe puff', rules: Object.values(puffRules) },
  { name: 'Sock liner and padding', rules: [...Object.values(sockRules), ...Object.values(foamRules)] },
  { name: 'Midsole', rules: Object.values(midsoleRules) },
  { name: 'Bottom and heel', rules: [...Object.values(bottomRules), ...Object.values(tracedRules)] },
  { name: 'Both feet', rules: Object.values(feetRules) },
  { name: 'Layers and bulk', rules: [...Object.values(layerRules), ...Object.values(edgeSkiveRules)] },
  { name: 'Time at the bench', rules: Object.values(workRules) },
  { name: 'Waits', rules: Object.values(waitRules) },
]

const byKey = new Map(ruleChapters.flatMap((c) => c.rules).map((rule) => [rule.key, rule]))

export const ruleOf = (key: string): Rule | undefined => byKey.get(key)

/** Throws RuleError, naming the rule, when a figure is unknown or out of its range. */
export function checkRuleFigures(figures: RuleFigures): void {
  for (const [key, value] of Object.entries(figures)) {
    const rule = byKey.get(key)
    if (!rule) throw new RuleError(key, `There is no house rule called "${key}".`)
    if (value < rule.min || value > rule.max) {
      throw new RuleError(key, `${rule.name}: ${value} is outside ${rule.min} to ${rule.max}.`)
    }
  }
}

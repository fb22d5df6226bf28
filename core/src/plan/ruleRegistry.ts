import { checkRules } from '../checks/rules.ts'
import { feetRules } from './feetFindings.ts'
import { RuleError, type Rule } from '../trade/rules.ts'
import type { RuleFigures } from '../model/pair.ts'
import { cupRules } from '../parts/cup/cupFit.ts'
import { unitRules } from '../parts/unit/rules.ts'
import { materialRules } from './materialFindings.ts'
import { foamRules } from '../parts/sock/foamRecovery.ts'
import { fitRules } from '../last/footFit.ts'
import { lastingRules } from '../lasting/rules.ts'
import { tracedRules } from '../layers/tracedShoe.ts'
import { gradeRules } from '../last/grade.ts'
import { edgeSkiveRules } from '../layers/edgeSkive.ts'
import { skiveRules } from '../edges/skiveFindings.ts'
import { seamRules } from '../seams/rules.ts'
import { layerRules } from '../layers/layerRules.ts'
import { bottomRules } from '../parts/sole/bottomRules.ts'
import { edgingRules } from '../parts/edging/rules.ts'
import { foamRule } from '../parts/linings/liningParts.ts'
import { liningRules } from '../parts/linings/liningRules.ts'
import { reinforcementRules } from '../parts/linings/reinforcements.ts'
import { sideLiningRules } from '../parts/linings/sideLining.ts'
import { boughtInsoleRules } from '../parts/insole/boughtInsole.ts'
import { insoleRules } from '../parts/insole/insole.ts'
import { midsoleRules } from '../parts/midsole/midsole.ts'
import { sockRules } from '../parts/sock/sockLiner.ts'
import { stiffenerRules } from '../parts/stiffener/rules.ts'
import { topLineRules } from '../upper/topLine.ts'
import { ankleRules } from '../upper/checks/ankle.ts'
import { backRules } from '../upper/checks/back.ts'
import { foldRules } from '../upper/checks/folds.ts'
import { frontRules } from '../upper/checks/front.ts'
import { zipRules } from '../upper/checks/seams.ts'
import { strainRules } from '../upper/checks/strain.ts'
import { decorationRules } from '../upper/decoration.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import { lacingRules } from '../upper/lacingRules.ts'
import { sewnRules } from '../upper/sewnLine.ts'
import { openShoeRules } from '../upper/checks/openShoe.ts'
import { backStripRules } from '../upper/styles/backStrip.ts'
import { heelStrapRules } from '../upper/styles/heelStrap.ts'
import { pullLoopRules } from '../upper/styles/pullLoop.ts'
import { styleGaps, styleRules } from '../upper/styleRules.ts'
import { throatRules } from '../upper/throat.ts'
import { topFinishRules } from '../upper/topFinishRules.ts'
import { puffRules } from '../parts/puff/toePuff.ts'
import { closingRules, workRules } from '../work/effort.ts'
import { fasteningRules } from '../work/fastening.ts'
import { stuffRules } from '../work/glues.ts'
import { cupSeamRules } from '../seams/cupSeam.ts'
import { soakRules, waitRules } from '../work/waits.ts'

/** A chapter from sets of rules. Sets are never spread into each other: two may use one name for different rules. */
const chapter = (
  name: string,
  ...sets: Readonly<Record<string, Rule>>[]
): { name: string; rules: readonly Rule[] } => ({
  name,
  rules: sets.flatMap((set) => Object.values(set)),
})

/** Every house rule, by chapter, in the order of the work. A new part adds one line here. */
export const ruleChapters: { name: string; rules: readonly Rule[] }[] = [
  chapter('Last and foot', fitRules),
  chapter('Size runs', gradeRules),
  chapter('Bought soles', cupRules, unitRules),
  chapter('Heights and key points', topLineRules),
  chapter(
    'Upper',
    styleRules,
    styleGaps,
    pullLoopRules,
    heelStrapRules,
    backStripRules,
    openShoeRules,
    edgeRules,
    topFinishRules,
    edgingRules,
    decorationRules,
    lacingRules,
    backRules,
    throatRules,
    ankleRules,
    foldRules,
    frontRules,
    sewnRules,
    zipRules,
    strainRules,
  ),
  chapter('Materials', materialRules),
  chapter('Insole and last bottom', insoleRules, boughtInsoleRules),
  chapter('Linings', liningRules, { foamRule }, sideLiningRules, reinforcementRules),
  chapter('Stiffener', stiffenerRules),
  chapter('Toe puff', puffRules),
  chapter('Sock liner and padding', sockRules, foamRules),
  chapter('Midsole', midsoleRules),
  chapter('Bottom and heel', bottomRules, tracedRules),
  chapter('Both feet', feetRules),
  chapter('Layers and bulk', layerRules),
  chapter('Skiving by edge', edgeSkiveRules, skiveRules),
  chapter('Seams and holes', seamRules, cupSeamRules),
  chapter('Lasting', lastingRules),
  chapter('Time at the bench', workRules, closingRules, fasteningRules, stuffRules),
  chapter('Waits', waitRules, soakRules),
  chapter('Checks', checkRules),
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

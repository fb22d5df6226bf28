import { ankleRules } from './checks/ankle.ts'
import { backRules } from './checks/back.ts'
import { frontRules } from './checks/front.ts'
import { zipRules } from './checks/seams.ts'
import { strainRules } from './checks/strain.ts'
import { decorationRules } from './decoration.ts'
import { edgeRules } from './edgeRules.ts'
import { sewnRules } from './sewnLine.ts'
import { styleGaps, styleRules } from './styleRules.ts'
import { throatRules } from './throat.ts'
import { topEdgeRules } from './topEdge.ts'

/** Every house rule of the upper: styles, edges, top line, decoration, checks. */
export const upperRules = {
  ...styleRules,
  ...styleGaps,
  ...edgeRules,
  ...topEdgeRules,
  ...decorationRules,
  ...backRules,
  ...throatRules,
  ...ankleRules,
  ...frontRules,
  ...sewnRules,
  ...zipRules,
  ...strainRules,
}

import type { CheckNeeds, UpperFinding } from './needs.ts'
import { ankleFindings } from './ankle.ts'
import { backFindings } from './back.ts'
import { foldFindings } from './folds.ts'
import { frontFindings } from './front.ts'
import { lacingFindings } from './lacing.ts'
import { marginFindings } from './margin.ts'
import { openShoeFindings } from './openShoe.ts'
import { pullOnFindings } from './pullOn.ts'
import { seamFindings } from './seams.ts'
import { strainFindings } from './strain.ts'
import { throatFindings } from './throat.ts'

/** Every check of the base pattern, in the order in which a pattern maker looks. */
export function upperFindings(needs: CheckNeeds): UpperFinding[] {
  return [
    ...backFindings(needs),
    ...marginFindings(needs),
    ...throatFindings(needs),
    ...ankleFindings(needs),
    ...frontFindings(needs),
    ...foldFindings(needs),
    ...lacingFindings(needs),
    ...pullOnFindings(needs),
    ...openShoeFindings(needs),
    ...seamFindings(needs),
    ...strainFindings(needs),
  ]
}

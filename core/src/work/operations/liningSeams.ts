import type { Facts } from '../facts.ts'
import { bring, operation, type Operation } from '../operation.ts'
import type { Phase } from '../phases.ts'
import { seamGroups, seamLook, sewingCautions, sewingTools, sewingUpper, threadFor } from './seamWork.ts'
import { idsOf, nameOf, ofLining } from './seamsByUse.ts'

/** Seams of the lining, each sewn in its own step. */
export function liningSeams(f: Facts): Operation[] {
  return seamGroups(f, ofLining).map((group) => {
    const pieces = [...new Set(group.seams.flatMap((s) => s.pieces))]
    const closing = group.first.kind === 'closed' || group.first.kind === 'butt'
    const phase: Phase = closing ? 'sewn to close' : 'sewn flat'
    return operation({
      id: `sew-lining.${group.id}`,
      key: 'sew-lining',
      formerly: ['close-lining'],
      name: `Sew ${nameOf(group)}`,
      group: 'close',
      effort: sewingUpper(f, group.seams, 0, ''),
      makes: bring(pieces, phase, 'a lap that is not thinned first is felt', {
        'sewn flat': 'laps are sewn while the lining still lies flat',
        cut: 'what is cut is sewn together mark to mark',
      }),
      cautions: sewingCautions(group.seams),
      tools: sewingTools(group.seams, closing),
      stuff: threadFor(f, group.seams),
      look: [
        ...seamLook(group.seams),
        closing
          ? 'Its top end meets exactly; a small offset at the bottom is hidden under the insole.'
          : 'No fold is sewn in.',
      ],
      parts: pieces,
      seams: idsOf(group.seams),
    })
  })
}

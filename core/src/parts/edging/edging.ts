import type { Part } from '../../trade/part.ts'
import { bead } from './bead.ts'
import { binding } from './binding.ts'
import type { EdgingNeeds } from './needs.ts'
import { tape } from './tape.ts'

/** What is laid along the opening as parts of the pair: bead or binding, and the tape in a fold (docs/trade.md, "Upper styles"). */
export function edgingParts(needs: EdgingNeeds): Part[] {
  const { work } = needs
  return [
    ...(work.finish === 'bead' && work.strip && work.legs ? [bead(needs, work.strip, work.legs)] : []),
    ...(work.finish === 'bound' && work.strip ? [binding(needs, work.strip)] : []),
    ...(work.tape === null ? [] : [tape(needs, work.tape)]),
  ]
}

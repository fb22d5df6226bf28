import { signedArea } from '../geometry/path.ts'
import type { SpentOn } from '../model/check.ts'
import type { Made } from '../model/made.ts'
import type { PlanInput, StepEvent } from '../model/pair.ts'
import type { Foot } from '../trade/foot.ts'
import { partOfMade } from '../trade/recordName.ts'
import { runsOf } from '../work/standing.ts'
import { cuttingList, type CutPiece } from './cuttingList.ts'
import type { Plan } from './plan.ts'
import { worthOf } from './worthOf.ts'

const feet: readonly Foot[] = ['right', 'left']

/** Feet that a record of making is about. */
const feetOf = (record: string): readonly Foot[] => {
  const part = partOfMade(record)
  return part === record ? feet : [record.slice(0, record.length - part.length - 1) as Foot]
}

const areaFor = (piece: CutPiece, of: readonly Foot[]): number =>
  piece.cuts.filter((c) => of.includes(c.foot)).reduce((sum, c) => sum + c.count * Math.abs(signedArea(c.outline)), 0)

/**
 * What has gone into a pair up to now: the minutes of every step, also of those that were done again (pauses left out), and
 * the area of all that was cut, as often as it was, with its worth where its stuff has a price by area. Work whose start
 * nobody told counts nothing.
 */
export function spentOn(
  input: Pick<PlanInput, 'decisions' | 'materials'>,
  plan: Plan,
  log: readonly StepEvent[],
  made: readonly Made[],
): SpentOn {
  const minutes = plan.steps
    .flatMap((step) => runsOf(log, step))
    .reduce((sum, run) => sum + (run.startedAt === null ? 0 : run.worked / 60_000), 0)
  const stuffs = cuttingList(input, plan).flatMap((group) => {
    const area = group.pieces.reduce(
      (sum, piece) =>
        sum +
        made
          .filter((m) => m.how === 'cut' && partOfMade(m.part) === piece.record)
          .reduce((one, m) => one + areaFor(piece, feetOf(m.part)), 0),
      0,
    )
    if (area === 0) return []
    return [worthOf(input.materials, group.material, area)]
  })
  return { minutes: Math.round(minutes), stuffs }
}

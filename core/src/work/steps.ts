import type { Facts } from './facts.ts'
import { inOrder, preferred, reasonsFor, withoutImplied, type Reason } from './order.ts'
import type { Operation } from './operation.ts'
import { bottomWork } from './operations/bottoming.ts'
import { closingWork } from './operations/closing.ts'
import { cuttingWork } from './operations/cutting.ts'
import { edgeWork } from './operations/edges.ts'
import { finishingWork } from './operations/finishing.ts'
import { insoleWork } from './operations/insole.ts'
import { lastingWork } from './operations/lasting.ts'
import { rested } from './operations/lastOut.ts'
import { patternWork } from './operations/patterns.ts'
import { shellWork } from './operations/shells.ts'
import { skivingWork } from './operations/skiving.ts'
import type { Step } from './step.ts'
import { activeTime } from './activeTime.ts'
import { withOwn } from './ownSteps.ts'
import { waysThatCount } from './ways.ts'

/** Everything that is done to this pair, in the order in which it would usually be thought of. */
export function operationsOf(facts: Facts): Operation[] {
  const f: Facts = { ...facts, work: { ...facts.work, ways: waysThatCount(facts) } }
  return [
    ...patternWork(f),
    ...cuttingWork(f),
    ...skivingWork(f),
    ...edgeWork(f),
    ...closingWork(f),
    ...insoleWork(f),
    ...shellWork(f),
    ...lastingWork(f),
    ...rested(f),
    ...bottomWork(f),
    ...finishingWork(f),
  ]
}

/** The steps of one pair in working order: what is derived of it, and what its maker added. */
export function stepsOf(facts: Facts): Step[] {
  const operations = operationsOf(facts)
  const reasons = reasonsFor(operations)
  const derived = operations.map((o): Step => {
    const { makes: _makes, needs: _needs, effort, ...rest } = o
    return {
      ...rest,
      minutes: activeTime(effort.minutes, effort.sentence, 'house rule'),
      after: named(reasons.get(o.id) ?? [], operations),
      wears: effort.wears ?? null,
      own: false,
    }
  })
  const all = withOwn(derived, facts.work.own)
  const nearest = withoutImplied(all)
  return inOrder(
    preferred(
      all.map((s) => ({ ...s, after: nearest.get(s.id) ?? [] })),
      facts.work.order,
    ),
  )
}

const named = (reasons: readonly Reason[], among: readonly { id: string; name: string }[]): Step['after'] =>
  reasons.map(({ id, why }) => ({ id, why, name: among.find((o) => o.id === id)!.name }))

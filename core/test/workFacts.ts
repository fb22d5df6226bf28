import type { PlanInput } from '../src/model/pair.ts'
import type { Plan } from '../src/plan/plan.ts'
import { planPair } from '../src/plan/planPair.ts'
import type { StageCache } from '../src/plan/stageCache.ts'
import { workFacts } from '../src/plan/workFacts.ts'
import { threadWords } from '../src/seams/threadWords.ts'
import { RuleBook } from '../src/trade/rules.ts'
import type { Facts } from '../src/work/facts.ts'

/** What the work on a planned pair is read off: put together from the plan and the documents, as an outsider would. */
export function factsOf(input: PlanInput, cache: StageCache): { plan: Plan; facts: Facts } {
  const plan = planPair(input, cache)
  const left = plan.left ?? plan
  const { decisions: d } = input
  const material = (id: string | null) => input.materials.find((m) => m.id === id) ?? null
  const chosen = (id: string) => material(id)!
  const { notions } = plan.stitching
  return {
    plan,
    facts: {
      construction: d.construction,
      shoes: {
        right: { ...workFacts(plan), parts: plan.parts },
        left: { ...workFacts(left), parts: left.parts },
      },
      ownOutline: new Set(plan.feet.filter((f) => f.kind === 'differs').map((f) => f.id)),
      materials: {
        insole: chosen(d.materials.insole),
        stiffener: chosen(d.materials.stiffener),
        puff: chosen(d.materials.puff),
        midsole: chosen(d.materials.midsole),
        upper: chosen(d.materials.upper),
        outsole: material(d.materials.outsole),
      },
      finish: plan.upper.topFinish.finish,
      lacing: d.upper.lacing.fitting,
      threads: {
        machine: threadWords(notions.machine.thread),
        hand: threadWords(notions.hand.thread),
        sole: threadWords(notions.sole.thread),
      },
      trim: d.lining.trim,
      paddings: { right: d.sock.padding, left: d.left?.padding ?? d.sock.padding },
      work: d.work,
      book: new RuleBook(input.houseRules, d.rules),
    },
  }
}

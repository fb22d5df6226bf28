import type { PairDecisions } from '../model/pair.ts'
import { threadWords } from '../seams/threadWords.ts'
import type { Part } from '../trade/part.ts'
import type { Foot } from '../trade/foot.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Facts } from '../work/facts.ts'
import { OrderError } from '../work/ownSteps.ts'
import { stepsOf } from '../work/steps.ts'
import { waysAsked } from '../work/ways.ts'
import type { PartOfBoth } from './bothFeet.ts'
import type { PairMaterials } from './materials.ts'
import type { FootPlan, Plan } from './plan.ts'
import { PlanError } from './planError.ts'
import type { StageCache } from './stageCache.ts'
import { workFacts } from './workFacts.ts'

interface WorkNeeds {
  right: FootPlan
  left: FootPlan
  rightParts: readonly Part[]
  leftParts: readonly Part[]
  feet: readonly PartOfBoth[]
  paddings: Record<Foot, PairDecisions['sock']['padding']>
  decisions: PairDecisions
  material: PairMaterials
  book: RuleBook
}

/** The steps of a pair, and the questions that it asks of whoever makes it. */
export function workStage(
  { right, left, rightParts, leftParts, feet, paddings, decisions: d, material, book }: WorkNeeds,
  cache: StageCache,
): Pick<Plan, 'steps' | 'asked'> {
  return cache.ruled(
    'steps',
    {
      parts: rightParts,
      left: leftParts,
      feet,
      construction: d.construction,
      rightWork: cache.same('work of a shoe', workFacts(right)),
      leftWork: cache.same('work of a shoe', workFacts(left)),
      threads: cache.same('threads', threadNames(right.stitching)),
      finish: right.upper.topFinish.finish,
      lacing: d.upper.lacing.fitting,
      trim: d.lining.trim,
      work: cache.same('work', d.work),
      padding: paddings.right,
      leftPadding: paddings.left,
      insole: material.insole,
      stiffener: material.stiffener,
      puff: material.puff,
      midsole: material.midsole,
      upper: material.upper,
      outsole: material.outsole,
    },
    book,
    (i, rules) => {
      const facts: Facts = {
        construction: i.construction,
        shoes: { right: { ...i.rightWork, parts: i.parts }, left: { ...i.leftWork, parts: i.left } },
        ownOutline: new Set(i.feet.filter((f) => f.kind === 'differs').map((f) => f.id)),
        finish: i.finish,
        lacing: i.lacing,
        threads: i.threads,
        trim: i.trim,
        work: i.work,
        materials: {
          insole: i.insole,
          stiffener: i.stiffener,
          puff: i.puff,
          midsole: i.midsole,
          upper: i.upper,
          outsole: i.outsole,
        },
        paddings: { right: i.padding, left: i.leftPadding },
        book: rules,
      }
      try {
        return { steps: stepsOf(facts), asked: waysAsked(facts) }
      } catch (error) {
        if (error instanceof OrderError) throw new PlanError('work.own', error.message)
        throw error
      }
    },
  )
}

/** What seams are sewn with, as it stands on the reel. */
const threadNames = ({ notions }: FootPlan['stitching']) => ({
  machine: threadWords(notions.machine.thread),
  hand: threadWords(notions.hand.thread),
  sole: threadWords(notions.sole.thread),
})

import { feet, type Foot } from '../trade/foot.ts'
import type { Sentence } from '../units/sentence.ts'
import type { Effort } from './effort.ts'
import type { Phase } from './phases.ts'
import type { Step } from './step.ts'

/** A thing is brought to a phase; `why` says what it needs of the phase before, by that phase or for any. */
export interface Makes {
  thing: string
  phase: Phase
  why: Sentence
  whyAfter?: Partial<Record<Phase, Sentence>>
}

/** A thing must have gone through everything up to a phase, as far as it goes through it at all. */
export interface Needs {
  thing: string
  upTo: Phase
  why: Sentence
}

/** A step before its order is known: what it does to things, what it needs of them, and the time that it takes. */
export interface Operation extends Omit<Step, 'minutes' | 'after' | 'own' | 'wears'> {
  effort: Effort
  makes: readonly Makes[]
  needs: readonly Needs[]
}

type Draft = Pick<Operation, 'id' | 'name' | 'group' | 'effort' | 'makes'> & Partial<Operation>

/** An operation with nothing said where there is nothing to say. */
export const operation = (draft: Draft): Operation => ({
  key: draft.id,
  formerly: [],
  foot: null,
  wait: null,
  needs: [],
  cautions: [],
  tools: [],
  stuff: [],
  look: [],
  parts: [],
  seams: [],
  ...draft,
})

/** The same for each foot, where one can be worked while the other dries; a log may know it under one id for both. */
export const eachFoot = (draft: (foot: Foot) => Draft): Operation[] =>
  feet.map((foot) => {
    const of = draft(foot)
    return operation({
      ...of,
      id: `${of.id}.${foot}`,
      key: of.id,
      foot,
      formerly: [of.id, ...(of.formerly ?? [])],
      name: `${of.name}, ${foot}`,
    })
  })

/** Things brought to the same phase, for the same reason. */
export const bring = (
  things: readonly string[],
  phase: Phase,
  why: Sentence,
  whyAfter: Makes['whyAfter'] = {},
): Makes[] => things.map((thing) => ({ thing, phase, why, whyAfter }))

export const want = (things: readonly string[], upTo: Phase, why: Sentence): Needs[] =>
  things.map((thing) => ({ thing, upTo, why }))

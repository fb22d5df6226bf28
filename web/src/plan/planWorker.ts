import {
  lastStage,
  planPair,
  StageCache,
  type LastBody,
  type LastSurface,
  type Plan,
  type PlanInput,
} from '@gentle-awl/core'
import { expose } from 'comlink'

/** A plan, or the sentence that says why there is none. Errors do not survive the way out of a worker as themselves. */
export type PlanAnswer = { plan: Plan; problem: null } | { plan: null; problem: string }

const cache = new StageCache(12)

const said = (error: unknown): string => {
  if (error instanceof Error && ['PlanError', 'RuleError', 'GeometryError'].includes(error.name)) return error.message
  throw error
}

const worker = {
  plan(input: PlanInput): PlanAnswer {
    try {
      return { plan: planPair(input, cache), problem: null }
    } catch (error) {
      return { plan: null, problem: said(error) }
    }
  },
  surface(last: LastBody): { surface: LastSurface; problem: null } | { surface: null; problem: string } {
    try {
      return { surface: lastStage(last, cache), problem: null }
    } catch (error) {
      return { surface: null, problem: said(error) }
    }
  },
}
export type PlanWorker = typeof worker
expose(worker)

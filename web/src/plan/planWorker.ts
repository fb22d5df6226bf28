import {
  formeStage,
  gradedUpper,
  lastStage,
  planPair,
  StageCache,
  thicknessMap,
  WallStack,
  type Forme,
  type Grade,
  type GradedUpper,
  type GradeName,
  type LastBody,
  type LastSurface,
  type Plan,
  type PlanInput,
  type ThicknessMap,
  type UpperDecisions,
  type WallArea,
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
  /** One size of the upper; the page asks for one after the other, so that it can stop. */
  graded(input: PlanInput, sizes: number, name: GradeName, heel: Grade['heel']): GradedUpper {
    try {
      return gradedUpper(input, sizes, name, heel, cache)
    } catch (error) {
      return { sizes, problem: said(error) }
    }
  },
  /** Thickness of all that lies on the walls, at every point of the last's own grid. Throws as the plan itself would. */
  thickness(last: LastBody, how: UpperDecisions['forme'], areas: readonly WallArea[]): ThicknessMap {
    const map = formeStage(lastStage(last, cache), how, cache)
    return thicknessMap(map, new WallStack(areas))
  },
  /** Last and forme as data; the page makes the map from them again. */
  forme(
    last: LastBody,
    how: UpperDecisions['forme'],
  ): { surface: LastSurface; forme: Forme; problem: null } | { surface: null; forme: null; problem: string } {
    try {
      const map = formeStage(lastStage(last, cache), how, cache)
      return { surface: map.surface, forme: map.forme, problem: null }
    } catch (error) {
      return { surface: null, forme: null, problem: said(error) }
    }
  },
}
export type PlanWorker = typeof worker
expose(worker)

import type { PairDecisions, PairSketch } from '@gentle-awl/core'
import { onScopeDispose, shallowReactive, type Ref } from 'vue'
import { useAttempt } from '../../../app/useAttempt.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import type { Answer } from '../../../workers/answer.ts'
import { sketchOfPair } from '../../../workers/plan/planner.ts'

/** What is to be drawn, under a name of its own. */
export interface Wanted {
  key: string
  decisions: PairDecisions
}

/** Sketches of pairs that are not begun yet, planned one after the other; another wish begins anew with what it lacks. */
export function usePairSketches(): {
  of: (key: string) => Answer<PairSketch> | undefined
  draw: (wanted: readonly Wanted[]) => Promise<void>
  problem: Ref<string>
} {
  const workshop = useWorkshop()
  const { problem, attempt } = useAttempt()
  const sketches = shallowReactive(new Map<string, Answer<PairSketch>>())
  let turn = 0
  onScopeDispose(() => turn++)

  async function draw(wanted: readonly Wanted[]): Promise<void> {
    const mine = ++turn
    for (const { key, decisions } of wanted) {
      if (sketches.has(key)) continue
      await attempt(() => workshop.hold(decisions))
      const input = workshop.inputOf(decisions)
      if (mine !== turn || !input) return
      sketches.set(key, await sketchOfPair(input))
      if (mine !== turn) return
    }
  }
  return { of: (key) => sketches.get(key), draw, problem }
}

import { progress, type Pace, type StepEvent, type StepProgress } from '@gentle-awl/core'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { ApiError } from '../../../../api/ask.ts'
import { api } from '../../../../api/client.ts'
import { myBench } from '../../../../app/myBench.ts'
import { useNews } from '../../../../app/news.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useMade } from '../../../../stores/madeStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'

/** What was done of a pair's work: its log as the server has it, where every step stands by it, and what is said to it. */
export function useWorkLog() {
  const pair = usePair()
  const made = useMade()
  const log = shallowRef<StepEvent[] | null>(null)
  /** How this workshop's minutes compare with the planned ones, by kind of step. */
  const pace = shallowRef<Record<string, Pace>>({})
  const now = ref(Date.now())
  const { problem, attempt } = useAttempt()
  const { problem: stepProblem, busy, attempt: attemptStep } = useAttempt()
  useIntervalFn(() => (now.value = Date.now()), 1000)

  /** Counts what was asked: an answer that another has overtaken is older than what is on screen, and says nothing. */
  let asked = 0
  let answered = 0
  async function take(pairId: string, request: () => Promise<StepEvent[]>): Promise<void> {
    const mine = ++asked
    const fresh = await request()
    if (mine < answered || pair.view?.id !== pairId) return
    answered = mine
    log.value = fresh
    now.value = Date.now()
  }
  async function load(): Promise<void> {
    const { view } = pair
    if (!view) return
    await attempt(async () => {
      const [, usual] = await Promise.all([take(view.id, () => api.log(view.id)), api.pace()])
      pace.value = usual
    })
  }
  /** News that came while something was said: its answer may be older than they are. */
  let missed = false
  // A second tab or another device moves the bench too.
  useNews(
    () => (pair.view ? [`/pairs/${pair.view.id}/`] : []),
    () => void hear(),
  )
  async function hear(): Promise<void> {
    const { view } = pair
    const known = log.value
    if (!view || known === null) return
    missed = busy.value
    if (missed) return
    await attempt(async () => {
      await take(view.id, () => api.log(view.id))
      if (pair.view?.id === view.id && log.value?.length !== known.length) await made.load(view.id)
    })
  }
  /** What was asked of a step, and what the server refuses of it as a sentence. */
  async function ask(what: (id: string) => Promise<void>): Promise<void> {
    const { view } = pair
    if (!view) return
    await attemptStep(
      () => what(view.id),
      async (refusal) => {
        stepProblem.value = refusal.message
        if (refusal instanceof ApiError && refusal.status === 409) await load()
      },
    )
    if (missed) await hear()
  }
  const say = (step: string, what: StepEvent['what']) =>
    ask(async (id) => {
      // A step is checked against the pair as saved.
      await pair.flush()
      await take(id, () => api.logStep(id, step, what, myBench.value))
      // A cut that is finished is on the list of what was made.
      if (what === 'finished') await made.load(id)
    })
  /** What a finished step took, where the clock was forgotten. */
  const correct = (step: string, minutes: number) =>
    ask(async (id) => {
      await take(id, () => api.correctMinutes(id, step, minutes))
    })
  watch(() => pair.view?.id, load, { immediate: true })

  const steps = computed<StepProgress[]>(() =>
    pair.plan && log.value ? progress(pair.plan.steps, log.value, now.value) : [],
  )
  return { log, pace, now, steps, problem, stepProblem, busy, load, say, correct }
}

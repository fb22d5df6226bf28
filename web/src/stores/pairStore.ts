import { leftDecisions, type PairDecisions, type PairLabel, type Plan, type PlanInput } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { ApiError } from '../api/ask.ts'
import { api, type PairView } from '../api/client.ts'
import { useNews } from '../app/news.ts'
import { clearDraft, keepDraft, readDraft } from './draft.ts'
import { usePairFigures } from './pairFigures.ts'
import { usePairPlan } from './pairPlan.ts'
import type { Foot } from '../ui/feet.ts'
import { whatChanged } from './whatChanged.ts'
import { useWorkshop } from './workshopStore.ts'

/** Quiet time after the last change before it becomes a revision: one drag of a slider is one revision, ms. */
const SETTLE = 500

/** The pair on the bench: its decisions as they stand on screen, the plan that follows, and their way to the server. */
export const usePair = defineStore('pair', () => {
  const workshop = useWorkshop()
  // What stands in these is never changed in place: a change is another document, so that nothing need be watched inside.
  const view = shallowRef<PairView | null>(null)
  const label = shallowRef<PairLabel | null>(null)
  const decisions = shallowRef<PairDecisions | null>(null)
  /** The foot that is looked at; it stays from room to room. */
  const foot = ref<Foot>('right')
  const loadProblem = ref<string | null>(null)
  const saveProblem = ref<string | null>(null)
  const saving = ref(false)
  const dirty = ref(false)
  /** Set when the pair was changed elsewhere meanwhile: both versions, for the person to choose. */
  const conflict = shallowRef<{ theirs: PairView; mine: { label: PairLabel; decisions: PairDecisions } } | null>(null)

  let timer: ReturnType<typeof setTimeout> | undefined
  /** What the changes that wait to be sent are about. */
  let waiting = ''
  let held = false
  /** The pair that was asked for last; an answer about another one comes too late. */
  let wanted = ''
  let saves: Promise<void> = Promise.resolve()
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('gentle-awl-pairs')
  channel?.addEventListener('message', (event: MessageEvent<{ id: string; version: number }>) => {
    const mine = view.value
    if (!mine || event.data.id !== mine.id || event.data.version <= mine.version || dirty.value) return
    if (wanted === mine.id) void load(mine.id)
  })
  // Written by another device or program: what is being changed here is not overrun, its save will say so.
  useNews(
    () => (view.value ? [`/pairs/${view.value.id}`] : []),
    () => void lookAgain(),
  )
  async function lookAgain(): Promise<void> {
    const mine = view.value
    if (!mine || wanted !== mine.id || dirty.value || saving.value || conflict.value) return
    try {
      const now = await api.pair(mine.id)
      const untouched = wanted === mine.id && view.value?.id === mine.id && !dirty.value && !saving.value
      if (untouched && view.value && now.version > view.value.version) await load(mine.id)
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      // Nothing was asked by a person: the next thing they do says whether the server answers.
    }
  }

  /** True while the left shoe is looked at and planned on its own: then figures set by hand count for it alone. */
  const ownLeft = computed(() => foot.value === 'left' && Boolean(decisions.value?.left))
  /** The decisions as they hold for the foot that is looked at. */
  const decided = computed(() => (decisions.value && ownLeft.value ? leftDecisions(decisions.value) : decisions.value))
  const last = computed(() => workshop.lastOf(decided.value?.lastId))
  const input = computed<PlanInput | null>(() => decisions.value && workshop.inputOf(decisions.value))
  const {
    whole,
    calm,
    planProblem,
    planning,
    plan: planNow,
    clear: clearPlan,
  } = usePairPlan(input, () => view.value?.id)
  const inFront = (of: Plan | null): Plan | null => (foot.value === 'left' && of?.left ? { ...of, ...of.left } : of)
  /** The plan with the shoe of that foot in front; `calmPlan` is the same a moment later, for what is only read. */
  const plan = computed(() => inFront(whole.value))
  const calmPlan = computed(() => inFront(calm.value))

  function show(next: PairView): void {
    view.value = next
    label.value = next.label
    decisions.value = next.decisions
  }

  async function load(id: string): Promise<void> {
    wanted = id
    loadProblem.value = null
    // What waits for the pair that lay here is sent as that pair's, before another takes its place.
    if (view.value && view.value.id !== id) await flush()
    if (wanted !== id) return
    if (view.value?.id !== id) {
      view.value = null
      decisions.value = null
      clearPlan()
      dirty.value = false
      conflict.value = null
      saveProblem.value = null
      foot.value = 'right'
    }
    try {
      const [pair] = await Promise.all([api.pair(id), workshop.load()])
      await workshop.hold(pair.decisions)
      if (wanted !== id) return
      show(pair)
      dirty.value = false
      restoreDraft(pair)
      await replan()
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (wanted === id) loadProblem.value = error.message
    }
  }

  /** Changes that never reached the server (closed browser, stopped server) come back, or are offered beside what is there now. */
  function restoreDraft(pair: PairView): void {
    const draft = readDraft(pair.id)
    if (!draft) return
    const mine = { label: draft.label, decisions: draft.decisions }
    const same = JSON.stringify(mine) === JSON.stringify({ label: pair.label, decisions: pair.decisions })
    if (same) clearDraft(pair.id)
    else if (draft.version === pair.version) {
      label.value = draft.label
      decisions.value = draft.decisions
      dirty.value = true
      void flush()
    } else conflict.value = { theirs: pair, mine }
  }

  async function replan(): Promise<void> {
    // A last from a scan that was chosen just now is fetched with its surface first.
    if (!input.value && decisions.value) {
      try {
        await workshop.hold(decisions.value)
      } catch (error) {
        if (!(error instanceof ApiError)) throw error
        planProblem.value = error.message
      }
    }
    await planNow()
  }

  function change(next: PairDecisions): void {
    const about = decisions.value ? whatChanged(decisions.value, next) : ''
    // Two changes of different things are two revisions, however quickly they follow: undo takes back one.
    if (dirty.value && !held && about !== waiting) void flush(current())
    waiting = about
    decisions.value = next
    touched()
    void replan()
  }

  function changeLabel(next: PairLabel): void {
    label.value = next
    touched()
  }

  function touched(): void {
    if (!view.value || !label.value || !decisions.value) return
    dirty.value = true
    keepDraft(view.value.id, { version: view.value.version, label: label.value, decisions: decisions.value })
    clearTimeout(timer)
    if (!held) timer = setTimeout(() => void flush(), SETTLE)
  }

  /** While something is dragged nothing is sent, however long it takes: one drag is one revision. The draft is kept all the same. */
  function hold(): void {
    held = true
    clearTimeout(timer)
  }
  function letGo(): void {
    if (!held) return
    held = false
    if (dirty.value) timer = setTimeout(() => void flush(), SETTLE)
  }

  const figures = usePairFigures(decisions, ownLeft, change)

  type Said = { label: PairLabel; decisions: PairDecisions }
  /** What is on screen now, as it can be sent later. */
  const current = (): Said | null =>
    label.value && decisions.value ? { label: label.value, decisions: decisions.value } : null

  /** Sends what is not saved yet, or what was so a moment ago. Saves follow each other; each carries the version it was made on. */
  function flush(said: Said | null = null): Promise<void> {
    clearTimeout(timer)
    held = false
    const next = () => saveNow(said)
    saves = saves.then(next, next)
    return saves
  }

  async function saveNow(said: Said | null): Promise<void> {
    if (!dirty.value || conflict.value || !view.value || !label.value || !decisions.value) return
    const out = said ?? { label: label.value, decisions: decisions.value }
    const sent = JSON.stringify(out)
    const { id, version } = view.value
    saving.value = true
    try {
      const saved = await api.savePair(id, version, out.label, out.decisions)
      saveProblem.value = null
      if (view.value?.id !== id) return
      view.value = saved
      const now = { label: label.value, decisions: decisions.value }
      if (JSON.stringify(now) === sent) {
        dirty.value = false
        clearDraft(id)
      } else keepDraft(id, { version: saved.version, ...now })
      channel?.postMessage({ id, version: saved.version })
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      // Its draft is kept, and is offered when it is opened again.
      if (view.value?.id !== id) return
      if (error.status === 409 && error.current) {
        conflict.value = {
          theirs: error.current as PairView,
          mine: { label: label.value, decisions: decisions.value },
        }
      } else saveProblem.value = error.message
    } finally {
      saving.value = false
    }
  }

  /** On leaving the page: one last try that outlives it. The draft stays until the answer is seen. */
  function saveOnLeaving(): void {
    if (!dirty.value || conflict.value || !view.value || !label.value || !decisions.value) return
    void api
      .savePair(view.value.id, view.value.version, label.value, decisions.value, true)
      .catch(() => undefined /* the draft is kept and offered at the next visit */)
  }

  async function settleConflict(keep: 'mine' | 'theirs'): Promise<void> {
    const both = conflict.value
    if (!both) return
    conflict.value = null
    show(both.theirs)
    clearDraft(both.theirs.id)
    dirty.value = false
    if (keep === 'mine') {
      label.value = both.mine.label
      decisions.value = both.mine.decisions
      dirty.value = true
      await flush()
    }
    await replan()
  }

  /** Presses that wait for those before them: each goes from the revision that the last one led to. */
  let presses = 0
  function move(way: 'undo' | 'redo'): Promise<void> {
    void flush()
    presses++
    const next = () => moveNow(way)
    saves = saves.then(next, next)
    return saves
  }

  async function moveNow(way: 'undo' | 'redo'): Promise<void> {
    presses--
    const now = view.value
    const can = now && !dirty.value && !conflict.value && (way === 'undo' ? now.canUndo : now.canRedo)
    if (can) await goTo(now, way)
    // While the key is held only the last of the revisions is planned.
    if (presses === 0) await replan()
  }

  async function goTo(now: PairView, way: 'undo' | 'redo'): Promise<void> {
    try {
      const next = await api.move(now.id, now.version, way)
      if (view.value?.id !== now.id) return
      show(next)
      saveProblem.value = null
      channel?.postMessage({ id: next.id, version: next.version })
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (view.value?.id !== now.id) return
      if (error.status === 409 && error.current) show(error.current as PairView)
      saveProblem.value = error.message
    }
  }

  return {
    view,
    label,
    decisions,
    decided,
    last,
    input,
    whole,
    calm,
    foot,
    ownLeft,
    plan,
    calmPlan,
    planProblem,
    planning,
    loadProblem,
    saveProblem,
    saving,
    dirty,
    conflict,
    load,
    change,
    changeLabel,
    hold,
    letGo,
    ...figures,
    flush,
    saveOnLeaving,
    settleConflict,
    move,
  }
})

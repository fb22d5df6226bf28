<script setup lang="ts">
import type { StepEvent } from '@gentle-awl/core'
import { useMediaQuery } from '@vueuse/core'
import { computed, nextTick, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { usePair } from '../../../../stores/pairStore.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import RoomState from '../../../../ui/RoomState.vue'
import BenchPanel from './BenchPanel.vue'
import HowTosView from './HowTosView.vue'
import StepList from './StepList.vue'
import StepSheet from './StepSheet.vue'
import { useWorkLog } from './useWorkLog.ts'
import WaitClocks from './WaitClocks.vue'
import WaysView from './WaysView.vue'
import WorkGraph from './WorkGraph.vue'
import WorkTable from './WorkTable.vue'

/** The work on a pair: every step as a list, a table and a graph, one of them large, and the ways in which it is worked. */
const pair = usePair()
const route = useRoute()
const router = useRouter()
const { log, pace, now, steps, problem, stepProblem, busy, load, say: tellLog, correct } = useWorkLog()
const views = [
  { value: '', name: 'Step by step' },
  { value: 'table', name: 'Table' },
  { value: 'graph', name: 'Graph' },
  { value: 'ways', name: 'How it is worked' },
  { value: 'how-to', name: 'Technique' },
] as const
type View = (typeof views)[number]['value']
/** Under 1000 px the panel is a drawer; the clocks must not hide in it. */
const narrow = useMediaQuery('(max-width: 999px)')
const to = (what: string) => `/pairs/${pair.view?.id}/work${what === '' ? '' : `/${encodeURIComponent(what)}`}`
const here = computed(() => String(route.params.what ?? ''))
const view = computed<View | null>(() => views.find((v) => v.value === here.value)?.value ?? null)
const large = computed(() => steps.value.find((s) => s.step.id === here.value) ?? null)
const clocks = computed(() => steps.value.filter((s) => s.clock !== null))

async function say(step: string, what: StepEvent['what']): Promise<void> {
  await tellLog(step, what)
  await keepFocus(step)
}

/** The button that was pressed is gone, or waits: the focus goes to what the step offers now, or to its name. */
async function keepFocus(step: string): Promise<void> {
  await nextTick()
  const card = document.querySelector(`[data-step="${step}"]`)
  const button =
    card?.querySelector<HTMLElement>('.buttons button:not(:disabled)') ??
    card?.querySelector<HTMLElement>('button.name')
  if (document.activeElement === document.body || document.activeElement === null)
    button?.focus({ preventScroll: true })
}

/** Opens the list where the work is. */
async function goToWork(): Promise<void> {
  await nextTick()
  const at =
    steps.value.find((s) => s.state === 'started') ??
    steps.value.find((s) => s.state === 'open' && s.heldBy.length === 0) ??
    steps.value.find((s) => s.state === 'open')
  if (at) document.querySelector(`[data-step="${at.step.id}"]`)?.scrollIntoView({ block: 'center' })
}
watch(
  () => [steps.value.length > 0, view.value],
  ([there, shown]) => {
    if (there && shown === '') void goToWork()
  },
)
</script>

<template>
  <StepSheet
    v-if="large"
    :key="large.step.id"
    :progress="large"
    :steps="steps"
    :pace="pace"
    :now="now"
    :busy="busy"
    :problem="stepProblem"
    :to="to"
    @say="(what) => say(large!.step.id, what)"
  />
  <div v-else class="work-and-panel">
    <div class="left">
      <WaitClocks v-if="narrow && clocks.length > 0" class="above" heading="h2" :clocks="clocks" :now="now" />
      <div class="list" tabindex="0" aria-label="Steps in working order" role="region">
        <RoomState :loading="log === null || pair.plan === null" :problem="problem" what="The work" @retry="load">
          <ChoiceBar label="The work as" :options="views" :value="view" @choose="router.replace(to($event))" />
          <p v-if="stepProblem" class="bad" role="alert">{{ stepProblem }}</p>
          <p v-if="view === null" class="gone" role="alert">
            This pair has no such step any more. <RouterLink :to="to('')">All its steps</RouterLink>
          </p>
          <WorkTable v-else-if="view === 'table'" :steps="steps" :pace="pace" :to="to" />
          <WorkGraph v-else-if="view === 'graph'" :steps="steps" :to="to" />
          <WaysView v-else-if="view === 'ways'" />
          <HowTosView v-else-if="view === 'how-to'" />
          <StepList v-else :steps="steps" :pace="pace" :now="now" :busy="busy" @say="say" @took="correct" />
        </RoomState>
      </div>
    </div>
    <BenchPanel :steps="steps" :pace="pace" :now="now" :clocks="!narrow" :to="to" />
  </div>
</template>

<style scoped>
.left {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.above {
  max-height: 34%;
  overflow-y: auto;
  padding: 12px 20px;
  border-bottom: 1px solid var(--line);
  background: var(--raised);
}
.list {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  padding: 16px 20px 90px;
}
.list:focus-visible {
  outline-offset: -3px;
}
.gone {
  margin-top: 16px;
}
</style>

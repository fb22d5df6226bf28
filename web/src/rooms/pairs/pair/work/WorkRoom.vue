<script setup lang="ts">
import { NProgress } from 'naive-ui'
import { groupNames, progress, workGroups, type StepEvent, type StepProgress } from '@gentle-awl/core'
import { useIntervalFn, useMediaQuery } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import { api, ApiError } from '../../../../api/client.ts'
import { useNews } from '../../../../app/news.ts'
import { showMinutes } from '../../../../app/settings.ts'
import { useMade } from '../../../../stores/madeStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import RoomState from '../../../../ui/RoomState.vue'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import StepCard from './StepCard.vue'
import WaitClocks from './WaitClocks.vue'
import WorkTable from './WorkTable.vue'
import { useAttempt } from '../../../../app/useAttempt.ts'

const pair = usePair()
const made = useMade()
const ways = [
  { value: 'cards', name: 'Step by step' },
  { value: 'table', name: 'Table' },
] as const
const way = ref<(typeof ways)[number]['value']>('cards')
/** Under 1000 px the panel is a drawer; the clocks must not hide in it. */
const narrow = useMediaQuery('(max-width: 999px)')
const log = shallowRef<StepEvent[] | null>(null)
const { problem, attempt } = useAttempt()
const { problem: stepProblem, busy, attempt: attemptStep } = useAttempt()
const now = ref(Date.now())
useIntervalFn(() => (now.value = Date.now()), 1000)

async function load(): Promise<void> {
  const { view } = pair
  if (!view) return
  await attempt(async () => {
    log.value = await api.log(view.id)
  })
}
watch(() => pair.view?.id, load)
// A second tab or another device moves the bench too.
useNews(
  () => (pair.view ? [`/pairs/${pair.view.id}/`] : []),
  () => void hear(),
)
async function hear(): Promise<void> {
  const { view } = pair
  const known = log.value
  if (!view || busy.value || known === null) return
  await attempt(async () => {
    const fresh = await api.log(view.id)
    if (pair.view?.id !== view.id) return
    if (fresh.length !== known.length) await made.load(view.id)
    log.value = fresh
    now.value = Date.now()
  })
}

const steps = computed<StepProgress[]>(() =>
  pair.plan && log.value ? progress(pair.plan.steps, log.value, now.value) : [],
)
const groups = computed(() =>
  workGroups
    .map((g) => ({ group: g, name: groupNames[g], steps: steps.value.filter((s) => s.step.group === g) }))
    .filter((g) => g.steps.length > 0),
)
const running = computed(() => steps.value.filter((s) => s.state === 'started'))
const ready = computed(() => steps.value.filter((s) => s.state === 'open' && s.heldBy.length === 0))
const done = computed(() => steps.value.filter((s) => s.state === 'finished').length)
const clocks = computed(() => steps.value.filter((s) => s.clock !== null))
const minutesLeft = computed(() =>
  steps.value.filter((s) => s.state !== 'finished').reduce((sum, s) => sum + s.step.minutes.value, 0),
)

async function say(step: string, what: StepEvent['what']): Promise<void> {
  const { view } = pair
  if (!view) return
  await attemptStep(
    async () => {
      // A step is checked against the pair as saved.
      await pair.flush()
      log.value = await api.logStep(view.id, step, what)
      // A cut that is finished is on the list of what was made.
      if (what === 'finished') await made.load(view.id)
      now.value = Date.now()
    },
    async (refusal) => {
      stepProblem.value = refusal.message
      if (refusal instanceof ApiError && refusal.status === 409) await load()
    },
  )
  await keepFocus(step)
}

/** What a finished step took, where the clock was forgotten. */
async function correct(step: string, minutes: number): Promise<void> {
  const { view } = pair
  if (!view) return
  await attemptStep(
    async () => {
      log.value = await api.correctMinutes(view.id, step, minutes)
    },
    async (refusal) => {
      stepProblem.value = refusal.message
      if (refusal instanceof ApiError && refusal.status === 409) await load()
    },
  )
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
  const id = (running.value[0] ?? ready.value[0])?.step.id
  if (id) document.querySelector(`[data-step="${id}"]`)?.scrollIntoView({ block: 'center' })
}
onMounted(load)
watch(
  () => steps.value.length > 0,
  (there) => {
    if (there) void goToWork()
  },
)
</script>

<template>
  <div class="work-and-panel">
    <div class="left">
      <WaitClocks v-if="narrow && clocks.length > 0" class="above" heading="h2" :clocks="clocks" :now="now" />
      <div class="list" tabindex="0" aria-label="Steps in working order" role="region">
        <RoomState :loading="log === null || pair.plan === null" :problem="problem" what="The work" @retry="load">
          <ChoiceBar label="The steps as" class="ways" :options="ways" :value="way" @choose="way = $event" />
          <p v-if="stepProblem" class="bad" role="alert">{{ stepProblem }}</p>
          <WorkTable v-if="way === 'table'" :steps="steps" />
          <template v-else>
            <section v-for="g in groups" :key="g.group" class="group" :aria-label="g.name">
              <h2>{{ g.name }}</h2>
              <StepCard
                v-for="s in g.steps"
                :key="s.step.id"
                :progress="s"
                :now="now"
                :busy="busy"
                @say="(what) => say(s.step.id, what)"
                @took="(minutes) => correct(s.step.id, minutes)"
              />
            </section>
          </template>
        </RoomState>
      </div>
    </div>
    <BecausePanel title="At the bench">
      <p v-if="steps.length === 0" class="soft">Fetching …</p>
      <template v-else>
        <p class="sum">
          <strong class="figure">{{ done }}</strong> of <strong class="figure">{{ steps.length }}</strong> steps done,
          <strong class="figure">{{ showMinutes(minutesLeft) }}</strong> of handwork left.
        </p>
        <NProgress
          type="line"
          :percentage="Math.round((100 * done) / Math.max(1, steps.length))"
          :show-indicator="false"
          aria-label="Steps done"
        />
        <WaitClocks v-if="!narrow" :clocks="clocks" :now="now" />
        <h3>Running</h3>
        <ul v-if="running.length > 0" class="short">
          <li v-for="s in running" :key="s.step.id">{{ s.step.name }}</li>
        </ul>
        <p v-else class="soft">Nothing is on the bench.</p>
        <h3>May be started now</h3>
        <ul v-if="ready.length > 0" class="short">
          <li v-for="s in ready.slice(0, 8)" :key="s.step.id">{{ s.step.name }}</li>
        </ul>
        <p v-else class="soft">
          {{ done === steps.length && done > 0 ? 'All done.' : 'Everything else waits for what runs.' }}
        </p>
      </template>
    </BecausePanel>
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
.group h2 {
  position: sticky;
  top: -16px;
  z-index: 2;
  padding: 10px 0;
  background: var(--ground);
}
.group + .group {
  margin-top: 18px;
}
.sum {
  margin: 8px 0;
}
progress {
  width: 100%;
  height: 12px;
  accent-color: var(--action);
}
h3 {
  margin: 20px 0 6px;
}
.short {
  display: grid;
  gap: 6px;
  margin: 0;
  padding-left: 20px;
}
</style>

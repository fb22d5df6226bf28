<script setup lang="ts">
import { NButton, NSwitch } from 'naive-ui'
import type { BenchClock, StepEvent } from '@gentle-awl/core'
import { IconAlertTriangle, IconPlayerPlay } from '@tabler/icons-vue'
import { useIntervalFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { api } from '../../api/client.ts'
import { myBench } from '../../app/myBench.ts'
import { useNews } from '../../app/news.ts'
import { showMinutes, tell } from '../../app/settings.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import { wallTime } from '../../app/wallTime.ts'
import { STALE, useSchedule } from '../../stores/scheduleStore.ts'
import BenchSelect from '../../ui/BenchSelect.vue'
import ButtonLink from '../../ui/ButtonLink.vue'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import RoomState from '../../ui/RoomState.vue'
import { clockFace } from '../../ui/clockFace.ts'
import { stepPath } from '../../ui/stepPath.ts'
import RunningCard from './RunningCard.vue'
import { nextSteps, waitsByNeed, type WaitState } from './benchWork.ts'
import { useReminder } from './useReminder.ts'

/** What to do now at this bench: what runs, what must be joined before its glue dies, what comes next, what fits into a wait. */
const schedule = useSchedule()
const { problem, busy, attempt } = useAttempt()
const reminder = useReminder()
const now = ref(Date.now())
useIntervalFn(() => (now.value = Date.now()), 1000)
onMounted(schedule.load)
// What was to begin has not: it is laid out anew.
useIntervalFn(() => void schedule.load(), STALE)
useNews(
  () => ['/pairs', '/workshop-days'],
  () => void schedule.load(),
)
const mine = computed(() => (schedule.days?.makers.some((m) => m.id === myBench.value) ? myBench.value : ''))
const clock = computed(() => wallTime(schedule.days?.zone ?? 'UTC'))
const answer = computed(() => schedule.schedule)
const orderOf = (pair: string) => `${schedule.pairOf(pair)?.order ?? ''} ${schedule.pairOf(pair)?.name ?? ''}`
const nameOf = (pair: string, step: string) => schedule.stepOf(pair, step)?.name ?? step
const makerOf = (pair: string, step: string) =>
  answer.value?.timetable.entries.find((e) => e.pair === pair && e.step === step)?.maker ?? null

const running = computed(() =>
  (answer.value?.bench.clocks ?? []).flatMap((c) => {
    const by = makerOf(c.pair, c.step)
    return c.kind === 'running' && (mine.value === '' || by === null || by === mine.value) ? [c] : []
  }),
)
const waits = computed(() => waitsByNeed(answer.value?.bench.clocks ?? [], now.value))
const loud = computed(() => waits.value.filter((w) => w.state === 'late' || w.state === 'hurry'))
const quiet = computed(() => waits.value.filter((w) => w.state === 'ready' || w.state === 'drying'))
const next = computed(() =>
  answer.value
    ? nextSteps(
        answer.value.bench,
        answer.value.timetable,
        schedule.stepOf,
        mine.value === '' ? null : mine.value,
        now.value,
      )
    : [],
)
/** Only what is done within so many minutes, for whoever waits. */
const fits = ref<'any' | '10' | '20' | '40'>('any')
const fitOptions = [
  { value: 'any', name: 'All' },
  { value: '10', name: '10 min' },
  { value: '20', name: '20 min' },
  { value: '40', name: '40 min' },
] as const
const fitting = computed(() => next.value.filter((s) => fits.value === 'any' || s.minutes <= Number(fits.value)))
const laterToday = computed(() =>
  (answer.value?.timetable.entries ?? []).filter(
    (e) =>
      (mine.value === '' || e.maker === mine.value) &&
      e.start > now.value &&
      clock.value.day(e.start) === clock.value.day(now.value) &&
      !next.value.some((s) => s.pair === e.pair && s.step === e.step),
  ),
)
const lateWords = (pair: string, step: string) => {
  const late = schedule.stepOf(pair, step)?.wait?.late
  return late === undefined ? 'Do it again.' : tell(late)
}
const rest = (c: Extract<BenchClock, { kind: 'waiting' }>, state: WaitState): string => {
  const first = nameOf(c.pair, c.next[0] ?? '')
  if (state === 'drying')
    return `Ready at ${clock.value.both(c.readyAt)}, in ${clockFace(c.readyAt - now.value)}; then “${first}”.`
  if (c.tooLateAt === null) return `Ready since ${clock.value.both(c.readyAt)}: “${first}” can begin.`
  if (state === 'late')
    return `Too long since ${clock.value.both(c.tooLateAt)}. ${lateWords(c.pair, c.step)} Then “${first}”.`
  return `“${first}” within ${clockFace(c.tooLateAt - now.value)}.`
}
/** What was so when the room was opened is seen; only what becomes so is called out. */
let opened = false
watch(waits, (list) => {
  for (const { clock: c, state } of list) {
    if (state === 'drying') continue
    reminder.remind(
      `${c.pair} ${c.step} ${c.readyAt} ${state}`,
      `${orderOf(c.pair)}: ${nameOf(c.pair, c.step)}. ${rest(c, state)}`,
      { silent: !opened },
    )
  }
  opened ||= answer.value !== null
})
const say = (pair: string, step: string, what: StepEvent['what']) =>
  attempt(async () => {
    await api.logStep(pair, step, what, mine.value)
    await schedule.load()
  })
</script>

<template>
  <RoomState
    :loading="!answer"
    :problem="answer ? null : schedule.problem || null"
    what="Today’s work"
    @retry="schedule.load"
  >
    <section v-if="answer && answer.open.length === 0" class="room-page today" data-today>
      <h1>Today</h1>
      <p>No pair is open.</p>
      <ButtonLink main to="/pairs/new">New pair</ButtonLink>
    </section>
    <section v-else-if="answer" class="room-page today" data-today>
      <header>
        <h1>Today, {{ clock.day(now) }}</h1>
        <BenchSelect class="whose" quiet />
        <label class="bell">
          <NSwitch
            :value="reminder.on.value"
            aria-label="Sound and notification when a wait is over"
            @update:value="reminder.set"
          />
          <span>Remind me</span>
        </label>
        <ButtonLink to="/pairs/new">New pair</ButtonLink>
      </header>
      <p v-if="reminder.refused.value" class="soft">{{ reminder.refused.value }}</p>
      <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
      <p v-if="schedule.problem" class="bad" role="alert">{{ schedule.problem }} What is shown was so before.</p>
      <div v-if="loud.length > 0" role="alert" class="loud">
        <article v-for="w in loud" :key="`${w.clock.pair} ${w.clock.step}`" :class="w.state" :data-wait="w.clock.step">
          <IconAlertTriangle :size="28" aria-hidden="true" />
          <div>
            <h2>{{ orderOf(w.clock.pair) }}: {{ nameOf(w.clock.pair, w.clock.step) }}</h2>
            <p class="figure-free">{{ rest(w.clock, w.state) }}</p>
          </div>
          <div class="buttons">
            <NButton
              v-if="w.state === 'late'"
              type="primary"
              size="large"
              :disabled="busy"
              @click="say(w.clock.pair, w.clock.step, 'put right')"
            >
              Put right, go on
            </NButton>
            <ButtonLink :to="stepPath(w.clock.pair, w.clock.next[0] ?? w.clock.step)">To the step</ButtonLink>
          </div>
        </article>
      </div>
      <RunningCard
        v-for="c in running"
        :key="`${c.pair} ${c.step}`"
        :clock="c"
        :order="orderOf(c.pair)"
        :maker="makerOf(c.pair, c.step)"
        :now="now"
        :busy="busy"
        @say="say(c.pair, c.step, $event)"
      />
      <div class="columns">
        <section>
          <div class="head">
            <h2>What can be begun</h2>
            <ChoiceBar label="What fits into" :options="fitOptions" :value="fits" @choose="fits = $event" />
          </div>
          <p v-if="fitting.length === 0" class="soft">
            {{
              next.length === 0
                ? 'Nothing at this bench: all that is next dries, or is another’s.'
                : 'Nothing is done so soon.'
            }}
          </p>
          <article
            v-for="(s, i) in fitting"
            :key="`${s.pair} ${s.step}`"
            class="card step"
            :class="{ first: i === 0 }"
            :data-next="s.step"
          >
            <div>
              <p class="soft">{{ orderOf(s.pair) }}</p>
              <h3>
                <RouterLink :to="stepPath(s.pair, s.step)">{{ nameOf(s.pair, s.step) }}</RouterLink>
              </h3>
              <p class="soft">
                {{ showMinutes(s.minutes)
                }}<template v-if="s.entry">, laid out for {{ clock.both(s.entry.start) }}</template
                ><strong v-if="s.until !== null">, within {{ clockFace(s.until - now) }}</strong>
              </p>
            </div>
            <NButton
              :type="i === 0 ? 'primary' : 'default'"
              size="large"
              :disabled="busy"
              @click="say(s.pair, s.step, 'started')"
            >
              <IconPlayerPlay :size="20" aria-hidden="true" /> Start
            </NButton>
          </article>
        </section>
        <section>
          <h2>What dries or waits</h2>
          <p v-if="quiet.length === 0" class="soft">Nothing dries.</p>
          <article
            v-for="w in quiet"
            :key="`${w.clock.pair} ${w.clock.step}`"
            class="card wait"
            :data-wait="w.clock.step"
          >
            <p class="soft">{{ orderOf(w.clock.pair) }}</p>
            <h3>{{ nameOf(w.clock.pair, w.clock.step) }}</h3>
            <p>{{ rest(w.clock, w.state) }}</p>
            <NButton v-if="w.state === 'drying'" :disabled="busy" @click="say(w.clock.pair, w.clock.step, 'ready')">
              It is ready already
            </NButton>
          </article>
          <h2>Later today</h2>
          <p v-if="laterToday.length === 0" class="soft">Nothing else is laid out for today.</p>
          <ul v-else>
            <li v-for="e in laterToday" :key="`${e.pair} ${e.step} ${e.part}`">
              <span class="figure">{{ clock.time(e.start) }}</span> {{ orderOf(e.pair) }}:
              <RouterLink :to="stepPath(e.pair, e.step)">{{ nameOf(e.pair, e.step) }}</RouterLink>
            </li>
          </ul>
        </section>
      </div>
    </section>
  </RoomState>
</template>

<style scoped>
.today {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 14px;
}
header,
.head,
.buttons,
.bell {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
}
.bell {
  min-height: 44px;
}
.whose {
  width: 210px;
}
.loud {
  display: grid;
  gap: 10px;
}
.loud article {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 14px;
  align-items: center;
  padding: 12px 16px;
  border-radius: 12px;
  background: var(--watch-soft);
  border: 2px solid var(--watch-mark);
}
.loud .late {
  background: var(--stop-soft);
  border-color: var(--stop);
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 14px 28px;
  align-items: start;
}
.columns > section {
  display: grid;
  gap: 10px;
  min-width: 0;
}
.step {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  padding: 10px 14px;
}
.step.first {
  padding: 18px;
  border-color: var(--action);
}
.step.first h3 {
  font-size: 24px;
}
.wait {
  padding: 10px 14px;
}
ul {
  margin: 0;
  padding-left: 20px;
  line-height: 1.7;
}
@media (max-width: 600px) {
  .loud article {
    grid-template-columns: auto minmax(0, 1fr);
  }
}
</style>

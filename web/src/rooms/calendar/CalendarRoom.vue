<script setup lang="ts">
import { NButton, NDataTable, type DataTableColumns } from 'naive-ui'
import { dateAt, weekdayOf, type TimetableEntry } from '@gentle-awl/core'
import { IconCalendarDown, IconUsers } from '@tabler/icons-vue'
import { useIntervalFn } from '@vueuse/core'
import { computed, h, onMounted, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { api } from '../../api/client.ts'
import { useNews } from '../../app/news.ts'
import { showMinutes, tell } from '../../app/settings.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import { wallTime } from '../../app/wallTime.ts'
import { STALE, useSchedule } from '../../stores/scheduleStore.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import BecausePanel from '../../ui/BecausePanel.vue'
import ButtonLink from '../../ui/ButtonLink.vue'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import RoomState from '../../ui/RoomState.vue'
import { stepPath } from '../../ui/stepPath.ts'
import { saveFile } from '../../ui/saveFile.ts'
import MakersDialog from './MakersDialog.vue'
import MoveStepDialog from './MoveStepDialog.vue'
import PairOutlookCard from './PairOutlookCard.vue'
import TimelineDrawing from './TimelineDrawing.vue'
import WorkloadChart from './WorkloadChart.vue'
import { timelineRows, workload, type TimelineBar, type TimelineWay } from './timelineRows.ts'

/** All open pairs over the days to come: by maker, by pair, by last; when each is ready and what decides it. */
const schedule = useSchedule()
const workshop = useWorkshop()
const { problem: fileProblem, attempt } = useAttempt()
const now = ref(Date.now())
useIntervalFn(() => (now.value = Date.now()), 30_000)
const load = async () => {
  await Promise.all([schedule.load(), workshop.load()])
}
onMounted(load)
useIntervalFn(() => void schedule.load(), STALE)
useNews(
  () => ['/pairs', '/workshop-days', '/lasts', '/house-rules'],
  () => void schedule.load(),
)

const way = ref<TimelineWay | 'list'>('maker')
const ways = [
  { value: 'maker', name: 'By maker' },
  { value: 'pair', name: 'By pair' },
  { value: 'last', name: 'By last' },
  { value: 'list', name: 'As a list' },
] as const
const DAY = 86_400_000
const spans = { day: 1, week: 7, month: 30, season: 91 }
const span = ref<keyof typeof spans>('week')
const spanOptions = [
  { value: 'day', name: 'Day' },
  { value: 'week', name: 'Week' },
  { value: 'month', name: 'Month' },
  { value: 'season', name: 'Three months' },
] as const
/** Where what is looked at begins, before or after now, ms. */
const moved = ref(0)
/** So much of the past is seen before now, a share of the whole. */
const MARGIN = 0.04
const from = computed(() => now.value + moved.value - MARGIN * spans[span.value] * DAY)
const to = computed(() => from.value + spans[span.value] * DAY)
const go = (by: number) => (moved.value += by * 0.75 * spans[span.value] * DAY)

/** One span further out or in, with what lies under the pointer kept there. */
function zoom(by: 1 | -1, at: number, across: number): void {
  const keys = spanOptions.map((s) => s.value)
  const next = keys[keys.indexOf(span.value) + by]
  if (!next) return
  span.value = next
  moved.value = at - across * spans[next] * DAY - now.value + MARGIN * spans[next] * DAY
}

const clock = computed(() => wallTime(schedule.days?.zone ?? 'UTC'))
const rows = computed(() =>
  schedule.schedule && schedule.days && way.value !== 'list'
    ? timelineRows(schedule.schedule, schedule.days.makers, way.value, {
        lastName: (id) => workshop.lasts.find((l) => l.id === id)?.name ?? 'a last that is gone',
        makerName: schedule.makerName,
      })
    : [],
)
const chosen = ref<TimelineBar | null>(null)
const marked = computed(() => chosen.value?.entry?.pair ?? null)
const outlooks = computed(() => {
  const list = [...(schedule.schedule?.timetable.pairs ?? [])].sort((a, b) => b.late - a.late || a.ready - b.ready)
  return marked.value
    ? [...list.filter((p) => p.pair === marked.value), ...list.filter((p) => p.pair !== marked.value)]
    : list
})
const late = computed(() => outlooks.value.filter((p) => p.late > 0).length)
const lost = computed(() => schedule.schedule?.timetable.lost ?? [])
const nobody = computed(() => {
  const by = new Map<string, number>()
  for (const n of schedule.schedule?.timetable.nobody ?? []) by.set(n.pair, (by.get(n.pair) ?? 0) + 1)
  return [...by]
})
const nameOf = (pair: string, id: string) => schedule.stepOf(pair, id)?.name ?? id
const lateWords = (pair: string, id: string) => {
  const late = schedule.stepOf(pair, id)?.wait?.late
  return late === undefined ? 'Do it again when its time has come, or work on when it is due.' : tell(late)
}
const orderOf = (pair: string) => schedule.pairOf(pair)?.order ?? ''
const isPut = (e: TimetableEntry) => schedule.pairOf(e.pair)?.wishes?.some((w) => w.step === e.step) ?? false

const columns = computed((): DataTableColumns<TimetableEntry> => [
  { title: 'Begins', key: 'start', width: 150, className: 'figure', render: (e) => clock.value.both(e.start) },
  {
    title: 'Minutes',
    key: 'minutes',
    width: 84,
    align: 'right',
    className: 'figure',
    render: (e) => Math.round((e.end - e.start) / 60_000),
  },
  { title: 'Maker', key: 'maker', width: 130, render: (e) => schedule.makerName(e.maker) },
  { title: 'Order', key: 'order', width: 80, render: (e) => orderOf(e.pair) },
  {
    title: 'Step',
    key: 'step',
    render: (e) =>
      h(
        RouterLink,
        { to: stepPath(e.pair, e.step) },
        () => nameOf(e.pair, e.step) + (e.parts > 1 ? `, part ${e.part} of ${e.parts}` : ''),
      ),
  },
  {
    title: 'Elsewhere',
    key: 'move',
    width: 110,
    render: (e) => (e.begun ? '' : h(NButton, { onClick: () => move(e) }, () => (isPut(e) ? 'Put here …' : 'Move …'))),
  },
])
const byWeek = computed(() => {
  const zone = schedule.days?.zone ?? 'UTC'
  const mondayOf = (instant: number) => {
    const date = dateAt(zone, instant)
    return new Date(Date.parse(`${date}T00:00:00Z`) - weekdayOf(date) * DAY).toISOString().slice(0, 10)
  }
  const makers = schedule.days?.makers ?? []
  const { weeks, hours } = workload(schedule.schedule?.timetable.entries ?? [], makers, mondayOf)
  return {
    weeks: weeks.map((w) => clock.value.day(Date.parse(`${w}T12:00:00Z`))),
    makers: makers.map((m) => ({ name: m.name, hours: hours.get(m.id) ?? [] })),
  }
})
const editing = ref(false)
/** The step that is put elsewhere, and where it would go. */
const moving = ref(false)
const movedEntry = ref<TimetableEntry | null>(null)
const movedTo = ref({ maker: '', at: 0 })
function move(entry: TimetableEntry, maker = entry.maker, at = entry.start): void {
  movedEntry.value = entry
  movedTo.value = { maker, at }
  moving.value = true
}
/** Dragged among makers it changes its bench; among pairs only its time. */
function put(bar: TimelineBar, row: string, at: number): void {
  if (bar.entry) move(bar.entry, way.value === 'maker' ? row : bar.entry.maker, Math.max(at, now.value))
}
const takeAway = () =>
  attempt(async () => {
    const { blob, name } = await api.scheduleFile()
    saveFile(name, blob)
  })
</script>

<template>
  <RoomState
    :loading="!schedule.schedule"
    :problem="schedule.schedule ? null : schedule.problem || null"
    what="The calendar"
    @retry="load"
  >
    <section v-if="schedule.schedule && schedule.schedule.open.length === 0" class="room-page nothing">
      <h1>Calendar</h1>
      <p>No pair is open: there is nothing to lay out.</p>
      <ButtonLink main to="/pairs/new">Begin a pair</ButtonLink>
    </section>
    <div v-else-if="schedule.schedule && schedule.days" class="work-and-panel calendar">
      <div class="main">
        <header>
          <h1>Calendar</h1>
          <ChoiceBar label="Laid out" :options="ways" :value="way" @choose="way = $event" />
          <NButton @click="editing = true"><IconUsers :size="20" aria-hidden="true" /> Who works, and when</NButton>
        </header>
        <div v-if="way !== 'list'" class="moves">
          <ChoiceBar label="How much of it" :options="spanOptions" :value="span" @choose="span = $event" />
          <NButton @click="go(-1)">Earlier</NButton>
          <NButton :disabled="moved === 0" @click="moved = 0">Now</NButton>
          <NButton @click="go(1)">Later</NButton>
          <span class="soft">{{ clock.day(from) }} to {{ clock.day(to) }}</span>
        </div>
        <TimelineDrawing
          v-if="way !== 'list'"
          :rows="rows"
          :days="schedule.days"
          :from="from"
          :to="to"
          :now="now"
          :marked="marked"
          :chosen="chosen?.id ?? null"
          :style="{ '--rows': rows.length }"
          title="The work of all open pairs over time"
          :movable="way === 'maker' || way === 'pair'"
          @put="put"
          @zoom="zoom"
          @choose="chosen = chosen?.id === $event.id ? null : $event"
        />
        <NDataTable
          v-else
          class="list"
          size="small"
          :columns="columns"
          :data="schedule.schedule.timetable.entries"
          :row-key="(e: TimetableEntry) => `${e.pair} ${e.step} ${e.part}`"
          :max-height="520"
          virtual-scroll
        />
        <p v-if="chosen" class="said" role="status">
          {{ chosen.title }}: {{ clock.both(chosen.start) }} to {{ clock.both(chosen.end) }}.
          <RouterLink
            v-if="chosen.entry && chosen.kind === 'work'"
            :to="stepPath(chosen.entry.pair, chosen.entry.step)"
          >
            To the step
          </RouterLink>
          <NButton v-if="chosen.entry && chosen.kind === 'work' && !chosen.entry.begun" @click="move(chosen.entry)">
            Move it …
          </NButton>
        </p>
        <WorkloadChart :weeks="byWeek.weeks" :makers="byWeek.makers" />
      </div>
      <BecausePanel title="When they are ready">
        <p v-if="schedule.problem" class="wrong" role="alert">
          {{ schedule.problem }} What is shown was laid out before.
        </p>
        <p v-if="fileProblem" class="wrong" role="alert">{{ fileProblem }}</p>
        <p>
          {{ late === 0 ? 'All pairs are in time.' : late === 1 ? 'One pair is late.' : `${late} pairs are late.` }}
          <span class="soft"
            >Laid out at {{ clock.time(schedule.schedule.timetable.madeAt)
            }}{{ schedule.busy ? ', again just now …' : '' }}</span
          >
        </p>
        <p v-for="l in lost" :key="`${l.pair} ${l.from} ${l.to}`" class="watch">
          {{ orderOf(l.pair) }}: “{{ nameOf(l.pair, l.to) }}” cannot come soon enough after “{{
            nameOf(l.pair, l.from)
          }}” in these hours.
          {{ lateWords(l.pair, l.from) }}
        </p>
        <p v-for="[pair, n] in nobody" :key="pair" class="watch">
          {{ orderOf(pair) }}: nobody here does {{ n }} of its steps, or has the hours. Look at who works.
        </p>
        <p v-for="l in schedule.schedule.leftOut" :key="l.pair" class="watch">
          <RouterLink :to="`/pairs/${l.pair}`">A pair</RouterLink> is not laid out: {{ l.why }}
        </p>
        <p v-if="schedule.schedule.more > 0" class="watch">
          {{ schedule.schedule.more }} more pairs are open and wait: only the most urgent are laid out.
        </p>
        <PairOutlookCard v-for="o in outlooks" :key="o.pair" :outlook="o" :clock="clock" />
        <p class="soft">
          {{ showMinutes(byWeek.makers.reduce((s, m) => s + m.hours.reduce((a, b) => a + b, 0), 0) * 60) }} of work are
          open.
        </p>
        <NButton @click="takeAway"><IconCalendarDown :size="20" aria-hidden="true" /> Calendar file</NButton>
      </BecausePanel>
    </div>
    <MakersDialog v-model:open="editing" />
    <MoveStepDialog v-model:open="moving" :entry="movedEntry" :maker="movedTo.maker" :at="movedTo.at" />
  </RoomState>
</template>

<style scoped>
.main {
  display: grid;
  align-content: start;
  gap: 12px;
  min-width: 0;
  padding: 16px 20px;
  overflow-y: auto;
}
header,
.moves {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.timeline {
  height: min(60vh, calc(60px + var(--rows) * 52px));
}
.wrong {
  color: var(--stop);
}
.watch {
  margin: 10px 0;
  padding: 8px 10px;
  border-radius: 10px;
  background: var(--watch-soft);
}
.nothing {
  display: grid;
  gap: 12px;
  justify-items: start;
}
</style>

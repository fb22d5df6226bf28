<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, onMounted } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useNews } from '../../app/news.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import { useLessons } from '../../stores/lessonsStore.ts'
import { useSchedule } from '../../stores/scheduleStore.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import RoomState from '../../ui/RoomState.vue'
import AllLessons from './AllLessons.vue'
import MinutesView from './MinutesView.vue'
import WaitsView from './WaitsView.vue'
import WearView from './WearView.vue'

/** What this workshop has learned: minutes, waits and wear by its own log, and lessons that were written down. */
const lessons = useLessons()
const schedule = useSchedule()
const workshop = useWorkshop()
const route = useRoute()
const router = useRouter()
const { problem, attempt } = useAttempt()
const load = () =>
  attempt(() => Promise.all([lessons.loadLearned(), lessons.load(), schedule.loadDays(), workshop.load()]))
onMounted(load)
/** How often it is looked whether all pairs are read, ms. */
const AGAIN = 2000
useIntervalFn(() => {
  if ((lessons.learned?.pending ?? 0) > 0) void attempt(() => lessons.loadLearned())
}, AGAIN)
useNews(
  () => ['/pairs', '/tool-changes', '/lessons'],
  () => void load(),
)
const views = [
  { value: '', name: 'Lessons' },
  { value: 'minutes', name: 'Minutes' },
  { value: 'waits', name: 'Waits' },
  { value: 'wear', name: 'Blades and needles' },
] as const
type View = (typeof views)[number]['value']
const view = computed<View | null>(() => views.find((v) => v.value === String(route.params.what ?? ''))?.value ?? null)
const to = (what: View) => `/learned${what === '' ? '' : `/${what}`}`
</script>

<template>
  <RoomState
    :loading="lessons.learned === null"
    :problem="lessons.learned === null ? problem || null : null"
    what="What was learned"
    @retry="load"
  >
    <section v-if="lessons.learned" class="room-page learned" data-learned>
      <header class="room-head">
        <h1>Learned</h1>
      </header>
      <ChoiceBar label="Of what" :options="views" :value="view" @choose="router.replace(to($event))" />
      <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
      <p v-if="lessons.learned.pending > 0" class="soft" role="status">
        {{ lessons.learned.pending === 1 ? 'One pair is' : `${lessons.learned.pending} pairs are` }} still being read …
      </p>
      <p v-if="view === null" role="alert">There is nothing here. <RouterLink :to="to('')">Lessons</RouterLink></p>
      <AllLessons v-else-if="view === ''" />
      <MinutesView v-else-if="view === 'minutes'" :learned="lessons.learned" />
      <WaitsView v-else-if="view === 'waits'" :learned="lessons.learned" @changed="load" />
      <WearView v-else :learned="lessons.learned" />
    </section>
  </RoomState>
</template>

<style scoped>
.learned {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 14px;
}
</style>

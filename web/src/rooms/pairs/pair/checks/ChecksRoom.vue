<script setup lang="ts">
import type { Verdict } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useNews } from '../../../../app/news.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useRecord } from '../../../../stores/recordStore.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import RoomState from '../../../../ui/RoomState.vue'
import { useWorkLog } from '../work/useWorkLog.ts'
import AskView from './AskView.vue'
import BackView from './BackView.vue'
import LessonsView from './LessonsView.vue'
import MeasuredView from './MeasuredView.vue'
import SendBackDialog from './SendBackDialog.vue'

/** What is measured on the pair, what went wrong with it, where it was sent back, and what was learned from it. */
const pair = usePair()
const record = useRecord()
const work = useWorkLog()
const route = useRoute()
const router = useRouter()
const views = [
  { value: '', name: 'Measured' },
  { value: 'ask', name: 'Went wrong? Ask' },
  { value: 'back', name: 'Sent back' },
  { value: 'lessons', name: 'Learned' },
] as const
type View = (typeof views)[number]['value']
const view = computed<View | null>(() => views.find((v) => v.value === String(route.params.what ?? ''))?.value ?? null)
const to = (what: View) => `/pairs/${pair.view?.id}/checks${what === '' ? '' : `/${what}`}`
useNews(
  () => (pair.view ? [`/pairs/${pair.view.id}/`] : []),
  () => void (pair.view && record.load(pair.view.id)),
)
/** What is sent back, and from which verdict; null while nothing is. */
const open = ref(false)
const from = ref<Verdict | null>(null)
function sendBack(verdict: Verdict | null): void {
  from.value = verdict
  open.value = true
}
async function sent(): Promise<void> {
  open.value = false
  await work.load()
}
</script>

<template>
  <div class="room-page checks">
    <RoomState
      :loading="record.record === null || work.log.value === null || pair.plan === null"
      :problem="record.record === null ? record.problem || work.problem.value || null : null"
      what="The checks"
      @retry="pair.view && record.load(pair.view.id)"
    >
      <ChoiceBar label="Of this pair" :options="views" :value="view" @choose="router.replace(to($event))" />
      <p v-if="record.problem" class="bad" role="alert">{{ record.problem }}</p>
      <p v-if="view === null" role="alert">There is nothing here. <RouterLink :to="to('')">The checks</RouterLink></p>
      <MeasuredView v-else-if="view === ''" :steps="work.steps.value" @back="sendBack" />
      <AskView v-else-if="view === 'ask'" :log="work.log.value ?? []" @back="sendBack(null)" />
      <BackView
        v-else-if="view === 'back'"
        :log="work.log.value ?? []"
        :now="work.now.value"
        @back="sendBack(null)"
        @changed="work.load"
      />
      <LessonsView v-else />
      <SendBackDialog
        v-model:open="open"
        :verdict="from"
        :log="work.log.value ?? []"
        :pace="work.pace.value"
        @sent="sent"
      />
    </RoomState>
  </div>
</template>

<style scoped>
.checks {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 14px;
  height: 100%;
  overflow-y: auto;
}
</style>

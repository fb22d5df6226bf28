<script setup lang="ts">
import { boxOf, type Path } from '@gentle-awl/core'
import { NButton, NProgress, NSwitch } from 'naive-ui'
import { computed, onBeforeUnmount, shallowRef } from 'vue'
import { api, type TableState } from '../../api/client.ts'
import { showLength } from '../../app/settings.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import SlateSurface from '../../drawing/SlateSurface.vue'
import { pathData } from '../../drawing/svgPath.ts'
import { useSlate } from '../../drawing/useSlate.ts'
import RoomState from '../../ui/RoomState.vue'
import SelectField from '../../ui/SelectField.vue'

/** The practice cutting table: what it cuts, line by line, and the switches with which it can be made to fail. */
const OFTEN = 300
const state = shallowRef<TableState | null>(null)
const { problem, attempt } = useAttempt()
let timer: ReturnType<typeof setTimeout> | undefined
let gone = false
async function look(): Promise<void> {
  clearTimeout(timer)
  await attempt(async () => void (state.value = await api.table.state()))
  if (!gone && problem.value === '') timer = setTimeout(() => void look(), OFTEN)
}
void look()
onBeforeUnmount(() => {
  gone = true
  clearTimeout(timer)
})
const set = (some: Partial<Pick<TableState, 'plugged' | 'fault'>>) =>
  attempt(async () => {
    if (!state.value) return
    const { plugged, fault } = state.value
    state.value = await api.table.set({ plugged, fault, ...some })
  })
const stop = () => attempt(async () => void (state.value = await api.table.stop()))
const faults = [
  { value: 'none', name: 'nothing' },
  { value: 'stops half way', name: 'it stops half way' },
  { value: 'cuts short', name: 'its blade slips on some lines' },
] as const

const job = computed(() => state.value?.job ?? null)
const paths = computed<readonly Path[]>(() => job.value?.lines.map((l) => l.path) ?? [])
const EMPTY = { minX: 0, minY: 0, maxX: 1600, maxY: 900 }
/** Its bed is as large as what lies on it needs, and no smaller than a table. */
const world = computed(() => {
  if (paths.value.length === 0) return EMPTY
  const b = boxOf(...paths.value)
  return { minX: -20, minY: -20, maxX: Math.max(b.maxX, 600) + 20, maxY: Math.max(b.maxY, 400) + 20 }
})
const slate = useSlate(world, { left: 60, right: 20, top: 30, bottom: 70 })
const words = computed(() => {
  const { value } = job
  if (!value) return 'Nothing lies on it. A layout is sent to it from the room “Cutting” of a pair.'
  const of = `${value.cut.length} of ${value.lines.length} lines`
  const cut = value.cut.reduce((sum, l) => sum + l, 0)
  const how = value.state === 'cutting' ? 'It cuts' : value.state === 'done' ? 'Done' : 'Stopped'
  return `${how}: ${of}, ${showLength(cut, 0)} of cut.`
})
</script>

<template>
  <section class="room-page table-room">
    <header class="room-head"><h1>Practice cutting table</h1></header>
    <RoomState :loading="state === null" :problem="problem || null" what="The table" @retry="look">
      <div class="both">
        <div class="bed">
          <SlateSurface
            :slate="slate"
            :label="job ? `${job.cut.length} of ${job.lines.length} lines are cut` : 'The bed of the table, empty'"
            rulers
            :legend="[
              { name: 'Cut', stroke: '#e8c79a', width: 2.4 },
              { name: 'Drawn with the pen', stroke: '#9cc7d8', width: 1.6 },
              { name: 'Still to be cut', stroke: '#8fa3aa', width: 1.2, dash: '5 4' },
            ]"
            :empty="job ? '' : 'Nothing lies on the table.'"
          >
            <template #mm>
              <path
                v-for="(p, i) in paths"
                :key="i"
                :d="pathData(p, job!.lines[i]!.closed)"
                :class="{ cut: i < job!.cut.length, pen: job!.lines[i]!.tool > 1 }"
              />
            </template>
          </SlateSurface>
        </div>
        <div v-if="state" class="card form">
          <p class="soft">
            This table ships with the application and stands in for a real one on the network. It reads HPGL, cuts line
            by line, faster than a real one, and tells the length of what it has cut.
          </p>
          <p role="status" data-testid="work">{{ words }}</p>
          <p v-if="job?.name" class="soft">{{ job.name }}</p>
          <NProgress v-if="job" type="line" :percentage="Math.round(100 * job.progress)" aria-label="Cut so far" />
          <NButton v-if="job?.state === 'cutting'" @click="stop">Stop it</NButton>
          <h2>For practice</h2>
          <div class="words-and-field">
            <span>Switched on</span>
            <NSwitch :value="state.plugged" aria-label="Switched on" @update:value="set({ plugged: $event })" />
          </div>
          <SelectField
            label="With the next work goes wrong"
            name="fault"
            :value="state.fault"
            :options="faults"
            @choose="set({ fault: $event })"
          />
        </div>
      </div>
    </RoomState>
  </section>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 20px;
}
.bed {
  height: min(640px, calc(100vh - 150px));
}
path {
  fill: none;
  stroke: #8fa3aa;
  stroke-width: 1.2;
  stroke-dasharray: 5 4;
}
.cut {
  fill: #e8c79a33;
  stroke: #e8c79a;
  stroke-width: 2.4;
  stroke-dasharray: none;
}
.cut.pen {
  fill: none;
  stroke: #9cc7d8;
  stroke-width: 1.6;
}
.form {
  padding: 16px;
  display: grid;
  gap: 12px;
  align-content: start;
}
@media (max-width: 1000px) {
  .both {
    grid-template-columns: 1fr;
  }
}
</style>

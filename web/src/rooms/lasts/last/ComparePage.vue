<script setup lang="ts">
import { NCheckbox, NTable } from 'naive-ui'
import { bodyMesh, wallPoint, type LaidTogether, type Vec3 } from '@gentle-awl/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { ApiError } from '../../../api/ask.ts'
import { bareLength, inUnit, lengthWord, showLength, tell } from '../../../app/settings.ts'
import { distanceColours, distanceGradient } from './distanceColours.ts'
import { bodyOf, lastBench } from '../../../workers/last/lastBench.ts'
import { useLast } from '../../../stores/lastStore.ts'
import type { LastWorker } from '../../../workers/last/lastWorker.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import BecausePanel from '../../../ui/BecausePanel.vue'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import LastViewer from '../../../viewer/LastViewer.vue'
import type { Body, Loop } from '../../../viewer/body.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import HouseChart from '../../../ui/HouseChart.vue'
import SelectField from '../../../ui/SelectField.vue'

const store = useLast()
const workshop = useWorkshop()
const other = ref<string | null>(null)
const at = ref<LaidTogether>('heel')
const overlaid = ref(true)
const result = shallowRef<NonNullable<ReturnType<LastWorker['compare']>['value']> | null>(null)
const { problem, attempt } = useAttempt()
const working = ref(false)

onMounted(async () => {
  await attempt(() => workshop.load())
  other.value ??= others.value[0]?.id ?? null
})
const others = computed(() => workshop.lasts.filter((l) => l.id !== store.last?.id))
const second = computed(() => others.value.find((l) => l.id === other.value) ?? null)

watch(
  [() => store.last, second, at],
  async ([a, b, where]) => {
    if (!a || !b) return
    working.value = true
    const whole = await workshop.wholeLast(b.id).catch((error: unknown) => {
      if (!(error instanceof ApiError)) throw error
      problem.value = error.message
      return null
    })
    if (!whole) {
      working.value = false
      return
    }
    const answer = await lastBench().compare(bodyOf(a), bodyOf(whole), where)
    if (a !== store.last || b !== second.value || where !== at.value) return
    working.value = false
    problem.value = tell(answer.problem ?? '')
    result.value = answer.value
  },
  { immediate: true },
)

/** Full colour at the next whole millimetre over most of what is there. */
const full = computed(() => {
  const d = result.value?.difference
  return d ? Math.max(1, Math.ceil(Math.max(d.standsOut, d.fallsShort) * 0.7)) : 1
})
const body = computed<Body | undefined>(() => {
  const r = result.value
  if (!r) return undefined
  return { ...bodyMesh(r.first), colours: distanceColours(r.difference.away, full.value) }
})
/** The other last as a cage of lines, so that the colours beneath stay what they are. */
const cage = computed<Loop[]>(() => {
  const r = result.value
  if (!r || !overlaid.value) return []
  const { second: s, difference } = r
  const at = (side: 'lateral' | 'medial', i: number, j: number): Vec3 => {
    const p = wallPoint(s, side, i, j)
    return [p[0] + difference.shift, p[1], p[2]]
  }
  const line = (points: Vec3[]): Loop => ({ points, colour: '#6fb7e0', width: 1.5, open: true })
  const list: Loop[] = []
  for (const side of ['lateral', 'medial'] as const) {
    for (let i = 0; i < s.columns; i += 8) {
      list.push(line(Array.from({ length: s.rows }, (_, j) => at(side, i, j))))
    }
    for (let j = 0; j < s.rows; j += 8) {
      list.push(line(Array.from({ length: s.columns }, (_, i) => at(side, i, j))))
    }
  }
  return list
})
/** The tape along both lasts, in the unit of the screen. */
const tape = computed(() => {
  const r = result.value
  if (!r) return []
  const names = { first: store.last?.name ?? '', second: second.value?.name ?? '' }
  return (['first', 'second'] as const).map((key) => ({
    name: names[key],
    x: Array.from(r.tape[key].at, inUnit),
    y: Array.from(r.tape[key].girth, inUnit),
  }))
})
const together = [
  { value: 'heel', name: 'Heel backs' },
  { value: 'joint', name: 'Joints' },
] as const
</script>

<template>
  <div v-if="store.last" class="work-and-panel">
    <div class="slate-place on-slate">
      <LastViewer
        v-if="body"
        :body="body"
        :loops="cage"
        :label="`${store.last.name} against ${second?.name}`"
        start="lateral"
      />
      <p v-else class="chalk" role="status">
        {{
          others.length === 0
            ? 'There is only this last on the shelf: nothing to compare it with.'
            : problem || 'Comparing …'
        }}
      </p>
      <div v-if="body" class="scale" aria-hidden="true">
        <span>falls short {{ showLength(full, 0) }}</span>
        <span class="bar" :style="{ background: distanceGradient }" />
        <span>stands out {{ showLength(full, 0) }}</span>
      </div>
    </div>
    <BecausePanel title="Last against last">
      <SelectField
        label="Compared with"
        name="other"
        :value="other ?? ''"
        :options="others.map((l) => ({ value: l.id, name: l.name }))"
        @choose="other = $event"
      />
      <div class="stacked">
        <span>Laid together at the</span>
        <ChoiceBar label="Laid together at" :options="together" :value="at" @choose="at = $event" />
      </div>
      <NCheckbox v-model:checked="overlaid">Show the other one over it</NCheckbox>
      <p class="soft">
        A left last is kept as its mirror image, so the left and the right of a pair compare here like any two.
      </p>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <template v-if="result">
        <p>
          It stands out by up to <strong class="figure">{{ showLength(result.difference.standsOut) }}</strong>, falls
          short by up to <strong class="figure">{{ showLength(result.difference.fallsShort) }}</strong>,
          {{ showLength(result.difference.mean) }} apart on average.
        </p>
        <NTable size="small" :bordered="false" class="side-by-side">
          <thead>
            <tr>
              <th scope="col">In {{ lengthWord }}</th>
              <th scope="col" class="right">{{ store.last.name }}</th>
              <th scope="col" class="right">{{ second?.name }}</th>
              <th scope="col" class="right">Over</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in result.difference.table" :key="row.name">
              <th scope="row">{{ row.name }}</th>
              <td class="figure right">{{ bareLength(row.first) }}</td>
              <td class="figure right">{{ bareLength(row.second) }}</td>
              <td class="figure right">
                <strong>{{ row.first - row.second > 0.05 ? '+' : '' }}{{ bareLength(row.first - row.second) }}</strong>
              </td>
            </tr>
          </tbody>
        </NTable>
        <HouseChart
          title="Tape round it along its length, upright"
          :x="{ title: 'From the heel back', unit: lengthWord }"
          :y="{ title: 'Tape', unit: lengthWord }"
          :lines="tape"
        />
      </template>
      <p v-else-if="working" role="status" class="soft">Comparing …</p>
    </BecausePanel>
  </div>
</template>

<style scoped>
.chalk {
  padding: 40px;
  color: var(--chalk);
}
.scale {
  position: absolute;
  top: 16px;
  left: 16px;
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 6px 12px;
  border-radius: 8px;
  background: #1b282fd9;
  color: var(--chalk);
  font-size: 15px;
}
.bar {
  width: 160px;
  height: 14px;
  border-radius: 4px;
}
.side-by-side.n-table th,
.side-by-side.n-table td {
  padding-inline: 4px;
  overflow-wrap: break-word;
}
.side-by-side.n-table {
  table-layout: fixed;
}
.side-by-side.n-table thead th {
  font-size: 14px;
}
.side-by-side th:first-child {
  width: 32%;
}
.side-by-side th:last-child {
  width: 16%;
}
.panel p {
  margin: 8px 0;
}
</style>

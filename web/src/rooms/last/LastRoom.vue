<script setup lang="ts">
import {
  fromPlane,
  girthStations,
  pathLength,
  tapeLine,
  type GirthStation,
  type LastSurface,
  type Plane,
} from '@gentle-awl/core'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { showLength } from '../../app/settings.ts'
import { usePair } from '../../plan/pairStore.ts'
import { surfaceOf } from '../../plan/planner.ts'
import BecausePanel from '../../ui/BecausePanel.vue'
import FindingItem from '../../ui/FindingItem.vue'
import LastViewer from '../../viewer/LastViewer.vue'
import type { Loop } from '../../viewer/lastScene.ts'

const pair = usePair()
const surface = shallowRef<LastSurface | null>(null)
const problem = ref('')
const colours: Record<GirthStation, string> = { joint: '#e6b355', waist: '#8fd0e8', instep: '#a7d99b', heel: '#e3a0c4' }
const names: Record<GirthStation, string> = { joint: 'Joint', waist: 'Waist', instep: 'Instep', heel: 'Short heel' }
const shown = reactive<Record<GirthStation, boolean>>({ joint: true, waist: true, instep: true, heel: false })
const own = reactive({ on: false, at: 0.6, tilt: 0 })

watch(
  () => pair.last?.measures,
  async (measures) => {
    if (!measures) return
    const answer = await surfaceOf(JSON.parse(JSON.stringify(measures)))
    if (answer.problem) problem.value = answer.problem
    else surface.value = answer.surface
  },
  { immediate: true },
)

const readings = computed(() => pair.plan?.last ?? null)
const plane = computed<Plane>(() => {
  const a = (own.tilt * Math.PI) / 180
  return {
    point: [own.at * (surface.value?.length ?? 0), 0, 30],
    normal: [Math.cos(a), 0, Math.sin(a)],
  }
})
const ownTape = computed(() => (surface.value && own.on ? tapeLine(surface.value, plane.value) : []))
const ownGirth = computed(() => (ownTape.value.length < 3 ? 0 : pathLength(ownTape.value, true)))
const loops = computed<Loop[]>(() => {
  const r = readings.value
  const list: Loop[] = r
    ? girthStations.filter((s) => shown[s]).map((s) => ({ points: r.tapes[s], colour: colours[s], width: 3 }))
    : []
  if (own.on) list.push({ points: ownTape.value.map((p) => fromPlane(plane.value, p)), colour: '#ffffff', width: 4 })
  return list
})
const figures = computed(() => {
  const r = readings.value
  if (!r) return []
  return [
    ['Length, heel back to toe tip', r.length],
    ['Width at the seat', r.widths.seat],
    ['Width at the waist', r.widths.waist],
    ['Width from joint to joint', r.widths.joint],
    ['Heel height', r.heelHeight],
    ['Toe spring', r.toeSpring],
    ['Back height to the cone', r.backHeight],
  ] as [string, number][]
})
const findings = computed(
  () => pair.plan?.findings.filter((f) => f.id.startsWith('last.') || f.id === 'pair.size') ?? [],
)
</script>

<template>
  <div class="work-and-panel">
    <LastViewer v-if="surface" :surface="surface" :loops="loops" :label="pair.last?.name ?? 'Last'" />
    <p v-else class="wait" role="status">{{ problem || 'Building the last …' }}</p>
    <BecausePanel :title="pair.last?.name ?? 'Last'">
      <p class="soft">{{ pair.last?.note }}</p>
      <ul class="findings" aria-label="Checks">
        <FindingItem v-for="f in findings" :key="f.id" :finding="f" />
      </ul>
      <h3>Tape</h3>
      <ul v-if="readings" class="girths">
        <li v-for="s in girthStations" :key="s">
          <label>
            <input v-model="shown[s]" type="checkbox" />
            <span class="swatch" :style="{ background: colours[s] }" aria-hidden="true" />
            <span>{{ names[s] }}</span>
          </label>
          <strong class="figure">{{ showLength(readings.girths[s]) }}</strong>
        </li>
        <li class="own">
          <label>
            <input v-model="own.on" type="checkbox" />
            <span class="swatch white" aria-hidden="true" />
            <span>My own plane</span>
          </label>
          <strong class="figure" data-testid="own-girth">{{ own.on ? showLength(ownGirth) : '' }}</strong>
          <template v-if="own.on">
            <label class="slide"
              ><span>From the heel</span
              ><input
                v-model.number="own.at"
                type="range"
                min="0.05"
                max="0.97"
                step="0.005"
                :aria-valuetext="showLength(own.at * (readings.length ?? 0), 0)"
            /></label>
            <label class="slide"
              ><span>Tilt</span
              ><input
                v-model.number="own.tilt"
                type="range"
                min="-60"
                max="60"
                step="1"
                :aria-valuetext="`${own.tilt} degrees`"
            /></label>
          </template>
        </li>
      </ul>
      <h3>Rule</h3>
      <dl class="figures">
        <div v-for="[name, value] in figures" :key="name">
          <dt>{{ name }}</dt>
          <dd class="figure">{{ showLength(value) }}</dd>
        </div>
      </dl>
    </BecausePanel>
  </div>
</template>

<style scoped>
.wait {
  padding: 40px;
}
h3 {
  margin: 18px 0 4px;
}
.girths,
.findings,
.figures {
  display: grid;
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}
.findings {
  gap: 6px;
}
.girths li,
.figures div {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  min-height: 44px;
  border-top: 1px solid var(--line);
}
.girths label:not(.slide) {
  display: inline-flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
  cursor: pointer;
}
.girths input[type='checkbox'] {
  width: 22px;
  height: 22px;
  accent-color: var(--action);
}
.girths strong {
  font-size: 20px;
}
.slide {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
  align-items: center;
  width: 100%;
}
.swatch {
  width: 22px;
  height: 6px;
  border-radius: 3px;
  border: 1px solid #4a5a60;
}
.white {
  background: #fff;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
}
</style>

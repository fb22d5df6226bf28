<script setup lang="ts">
import { NCheckbox } from 'naive-ui'
import {
  atX,
  backProfile,
  fromPlane,
  girthStations,
  pathLength,
  ridgeAndToe,
  tapeLine,
  type Finding,
  type GirthStation,
  type LastReadings,
  type LastSurface,
  type LastView,
  type Plane,
  type Vec3,
} from '@gentle-awl/core'
import { computed, reactive, ref } from 'vue'
import { showLength } from '../app/settings.ts'
import LastDrawing from '../drawing/LastDrawing.vue'
import BecausePanel from '../ui/BecausePanel.vue'
import ChoiceBar from '../ui/ChoiceBar.vue'
import FindingItem from '../ui/FindingItem.vue'
import type { Foot } from '../ui/feet.ts'
import LastViewer from './LastViewer.vue'
import type { Loop, Marker } from './body.ts'
import SliderField from '../ui/SliderField.vue'

/** A last under tape and rule: in 3D with tapes and a plane of one's own, or drawn from the side and from above. */
const props = defineProps<{
  title: string
  note: string
  surface: LastSurface
  readings: LastReadings
  side: LastView
  bottom: LastView
  findings: Finding[]
  /** The page has a switch for the feet already. */
  oneFoot?: boolean
}>()
const foot = defineModel<Foot>('foot', { default: 'right' })

const colours: Record<GirthStation, string> = { joint: '#e6b355', waist: '#8fd0e8', instep: '#a7d99b', heel: '#e3a0c4' }
const names: Record<GirthStation, string> = { joint: 'Joint', waist: 'Waist', instep: 'Instep', heel: 'Short heel' }
const shown = reactive<Record<GirthStation, boolean>>({ joint: true, waist: true, instep: true, heel: false })
const own = reactive({ on: false, at: 0.6, tilt: 0 })
const views = [
  { value: '3d', name: '3D' },
  { value: 'side', name: 'Side' },
  { value: 'bottom', name: 'Bottom' },
] as const
const view = ref<(typeof views)[number]['value']>('3d')

const top = computed<Vec3>(() => atX(ridgeAndToe(props.surface), Math.max(own.at, 0.42) * props.surface.length))
const plane = computed<Plane>(() => {
  const a = (own.tilt * Math.PI) / 180
  return { point: [own.at * props.surface.length, 0, 30], normal: [Math.cos(a), 0, Math.sin(a)] }
})
const ownTape = computed(() => (own.on ? tapeLine(props.surface, plane.value) : []))
const ownGirth = computed(() => (ownTape.value.length < 3 ? 0 : pathLength(ownTape.value, true)))
const loops = computed<Loop[]>(() => {
  const list: Loop[] = girthStations
    .filter((s) => shown[s])
    .map((s) => ({ points: props.readings.tapes[s], colour: colours[s], width: 3 }))
  if (own.on) list.push({ points: ownTape.value.map((p) => fromPlane(plane.value, p)), colour: '#ffffff', width: 4 })
  return list
})
const markers = computed<Marker[]>(() => {
  if (!own.on) return []
  const highest = ownTape.value
    .map((p) => fromPlane(plane.value, p))
    .reduce<Vec3>((m, p) => (p[2] > m[2] ? p : m), top.value)
  return [{ key: 'plane', at: highest, colour: '#ffffff', size: 1.2 }]
})
function drag(_key: string, at: Vec3): void {
  // The marker sits where the plane meets the top, so a tilted plane is carried along its own slant.
  const slant = Math.tan((own.tilt * Math.PI) / 180) * (at[2] - 30)
  own.at = Math.min(0.97, Math.max(0.05, (at[0] + slant) / props.surface.length))
}
const figures = computed(() => {
  const r = props.readings
  return [
    ['Length, heel back to toe tip', r.length],
    ['Width at the seat', r.widths.seat],
    ['Width at the waist', r.widths.waist],
    ['Width from joint to joint', r.widths.joint],
    ['Heel height', r.heelHeight],
    ['Toe spring', r.toeSpring],
    ['Toe box height', r.toeBoxHeight],
    ['Back height to the cone', r.backHeight],
    ['Back comes in at the top', r.backGrip],
    ['Cone width', r.coneWidth],
  ] as [string, number][]
})
const profile = computed(() => backProfile(props.surface, 20))
</script>

<template>
  <div class="work-and-panel">
    <div class="slate-place">
      <div v-if="view === '3d'" class="place">
        <LastViewer
          v-model:foot="foot"
          :surface="surface"
          :loops="loops"
          :markers="markers"
          :label="title"
          :one-foot="oneFoot"
          @drag="drag"
        />
      </div>
      <LastDrawing v-else :view="view === 'side' ? side : bottom" />
      <div class="corner-choice"><ChoiceBar label="Show" :options="views" :value="view" @choose="view = $event" /></div>
    </div>
    <BecausePanel :title="title">
      <slot />
      <p v-if="note" class="soft">{{ note }}</p>
      <ul class="findings" aria-label="Checks">
        <FindingItem v-for="f in findings" :key="f.id" :finding="f" />
      </ul>
      <h3>Tape</h3>
      <ul class="girths">
        <li v-for="s in girthStations" :key="s">
          <NCheckbox v-model:checked="shown[s]">
            <span class="swatch" :style="{ background: colours[s] }" aria-hidden="true" />
            {{ names[s] }}
          </NCheckbox>
          <strong class="figure" :data-testid="`girth-${s}`">{{ showLength(readings.girths[s]) }}</strong>
        </li>
        <li class="own">
          <NCheckbox v-model:checked="own.on">
            <span class="swatch white" aria-hidden="true" />
            My own plane
          </NCheckbox>
          <strong class="figure" data-testid="own-girth">{{ own.on ? showLength(ownGirth) : '' }}</strong>
          <template v-if="own.on">
            <p class="soft">
              The tape goes round the last in a plane that you set, as it would be pulled there: over hollows, not into
              them. Drag the white ball over the last, or:
            </p>
            <div class="slide">
              <span>From the heel</span>
              <SliderField
                label="From the heel"
                :value="own.at"
                :min="0.05"
                :max="0.97"
                :step="0.005"
                :said="showLength(own.at * readings.length, 0)"
                @move="own.at = $event"
              />
            </div>
            <div class="slide">
              <span>Tilt</span>
              <SliderField
                label="Tilt"
                :value="own.tilt"
                :min="-60"
                :max="60"
                :step="1"
                :said="`${own.tilt} degrees`"
                @move="own.tilt = $event"
              />
            </div>
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
      <h3>Back, in from its fullest</h3>
      <dl class="figures">
        <div v-for="p in profile" :key="p.height">
          <dt>{{ showLength(p.height, 0) }} over the seat</dt>
          <dd class="figure">{{ showLength(p.inwards) }}</dd>
        </div>
      </dl>
    </BecausePanel>
  </div>
</template>

<style scoped>
.place {
  height: 100%;
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
  display: inline-block;
  margin-right: 8px;
  vertical-align: middle;
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

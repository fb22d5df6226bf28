<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import {
  LastFields,
  scanUnits,
  type FeatherShift,
  type ScanLandmark,
  type ScanUnit,
  type Vec3,
  spoken,
} from '@gentle-awl/core'
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../../../api/client.ts'
import { showLength, tell } from '../../../../app/settings.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import LastViewer from '../../../../viewer/LastViewer.vue'
import type { Loop, Marker } from '../../../../viewer/body.ts'
import FeatherHandles from './FeatherHandles.vue'
import { useScan } from './useScan.ts'
import FigureField from '../../../../ui/FigureField.vue'
import { say } from '../../../../app/say.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import FileButton from '../../../../ui/FileButton.vue'
import SelectField from '../../../../ui/SelectField.vue'
import TextField from '../../../../ui/TextField.vue'
import { useForm } from '../../../../ui/useForm.ts'

const scan = useScan()
const { name, opened, shown, unit, heelHeight, feather, problem, progress } = scan
const route = useRoute()
const router = useRouter()
const lastName = ref('')
const { problem: refused, attempt } = useAttempt()
const view = ref<'scan' | 'kept'>('scan')
const over = ref(false)

const marks: Record<ScanLandmark, { name: string; colour: string }> = {
  heelBack: { name: 'Heel back', colour: '#8fd0e8' },
  toeTip: { name: 'Toe tip', colour: '#e6b355' },
  jointMedial: { name: 'Medial joint', colour: '#a7d99b' },
  jointLateral: { name: 'Lateral joint', colour: '#e3a0c4' },
}
const keys = Object.keys(marks) as ScanLandmark[]
const views = [
  { value: 'scan', name: 'The scan' },
  { value: 'kept', name: 'The last it makes' },
] as const
const units = Object.keys(scanUnits) as ScanUnit[]

async function take(file: File | undefined): Promise<void> {
  if (!file) return
  lastName.value ||= file.name.replace(/\.[a-z]+$/i, '')
  await scan.open(await file.arrayBuffer(), file.name)
}
function chooseUnit(next: ScanUnit): void {
  unit.value = next
  void scan.findAnew()
}
/** The scanner on the bench hands its file over by its address. */
onMounted(async () => {
  const from = route.query.from
  if (typeof from !== 'string' || !from.startsWith('/api/v1/standins/scanner/')) return
  try {
    const response = await fetch(from)
    if (!response.ok) throw new Error(`the scanner answered ${response.status}`)
    const file = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? 'scan.stl'
    lastName.value ||= file.replace(/\.[a-z]+$/i, '')
    await scan.open(await response.arrayBuffer(), file)
  } catch (error) {
    if (!(error instanceof Error)) throw error
    problem.value = `The scan could not be fetched (${error.message}). Scan again.`
  }
})

const markers = computed<Marker[]>(() => {
  const s = shown.value
  if (!s || view.value !== 'scan') return []
  return keys.map((key) => ({ key, at: s.landmarks[key], colour: marks[key].colour }))
})
const loops = computed<Loop[]>(() => {
  const s = shown.value
  if (!s) return []
  if (view.value === 'kept') return []
  const colour = { lateral: '#ffffff', medial: '#ffffff' }
  return (['lateral', 'medial'] as const).map((q) => ({
    points: s.feather[q],
    colour: colour[q],
    width: 3,
    open: true,
  }))
})
/** Where a landmark lies: along the last and across it (medial is positive). */
function place(key: ScanLandmark): string {
  const p = shown.value?.landmarks[key]
  if (!p) return ''
  // Adding nothing turns a negative nought into a plain one.
  const one = (v: number) => (Math.round(v * 10) / 10 + 0).toFixed(1)
  return `${one(p[0])} / ${one(p[1])}`
}
function drag(key: string, at: Vec3, done: boolean): void {
  if (done) void scan.bring({ [key]: at })
}
/** Arrow keys on a landmark's button move it along and across the last, half a millimetre a time (Shift: five). */
function nudge(event: KeyboardEvent, key: ScanLandmark): void {
  const s = shown.value
  const ways: Record<string, Vec3> = {
    ArrowRight: [1, 0, 0],
    ArrowLeft: [-1, 0, 0],
    ArrowUp: [0, 1, 0],
    ArrowDown: [0, -1, 0],
  }
  const way = ways[event.key]
  if (!s || !way) return
  event.preventDefault()
  const by = event.shiftKey ? 5 : 0.5
  const p = s.landmarks[key]
  void scan.bring({ [key]: [p[0] + way[0] * by, p[1] + way[1] * by, p[2]] })
}
function moveFeather(to: FeatherShift): void {
  feather.value = to
  void scan.bring()
}

function typedHeel(value: number | null): void {
  heelHeight.value = value
  refused.value = ''
  void scan.bring()
}
const form = ref<HTMLElement | null>(null)
const { read, at, elsewhere } = useForm(LastFields, form)
async function keep(): Promise<void> {
  const s = shown.value
  if (!s) return
  const last = await read({
    name: lastName.value,
    note: s.notes
      .map((n) => spoken(n))
      .join(' ')
      .slice(0, 480),
    shape: {
      kind: 'kept',
      surface: s.packed,
      origin: { from: 'scan', name: name.value, foot: s.foot, triangles: s.triangles, within: s.within },
    },
    stock: { feet: s.foot },
  })
  if (!last) return
  await attempt(async () => {
    const row = await api.lasts.add(last)
    await router.push(`/lasts/${row.id}/measure`)
    await say(`${last.name} is on the shelf.`)
  })
}
</script>

<template>
  <div class="work-and-panel">
    <div
      class="slate-place on-slate"
      :class="{ over }"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="((over = false), take($event.dataTransfer?.files[0]))"
    >
      <h1 class="visually-hidden">A last from a scan</h1>
      <LastViewer
        v-if="shown"
        :body="view === 'scan' ? shown.body : undefined"
        :surface="view === 'kept' ? shown.surface : undefined"
        :markers="markers"
        :loops="loops"
        :label="lastName || 'Scan'"
        one-foot
        start="bottom"
        @drag="drag"
      />
      <div v-else class="chalk">
        <h2>A last from a scan</h2>
        <p>
          Drop an STL, OBJ or PLY file here, or choose one. It stays on this machine. The whole last must be on it:
          sides, bottom, and the flat cut of the cone.
        </p>
        <FileButton main label="Choose a scan" accept=".stl,.obj,.ply" name="scan" @file="take" />
        <p>No scanner here? <RouterLink to="/scanner">The practice scanner</RouterLink> has lasts on its table.</p>
      </div>
      <div v-if="shown" class="corner-choice">
        <ChoiceBar label="Show" :options="views" :value="view" @choose="view = $event" />
      </div>
      <div v-if="progress.running" class="progress" role="status">
        <span>{{ progress.doing }} …</span>
        <NProgress type="line" :percentage="Math.round(100 * progress.share)" :aria-label="progress.doing" />
        <NButton @click="scan.stop()">Stop</NButton>
      </div>
    </div>
    <BecausePanel title="Scan">
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <template v-if="opened">
        <p>
          {{ name }}: <span class="figure">{{ opened.triangles.toLocaleString('en-GB') }}</span> triangles,
          <span class="figure">{{ opened.extent.toPrecision(4) }}</span> from corner to corner.
        </p>
        <SelectField
          label="The file is in"
          name="unit"
          :value="unit"
          :options="units.map((value) => ({ value, name: value }))"
          @choose="chooseUnit"
        />
        <p class="soft">
          {{
            opened.unit
              ? `${opened.unit} makes it as long as a last.`
              : 'No unit makes this as long as a last: choose one.'
          }}
        </p>
      </template>
      <template v-if="shown">
        <p>
          A <strong>{{ shown.foot }}</strong> last, <strong class="figure">{{ showLength(shown.length) }}</strong> long.
          95 of 100 points of the scan lie within
          <strong class="figure" data-testid="within">{{ showLength(shown.within, 2) }}</strong> of the surface.
        </p>
        <ul v-if="shown.notes.length" class="notes">
          <li v-for="(n, i) in shown.notes" :key="i">{{ tell(n) }}</li>
        </ul>
        <h3>Landmarks</h3>
        <p class="soft">Drag a ball on the scan, or choose one and use the arrow keys.</p>
        <ul class="marks">
          <li v-for="key in keys" :key="key">
            <NButton @keydown="nudge($event, key)">
              <span class="dot" :style="{ background: marks[key].colour }" aria-hidden="true" />
              {{ marks[key].name }}
              <span class="figure soft">
                {{ place(key) }}
              </span>
            </NButton>
          </li>
        </ul>
        <label class="field">
          <span>Heel height measured, mm</span>
          <FigureField
            :value="heelHeight"
            :min="0"
            :max="100"
            :step="0.5"
            empty="cone cut taken as level"
            @change="typedHeel"
          />
        </label>
        <FeatherHandles :shift="feather" @change="moveFeather" />
        <div class="row">
          <NButton @click="scan.findAnew()">Find all anew</NButton>
          <NButton @click="scan.stop()">Another scan</NButton>
        </div>
        <form ref="form" class="keep" novalidate @submit.prevent="keep">
          <TextField
            v-model:value="lastName"
            label="Name of the last"
            name="last-name"
            :most="80"
            v-bind="at('name')"
          />
          <p v-if="refused || elsewhere" class="wrong" role="alert">{{ refused || elsewhere }}</p>
          <NButton type="primary" attr-type="submit" :disabled="progress.running">Keep this last</NButton>
        </form>
      </template>
      <p v-else-if="!opened && !problem" class="soft">
        What is found on the scan stands here: its unit, which foot it is, four landmarks and the feather line.
      </p>
    </BecausePanel>
  </div>
</template>

<style scoped>
.over {
  outline: 4px dashed #e6b355;
  outline-offset: -12px;
}
.chalk {
  display: grid;
  gap: 16px;
  justify-items: start;
  max-width: 560px;
  padding: 64px 48px;
  color: var(--chalk);
}
.progress {
  position: absolute;
  top: 14px;
  right: 14px;
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 14px;
  border-radius: 10px;
  background: #1b282fe6;
  color: var(--chalk);
}
.notes {
  margin: 8px 0;
  padding-left: 20px;
}
h3 {
  margin: 18px 0 4px;
}
.marks {
  display: grid;
  gap: 6px;
  margin: 8px 0;
  padding: 0;
  list-style: none;
}
.marks .n-button {
  width: 100%;
  justify-content: flex-start;
}
.marks .figure {
  margin-left: auto;
}
.dot {
  width: 14px;
  height: 14px;
  border: 1px solid #4a5a60;
  border-radius: 50%;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 12px 0;
}
.keep {
  display: grid;
  gap: 12px;
  margin-top: 16px;
}
</style>

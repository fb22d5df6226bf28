<script setup lang="ts">
import { NButton } from 'naive-ui'
import { buildUpPlaces, buildUpStations, type BuildUp } from '@gentle-awl/core'
import { computed, reactive, ref } from 'vue'
import { lengthWord, showLength, tell } from '../../../app/settings.ts'
import { bodyOf, lastBench } from '../../../workers/last/lastBench.ts'
import { useLast } from '../../../stores/lastStore.ts'
import BecausePanel from '../../../ui/BecausePanel.vue'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import LastViewer from '../../../viewer/LastViewer.vue'
import LengthField from '../../../ui/LengthField.vue'
import FigureField from '../../../ui/FigureField.vue'

const store = useLast()
const form = reactive<{
  station: BuildUp['station']
  place: BuildUp['place']
  thickness: number
  reach: number
  wanted: number | null
}>({
  station: 'instep',
  place: 'over the top',
  thickness: 2,
  reach: 35,
  wanted: null,
})
const problem = ref('')
const busy = ref(false)
const stations = buildUpStations.map((value) => ({ value, name: value === 'heel' ? 'short heel' : value }))
const places = buildUpPlaces.map((value) => ({ value, name: value }))
const loops = computed(() => {
  const tapes = store.built?.readings.tapes
  return tapes ? [{ points: tapes[form.station], colour: '#e6b355', width: 4 }] : []
})
const reads = computed(() => store.built?.readings.girths[form.station] ?? 0)

async function add(buildUp: BuildUp): Promise<void> {
  if (!store.last) return
  busy.value = true
  problem.value = ''
  // Tried on the bench first: what the surface becomes is seen before it is kept.
  const buildUps = [...store.last.buildUps, { ...buildUp, thickness: Math.round(buildUp.thickness * 10) / 10 }]
  const tried = await lastBench().build({ shape: store.last.shape, buildUps })
  if (tried.value === null) problem.value = tell(tried.problem)
  else await store.change({ buildUps })
  busy.value = false
}
async function byGirth(): Promise<void> {
  if (!store.last) return
  const { wanted } = form
  if (wanted === null) {
    problem.value = 'Write the girth that is wanted.'
    return
  }
  busy.value = true
  problem.value = ''
  const answer = await lastBench().buildUpFor(bodyOf(store.last), form.station, form.place, wanted, form.reach)
  busy.value = false
  if (answer.value === null) problem.value = tell(answer.problem)
  else {
    // Up to the next tenth: leather is not split finer, and the girth asked for is reached.
    form.thickness = Math.ceil(answer.value.thickness * 10) / 10
    await add({ ...answer.value, thickness: form.thickness })
  }
}
function byThickness(): void {
  const { station, place, thickness, reach } = form
  if (!(thickness >= 0.2 && thickness <= 12)) problem.value = 'A build-up is 0.2 to 12 mm thick.'
  else void add({ station, place, thickness, reach })
}
const takeOff = (i: number) => void store.change({ buildUps: (store.last?.buildUps ?? []).filter((_, k) => k !== i) })
</script>

<template>
  <div v-if="store.last" class="work-and-panel">
    <LastViewer v-if="store.built" :surface="store.built.surface" :loops="loops" :label="store.last.name" />
    <p v-else class="wait" role="status">{{ store.buildProblem || 'Building the last …' }}</p>
    <BecausePanel title="Build-ups">
      <p class="soft">
        Leather glued to the last and skived to nothing at its edges. From then on it is part of the surface: every
        girth and every part follows it.
      </p>
      <ul class="list" aria-label="Build-ups on this last">
        <li v-for="(b, i) in store.last.buildUps" :key="i">
          <span>
            <strong class="figure">{{ showLength(b.thickness) }}</strong> at the {{ b.station }}, {{ b.place }}
          </span>
          <NButton :aria-label="`Take off the build-up at the ${b.station}`" @click="takeOff(i)"> Take off </NButton>
        </li>
        <li v-if="store.last.buildUps.length === 0" class="soft">Nothing is glued on.</li>
      </ul>
      <form class="form" novalidate @submit.prevent="byThickness">
        <div class="line">
          <span>Where</span>
          <ChoiceBar label="Where" :options="stations" :value="form.station" @choose="form.station = $event" />
        </div>
        <ChoiceBar label="Side" :options="places" :value="form.place" @choose="form.place = $event" />
        <p>
          The {{ form.station }} reads <strong class="figure" data-testid="reads">{{ showLength(reads) }}</strong> now.
        </p>
        <div class="field">
          <span>Reaches along the last, each way</span>
          <LengthField
            label="Reaches along the last, each way"
            :value="form.reach"
            :min="10"
            :max="90"
            @change="form.reach = $event"
          />
        </div>
        <div class="two">
          <div class="field">
            <span>Thickness</span>
            <LengthField
              label="Thickness"
              :value="form.thickness"
              :min="0.2"
              :max="12"
              @change="form.thickness = $event"
            />
          </div>
          <NButton type="primary" attr-type="submit" :disabled="busy">Glue it on</NButton>
          <label class="field"
            ><span>Or the girth wanted, {{ lengthWord }}</span
            ><FigureField
              :value="form.wanted"
              unit="mm"
              :min="100"
              :max="500"
              :step="0.5"
              empty=""
              @change="form.wanted = $event"
          /></label>
          <NButton :disabled="busy" @click="byGirth">Find the thickness</NButton>
        </div>
        <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      </form>
    </BecausePanel>
  </div>
</template>

<style scoped>
.list {
  display: grid;
  margin: 12px 0;
  padding: 0;
  list-style: none;
}
.list li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  min-height: 52px;
  border-top: 1px solid var(--line);
}
.form,
.line {
  display: grid;
  gap: 12px;
}
.line {
  gap: 4px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
  align-items: end;
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, reactive, shallowRef } from 'vue'
import { api } from '../../api/client.ts'
import { showLength } from '../../app/settings.ts'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import FigureField from '../../ui/FigureField.vue'
import { useAttempt } from '../../app/useAttempt.ts'
import ButtonLink from '../../ui/ButtonLink.vue'

const form = reactive({
  seed: 7,
  foot: 'right' as 'right' | 'left',
  format: 'stl' as 'stl' | 'obj' | 'ply',
  noise: '0.1',
  holes: 3,
})
const lifted = shallowRef<Awaited<ReturnType<typeof api.hiddenLast>> | null>(null)
const { problem, attempt } = useAttempt()
const feet = [
  { value: 'right', name: 'Right last' },
  { value: 'left', name: 'Left last' },
] as const
const formats = [
  { value: 'stl', name: 'STL' },
  { value: 'obj', name: 'OBJ' },
  { value: 'ply', name: 'PLY' },
] as const
const noises = computed((): { value: (typeof form)['noise']; name: string }[] => [
  { value: '0', name: 'none' },
  { value: '0.1', name: showLength(0.1) },
  { value: '0.2', name: showLength(0.2) },
])
const address = computed(() => {
  const q = new URLSearchParams({
    seed: String(form.seed),
    foot: form.foot,
    format: form.format,
    noise: form.noise,
    holes: String(form.holes),
  })
  return `/api/v1/standins/scanner/scan?${q}`
})
async function lift(): Promise<void> {
  await attempt(async () => {
    lifted.value = await api.hiddenLast(form.seed)
    problem.value = ''
  })
}
function next(): void {
  form.seed = (form.seed % 9999) + 1
  lifted.value = null
}
</script>

<template>
  <section class="room-page">
    <header class="room-head"><h1>Practice scanner</h1></header>
    <div class="both">
      <div class="card form">
        <h2>On the table, under a cloth: last {{ form.seed }}</h2>
        <p class="soft">
          This scanner ships with the application and stands in for a real one. It hands out a scan as scanners do:
          lying any way in space, a little rough, with a few places it did not see.
        </p>
        <ChoiceBar label="Foot" :options="feet" :value="form.foot" @choose="form.foot = $event" />
        <div class="line">
          <span>File</span>
          <ChoiceBar label="File" :options="formats" :value="form.format" @choose="form.format = $event" />
        </div>
        <div class="line">
          <span>Roughness</span>
          <ChoiceBar label="Roughness" :options="noises" :value="form.noise" @choose="form.noise = $event" />
        </div>
        <label class="field short"
          ><span>Places not seen</span
          ><FigureField :value="form.holes" whole :min="0" :max="12" @change="form.holes = $event ?? form.holes"
        /></label>
        <div class="row">
          <ButtonLink main :to="{ path: '/lasts/new/scan', query: { from: address } }">
            Scan it and bring it in
          </ButtonLink>
          <NButton tag="a" :href="address">Scan to a file</NButton>
          <NButton @click="next">Put another last on</NButton>
        </div>
      </div>
      <div class="card form">
        <h2>Lift the cloth</h2>
        <p class="soft">What a tape reads on the wooden last itself, to check the scan by.</p>
        <NButton @click="lift">Measure last {{ form.seed }}</NButton>
        <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
        <dl v-if="lifted">
          <div>
            <dt>Length</dt>
            <dd class="figure" data-testid="true-length">{{ showLength(lifted.length) }}</dd>
          </div>
          <div>
            <dt>Joint girth</dt>
            <dd class="figure">{{ showLength(lifted.jointGirth) }}</dd>
          </div>
          <div>
            <dt>Waist girth</dt>
            <dd class="figure">{{ showLength(lifted.waistGirth) }}</dd>
          </div>
          <div>
            <dt>Instep girth</dt>
            <dd class="figure">{{ showLength(lifted.instepGirth) }}</dd>
          </div>
          <div>
            <dt>Heel height</dt>
            <dd class="figure">{{ showLength(lifted.heelHeight) }}</dd>
          </div>
          <div>
            <dt>Toe</dt>
            <dd>{{ lifted.toeShape }}</dd>
          </div>
        </dl>
      </div>
    </div>
  </section>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(340px, 1fr));
  gap: 18px;
  align-items: start;
}
.form {
  display: grid;
  gap: 14px;
  padding: 20px 22px;
}
.line {
  display: grid;
  gap: 4px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.short {
  max-width: 200px;
}
dl {
  margin: 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
}
</style>

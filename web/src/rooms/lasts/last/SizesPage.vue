<script setup lang="ts">
import { NButton, NCheckbox, NTable } from 'naive-ui'
import {
  boxOf,
  gradeLabels,
  gradeNames,
  sizeFromLast,
  type Grade,
  type GradeName,
  type SizeSystem,
} from '@gentle-awl/core'
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../../api/client.ts'
import { bareLength, inUnit, lengthUnit, lengthWord, tell } from '../../../app/settings.ts'
import { pathData } from '../../../drawing/svgPath.ts'
import { bodyOf, lastBench } from '../../../workers/last/lastBench.ts'
import { useLast } from '../../../stores/lastStore.ts'
import type { DrawnSize } from '../../../workers/last/lastWorker.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import BecausePanel from '../../../ui/BecausePanel.vue'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import FigureField from '../../../ui/FigureField.vue'
import HouseChart from '../../../ui/HouseChart.vue'
import { useAttempt } from '../../../app/useAttempt.ts'
import SelectField from '../../../ui/SelectField.vue'

const store = useLast()
const workshop = useWorkshop()
const router = useRouter()
const form = reactive<{ name: GradeName; heel: Grade['heel']; down: number; up: number; half: boolean }>({
  name: 'paris',
  heel: 'kept',
  down: 2,
  up: 3,
  half: false,
})
const sizes = shallowRef<DrawnSize[]>([])
const { problem, busy, attempt } = useAttempt()
const working = ref(false)
const systems: Record<GradeName, SizeSystem> = { paris: 'paris', uk: 'uk', us: 'us men', mondopoint: 'mondopoint' }

onMounted(async () => {
  await attempt(() => workshop.load())
})
const steps = computed(() => {
  const by = form.half ? 0.5 : 1
  const list: number[] = []
  for (let s = -form.down; s <= form.up + 1e-9; s += by) list.push(Math.round(s * 2) / 2)
  return list
})
let asked = 0
watch(
  [() => store.last, steps, () => form.name, () => form.heel, () => workshop.houseRules],
  async () => {
    if (!store.last) return
    const mine = ++asked
    working.value = true
    const answer = await lastBench().sizes(bodyOf(store.last), form.name, form.heel, steps.value, workshop.houseRules)
    if (mine !== asked) return
    working.value = false
    problem.value = tell(answer.problem ?? '')
    sizes.value = answer.value ?? []
  },
  { immediate: true },
)
const drawn = computed(() => sizes.value.filter((s) => s.problem === null))
const box = computed(() => {
  if (drawn.value.length === 0) return '0 0 300 200'
  const b = boxOf(...drawn.value.map((s) => s.profile))
  const w = boxOf(...drawn.value.map((s) => s.bottom))
  return `${b.minX - 10} ${-b.maxY - 10} ${b.maxX - b.minX + 20} ${b.maxY + 20 + (w.maxY - w.minY) + 24}`
})
const drop = computed(() => {
  if (drawn.value.length === 0) return 0
  const w = boxOf(...drawn.value.map((s) => s.bottom))
  return w.maxY + 26
})
/** Length and girths over the sizes, in the unit of the screen. */
const chart = computed(() =>
  (
    [
      ['Length', 'length'],
      ['Joint girth', 'jointGirth'],
      ['Waist girth', 'waistGirth'],
      ['Instep girth', 'instepGirth'],
    ] as const
  ).map(([name, key]) => ({
    name,
    x: drawn.value.map((s) => s.sizes),
    y: drawn.value.map((s) => inUnit(s[key])),
  })),
)
const said = (s: number) => (s === 0 ? 'this last' : `${s > 0 ? '+' : '−'}${Math.abs(s)}`)
const reads = (length: number) => sizeFromLast(systems[form.name], length).toFixed(1)
const heels = [
  { value: 'kept', name: 'Heel height stays' },
  { value: 'with the length', name: 'grows' },
] as const
const grades = gradeNames.map((value) => ({ value, name: gradeLabels[value] }))

async function keep(size: DrawnSize): Promise<void> {
  const { last } = store
  if (!last) return
  await attempt(async () => {
    const answer = await lastBench().gradedShape(
      bodyOf(last),
      last.name,
      form.name,
      form.heel,
      size.sizes,
      workshop.houseRules,
    )
    if (answer.problem !== null) {
      problem.value = tell(answer.problem)
      return
    }
    const row = await api.lasts.add({
      name: `${last.name}, ${said(size.sizes)} ${gradeLabels[form.name]}`.slice(0, 80),
      note: `Graded from ${last.name}.`,
      shape: answer.value,
      buildUps: [],
      stock: { number: '', feet: 'pair', count: 1, place: '' },
    })
    await router.push(`/lasts/${row.id}/measure`)
  })
}
</script>

<template>
  <div v-if="store.last" class="work-and-panel">
    <svg
      class="run"
      :viewBox="box"
      role="img"
      :aria-label="`${drawn.length} sizes of ${store.last.name} laid over each other at the heel back`"
    >
      <g v-for="s in drawn" :key="s.sizes" :class="{ base: s.sizes === 0 }">
        <path :d="pathData(s.profile, true)" />
        <path :d="pathData(s.bottom, true)" :transform="`translate(0 ${drop})`" />
      </g>
    </svg>
    <BecausePanel title="Size run">
      <SelectField label="Graded by" name="grade" :value="form.name" :options="grades" @choose="form.name = $event" />
      <div class="three">
        <label class="field"
          ><span>Sizes down</span
          ><FigureField :value="form.down" whole :min="0" :max="6" @change="form.down = $event ?? form.down"
        /></label>
        <label class="field"
          ><span>Sizes up</span
          ><FigureField :value="form.up" whole :min="0" :max="6" @change="form.up = $event ?? form.up"
        /></label>
        <NCheckbox v-model:checked="form.half" class="halves">halves</NCheckbox>
      </div>
      <ChoiceBar label="Heel height" :options="heels" :value="form.heel" @choose="form.heel = $event" />
      <p class="soft">
        Length and girth per size are <RouterLink to="/rules">house rules</RouterLink>; widths follow the girth.
      </p>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <p v-if="working" role="status" class="soft">Grading …</p>
      <NTable size="small" :bordered="false">
        <thead>
          <tr>
            <th scope="col">Size</th>
            <th scope="col" class="right">Length, {{ lengthUnit }}</th>
            <th scope="col" class="right">Joint, {{ lengthUnit }}</th>
            <th><span class="visually-hidden">Put on the shelf</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in sizes" :key="s.sizes" :data-size="s.sizes">
            <th scope="row" class="figure">
              {{ said(s.sizes) }} <span v-if="!s.problem" class="soft">{{ reads(s.length) }}</span>
            </th>
            <td v-if="s.problem" colspan="3" class="wrong">{{ tell(s.problem) }}</td>
            <template v-else>
              <td class="figure right">{{ bareLength(s.length) }}</td>
              <td class="figure right">{{ bareLength(s.jointGirth) }}</td>
              <td class="right">
                <NButton
                  v-if="s.sizes !== 0"
                  :disabled="busy"
                  :aria-label="`Put ${said(s.sizes)} on the shelf`"
                  @click="keep(s)"
                >
                  Shelve
                </NButton>
              </td>
            </template>
          </tr>
        </tbody>
      </NTable>
      <HouseChart
        v-if="drawn.length > 1"
        title="Length and girths over the run"
        :x="{ title: 'Sizes from this last', unit: '' }"
        :y="{ title: 'Length and girth', unit: lengthWord }"
        :lines="chart"
        :rows="drawn.length"
      />
    </BecausePanel>
  </div>
</template>

<style scoped>
.run {
  width: 100%;
  height: 100%;
  background: var(--slate);
}
path {
  fill: none;
  stroke: var(--chalk-soft);
  stroke-width: 0.6;
}
.base path {
  stroke: #e6b355;
  stroke-width: 1.2;
}
.line {
  display: grid;
  gap: 4px;
  margin: 10px 0;
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 12px;
  align-items: end;
  margin-bottom: 12px;
}
tbody .soft {
  font-weight: 400;
}
.n-table {
  margin-top: 12px;
}
.halves {
  align-items: center;
  align-self: end;
  min-height: 44px;
}
</style>

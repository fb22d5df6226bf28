<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  offset,
  type CupFit,
  type CupSole,
  type Last,
  type Path,
  type PlannedLayers,
  type RuleFigures,
} from '@gentle-awl/core'
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { api, type PairName, type Stored } from '../../../api/client.ts'
import CupFitDrawing from '../../../drawing/CupFitDrawing.vue'
import { outlinesOf } from '../../../workers/outlines/outlinesOf.ts'
import type { Answer } from '../../../workers/answer.ts'
import { bodyOf, lastBench } from '../../../workers/last/lastBench.ts'
import { planInTurn } from '../../../workers/plan/planner.ts'
import { useLast } from '../../../stores/lastStore.ts'
import { thinnedOutline } from '../shape/thinned.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import BecausePanel from '../../../ui/BecausePanel.vue'
import LengthField from '../../../ui/LengthField.vue'
import FindingItem from '../../../ui/FindingItem.vue'
import { useAttempt } from '../../../app/useAttempt.ts'
import { tell } from '../../../app/settings.ts'
import SelectField from '../../../ui/SelectField.vue'
import TextField from '../../../ui/TextField.vue'
import type { Brought } from '../../../ui/bringIn/brought.ts'
import BringIn from '../../../ui/bringIn/BringIn.vue'

const store = useLast()
const workshop = useWorkshop()
const soles = shallowRef<Stored<CupSole>[]>([])
const pairs = shallowRef<PairName[]>([])
const chosen = ref<string | null>(null)
/** Layers of a pair that is planned on this last, or thicknesses tried here. */
const layersOf = ref<string>('own')
const layers = reactive<PlannedLayers>({ upper: 1.4, lining: 0.9, stiffener: 1.2, puff: 1 })
const fit = shallowRef<CupFit | null>(null)
const { problem, attempt } = useAttempt()
const working = ref(false)
const bring = reactive({ name: '', text: '', open: false })

async function load(): Promise<void> {
  await attempt(async () => {
    const [s, p] = await Promise.all([api.cupSoles.list(), api.pairNames(), workshop.load()])
    soles.value = s
    pairs.value = p.filter((row) => row.lastId === store.last?.id)
    chosen.value ??= s[0]?.id ?? null
  })
}
onMounted(load)
const sole = computed(() => soles.value.find((s) => s.id === chosen.value) ?? null)

/** The outline of a lasted shoe, and the rules that its pair has changed. */
interface Shoe {
  lasted: Path
  own: RuleFigures
}
/** The shoe of a pair as it is planned; undefined when the pair cannot be had. */
async function shoeOfPair(id: string, last: Stored<Last>): Promise<Answer<Shoe> | undefined> {
  const pair = await attempt(() => api.pair(id))
  if (!pair) return undefined
  const plan = await planInTurn({
    decisions: { ...pair.decisions, left: null, cupSoleId: null },
    last,
    materials: workshop.materials,
    houseRules: workshop.houseRules,
  })
  if (plan.problem !== null) return plan
  return { value: { lasted: plan.value.lasted, own: pair.decisions.rules }, problem: null }
}
/** The shoe with the thicknesses that are tried here. */
async function shoeTried(last: Stored<Last>): Promise<Answer<Shoe>> {
  const answer = await lastBench().lasted(bodyOf(last), { ...layers }, workshop.houseRules)
  return answer.problem === null ? { value: { lasted: answer.value, own: {} }, problem: null } : answer
}

let asked = 0
watch(
  [() => store.last, sole, layersOf, layers, () => workshop.houseRules],
  async ([last, cup]) => {
    if (!last || !cup) return
    const mine = ++asked
    working.value = true
    const { outline, turned, flipped } = cup
    const shoe = await (layersOf.value === 'own' ? shoeTried(last) : shoeOfPair(layersOf.value, last))
    if (mine !== asked) return
    const answer =
      shoe?.problem === null
        ? await lastBench().cup(shoe.value.lasted, { outline, turned, flipped }, workshop.houseRules, shoe.value.own)
        : shoe
    if (mine !== asked) return
    working.value = false
    if (answer) problem.value = tell(answer.problem ?? '')
    fit.value = answer?.value ?? null
  },
  { immediate: true, deep: true },
)

async function turn(some: Partial<CupSole>): Promise<void> {
  const row = sole.value
  if (!row) return
  const { name, note, outline, seat, tread, turned, flipped } = row
  await act(() =>
    api.cupSoles.change(row.id, row.version, { name, note, outline, seat, tread, turned, flipped, ...some }),
  )
}
async function act(work: () => Promise<{ id: string }>): Promise<void> {
  await attempt(async () => {
    const { id } = await work()
    soles.value = await api.cupSoles.list()
    chosen.value = id
    bring.open = false
  })
}
/** The largest outline that was read becomes a sole of the stores. */
const take = (outline: Path, name: string) =>
  act(() =>
    api.cupSoles.add({
      name: bring.name.trim() || name.replace(/\.[a-z]+$/i, ''),
      note: `From ${name}.`,
      outline: thinnedOutline(outline),
      seat: null,
      tread: null,
      turned: false,
      flipped: false,
    }),
  )
/** A pencil drawn round the inside runs along the wall with its outer side: half its width is added. */
const takeBrought = ({ outlines, pencil, name }: Brought) =>
  take(pencil ? offset(outlines[0], pencil / 2, 'the cup') : outlines[0], name)
const takePoints = () =>
  attempt(async () => take((await outlinesOf(bring.text, 'The points')).outlines[0], 'The points'))
</script>

<template>
  <div v-if="store.last" class="work-and-panel">
    <CupFitDrawing
      :fit="fit"
      :empty="sole ? problem || 'Fitting …' : 'Bring in the inside of a cup sole: it is laid round the last here.'"
    />
    <BecausePanel title="Cup sole">
      <SelectField
        label="Which of the stores"
        name="cup-sole"
        :value="chosen ?? ''"
        :options="soles.map((s) => ({ value: s.id, name: s.name }))"
        @choose="chosen = $event"
      />
      <div class="row">
        <NButton :disabled="!sole" @click="turn({ turned: !sole?.turned })"> Turn it round </NButton>
        <NButton :disabled="!sole" @click="turn({ flipped: !sole?.flipped })"> Other foot </NButton>
        <NButton :aria-expanded="bring.open" @click="bring.open = !bring.open"> Bring one in </NButton>
      </div>
      <div v-if="sole" class="four">
        <div v-for="where in ['seat', 'tread'] as const" :key="where" class="field">
          <span>Bottom under the {{ where }}</span>
          <LengthField
            :label="`Bottom of the cup under the ${where}; 0 if it was not measured`"
            :value="sole[where] ?? 0"
            :min="0"
            :max="where === 'seat' ? 80 : 40"
            @change="turn({ [where]: $event >= 1 ? $event : null })"
          />
        </div>
      </div>
      <div v-if="bring.open" class="bring">
        <TextField v-model:value="bring.name" label="Name" name="cup-name" />
        <BringIn
          what="the inside of a cup sole"
          label="Choose an SVG or DXF of its inside"
          name="cup-drawing"
          @take="takeBrought"
        />
        <TextField
          v-model:value="bring.text"
          label="Or points, x and y in mm, one a line"
          name="cup-points"
          :rows="4"
          figures
        />
        <NButton @click="takePoints">Take these points</NButton>
      </div>
      <SelectField
        label="Layers over the last"
        name="layers"
        :value="layersOf"
        :options="[
          ...pairs.map((p) => ({ value: p.id, name: `as planned for ${p.order}, ${p.name}` })),
          { value: 'own', name: 'tried here' },
        ]"
        @choose="layersOf = $event"
      />
      <div v-if="layersOf === 'own'" class="four">
        <div v-for="key in ['upper', 'lining', 'stiffener', 'puff'] as const" :key="key" class="field">
          <span>{{ key }}</span>
          <LengthField
            :label="`Thickness of the ${key}`"
            :value="layers[key]"
            :min="0"
            :max="5"
            @change="layers[key] = $event"
          />
        </div>
      </div>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <p v-if="working" class="soft" role="status">Fitting …</p>
      <ul v-if="fit" class="findings" aria-label="Checks">
        <FindingItem :finding="fit.finding" />
      </ul>
      <p class="soft">
        The cup is moved and turned until its tightest place is as easy as it can be, as a shoe settles when it is
        pressed in.
      </p>
    </BecausePanel>
  </div>
</template>

<style scoped>
.row,
.bring {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0;
}
.bring {
  display: grid;
}
.four {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
  margin: 10px 0;
}
.four .field > span {
  font-weight: 400;
}
.findings {
  margin: 12px 0;
  padding: 0;
  list-style: none;
}
.wrong {
  margin: 10px 0;
  color: var(--stop);
}
</style>

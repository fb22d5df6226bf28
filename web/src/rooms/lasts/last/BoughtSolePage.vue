<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  offset,
  soleForms,
  soleStuffs,
  type CupFit,
  type CupSole,
  type CupSoleFields,
  type Last,
  type Path,
  type PlannedLayers,
  type RuleFigures,
  type SoleForm,
  type UnitFit,
} from '@gentle-awl/core'
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { type Stored } from '../../../api/ask.ts'
import { api, type PairName } from '../../../api/client.ts'
import BoughtSoleDrawing from '../../../drawing/BoughtSoleDrawing.vue'
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
import ChoiceBar from '../../../ui/ChoiceBar.vue'
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
const fit = shallowRef<CupFit | UnitFit | null>(null)
const { problem, attempt } = useAttempt()
const working = ref(false)
const bring = reactive({ name: '', text: '', open: false, form: 'cup' as SoleForm })

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
  async ([last, bought]) => {
    if (!last || !bought) return
    const mine = ++asked
    working.value = true
    const { form, outline, turned, flipped } = bought
    const shoe = await (layersOf.value === 'own' ? shoeTried(last) : shoeOfPair(layersOf.value, last))
    if (mine !== asked) return
    const answer =
      shoe?.problem === null
        ? await lastBench().boughtSole(
            shoe.value.lasted,
            { form, outline, turned, flipped },
            workshop.houseRules,
            shoe.value.own,
          )
        : shoe
    if (mine !== asked) return
    working.value = false
    if (answer) problem.value = tell(answer.problem ?? '')
    fit.value = answer?.value ?? null
  },
  { immediate: true, deep: true },
)

async function alter(some: Partial<CupSoleFields>): Promise<void> {
  const row = sole.value
  if (!row) return
  const { id, version, updatedAt: _, ...fields } = row
  await act(() => api.cupSoles.change(id, version, { ...fields, ...some }))
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
      form: bring.form,
      stuff: 'rubber',
      outline: thinnedOutline(outline),
      seat: null,
      tread: null,
      turned: false,
      flipped: false,
    }),
  )
/**
 * A pencil drawn round the inside of a cup runs along the wall with its outer side: half its width is added. Drawn round a
 * unit it runs along its edge with its inner side: half is taken off.
 */
const takeBrought = ({ outlines, pencil, name }: Brought) => {
  const side = bring.form === 'cup' ? 1 : -1
  return take(pencil ? offset(outlines[0], (side * pencil) / 2, 'the bought sole') : outlines[0], name)
}
const words: Record<SoleForm, { what: string; empty: string; settles: string }> = {
  cup: {
    what: 'the inside of a cup sole',
    empty: 'Bring in the inside of a cup or the edge of a flat unit: it is laid round the last here.',
    settles:
      'The cup is moved and turned until its tightest place is as easy as it can be, as a shoe settles when it is pressed in.',
  },
  unit: {
    what: 'the upper edge of a flat unit',
    empty: '',
    settles:
      'The unit is moved and turned until it stands out as far as it can where it is leanest; what stands out further than its edge is trimmed off.',
  },
}
const formOptions = soleForms.map((value) => ({ value, name: value === 'cup' ? 'A cup' : 'A flat unit' }))
const stuffOptions = soleStuffs.map((value) => ({ value, name: value === 'rubber' ? 'Rubber' : 'Crepe' }))
const takePoints = () =>
  attempt(async () => take((await outlinesOf(bring.text, 'The points')).outlines[0], 'The points'))
</script>

<template>
  <div v-if="store.last" class="work-and-panel">
    <BoughtSoleDrawing :fit="fit" :empty="sole ? problem || 'Fitting …' : words.cup.empty" />
    <BecausePanel title="Bought sole">
      <SelectField
        label="Which of the stores"
        name="cup-sole"
        :value="chosen ?? ''"
        :options="soles.map((s) => ({ value: s.id, name: s.name }))"
        @choose="chosen = $event"
      />
      <div class="row">
        <NButton :disabled="!sole" @click="alter({ turned: !sole?.turned })"> Turn it round </NButton>
        <NButton :disabled="!sole" @click="alter({ flipped: !sole?.flipped })"> Other foot </NButton>
        <NButton :aria-expanded="bring.open" @click="bring.open = !bring.open"> Bring one in </NButton>
      </div>
      <div v-if="sole" class="two">
        <ChoiceBar label="What it is" :options="formOptions" :value="sole.form" @choose="alter({ form: $event })" />
        <ChoiceBar label="Made of" :options="stuffOptions" :value="sole.stuff" @choose="alter({ stuff: $event })" />
      </div>
      <div v-if="sole" class="four">
        <div v-for="where in ['seat', 'tread'] as const" :key="where" class="field">
          <span>Under the {{ where }}</span>
          <LengthField
            :label="`Thickness under the ${where}; 0 if it was not measured`"
            :value="sole[where] ?? 0"
            :min="0"
            :max="where === 'seat' ? 80 : 40"
            @change="alter({ [where]: $event >= 1 ? $event : null })"
          />
        </div>
      </div>
      <div v-if="bring.open" class="bring">
        <h3>Bring one in</h3>
        <TextField v-model:value="bring.name" label="Name" name="cup-name" />
        <ChoiceBar
          label="What is brought in"
          :options="formOptions"
          :value="bring.form"
          @choose="bring.form = $event"
        />
        <BringIn
          :what="words[bring.form].what"
          label="Choose an SVG or DXF of its outline"
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
        {{ words[sole?.form ?? 'cup'].settles }}
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
.two {
  display: grid;
  gap: 8px;
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

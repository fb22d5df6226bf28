<script setup lang="ts">
import { FeetFields, footFit, girthOf, RuleBook, type FitLine, type TapeAlong } from '@gentle-awl/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { ApiError } from '../../../api/ask.ts'
import { api } from '../../../api/client.ts'
import { inUnit, lengthWord, showLength, tell } from '../../../app/settings.ts'
import { bodyOf, lastBench } from '../../../workers/last/lastBench.ts'
import { NEW_FEET, useFeet, type TypedFeet } from '../../../stores/feetStore.ts'
import { useLast } from '../../../stores/lastStore.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import RoomState from '../../../ui/RoomState.vue'
import { feet as footNames, type Foot } from '../../../ui/feet.ts'
import { NButton, NTable } from 'naive-ui'
import { say } from '../../../app/say.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import ButtonLink from '../../../ui/ButtonLink.vue'
import { useForm } from '../../../ui/useForm.ts'
import HouseChart from '../../../ui/HouseChart.vue'
import FootFigures from '../FootFigures.vue'
import FeetTable from './FeetTable.vue'
import FoldOut from '../../../ui/FoldOut.vue'
import SelectField from '../../../ui/SelectField.vue'
import TextField from '../../../ui/TextField.vue'

const store = useLast()
const workshop = useWorkshop()
const feet = useFeet()
const { problem: loadProblem, attempt } = useAttempt()
const chosen = ref<string>(NEW_FEET)
/** True once it is known whose feet come first: nobody types into those of another. */
const ready = ref(false)
const foot = ref<Foot>('right')
const busy = ref(false)
const { problem, attempt: attemptKeep } = useAttempt()
const form = ref<HTMLElement | null>(null)
const { read, at, clear, elsewhere } = useForm(FeetFields, form)
const typed = computed(() => feet.typedOf(chosen.value))

async function load(): Promise<void> {
  await attempt(async () => {
    const [pairs] = await Promise.all([api.pairNames(), feet.load(), workshop.load()])
    // The customer of a pair on this last comes first.
    const orders = pairs
      .filter((p) => store.last && [p.lastId, p.leftLastId].includes(store.last.id))
      .map((p) => p.order)
    const likely = feet.list?.find((f) => orders.includes(f.order))
    if (likely) choose(likely.id)
    ready.value = true
  })
}
onMounted(load)
function choose(id: string): void {
  chosen.value = id
  problem.value = ''
  clear()
}
function choosePerson(id: string, which: Foot): void {
  choose(id)
  foot.value = which
}
const change = (change: Partial<TypedFeet>) => feet.change(chosen.value, change)
const lines = computed<FitLine[]>(() =>
  store.built ? footFit(store.built.readings, typed.value[foot.value], new RuleBook(workshop.houseRules, {})) : [],
)
async function keep(): Promise<void> {
  const fields = await read(typed.value)
  if (!fields) return
  await attemptKeep(
    async () => {
      const kept = await feet.keep(chosen.value, fields)
      choose(kept.id)
      await say(`The feet of order ${fields.order} are kept.`)
    },
    async (refusal) => {
      problem.value = refusal.message
      // Changed elsewhere: what stands there now is fetched, and it is said that the two differ.
      if (refusal instanceof ApiError && refusal.status === 409) await feet.load()
    },
  )
}
/** The tape along the last, to lay the foot's girths beside. */
const tape = shallowRef<TapeAlong | null>(null)
watch(
  () => store.last,
  async (last) => {
    if (!last) return
    const answer = await lastBench().tape(bodyOf(last))
    if (last === store.last) tape.value = answer.value
  },
  { immediate: true },
)
/** Each girth stands at the middle of its tape. */
const chart = computed(() => {
  const readings = store.built?.readings
  if (!tape.value || !readings) return []
  const girths = lines.value.flatMap((line) => {
    const station = girthOf(line.what)
    const loop = station && station !== 'heel' ? readings.tapes[station] : null
    if (!loop || loop.length === 0) return []
    return [{ line, x: inUnit(loop.reduce((sum, p) => sum + p[0], 0) / loop.length) }]
  })
  if (girths.length === 0) return []
  const x = girths.map((g) => g.x)
  return [
    { name: 'Last, tape upright', x: [...tape.value.at].map(inUnit), y: [...tape.value.girth].map(inUnit) },
    { name: 'Last, as on the foot', x, y: girths.map((g) => inUnit(g.line.last)), points: true },
    { name: 'Wanted for this foot', x, y: girths.map((g) => inUnit(g.line.wanted.value)), points: true },
  ]
})
const verdicts: Record<FitLine['verdict'], string> = { small: 'too small', right: 'right', large: 'large' }

/** Over or under, with its sign; what is nothing to the tenth is neither. */
function over({ over: by }: FitLine): string {
  const tenths = Math.round(by * 10) / 10 + 0
  return `${tenths > 0 ? '+' : ''}${showLength(tenths)}`
}

async function buildUp(line: FitLine): Promise<void> {
  const station = girthOf(line.what)
  if (!store.last || !station) return
  busy.value = true
  problem.value = ''
  const place = station === 'heel' ? 'medial' : 'over the top'
  const answer = await lastBench().buildUpFor(bodyOf(store.last), station, place, line.wanted.value, 40)
  if (answer.value === null) problem.value = tell(answer.problem)
  else {
    const thickness = Math.ceil(answer.value.thickness * 10) / 10
    await store.change({ buildUps: [...store.last.buildUps, { ...answer.value, thickness }] })
  }
  busy.value = false
}
</script>

<template>
  <section class="room-page">
    <RoomState :loading="!ready" :problem="loadProblem" what="The feet" @retry="load">
      <div class="head">
        <SelectField
          label="Feet of"
          name="feet"
          :value="chosen"
          :options="[
            ...(feet.list ?? []).map((f) => ({
              value: f.id,
              name: `Order ${f.order}, ${f.trade}${feet.isDraft(f.id) ? ' (not kept)' : ''}`,
            })),
            { value: NEW_FEET, name: 'New customer' },
          ]"
          @choose="choose"
        />
        <ChoiceBar label="Foot" :options="footNames" :value="foot" @choose="foot = $event" />
      </div>
      <div class="both">
        <form ref="form" class="card form" novalidate @submit.prevent="keep">
          <h2>The {{ foot }} foot</h2>
          <div class="two">
            <TextField
              label="Order"
              name="order"
              :value="typed.order"
              :most="20"
              v-bind="at('order')"
              @update:value="change({ order: $event })"
            />
            <TextField
              label="Trade"
              name="trade"
              :value="typed.trade"
              :most="80"
              v-bind="at('trade')"
              @update:value="change({ trade: $event })"
            />
          </div>
          <FootFigures :key="`${chosen} ${foot}`" :foot="typed[foot]" @change="change({ [foot]: $event })" />
          <TextField
            label="Note"
            name="note"
            :value="typed.note"
            :most="500"
            v-bind="at('note')"
            @update:value="change({ note: $event })"
          />
          <p v-if="problem || elsewhere" class="wrong" role="alert">
            {{ problem || elsewhere }}
          </p>
          <p class="soft">Sore or numb feet, diabetes, wounds, inlays by prescription: send to a clinician first.</p>
          <div class="keep">
            <NButton type="primary" attr-type="submit">Keep these feet</NButton>
            <NButton :disabled="!feet.isDraft(chosen)" @click="feet.drop(chosen)">Back to what is kept</NButton>
            <ButtonLink :to="`/lasts/new/measures?feet=${chosen}&foot=${foot}`">Make a last for this foot</ButtonLink>
          </div>
          <!-- Below the buttons: what a press on one of them brings must not move it away. -->
          <p role="status" class="unkept">
            <template v-if="feet.isDraft(chosen)">
              {{
                feet.isStale(chosen)
                  ? 'These feet were changed elsewhere since you began: keep yours, or go back to theirs.'
                  : 'Not kept yet. It stays here when you leave the page.'
              }}
            </template>
          </p>
        </form>
        <div class="card fit">
          <h2>{{ store.last?.name }} against it</h2>
          <p v-if="lines.length === 0" class="soft">Write what was measured on the foot: it is compared here.</p>
          <NTable size="small" :bordered="false" v-else>
            <thead>
              <tr>
                <th scope="col">Figure</th>
                <th scope="col" class="right">Foot</th>
                <th scope="col" class="right">Wanted</th>
                <th scope="col" class="right">Last</th>
                <th scope="col" class="right">Over</th>
                <th scope="col">Build-up</th>
              </tr>
            </thead>
            <tbody>
              <template v-for="line in lines" :key="line.what">
                <tr :class="line.verdict" :data-fit="line.what">
                  <th scope="row">{{ line.name }}</th>
                  <td class="figure right">{{ showLength(line.foot) }}</td>
                  <td class="figure right">{{ showLength(line.wanted.value) }}</td>
                  <td class="figure right">{{ showLength(line.last) }}</td>
                  <td class="figure right">{{ over(line) }}</td>
                  <td>
                    <NButton
                      v-if="line.buildUp > 0.1"
                      :disabled="busy"
                      :aria-label="`Build the ${line.name} up by ${showLength(line.buildUp)}`"
                      @click="buildUp(line)"
                    >
                      <span class="figure">+ {{ showLength(line.buildUp) }}</span>
                    </NButton>
                    <span v-else>{{ verdicts[line.verdict] }}</span>
                  </td>
                </tr>
                <tr class="why">
                  <td colspan="6" class="soft">{{ tell(line.wanted.sentence) }}</td>
                </tr>
              </template>
            </tbody>
          </NTable>
          <HouseChart
            v-if="chart.length > 0"
            title="Tape along the last, and what this foot wants"
            :x="{ title: 'From the heel back', unit: lengthWord }"
            :y="{ title: 'Girth', unit: lengthWord }"
            :lines="chart"
          />
        </div>
      </div>
      <FoldOut v-if="store.built && (feet.list ?? []).length > 0" title="All feet against this last" class="all">
        <FeetTable
          :feet="feet.list ?? []"
          :readings="store.built.readings"
          :book="new RuleBook(workshop.houseRules, {})"
          @choose="choosePerson"
        />
      </FoldOut>
    </RoomState>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: end;
  margin-bottom: 18px;
}
.head .field {
  min-width: 280px;
}
.both {
  display: grid;
  grid-template-columns: minmax(300px, 400px) minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}
@media (max-width: 1100px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
.form,
.fit {
  display: grid;
  gap: 12px;
  padding: 18px 20px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
}
.keep {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.all {
  margin-top: 18px;
}
.unkept {
  color: var(--watch);
  font-weight: 600;
}
tbody tr:not(.why) > * {
  border-top: 1px solid var(--line);
  font-weight: 600;
}
.why td {
  padding-bottom: 10px;
  font-size: 15px;
}
.small td:nth-child(5),
.large td:nth-child(5) {
  color: var(--watch);
}
</style>

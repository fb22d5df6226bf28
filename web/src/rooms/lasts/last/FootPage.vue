<script setup lang="ts">
import {
  FeetFields,
  FootMeasures,
  footFit,
  footRanges,
  girthOf,
  RuleBook,
  type Feet,
  type FitLine,
} from '@gentle-awl/core'
import { computed, onMounted, reactive, ref, shallowRef } from 'vue'
import { api, type Stored } from '../../../api/client.ts'
import { lengthWord, showLength, tell } from '../../../app/settings.ts'
import { footFields } from './footFields.ts'
import { bodyOf, lastBench } from '../../../workers/last/lastBench.ts'
import { useLast } from '../../../stores/lastStore.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import RoomState from '../../../ui/RoomState.vue'
import { feet as footNames, type Foot } from '../../../ui/feet.ts'
import { NButton, NTable } from 'naive-ui'
import { useAttempt } from '../../../app/useAttempt.ts'
import FigureField from '../../../ui/FigureField.vue'
import { unread } from '../../../ui/unread.ts'
import SelectField from '../../../ui/SelectField.vue'
import TextField from '../../../ui/TextField.vue'

const store = useLast()
const workshop = useWorkshop()
const list = shallowRef<Stored<Feet>[] | null>(null)
const { problem: loadProblem, attempt } = useAttempt()
const chosen = ref<string | 'new'>('new')
const foot = ref<Foot>('right')
const { problem, attempt: attemptKeep } = useAttempt()
const busy = ref(false)
const label = reactive({ order: '', trade: '', note: '' })
const blank = FootMeasures.parse({})
const measured = reactive({ right: { ...blank }, left: { ...blank } })
const form = ref<HTMLElement | null>(null)

async function load(): Promise<void> {
  await attempt(async () => {
    const [rows, pairs] = await Promise.all([api.feet.list(), api.pairNames(), workshop.load()])
    list.value = rows
    // The customer of a pair on this last comes first.
    const orders = pairs
      .filter((p) => store.last && [p.lastId, p.leftLastId].includes(store.last.id))
      .map((p) => p.order)
    const likely = rows.find((f) => orders.includes(f.order))
    if (chosen.value === 'new' && likely) choose(likely.id)
  })
}
onMounted(load)
function choose(id: string): void {
  chosen.value = id
  problem.value = ''
  const row = list.value?.find((f) => f.id === id)
  Object.assign(label, { order: row?.order ?? '', trade: row?.trade ?? '', note: row?.note ?? '' })
  measured.right = { ...(row?.right ?? blank) }
  measured.left = { ...(row?.left ?? blank) }
}
const lines = computed<FitLine[]>(() =>
  store.built ? footFit(store.built.readings, measured[foot.value], new RuleBook(workshop.houseRules, {})) : [],
)
async function keep(): Promise<void> {
  if (unread(form.value)) return
  const read = FeetFields.safeParse({ ...label, ...measured })
  if (!read.success) {
    problem.value = read.error.issues[0]!.message
    return
  }
  await attemptKeep(async () => {
    const row = list.value?.find((f) => f.id === chosen.value)
    const kept = row ? await api.feet.change(row.id, row.version, read.data) : await api.feet.add(read.data)
    list.value = await api.feet.list()
    choose(kept.id)
  })
}
const verdicts: Record<FitLine['verdict'], string> = { small: 'too small', right: 'right', large: 'large' }

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
    <RoomState :loading="list === null" :problem="loadProblem" what="The feet" @retry="load">
      <div class="head">
        <SelectField
          label="Feet of"
          name="feet"
          :value="chosen"
          :options="[
            ...(list ?? []).map((f) => ({ value: f.id, name: `Order ${f.order}, ${f.trade}` })),
            { value: 'new', name: 'New customer' },
          ]"
          @choose="choose"
        />
        <ChoiceBar label="Foot" :options="footNames" :value="foot" @choose="foot = $event" />
      </div>
      <div class="both">
        <form ref="form" class="card form" novalidate @submit.prevent="keep">
          <h2>The {{ foot }} foot</h2>
          <div class="two">
            <TextField v-model:value="label.order" label="Order" name="order" />
            <TextField v-model:value="label.trade" label="Trade" name="trade" />
            <label v-for="f in footFields" :key="`${chosen} ${foot} ${f.key}`" class="field">
              <span>{{ f.name }}, {{ lengthWord }}</span>
              <FigureField
                unit="mm"
                :value="measured[foot][f.key]"
                :min="footRanges[f.key][0]"
                :max="footRanges[f.key][1]"
                empty="not measured"
                @change="measured[foot][f.key] = $event"
              />
            </label>
          </div>
          <TextField v-model:value="label.note" label="Note" name="note" />
          <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
          <p class="soft">Sore or numb feet, diabetes, wounds, inlays by prescription: send to a clinician first.</p>
          <NButton type="primary" attr-type="submit">Keep these feet</NButton>
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
                  <td class="figure right">{{ line.over > 0 ? '+' : '' }}{{ showLength(line.over) }}</td>
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
        </div>
      </div>
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
.field > span:first-child {
  font-weight: 400;
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

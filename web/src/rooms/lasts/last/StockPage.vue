<script setup lang="ts">
import { NButton } from 'naive-ui'
import { LastFields, type LastHold, type LastStock } from '@gentle-awl/core'
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { type Stored } from '../../../api/ask.ts'
import { api, type PairName } from '../../../api/client.ts'
import { sayDay, today } from '../days.ts'
import { useLast } from '../../../stores/lastStore.ts'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import HouseDialog from '../../../ui/HouseDialog.vue'
import FigureField from '../../../ui/FigureField.vue'
import { say } from '../../../app/say.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import SelectField from '../../../ui/SelectField.vue'
import TextField from '../../../ui/TextField.vue'
import { useForm } from '../../../ui/useForm.ts'
import DayField from '../../../ui/DayField.vue'

const store = useLast()
const router = useRouter()
const form = reactive({ name: '', note: '', number: '', count: 1, place: '', feet: 'pair' as LastStock['feet'] })
const holds = shallowRef<Stored<LastHold>[]>([])
const pairs = shallowRef<PairName[]>([])
const { problem, busy, attempt } = useAttempt()
const sure = ref(false)
const use = reactive({ pairId: '', from: today(), until: '', note: '' })
const feetOptions = [
  { value: 'pair', name: 'Pair' },
  { value: 'right', name: 'Right only' },
  { value: 'left', name: 'Left only' },
] as const

watch(
  () => store.last,
  (last) => {
    if (last) Object.assign(form, { name: last.name, note: last.note, ...last.stock })
  },
  { immediate: true },
)
async function load(): Promise<void> {
  const [h, p] = await Promise.all([api.lastHolds.list(), api.pairNames()])
  holds.value = h.filter((x) => x.lastId === store.last?.id)
  pairs.value = p
}
onMounted(() => attempt(load))

const shelf = ref<HTMLElement | null>(null)
const { read, at, elsewhere } = useForm(LastFields.pick({ name: true, note: true, stock: true }), shelf)
const keep = () =>
  attempt(async () => {
    const { name, note, number, count, place, feet } = form
    const fields = await read({ name, note, stock: { number, count, place, feet } })
    if (fields && (await store.change(fields))) await say(`${fields.name} is kept.`)
  })
const lend = () =>
  attempt(async () => {
    if (!store.last) return
    await api.lastHolds.add({
      lastId: store.last.id,
      pairId: use.pairId || null,
      from: use.from,
      until: use.until || null,
      note: use.note,
    })
    use.note = ''
    await load()
  })
const giveBack = (hold: Stored<LastHold>) =>
  attempt(async () => {
    const { lastId, pairId, from, note } = hold
    const end = today() < from ? from : today()
    await api.lastHolds.change(hold.id, hold.version, { lastId, pairId, from, until: end, note })
    await load()
  })
const strike = (hold: Stored<LastHold>) =>
  attempt(async () => {
    await api.lastHolds.remove(hold.id, hold.version)
    await load()
  })
const remove = () =>
  attempt(async () => {
    sure.value = false
    if (!store.last) return
    const { id, version, name } = store.last
    await api.lasts.remove(id, version)
    await router.push('/lasts')
    await say(`${name} is deleted.`)
  })
const pairName = (id: string | null) => {
  const pair = pairs.value.find((p) => p.id === id)
  return pair ? `${pair.order}, ${pair.name}` : 'no pair named'
}
const running = (h: LastHold) => h.from <= today() && (h.until === null || h.until >= today())
const sorted = computed(() => [...holds.value].sort((a, b) => b.from.localeCompare(a.from)))
</script>

<template>
  <section class="room-page">
    <p v-if="problem || elsewhere" class="bad" role="alert">{{ problem || elsewhere }}</p>
    <div class="both">
      <form ref="shelf" class="card form" novalidate @submit.prevent="keep">
        <h2>On the shelf</h2>
        <TextField v-model:value="form.name" label="Name" name="name" :most="80" v-bind="at('name')" />
        <div class="two">
          <TextField
            v-model:value="form.number"
            label="Number stamped on it"
            name="number"
            v-bind="at('stock.number')"
          />
          <label class="field"
            ><span>How many</span
            ><FigureField :value="form.count" whole :min="1" :max="99" @change="form.count = $event ?? form.count"
          /></label>
        </div>
        <ChoiceBar label="Feet" :options="feetOptions" :value="form.feet" @choose="form.feet = $event" />
        <TextField v-model:value="form.place" label="Where it stands" name="place" v-bind="at('stock.place')" />
        <TextField v-model:value="form.note" label="Note" name="note" :rows="2" :most="500" v-bind="at('note')" />
        <div class="row">
          <NButton type="primary" attr-type="submit" :disabled="store.saving">Keep</NButton>
          <NButton class="away" type="error" secondary @click="sure = true">Delete this last</NButton>
        </div>
        <h3>Files</h3>
        <div class="row">
          <NButton
            tag="a"
            v-for="f in ['stl', 'obj', 'ply']"
            :key="f"
            :href="`/api/v1/lasts/${store.last?.id}/mesh?format=${f}`"
          >
            {{ f.toUpperCase() }}, right
          </NButton>
          <NButton tag="a" :href="`/api/v1/lasts/${store.last?.id}/mesh?format=stl&foot=left`">STL, left</NButton>
        </div>
      </form>
      <div class="card form">
        <h2>In use</h2>
        <form class="form inner" novalidate @submit.prevent="lend">
          <SelectField
            label="By pair"
            name="by-pair"
            :value="use.pairId"
            :options="[
              { value: '', name: 'no pair' },
              ...pairs.map((p) => ({ value: p.id, name: `${p.order}, ${p.name}` })),
            ]"
            @choose="use.pairId = $event"
          />
          <div class="two">
            <DayField v-model:value="use.from" label="From" name="from" />
            <DayField v-model:value="use.until" label="Until (open if empty)" name="until" />
          </div>
          <TextField v-model:value="use.note" label="Note" name="use-note" />
          <NButton type="primary" attr-type="submit" :disabled="busy">Take it from the shelf</NButton>
        </form>
        <ul class="holds" aria-label="Uses of this last">
          <li v-for="h in sorted" :key="h.id" :class="{ now: running(h) }">
            <span>
              <strong>{{ pairName(h.pairId) }}</strong><br />
              <span class="soft">
                {{ sayDay(h.from) }} to {{ h.until ? sayDay(h.until) : 'open end' }}{{ h.note ? `. ${h.note}` : '' }}
              </span>
            </span>
            <NButton
              v-if="running(h)"
              :aria-label="`${pairName(h.pairId)} is done with it`"
              :disabled="busy"
              @click="giveBack(h)"
            >
              Back today
            </NButton>
            <NButton :aria-label="`Strike out the use by ${pairName(h.pairId)}`" :disabled="busy" @click="strike(h)">
              Strike out
            </NButton>
          </li>
          <li v-if="sorted.length === 0" class="soft">Nobody has had it yet.</li>
        </ul>
      </div>
    </div>
    <HouseDialog v-model:open="sure" title="Delete this last?">
      <p>Its shape, build-ups and uses go with it. A last that a pair is or was made on stays.</p>
      <template #actions>
        <NButton @click="sure = false">Leave it</NButton>
        <NButton type="error" @click="remove">Delete it</NButton>
      </template>
    </HouseDialog>
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
  gap: 12px;
  padding: 18px 20px;
}
.inner {
  padding: 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.away {
  margin-left: auto;
}
.holds {
  display: grid;
  margin: 0;
  padding: 0;
  list-style: none;
}
.holds li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 10px 0 10px 10px;
  border-top: 1px solid var(--line);
  border-left: 4px solid transparent;
}
.holds li > :first-child {
  margin-right: auto;
}
.holds .now {
  border-left-color: var(--watch-mark);
}
</style>

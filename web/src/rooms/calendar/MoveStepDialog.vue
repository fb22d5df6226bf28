<script setup lang="ts">
import { NButton } from 'naive-ui'
import { dateAt, instantAt, type StepWish, type TimetableEntry } from '@gentle-awl/core'
import { computed, ref, watch } from 'vue'
import { api, type TriedMove } from '../../api/client.ts'
import { say } from '../../app/say.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import { wallTime } from '../../app/wallTime.ts'
import { useSchedule } from '../../stores/scheduleStore.ts'
import DayField from '../../ui/DayField.vue'
import HouseDialog from '../../ui/HouseDialog.vue'
import SelectField from '../../ui/SelectField.vue'
import TextField from '../../ui/TextField.vue'
import { minutesOfDay, timeOfMinutes } from './hoursText.ts'

/** Puts a step at a bench, or not before a time, and says first what that moves. */
const props = defineProps<{ entry: TimetableEntry | null; maker: string; at: number }>()
const open = defineModel<boolean>('open', { required: true })
const schedule = useSchedule()
const { problem, busy, attempt } = useAttempt()
const zone = computed(() => schedule.days?.zone ?? 'UTC')
const clock = computed(() => wallTime(zone.value))
const who = ref('')
const day = ref('')
const time = ref('')
const tried = ref<TriedMove | null>(null)
const step = computed(() => (props.entry ? schedule.stepOf(props.entry.pair, props.entry.step) : null))
const pair = computed(() => (props.entry ? schedule.pairOf(props.entry.pair) : null))
const put = computed(() => pair.value?.wishes?.some((w) => w.step === props.entry?.step) ?? false)
const makers = computed(() => [
  { value: '', name: 'whoever can' },
  ...(schedule.days?.makers ?? [])
    .filter((m) => step.value === null || m.skills.includes(step.value.group))
    .map((m) => ({ value: m.id, name: m.name })),
])
const minutes = computed(() => minutesOfDay(time.value))
const wrongTime = computed(() => (minutes.value === null && time.value !== '' ? 'Write the time as 8:30.' : undefined))
const wish = computed<StepWish | null>(() => {
  const { entry } = props
  if (!entry || wrongTime.value) return null
  const notBefore = day.value === '' ? null : instantAt(zone.value, day.value, minutes.value ?? 0)
  const by = who.value === '' ? null : who.value
  return by === null && notBefore === null ? null : { step: entry.step, maker: by, notBefore }
})
watch(open, (is) => {
  if (!is) return
  problem.value = ''
  tried.value = null
  who.value = makers.value.some((m) => m.value === props.maker) ? props.maker : ''
  day.value = dateAt(zone.value, props.at)
  time.value = timeOfMinutes(Math.round((props.at - instantAt(zone.value, day.value, 0)) / 60_000))
  void attemptTry()
})
const attemptTry = () =>
  attempt(async () => {
    tried.value = null
    const asked = wish.value
    if (!props.entry || !asked) return
    const found = await api.trySchedule(props.entry.pair, asked)
    if (wish.value === asked) tried.value = found
  })
// What was said of another place says nothing of this one.
watch(wish, () => (tried.value = null), { flush: 'sync' })
const orderOf = (id: string) => `${schedule.pairOf(id)?.order ?? ''} ${schedule.pairOf(id)?.name ?? ''}`
const nameOf = (id: string, of: string) => schedule.stepOf(id, of)?.name ?? of
/** Days or hours by which a pair is ready later or sooner. */
const by = (from: number, to: number) => {
  const hours = Math.abs(to - from) / 3_600_000
  const much =
    hours >= 36 ? `${Math.round(hours / 24)} days` : hours >= 1 ? `${Math.round(hours)} h` : 'less than an hour'
  return `${much} ${to > from ? 'later' : 'sooner'}`
}
const keep = () =>
  attempt(async () => {
    const { entry } = props
    if (!entry || !wish.value) return
    await api.keepWish(entry.pair, wish.value)
    open.value = false
    await schedule.load()
    await say('It is put there, and the rest laid out round it.')
  })
const letGo = () =>
  attempt(async () => {
    const { entry } = props
    if (!entry) return
    await api.dropWish(entry.pair, entry.step)
    open.value = false
    await schedule.load()
    await say('It is left to the timetable again.')
  })
</script>

<template>
  <HouseDialog v-model:open="open" title="Move this step">
    <div v-if="entry" class="fields">
      <p>
        <strong>{{ orderOf(entry.pair) }}:</strong> {{ nameOf(entry.pair, entry.step) }}, laid out for
        {{ clock.both(entry.start) }} at {{ schedule.makerName(entry.maker) }}.
      </p>
      <SelectField label="At" name="move-maker" :value="who" :options="makers" @choose="who = $event" />
      <div class="when">
        <DayField v-model:value="day" label="Not before" name="move-day" />
        <TextField
          label="Time"
          name="move-time"
          :most="5"
          :value="time"
          :wrong="wrongTime"
          figures
          @update:value="time = $event"
        />
      </div>
      <NButton class="try" :disabled="busy || wish === null" @click="attemptTry">What that moves</NButton>
      <p v-if="busy && !tried" class="soft" role="status">Laying out …</p>
      <div v-if="tried" role="status" class="moves">
        <p v-if="tried.start !== null">
          It comes to lie at <strong>{{ clock.both(tried.start) }}</strong>,
          {{ schedule.makerName(tried.maker ?? '') }}.
        </p>
        <p v-if="tried.changes.steps === 0 && tried.changes.pairs.length === 0">Nothing else moves.</p>
        <p v-else-if="tried.changes.steps > 0">
          {{ tried.changes.steps === 1 ? 'One other step moves' : `${tried.changes.steps} other steps move` }} by half
          an hour or more.
        </p>
        <ul>
          <li v-for="p in tried.changes.pairs" :key="p.pair">
            {{ orderOf(p.pair) }} is ready {{ by(p.from, p.to) }}, {{ clock.both(p.to)
            }}<strong v-if="p.lateTo > 0" class="late">{{ p.lateFrom > 0 ? ', late still' : ', and late' }}</strong
            >.
          </li>
        </ul>
        <p v-for="l in tried.changes.lost" :key="`${l.pair} ${l.to}`" class="late">
          {{ orderOf(l.pair) }}: “{{ nameOf(l.pair, l.to) }}” would come too late after “{{ nameOf(l.pair, l.from) }}”.
        </p>
      </div>
      <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    </div>
    <template #actions>
      <NButton v-if="put" :disabled="busy" @click="letGo">Leave it to the timetable</NButton>
      <NButton @click="open = false">Cancel</NButton>
      <NButton type="primary" :disabled="busy || wish === null" @click="keep">Put it there</NButton>
    </template>
  </HouseDialog>
</template>

<style scoped>
.fields,
.moves {
  display: grid;
  gap: 12px;
}
.fields p,
.moves p {
  margin: 0;
}
.when {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px;
  gap: 12px;
}
.try {
  justify-self: start;
}
.late {
  color: var(--stop);
}
ul {
  margin: 0;
  padding-left: 20px;
}
</style>

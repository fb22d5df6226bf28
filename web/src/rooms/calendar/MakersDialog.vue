<script setup lang="ts">
import { NButton, NCheckbox, NCheckboxGroup } from 'naive-ui'
import { groupNames, sharedTools, tools, usualWeek, workGroups, WorkshopDays, type Maker } from '@gentle-awl/core'
import { IconPlus, IconTrash } from '@tabler/icons-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { useAttempt } from '../../app/useAttempt.ts'
import { say } from '../../app/say.ts'
import { useSchedule } from '../../stores/scheduleStore.ts'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import FigureField from '../../ui/FigureField.vue'
import FoldOut from '../../ui/FoldOut.vue'
import HouseDialog from '../../ui/HouseDialog.vue'
import SelectField from '../../ui/SelectField.vue'
import TextField from '../../ui/TextField.vue'
import { capital } from '../../ui/capital.ts'
import DaysOffFields from './DaysOffFields.vue'
import { hoursText, readHours } from './hoursText.ts'

/** Who works, what they do, how fast and when; closed days; what is aimed at. Nothing is kept until it is said so. */
const open = defineModel<boolean>('open', { required: true })
const schedule = useSchedule()
const { problem, busy, attempt } = useAttempt()
const days = shallowRef<WorkshopDays | null>(null)
/** What was typed for hours and cannot be read, by maker and day. */
const unreadable = ref(new Set<string>())
const WEEK = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
watch(
  open,
  (is) => {
    if (!is) return
    days.value = schedule.days
    unreadable.value = new Set()
    problem.value = ''
  },
  { immediate: true },
)
const change = (part: Partial<WorkshopDays>) => {
  if (days.value) days.value = { ...days.value, ...part }
}
const changeMaker = (i: number, part: Partial<Maker>) =>
  change({ makers: days.value!.makers.map((m, k) => (k === i ? { ...m, ...part } : m)) })
function setHours(i: number, day: number, text: string): void {
  const key = `${i} ${day}`
  const shifts = readHours(text)
  if (!shifts) {
    unreadable.value = new Set([...unreadable.value, key])
    return
  }
  unreadable.value = new Set([...unreadable.value].filter((k) => k !== key))
  changeMaker(i, { hours: days.value!.makers[i]!.hours.map((h, d) => (d === day ? shifts : h)) })
}
function addMaker(): void {
  const { makers } = days.value!
  let n = makers.length + 1
  while (makers.some((m) => m.id === `bench-${n}`)) n++
  change({
    makers: [
      ...makers,
      { id: `bench-${n}`, name: `Bench ${n}`, skills: [...workGroups], pace: 1, hours: usualWeek(), off: [] },
    ],
  })
}
const removeMaker = (i: number) => change({ makers: days.value!.makers.filter((_, k) => k !== i) })
const zones = [...new Set(['UTC', ...Intl.supportedValuesOf('timeZone')])].map((value) => ({
  value,
  name: value.replaceAll('_', ' '),
}))
const aims = [
  { value: 'punctual', name: 'Punctual first' },
  { value: 'soonest', name: 'Done soonest' },
] as const
const barred = computed(() => unreadable.value.size > 0)
async function keep(): Promise<void> {
  const read = WorkshopDays.safeParse(days.value)
  if (!read.success) {
    problem.value = read.error.issues[0]!.message
    return
  }
  await attempt(async () => {
    await schedule.keepDays(read.data)
    open.value = false
    await say('Kept: all open pairs are laid out anew.')
  })
}
</script>

<template>
  <HouseDialog v-model:open="open" title="Who works, and when" wide>
    <div v-if="days" class="all">
      <section>
        <h3>What comes first</h3>
        <ChoiceBar label="What comes first" :options="aims" :value="days.aim" @choose="change({ aim: $event })" />
        <p class="soft">
          {{
            days.aim === 'punctual'
              ? 'As few late days as can be, heavier pairs first; then as short as can be, what is due sooner ready sooner.'
              : 'All is done as soon as can be; then as few late days as can be.'
          }}
        </p>
        <label class="field figure-field">
          <span>Turning to another kind of work costs, minutes</span>
          <FigureField
            label="Turning to another kind of work costs, minutes"
            :value="days.turning"
            :min="0"
            :max="120"
            :step="1"
            @change="change({ turning: $event ?? 0 })"
          />
        </label>
      </section>
      <section v-for="(maker, i) in days.makers" :key="maker.id" class="maker card" :data-maker="maker.name">
        <div class="top">
          <TextField
            label="Name of the bench"
            :value="maker.name"
            :most="40"
            @update:value="changeMaker(i, { name: $event })"
          />
          <label class="field figure-field">
            <span>Minutes, as a share of the planned</span>
            <FigureField
              :label="`${maker.name}: minutes, as a share of the planned`"
              :value="maker.pace"
              :min="0.25"
              :max="4"
              :step="0.05"
              @change="changeMaker(i, { pace: $event ?? 1 })"
            />
          </label>
          <NButton :disabled="days.makers.length === 1" @click="removeMaker(i)">
            <IconTrash :size="20" aria-hidden="true" /> Take {{ maker.name }} off
          </NButton>
        </div>
        <NCheckboxGroup :value="maker.skills" @update:value="changeMaker(i, { skills: $event as Maker['skills'] })">
          <div class="skills" role="group" :aria-label="`What ${maker.name} does`">
            <NCheckbox v-for="g in workGroups" :key="g" :value="g" :label="groupNames[g]" />
          </div>
        </NCheckboxGroup>
        <div class="week">
          <TextField
            v-for="(name, d) in WEEK"
            :key="name"
            :label="name"
            :value="hoursText(maker.hours[d]!)"
            :wrong="unreadable.has(`${i} ${d}`) ? 'Write hours as 8:00 to 12:00, 13:00 to 17:00, or free.' : undefined"
            @change="setHours(i, d, $event)"
          />
        </div>
        <FoldOut :title="maker.off.length > 0 ? `Days off (${maker.off.length})` : 'Days off'">
          <DaysOffFields
            :days="maker.off"
            :name="`off-${maker.id}`"
            :words="{ add: 'Take these days off', remove: 'Works again' }"
            @change="changeMaker(i, { off: $event })"
          />
        </FoldOut>
      </section>
      <NButton class="add" :disabled="days.makers.length >= 8" @click="addMaker">
        <IconPlus :size="20" aria-hidden="true" /> Add a maker
      </NButton>
      <section>
        <h3>Closed days</h3>
        <DaysOffFields
          :days="days.closed"
          name="closed"
          :words="{ add: 'Close these days', remove: 'Open again' }"
          @change="change({ closed: $event })"
        />
      </section>
      <section>
        <h3>Shared machines</h3>
        <div class="top">
          <label v-for="m in sharedTools" :key="m" class="field figure-field">
            <span>{{ capital(tools[m]) }}</span>
            <FigureField
              :label="`How many of: ${tools[m]}`"
              :value="days.machines[m]"
              :min="1"
              :max="20"
              :step="1"
              whole
              @change="change({ machines: { ...days.machines, [m]: $event ?? 1 } })"
            />
          </label>
        </div>
      </section>
      <section>
        <h3>Time zone of the workshop</h3>
        <SelectField
          class="zone"
          label="Time zone of the workshop"
          name="zone"
          quiet
          :options="zones"
          :value="days.zone"
          @choose="change({ zone: $event })"
        />
      </section>
    </div>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <template #actions>
      <NButton @click="open = false">Leave it as it was</NButton>
      <NButton type="primary" :disabled="barred" :loading="busy" @click="keep">Keep this calendar</NButton>
    </template>
  </HouseDialog>
</template>

<style scoped>
.all,
section {
  display: grid;
  gap: 12px;
}
.all {
  gap: 20px;
}
.maker {
  padding: 14px 16px;
}
.top {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 12px;
  align-items: end;
}
.skills {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.week {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(225px, 1fr));
  gap: 10px 12px;
}
.add {
  justify-self: start;
}
.figure-field,
.zone {
  max-width: 320px;
}
.wrong {
  color: var(--stop);
}
</style>

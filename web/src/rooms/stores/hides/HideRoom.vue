<script setup lang="ts">
import { boxOf, hideForms, type Point } from '@gentle-awl/core'
import { IconTrash } from '@tabler/icons-vue'
import { NButton, NCheckbox } from 'naive-ui'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { showArea, showLength } from '../../../app/settings.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import type { Brought } from '../../../ui/bringIn/brought.ts'
import BringIn from '../../../ui/bringIn/BringIn.vue'
import BecausePanel from '../../../ui/BecausePanel.vue'
import ButtonLink from '../../../ui/ButtonLink.vue'
import { capital } from '../../../ui/capital.ts'
import FigureField from '../../../ui/FigureField.vue'
import LengthField from '../../../ui/LengthField.vue'
import RoomState from '../../../ui/RoomState.vue'
import SelectField from '../../../ui/SelectField.vue'
import TextField from '../../../ui/TextField.vue'
import HideDrawing from './HideDrawing.vue'
import { broughtHide, markings, soundArea, straight } from './hideFigures.ts'
import MarkFields from './MarkFields.vue'
import { useHide } from './useHide.ts'

/** One hide, sheet, roll or offcut: its edge, flaws, lesser parts, tight direction and thickness, drawn and by number. */
const props = defineProps<{ id: string }>()
const workshop = useWorkshop()
const { attempt } = useAttempt()
onMounted(() => attempt(() => workshop.load()))
const {
  kept,
  fields: hide,
  changed,
  overtaken,
  cannotLoad,
  refused,
  load,
  set,
  giveUp,
  keep,
  remove,
} = useHide(() => props.id)

const box = computed(() => (hide.value ? boxOf(hide.value.outline) : null))
const size = computed(() => ({
  length: box.value ? box.value.maxX - box.value.minX : 0,
  width: box.value ? box.value.maxY - box.value.minY : 0,
}))
const isStraight = computed(() => hide.value?.form === 'sheet' || hide.value?.form === 'roll')
function bring({ outlines, holes }: Brought): void {
  set({ ...broughtHide(outlines[0], holes[0] ?? []), zones: [], samples: [] })
}

/** Corners of what is being marked, and whether a press on the drawing marks anything. */
const corners = ref<Point[]>([])
const marks = ref(false)
const marking = useTemplateRef<{ press: (at: Point) => void }>('marking')
const without = <T,>(list: readonly T[], index: number): T[] => list.filter((_, i) => i !== index)
const nameOf = (value: string) => markings.find((m) => m.value === value)?.name.replace(/^Flaw: (an? )?/, '') ?? value
const sizeOf = (outline: readonly Point[]) => {
  const b = boxOf(outline)
  return `${showLength(b.maxX - b.minX, 0)} × ${showLength(b.maxY - b.minY, 0)}`
}
</script>

<template>
  <RoomState :loading="hide === null" :problem="cannotLoad" what="The hide" @retry="load">
    <div v-if="hide" class="work-and-panel room">
      <h1 class="visually-hidden">{{ kept ? kept.name : 'New hide or sheet' }}</h1>
      <HideDrawing :hide="hide" :corners="corners" :marking="marks" @press="marking?.press($event)" />
      <BecausePanel :title="kept ? kept.name : 'New hide or sheet'">
        <form class="fields" @submit.prevent="keep">
          <p class="figure">
            {{ showLength(size.length, 0) }} × {{ showLength(size.width, 0) }}; {{ showArea(soundArea(hide)) }} of it
            sound.
          </p>
          <TextField
            :value="hide.name"
            label="Name or number"
            name="hide-name"
            :most="80"
            @change="set({ name: $event })"
          />
          <SelectField
            label="It is of"
            name="hide-material"
            :value="hide.materialId ?? ''"
            :options="[
              { value: '', name: 'nothing in the stores yet' },
              ...workshop.materials.map((m) => ({ value: m.id, name: m.name })),
            ]"
            @choose="set({ materialId: $event === '' ? null : $event })"
          />
          <SelectField
            label="It is a"
            name="hide-form"
            :value="hide.form"
            :options="hideForms.map((value) => ({ value, name: value }))"
            @choose="set({ form: $event })"
          />
          <TextField
            :value="hide.place"
            label="Where it lies"
            name="hide-place"
            :most="80"
            @change="set({ place: $event })"
          />
          <h3>Outline</h3>
          <BringIn
            what="the outline of a hide"
            label="Choose an SVG or DXF"
            name="hide-outline"
            :usual="{ what: 'edge' }"
            @take="bring"
          />
          <div v-if="isStraight" class="two">
            <div class="field">
              <span>Length</span>
              <LengthField
                label="Length of the sheet"
                :value="size.length"
                :min="50"
                :max="10000"
                @change="set({ outline: straight($event, size.width) })"
              />
            </div>
            <div class="field">
              <span>Width</span>
              <LengthField
                label="Width of the sheet"
                :value="size.width"
                :min="50"
                :max="3000"
                @change="set({ outline: straight(size.length, $event) })"
              />
            </div>
          </div>
          <label class="field">
            <span>Gives least along, degrees from the ruler</span>
            <FigureField :min="-180" :max="180" :step="5" :value="hide.tight" @change="set({ tight: $event ?? 0 })" />
          </label>

          <h3>Mark on it</h3>
          <MarkFields ref="marking" v-model:corners="corners" v-model:marks="marks" :hide="hide" @change="set" />
          <ul class="plain-list marks" aria-label="What is marked">
            <li v-for="(f, i) in hide.flaws" :key="`f${i}`">
              {{ capital(nameOf(f.kind)) }}, {{ sizeOf(f.outline) }}
              <NButton
                quaternary
                :aria-label="`Take away flaw ${i + 1}`"
                @click="set({ flaws: without(hide.flaws, i) })"
              >
                <template #icon><IconTrash aria-hidden="true" /></template>
              </NButton>
            </li>
            <li v-for="(z, i) in hide.zones" :key="`z${i}`">
              {{ nameOf(z.grade) }}, {{ sizeOf(z.outline) }}
              <NButton
                quaternary
                :aria-label="`Take away part ${i + 1}`"
                @click="set({ zones: without(hide.zones, i) })"
              >
                <template #icon><IconTrash aria-hidden="true" /></template>
              </NButton>
            </li>
            <li v-for="(s, i) in hide.samples" :key="`s${i}`">
              {{ showLength(s.thickness) }} thick at {{ showLength(s.at[0], 0) }}, {{ showLength(s.at[1], 0) }}
              <NButton
                quaternary
                :aria-label="`Take away thickness ${i + 1}`"
                @click="set({ samples: without(hide.samples, i) })"
              >
                <template #icon><IconTrash aria-hidden="true" /></template>
              </NButton>
            </li>
            <li v-for="(d, i) in hide.directions" :key="`d${i}`">
              Gives least at {{ d.tight }}° at {{ showLength(d.at[0], 0) }}, {{ showLength(d.at[1], 0) }}
              <NButton
                quaternary
                :aria-label="`Take away direction ${i + 1}`"
                @click="set({ directions: without(hide.directions, i) })"
              >
                <template #icon><IconTrash aria-hidden="true" /></template>
              </NButton>
            </li>
          </ul>
          <TextField :value="hide.note" label="Note" name="hide-note" :most="500" @change="set({ note: $event })" />
          <NCheckbox :checked="hide.used" @update:checked="set({ used: $event })">Used up</NCheckbox>
          <p v-if="refused" class="wrong" role="alert">{{ refused }}</p>
          <p v-else-if="overtaken" class="wrong" role="alert">
            It was changed elsewhere since you began. Keep lays yours over that; give the changes up to see what stands
            there.
          </p>
          <p v-else-if="changed" class="soft" role="status">
            Not kept yet; it stays in this browser until you keep it.
          </p>
          <div class="row">
            <NButton type="primary" attr-type="submit" :disabled="!changed">Keep</NButton>
            <NButton v-if="changed" @click="giveUp">Give the changes up</NButton>
            <ButtonLink to="/stores/hides">All hides</ButtonLink>
            <NButton v-if="kept" type="error" secondary @click="remove">Delete</NButton>
          </div>
        </form>
      </BecausePanel>
    </div>
  </RoomState>
</template>

<style scoped>
.room {
  height: 100%;
}
.fields {
  display: grid;
  gap: 10px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  align-items: end;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.marks li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  min-height: 44px;
  border-top: 1px solid var(--line);
}
h3 {
  margin: 8px 0 0;
}
p {
  margin: 0;
}
.wrong {
  color: var(--stop);
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { Check, CheckReading, Verdict } from '@gentle-awl/core'
import { computed } from 'vue'
import type { SentReading } from '../../../../api/record.ts'
import { showFigure, tell } from '../../../../app/settings.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import FigureField from '../../../../ui/FigureField.vue'
import LevelMark from '../../../../ui/LevelMark.vue'
import PhotoStrip from './PhotoStrip.vue'

/** One check: what is planned, what was measured on either shoe, what it comes to, and photographs of it. */
const props = defineProps<{
  check: Check
  readings: Record<'right' | 'left', CheckReading | null>
  verdicts: readonly Verdict[]
  busy: boolean
}>()
const emit = defineEmits<{ read: [reading: SentReading]; back: [verdict: Verdict] }>()
const feet = computed(() => (['right', 'left'] as const).filter((foot) => props.check.at[foot] !== null))
const looked = [
  { value: 'fine', name: 'As it should be' },
  { value: 'not', name: 'Not so' },
] as const
const planned = (foot: 'right' | 'left'): string => {
  const f = props.check.figure
  if (!f) return ''
  const unit = f.unit === 'mm' ? 'mm' : 'count'
  const bound = f.bound[foot]
  switch (bound.kind) {
    case 'near':
      return bound.tolerance === 0
        ? showFigure(f.planned[foot], unit)
        : `${showFigure(f.planned[foot], unit)} ± ${showFigure(bound.tolerance, unit)}`
    case 'at most':
      return `${showFigure(bound.limit, unit)} or less`
    case 'at least':
      return `${showFigure(bound.limit, unit)} or more`
  }
}
const plannedWords = computed(() => {
  const each = feet.value.map(planned)
  return new Set(each).size === 1 ? each[0] : feet.value.map((f, i) => `${f} ${each[i]}`).join(', ')
})
const lookOf = (foot: 'right' | 'left') => {
  const fine = props.readings[foot]?.fine
  return fine === undefined || fine === null ? null : fine ? 'fine' : 'not'
}
/** What is well is said in one line; what is not, shoe by shoe. */
const wrong = computed(() => props.verdicts.filter((v) => v.level !== 'fine'))
const between = computed(() => props.verdicts.find((v) => v.foot === null) ?? null)
const footWord = (foot: 'right' | 'left') => (foot === 'right' ? 'Right' : 'Left')
function measure(foot: 'right' | 'left', value: number | null): void {
  if (value !== null) emit('read', { check: props.check.id, foot, value })
}
const sendWords = ({ foot, back }: Verdict) => `Send the ${foot ?? back?.foot} shoe back …`
</script>

<template>
  <article class="card check" :data-check="check.id">
    <div class="about">
      <h3>{{ check.name }}</h3>
      <p class="soft">{{ tell(check.how) }}</p>
      <p v-if="check.figure" class="figure planned">Planned {{ plannedWords }}</p>
    </div>
    <div class="taken">
      <template v-for="foot in feet" :key="foot">
        <label v-if="check.figure" class="field">
          <span>{{ check.at.left === null || check.at.right === null ? 'Measured' : footWord(foot) }}</span>
          <FigureField
            :label="`${check.name}, ${foot}`"
            :name="`${check.id}-${foot}`"
            :value="readings[foot]?.value ?? null"
            :unit="check.figure.unit === 'mm' ? 'mm' : undefined"
            :whole="check.figure.unit === 'count'"
            :min="0"
            :max="1000"
            :step="check.figure.unit === 'mm' ? 0.5 : 1"
            empty=""
            @change="measure(foot, $event)"
          />
        </label>
        <div v-else class="look">
          <span class="soft">{{ footWord(foot) }}</span>
          <ChoiceBar
            :label="`${check.name}, ${foot}`"
            :options="looked"
            :value="lookOf(foot)"
            @choose="emit('read', { check: check.id, foot, fine: $event === 'fine' })"
          />
        </div>
      </template>
    </div>
    <div role="status">
      <ul class="verdicts">
        <li v-if="verdicts.length > 0 && wrong.length === 0" class="fine">
          <LevelMark level="fine" quiet />
          <p>{{ check.figure ? 'As planned.' : 'As it should be.' }} {{ between ? tell(between.sentence) : '' }}</p>
        </li>
        <li v-for="v in wrong" :key="v.foot ?? 'both'" :class="v.level">
          <LevelMark :level="v.level" quiet />
          <div>
            <p>{{ tell(v.sentence) }}</p>
            <template v-if="v.back">
              <p class="mend">{{ tell(v.back.mend) }}</p>
              <NButton :disabled="busy" @click="emit('back', v)">{{ sendWords(v) }}</NButton>
            </template>
          </div>
        </li>
      </ul>
    </div>
    <PhotoStrip class="photos" :check="check.id" :name="check.name" />
  </article>
</template>

<style scoped>
.check {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 6px 20px;
  padding: 12px 16px;
}
.about h3,
.about p {
  margin: 0;
}
.planned {
  margin-top: 4px;
  font-weight: 600;
}
.taken {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-content: start;
}
.taken .field {
  width: 110px;
}
.look {
  display: grid;
  gap: 2px;
}
.photos {
  justify-content: flex-end;
}
.verdicts {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.verdicts li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  gap: 8px;
  align-items: start;
}
.verdicts p {
  margin: 0;
}
.verdicts > .stop {
  padding: 8px 10px;
  border-radius: 10px;
  background: var(--stop-soft);
}
.mend {
  padding: 2px 0 6px;
}
@media (max-width: 700px) {
  .check {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

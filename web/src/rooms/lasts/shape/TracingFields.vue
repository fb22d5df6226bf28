<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { BottomTracing } from '@gentle-awl/core'
import { ref } from 'vue'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import { showLength } from '../../../app/settings.ts'
import type { ReadOutlines } from '../../../formats/readOutlines.ts'
import { outlinesOf } from '../../../workers/outlines/outlinesOf.ts'
import { thinnedOutline } from './thinned.ts'
import type { TracedBottomView } from '../../../workers/last/lastWorker.ts'
import FigureField from '../../../ui/FigureField.vue'
import { useAttempt } from '../../../app/useAttempt.ts'
import type { Brought } from '../../../ui/bringIn/brought.ts'
import BringIn from '../../../ui/bringIn/BringIn.vue'
import TextField from '../../../ui/TextField.vue'

/** Where a bottom's outline comes from, and how the pencil line is to be read. */
const tracing = defineModel<BottomTracing | null>({ required: true })
const props = defineProps<{ view: TracedBottomView | null }>()
const { problem: wrong, attempt } = useAttempt()
const from = ref('')
const byHand = ref(false)
const text = ref('')

const fresh = (points: BottomTracing['points']): BottomTracing => ({
  points,
  pencil: tracing.value?.pencil ?? 0.7,
  digitised: tracing.value?.digitised ?? 'middle',
  smoothing: tracing.value?.smoothing ?? 3,
  laid: tracing.value?.laid ?? 'stood',
  turned: false,
  flipped: false,
  joints: null,
})
function take({ outlines, unit }: ReadOutlines, name: string): void {
  tracing.value = fresh(thinnedOutline(outlines[0]))
  wrong.value = ''
  from.value = `${name}: ${outlines.length === 1 ? 'one outline' : `the largest of ${outlines.length} outlines`}, unit ${unit}.`
}
function takeBrought({ outlines, pencil, said }: Brought): void {
  tracing.value = fresh(thinnedOutline(outlines[0]))
  if (pencil !== null) set({ pencil, digitised: 'middle' })
  wrong.value = ''
  from.value = said
}
const takePoints = () => attempt(async () => take(await outlinesOf(text.value, 'The points'), 'The points'))
function set(some: Partial<BottomTracing>): void {
  if (tracing.value) tracing.value = { ...tracing.value, ...some }
}
/** A joint set by hand holds both where they are; a figure that cannot be gives them back to the widest places. */
function setJoint(side: 'lateral' | 'medial', mm: number | null): void {
  const found = props.view?.read.bottom.joints
  set({ joints: found && mm !== null ? { lateral: found.lateral, medial: found.medial, [side]: mm } : null })
}
const sides = [
  { value: 'inside', name: 'Inner edge' },
  { value: 'middle', name: 'Middle' },
  { value: 'outside', name: 'Outer edge' },
] as const
const laid = [
  { value: 'stood', name: 'Last stood on it' },
  { value: 'wrapped', name: 'Laid on the bottom' },
] as const
</script>

<template>
  <fieldset class="tracing bare">
    <legend>Tracing of the bottom</legend>
    <BringIn
      class="all"
      what="the tracing of the bottom"
      label="Choose an SVG or DXF"
      name="tracing"
      @take="takeBrought"
    />
    <NButton :aria-expanded="byHand" @click="byHand = !byHand">Points by hand</NButton>
    <template v-if="byHand">
      <TextField
        v-model:value="text"
        class="all"
        label="One point a line: x and y, mm"
        name="tracing-points"
        :rows="5"
        figures
      />
      <NButton @click="takePoints">Take these points</NButton>
    </template>
    <p v-if="wrong" class="wrong all" role="alert">{{ wrong }}</p>
    <p v-if="from" class="soft all">{{ from }}</p>
    <template v-if="tracing">
      <div class="all line">
        <span>Digitised at the pencil line’s</span>
        <ChoiceBar
          label="Digitised at"
          :options="sides"
          :value="tracing.digitised"
          @choose="set({ digitised: $event })"
        />
      </div>
      <label class="field">
        <span>Pencil line, mm</span>
        <FigureField :min="0" :max="3" :step="0.1" :value="tracing.pencil" @change="set({ pencil: $event ?? 0 })" />
      </label>
      <label class="field">
        <span>Smoothing, mm</span>
        <FigureField
          :min="0"
          :max="15"
          :step="0.5"
          :value="tracing.smoothing"
          @change="set({ smoothing: $event ?? 0 })"
        />
      </label>
      <div class="all line">
        <span>The paper</span>
        <ChoiceBar label="The paper" :options="laid" :value="tracing.laid" @choose="set({ laid: $event })" />
      </div>
      <NButton :aria-pressed="tracing.turned" @click="set({ turned: !tracing.turned })">
        Heel at the other end
      </NButton>
      <NButton :aria-pressed="tracing.flipped" @click="set({ flipped: !tracing.flipped })">
        Medial is the other side
      </NButton>
      <label v-for="q in ['lateral', 'medial'] as const" :key="q" class="field">
        <span>{{ q === 'lateral' ? 'Lateral' : 'Medial' }} joint from the heel, mm</span>
        <FigureField
          :min="60"
          :max="300"
          :value="view ? Math.round(view.read.bottom.joints[q]) : null"
          empty="the widest place"
          @change="setJoint(q, $event)"
        />
      </label>
      <dl v-if="view" class="all figures">
        <div>
          <dt>Length of the last</dt>
          <dd class="figure" data-testid="traced-length">{{ showLength(view.measures.length) }}</dd>
        </div>
        <div>
          <dt>Seat, waist, joint</dt>
          <dd class="figure">
            {{ showLength(view.read.widths.seat) }} · {{ showLength(view.read.widths.waist) }} ·
            {{ showLength(view.read.widths.joint) }}
          </dd>
        </div>
        <div>
          <dt>Smoothing moved the line</dt>
          <dd class="figure">
            {{ showLength(view.read.smoothed.usual, 2) }}, at most {{ showLength(view.read.smoothed.most, 2) }}
          </dd>
        </div>
        <div>
          <dt>The pencil would have added</dt>
          <dd class="figure" data-testid="pencil">
            {{ showLength(view.pencil.length, 2) }} length, {{ showLength(view.pencil.jointGirth, 2) }} joint girth
          </dd>
        </div>
      </dl>
    </template>
  </fieldset>
</template>

<style scoped>
.tracing {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
}
.all {
  grid-column: 1 / -1;
}
.line {
  display: grid;
  gap: 4px;
}
.figures div {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 12px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.figures {
  margin: 0;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
  text-align: right;
  white-space: normal;
}
</style>

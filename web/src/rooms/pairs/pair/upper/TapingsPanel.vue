<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  flatOutline,
  guessReferences,
  referencePoints,
  resample,
  wallSides,
  type FormeMap,
  type Side,
  type Taping,
  type UpperDecisions,
} from '@gentle-awl/core'
import { shallowRef } from 'vue'
import { showLength } from '../../../../app/settings.ts'
import { drawnFile } from '../../../../workers/outlines/drawnFile.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import FileButton from '../../../../ui/FileButton.vue'
import FigureField from '../../../../ui/FigureField.vue'

/** A forme from tape: both sides brought in as drawings, each with two reference points. */
const props = defineProps<{ tapings: UpperDecisions['forme']['tapings']; map: FormeMap }>()
const emit = defineEmits<{ change: [tapings: UpperDecisions['forme']['tapings']] }>()
const { problem: wrong, attempt } = useAttempt()
/** Sides that were brought in so far; the forme changes when both are there. */
const waiting = shallowRef<Partial<Record<Side, Taping>>>({})
const MOST_POINTS = 500

async function file(chosen: File, side: Side): Promise<void> {
  await attempt(async () => {
    const drawn = await drawnFile(chosen)
    const [first] = drawn.outlines
    const outline = first.length > MOST_POINTS ? resample(first, MOST_POINTS, true) : first
    const { surface, forme } = props.map
    const marks = referencePoints(surface, forme.walls, forme.flat[side])
    waiting.value = {
      ...waiting.value,
      [side]: guessReferences(outline, flatOutline(forme, forme.flat[side]), marks),
    }
    send()
  })
}
function send(): void {
  const lateral = waiting.value.lateral ?? props.tapings?.lateral
  const medial = waiting.value.medial ?? props.tapings?.medial
  if (!lateral || !medial) return
  waiting.value = {}
  emit('change', { lateral, medial })
}
function setPoint(side: Side, which: 'back' | 'vamp', axis: 0 | 1, value: number | null): void {
  if (!props.tapings || value === null) return
  const taping = props.tapings[side]
  const point: [number, number] = axis === 0 ? [value, taping[which][1]] : [taping[which][0], value]
  emit('change', { ...props.tapings, [side]: { ...taping, [which]: point } })
}
const names = { lateral: 'Lateral side', medial: 'Medial side' }
const round = (v: number) => Math.round(v * 10) / 10
</script>

<template>
  <fieldset class="tape">
    <legend>Forme from tape</legend>
    <p class="soft">
      Tape each side of the last, cut it off at feather, ridge, cone and back, lay it flat and draw round it.
    </p>
    <div v-for="side in wallSides" :key="side" class="row">
      <FileButton
        :label="`${names[side]}: SVG or DXF`"
        accept=".svg,.dxf,.txt,.csv"
        :name="`taping-${side}`"
        @file="file($event, side)"
      />
      <span v-if="waiting[side]" role="status">read; now the other side</span>
      <span v-else-if="tapings">there</span>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="tapings">
      <p v-if="map.forme.taped" role="status">
        The tape lies {{ showLength(map.forme.taped.mean) }} from the computed edge on average,
        {{ showLength(map.forme.taped.most) }} at most.
      </p>
      <p class="soft">Reference points, in the drawing’s own millimetres; put them right where the guess is off.</p>
      <div v-for="side in wallSides" :key="`p${side}`" class="points">
        <template v-for="which in ['back', 'vamp'] as const" :key="which">
          <span>{{ side }}, {{ which === 'back' ? 'back point' : 'vamp point' }}</span>
          <FigureField
            v-for="axis in [0, 1] as const"
            :key="axis"
            :value="round(tapings[side][which][axis])"
            :label="`${side} ${which} point, ${axis === 0 ? 'x' : 'y'}, mm`"
            @change="setPoint(side, which, axis, $event)"
          />
        </template>
      </div>
      <NButton @click="emit('change', null)">Back to the computed forme</NButton>
    </template>
  </fieldset>
</template>

<style scoped>
.tape {
  display: grid;
  gap: 8px;
  border: 1px solid var(--line);
  border-radius: 10px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.points {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 88px 88px;
  gap: 6px;
  align-items: center;
}
</style>

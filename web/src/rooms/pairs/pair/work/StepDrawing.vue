<script setup lang="ts">
import { NButton } from 'naive-ui'
import { partOfMade, piecesOfPair, WallStack, type Part, type Step } from '@gentle-awl/core'
import { computed, ref, watch } from 'vue'
import DrawingTable from '../../../../drawing/DrawingTable.vue'
import { usePair } from '../../../../stores/pairStore.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import SeamDrawing from '../edges/SeamDrawing.vue'
import TackDrawing from '../lasting/TackDrawing.vue'
import { useStripTacks } from '../lasting/useStripTacks.ts'
import PairBoard from '../parts/PairBoard.vue'
import { lastedIn } from './lastedIn.ts'

/** What a step is about, drawn: its tacks, its seams cut through, its pieces. */
const props = defineProps<{ step: Step }>()
const pair = usePair()
// A step of one foot is looked at on that foot.
watch(
  () => props.step.foot,
  (foot) => {
    if (foot) pair.foot = foot
  },
  { immediate: true },
)
const strip = computed(() => {
  const id = pair.decisions && lastedIn(props.step.key, pair.decisions.construction)
  return pair.plan?.lasting.strips.find((s) => s.id === id && !s.isInside) ?? null
})
const { driven, next, tick, back, feather, depth, said } = useStripTacks(() => strip.value)
const seams = computed(() => pair.plan?.edges.seams.filter((s) => props.step.seams.includes(s.id)) ?? [])
const wall = computed(() => (pair.plan ? new WallStack(pair.plan.layers.areas) : null))
/** Parts and pieces of the shoe that is looked at, as what can be drawn. */
const parts = computed((): Part[] => {
  const { plan, input } = pair
  if (!plan || !input) return []
  const wanted = new Set(props.step.parts.map(partOfMade))
  const pieces = plan.upper.pieces.length > 0 ? piecesOfPair(input, { ...plan, left: null }) : []
  return [
    ...pieces.filter((p) => wanted.has(p.record)).map((p): Part => ({ ...p.feet[0]!.part, place: 'wall', areas: [] })),
    ...plan.parts.filter((p) => wanted.has(p.id)),
  ]
})
/** The one that has an outline to be shown large, with its lines; strips go by measure. */
const single = computed(() => {
  const drawn = parts.value.filter((p) => !p.strip)
  return drawn.length === 1 ? drawn[0]! : null
})
type Shown = 'tacks' | 'seam' | 'pieces'
const ways = computed(() => [
  ...(strip.value ? [{ value: 'tacks' as const, name: 'Tacks' }] : []),
  ...(seams.value.length > 0 ? [{ value: 'seam' as const, name: 'Seam, cut through' }] : []),
  ...(parts.value.length > 0 ? [{ value: 'pieces' as const, name: single.value ? 'Piece' : 'Pieces' }] : []),
])
const wanted = ref<Shown | null>(null)
const shown = computed(() => ways.value.find((w) => w.value === wanted.value)?.value ?? ways.value[0]?.value ?? null)
const seamNames = computed(() => seams.value.map((s) => ({ value: s.id, name: s.name })))
const wantedSeam = ref('')
const seam = computed(() => seams.value.find((s) => s.id === wantedSeam.value) ?? seams.value[0] ?? null)
const names: Readonly<Record<string, string>> = {
  lining: 'Lining',
  stiffener: 'Stiffener',
  puff: 'Toe puff',
  upper: 'Upper',
}
</script>

<template>
  <div v-if="shown" class="drawing">
    <div v-if="ways.length > 1 || (shown === 'seam' && seams.length > 1)" class="choose on-slate">
      <ChoiceBar v-if="ways.length > 1" label="Drawn" :options="ways" :value="shown" @choose="wanted = $event" />
      <ChoiceBar
        v-if="shown === 'seam' && seams.length > 1"
        label="Which seam"
        :options="seamNames"
        :value="seam?.id ?? null"
        @choose="wantedSeam = $event"
      />
    </div>
    <TackDrawing
      v-if="shown === 'tacks' && strip"
      class="fill"
      :feather="feather"
      :strip="strip"
      :name="names[strip.id] ?? ''"
      :depth="depth"
      :foot="pair.foot"
      :driven="driven"
      :next="next?.number ?? null"
      :said="said"
      @tick="tick"
    >
      <NButton v-if="next" type="primary" size="large" @click="tick(next.number)">Tack {{ next.number }} is in</NButton>
      <NButton size="large" :disabled="driven.size === 0" @click="back">Take back</NButton>
    </TackDrawing>
    <SeamDrawing v-else-if="shown === 'seam' && seam" :key="seam.id" class="fill" :seam="seam" :wall="wall" />
    <DrawingTable v-else-if="single" v-model:foot="pair.foot" class="fill" :part="single" />
    <PairBoard v-else class="fill" :parts="parts" :to="(id) => `/pairs/${pair.view?.id}/parts/${id}`" />
  </div>
</template>

<style scoped>
.drawing {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  height: 100%;
  background: var(--slate);
}
.choose {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 10px 12px;
}
.fill {
  flex: 1;
  min-height: 0;
}
</style>

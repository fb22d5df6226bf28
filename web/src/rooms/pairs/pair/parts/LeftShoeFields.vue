<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  handDecisions,
  handFigures,
  LeftShoe,
  paddings,
  shelfFigures,
  type HandDecision,
  type PairDecisions,
} from '@gentle-awl/core'
import { computed } from 'vue'
import { showFigure, showLength } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import LeftLastFields from './LeftLastFields.vue'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import FoldOut from '../../../../ui/FoldOut.vue'
import SelectField from '../../../../ui/SelectField.vue'

/** What is decided for the left shoe alone: its last, its padding, and figures that were set by hand for it. */
const pair = usePair()
const workshop = useWorkshop()
const d = computed(() => pair.decisions as PairDecisions)
const left = computed(() => d.value.left)
/** The right shoe's last, whichever shoe is shown. */
const rightLast = computed(() => workshop.lastOf(d.value.lastId))

const ways = [
  { value: 'mirror', name: 'Mirror of the right' },
  { value: 'own', name: 'On its own' },
] as const
function choose(way: 'mirror' | 'own'): void {
  pair.change({ ...d.value, left: way === 'own' ? LeftShoe.parse({}) : null })
}
function set(next: Partial<LeftShoe>): void {
  if (!left.value) return
  const decided = { ...d.value, left: { ...left.value, ...next } }
  const material = workshop.paddingFor(d.value)
  const needs = decided.left.padding !== null && decided.left.padding !== 'none'
  pair.change(needs ? { ...decided, materials: { ...decided.materials, padding: material } } : decided)
}
const lasts = computed(() => [
  { value: '', name: 'the right one’s mirror' },
  ...workshop.lasts
    .filter((l) => l.id !== d.value.lastId)
    .map((l) => ({ value: l.id, name: `${l.name}, ${showLength(shelfFigures(l.shape).length, 0)}` })),
])
const padding = computed(() => [
  { value: '', name: 'as in the right one' },
  ...paddings.map((p) => ({ value: p, name: p === 'none' ? 'no padding' : p })),
])
const figures = computed(() =>
  handDecisions.flatMap((key) => {
    const value = left.value?.figures[key]
    if (value === undefined) return []
    const { title, unit } = handFigures[key]
    return [{ key, name: title, said: value === null ? 'by the rule' : showFigure(value, unit) }]
  }),
)
function giveBack(key: HandDecision): void {
  if (!left.value) return
  set({ figures: Object.fromEntries(Object.entries(left.value.figures).filter(([k]) => k !== key)) })
}
</script>

<template>
  <section class="left" aria-label="The left shoe">
    <span>The left shoe is planned</span>
    <ChoiceBar label="The left shoe is planned" :options="ways" :value="left ? 'own' : 'mirror'" @choose="choose" />
    <template v-if="left">
      <SelectField
        label="Last of the left shoe"
        name="left-last"
        :value="left.lastId ?? ''"
        :options="lasts"
        @choose="set({ lastId: $event === '' ? null : $event })"
      />
      <FoldOut v-if="rightLast" title="As the right last, but …">
        <LeftLastFields :right="rightLast" :order="pair.label?.order ?? ''" @made="set({ lastId: $event })" />
      </FoldOut>
      <SelectField
        label="Padding in the left shoe"
        name="left-padding"
        :value="left.padding ?? ''"
        :options="padding"
        @choose="set({ padding: $event === '' ? null : ($event as LeftShoe['padding']) })"
      />
      <ul v-if="figures.length > 0" class="figures" aria-label="Set by hand for the left shoe">
        <li v-for="f in figures" :key="f.key">
          <span>{{ f.name }}</span>
          <strong class="figure">{{ f.said }}</strong>
          <NButton :aria-label="`${f.name}: as on the right`" @click="giveBack(f.key)"> As right </NButton>
        </li>
      </ul>
      <p class="soft">
        While the left shoe is shown, what is set by hand counts for it alone; the upper’s lines, materials and rules
        are the pair’s.
      </p>
    </template>
    <p v-else class="soft">Feet differ: give the left shoe a last, a padding or figures of its own where they do.</p>
  </section>
</template>

<style scoped>
.left {
  display: grid;
  gap: 10px;
  margin: 12px 0 18px;
}
.figures {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.figures li {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 10px;
  align-items: center;
}
</style>

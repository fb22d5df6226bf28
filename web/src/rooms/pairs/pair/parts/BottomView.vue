<script setup lang="ts">
import { NCheckbox, NTable } from 'naive-ui'
import { traitsOf, type PairDecisions } from '@gentle-awl/core'
import { computed } from 'vue'
import { bareLength, lengthWord } from '../../../../app/settings.ts'
import BoughtSoleDrawing from '../../../../drawing/BoughtSoleDrawing.vue'
import { usePair } from '../../../../stores/pairStore.ts'
import BecauseItem from '../../../../ui/BecauseItem.vue'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import FindingItem from '../../../../ui/FindingItem.vue'
import OutlinesDrawing from './OutlinesDrawing.vue'
import SideSection from './SideSection.vue'
import TracedShoe from './TracedShoe.vue'

/** The whole bottom in side section, to scale, with the heel under it. */
const pair = usePair()
const bottom = computed(() => pair.plan?.bottom ?? null)
const d = computed(() => pair.decisions as PairDecisions)
/** A tracing is of one shoe: the left one has its own where it is planned on its own. */
function setLasted(lasted: PairDecisions['lasted']): void {
  if (pair.ownLeft && d.value.left) pair.change({ ...d.value, left: { ...d.value.left, lasted } })
  else pair.change({ ...d.value, lasted })
}
const bought = computed(() => traitsOf(d.value.construction).bought)
const places = ['seat', 'waist', 'tread', 'toe'] as const
/** Where the traced shoe differs most from the predicted one, if it does at all. */
const worst = computed(() => {
  const t = bottom.value?.traced
  if (!t) return null
  const w = t.fullest.by >= -t.leanest.by ? t.fullest : t.leanest
  return Math.abs(w.by) > 0.3 ? { from: w.predicted, to: w.traced } : null
})
const heelBecauses = computed(() => {
  const seen = new Set<string>()
  return (pair.plan?.parts ?? [])
    .filter((p) => ['heelWedge', 'heelLift', 'topPiece', 'unit', 'shank', 'filler'].includes(p.id))
    .flatMap((p) => p.becauses)
    .filter((b) => !seen.has(b.quantity) && seen.add(b.quantity))
})
function setWedge(wedge: boolean): void {
  pair.change({ ...d.value, heel: { ...d.value.heel, wedge } })
}
</script>

<template>
  <div v-if="bottom" class="work-and-panel">
    <div class="drawings">
      <SideSection :bottom="bottom" />
      <BoughtSoleDrawing
        v-if="bought"
        :fit="bought === 'cup' ? bottom.cup : bottom.unit"
        :foot="pair.foot"
        :empty="`No ${bought === 'cup' ? 'cup sole' : 'flat unit'} is chosen yet: choose one in Decisions.`"
      />
      <OutlinesDrawing
        v-else
        :parts="pair.plan?.parts ?? []"
        :lasted="bottom.predicted"
        :traced="bottom.traced?.outline ?? null"
        :worst="worst"
        :foot="pair.foot"
      />
    </div>
    <BecausePanel title="Side section">
      <NTable size="small" :bordered="false" class="stack">
        <thead>
          <tr>
            <th scope="col">Under the last, {{ lengthWord }}</th>
            <th v-for="p in places" :key="p" scope="col">{{ p }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in bottom.profile.layers" :key="l.id">
            <th scope="row">{{ l.name.split(',')[0] }}</th>
            <td v-for="p in places" :key="p" class="figure">{{ bareLength(l.at[p]) }}</td>
          </tr>
          <tr class="sum">
            <th scope="row">Together</th>
            <td v-for="p in places" :key="p" class="figure">{{ bareLength(bottom.profile.thickness[p]) }}</td>
          </tr>
        </tbody>
      </NTable>
      <NCheckbox v-if="bottom.heel" class="check" :checked="d.heel.wedge" @update:checked="setWedge"
        >A wedge takes up the slope of the seat</NCheckbox
      >
      <TracedShoe :lasted="pair.decided?.lasted ?? d.lasted" :bottom="bottom" @change="setLasted" />
      <h3>Checks</h3>
      <ul class="findings">
        <FindingItem v-for="f in bottom.findings" :key="f.id" :finding="f" />
      </ul>
      <h3>Because</h3>
      <ul class="reasons">
        <BecauseItem v-for="b in heelBecauses" :key="b.quantity" :because="b" />
      </ul>
    </BecausePanel>
  </div>
</template>

<style scoped>
.drawings {
  display: grid;
  grid-template-rows: minmax(0, 1fr) minmax(0, 1fr);
  gap: 2px;
  min-width: 0;
  min-height: 0;
  background: var(--slate-deep);
}
.sum > * {
  font-weight: 600;
}
.check {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
.check input {
  width: 22px;
  height: 22px;
}
.stack {
  margin: 12px 0;
}
.stack.n-table td,
.stack.n-table thead th:not(:first-child) {
  text-align: end;
}
</style>

<script setup lang="ts">
import { paddings, roleNames, stiffenerFronts, type PairDecisions, type PartId } from '@gentle-awl/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import DrawingTable from '../../drawing/DrawingTable.vue'
import PartShape from '../../drawing/PartShape.vue'
import { usePair } from '../../plan/pairStore.ts'
import { choicesFor } from '../../plan/choices.ts'
import { useWorkshop } from '../../plan/workshopStore.ts'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import MaterialSelect from '../../ui/MaterialSelect.vue'
import BecauseItem from '../../ui/BecauseItem.vue'
import BecausePanel from '../../ui/BecausePanel.vue'
import FindingItem from '../../ui/FindingItem.vue'
import LevelMark from '../../ui/LevelMark.vue'
import { partLevel } from '../pair/stages.ts'
import SkiveSection from './SkiveSection.vue'

const route = useRoute()
const pair = usePair()
const workshop = useWorkshop()

const parts = computed(() => pair.plan?.parts ?? [])
const part = computed(() => parts.value.find((p) => p.id === (route.params.part as PartId)) ?? parts.value[0])
const d = computed(() => pair.decisions as PairDecisions)

function setMaterial(id: string | null): void {
  const p = part.value
  if (!p) return
  if (p.role === 'padding' && id === null) setPadding('none')
  else pair.change({ ...d.value, materials: { ...d.value.materials, [p.role]: id } })
}
const setFront = (front: (typeof stiffenerFronts)[number]) =>
  pair.change({ ...d.value, stiffener: { ...d.value.stiffener, front, lateralEnd: null, medialEnd: null } })

/** Padding needs a material: the first fit one in the stores until another is chosen. */
function setPadding(extent: (typeof paddings)[number]): void {
  const material = d.value.materials.padding ?? choicesFor('padding', workshop.materials)[0]?.id ?? null
  pair.change({
    ...d.value,
    sock: { ...d.value.sock, padding: material ? extent : 'none' },
    materials: { ...d.value.materials, padding: material },
  })
}
const isSock = computed(() => part.value?.id === 'sock' || part.value?.id === 'padding')
</script>

<template>
  <div v-if="part" class="work-and-panel">
    <div class="left">
      <nav class="parts" aria-label="Parts">
        <RouterLink
          v-for="p in parts"
          :key="p.id"
          :to="`/pairs/${pair.view?.id}/parts/${p.id}`"
          class="chip"
          :class="{ here: p.id === part.id }"
          :aria-current="p.id === part.id ? 'page' : undefined"
        >
          <PartShape :part="p" class="thumb" aria-hidden="true" />
          <span>{{ p.name }}</span>
          <LevelMark v-if="partLevel(p) !== 'fine'" :level="partLevel(p)" :size="18" quiet />
        </RouterLink>
      </nav>
      <DrawingTable :key="part.id" :part="part" class="table" />
      <p v-if="pair.planning" class="planning" role="status">Planning …</p>
    </div>
    <BecausePanel :title="part.name">
      <div class="top">
        <MaterialSelect
          :role="part.role"
          :label="`${roleNames[part.role]} from`"
          :value="d.materials[part.role]"
          @choose="setMaterial"
        />
        <ChoiceBar
          v-if="part.id === 'stiffener'"
          label="Front of the stiffener"
          :options="stiffenerFronts.map((value) => ({ value, name: value }))"
          :value="d.stiffener.front"
          @choose="setFront"
        />
        <ChoiceBar
          v-if="isSock"
          label="Padding"
          :options="paddings.map((value) => ({ value, name: value === 'none' ? 'no padding' : value }))"
          :value="d.sock.padding"
          @choose="setPadding"
        />
      </div>
      <ul v-if="part.findings.length > 0" class="findings" aria-label="Checks">
        <FindingItem v-for="f in part.findings" :key="f.id" :finding="f" />
      </ul>
      <h3>Because</h3>
      <ul class="reasons">
        <BecauseItem v-for="b in part.becauses" :key="b.quantity" :because="b" />
      </ul>
      <template v-if="part.skives.length > 0">
        <h3>Skives</h3>
        <SkiveSection v-for="s in part.skives" :key="s.name" :skive="s" :thickness="part.thickness" />
      </template>
    </BecausePanel>
  </div>
</template>

<style scoped>
.left {
  position: relative;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-width: 0;
  min-height: 0;
}
.parts {
  display: flex;
  gap: 4px;
  padding: 8px 8px;
  overflow-x: auto;
  background: var(--slate-deep);
}
.chip {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 48px;
  padding: 0 10px;
  border: 1px solid #4a5d66;
  border-radius: 10px;
  background: var(--slate);
  color: #eef2ee;
  text-decoration: none;
  white-space: nowrap;
}
.chip.here {
  background: #f6f7f4;
  color: #17262b;
  font-weight: 600;
}
.chip :deep(.watch) {
  color: #e6b355;
}
.chip :deep(.stop) {
  color: #f0939b;
}
.chip.here :deep(.watch) {
  color: #8a5a06;
}
.chip.here :deep(.stop) {
  color: #a6303c;
}
.chip:focus-visible {
  outline-color: #ffd48a;
}
.thumb {
  width: 30px;
  height: 24px;
}
.chip.here .thumb :deep(path) {
  stroke: #17262b;
}
.top {
  display: grid;
  gap: 12px;
  justify-items: start;
  margin: 12px 0;
}
.top .field {
  width: 100%;
}
.findings,
.reasons {
  display: grid;
  gap: 6px;
  margin: 0 0 18px;
  padding: 0;
}
.reasons {
  gap: 0;
}
.planning {
  position: absolute;
  right: 14px;
  top: 104px;
  padding: 4px 10px;
  border-radius: 8px;
  background: #1b282f;
  color: #eef2ee;
}
</style>

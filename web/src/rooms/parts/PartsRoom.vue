<script setup lang="ts">
import { paddings, roleNames, stiffenerFronts, type PairDecisions, type PartId } from '@gentle-awl/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { showLength } from '../../app/settings.ts'
import DrawingTable from '../../drawing/DrawingTable.vue'
import PartShape from '../../drawing/PartShape.vue'
import { usePair } from '../../plan/pairStore.ts'
import { choicesFor } from '../../plan/choices.ts'
import { useWorkshop } from '../../plan/workshopStore.ts'
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
const choices = computed(() => (part.value ? choicesFor(part.value.role, workshop.materials) : []))

function setMaterial(event: Event): void {
  const p = part.value
  if (p)
    pair.change({
      ...d.value,
      materials: { ...d.value.materials, [p.role]: (event.target as HTMLSelectElement).value },
    })
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
  <div v-if="part" class="room">
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
        <label class="field">
          <span>{{ roleNames[part.role] }} from</span>
          <select :value="d.materials[part.role] ?? ''" @change="setMaterial">
            <option v-for="m in choices" :key="m.id" :value="m.id">{{ m.name }}, {{ showLength(m.thickness) }}</option>
          </select>
        </label>
        <div v-if="part.id === 'stiffener'" class="segments" role="radiogroup" aria-label="Front of the stiffener">
          <button
            v-for="f in stiffenerFronts"
            :key="f"
            type="button"
            role="radio"
            :aria-checked="d.stiffener.front === f"
            @click="setFront(f)"
          >
            {{ f }}
          </button>
        </div>
        <div v-if="isSock" class="segments" role="radiogroup" aria-label="Padding">
          <button
            v-for="p in paddings"
            :key="p"
            type="button"
            role="radio"
            :aria-checked="d.sock.padding === p"
            @click="setPadding(p)"
          >
            {{ p === 'none' ? 'no padding' : p }}
          </button>
        </div>
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
.room {
  position: relative;
  display: grid;
  grid-template-columns: minmax(0, 1fr) var(--panel);
  height: 100%;
}
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
@media (max-width: 999px) {
  .room {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
import { roleNames, type MaterialRole, type PairDecisions, type Part } from '@gentle-awl/core'
import { computed } from 'vue'
import DrawingTable from '../../drawing/DrawingTable.vue'
import { choicesFor } from '../../plan/choices.ts'
import { useCompare } from '../../plan/compareStore.ts'
import { usePair } from '../../plan/pairStore.ts'
import { useWorkshop } from '../../plan/workshopStore.ts'
import BecauseItem from '../../ui/BecauseItem.vue'
import BecausePanel from '../../ui/BecausePanel.vue'
import FindingItem from '../../ui/FindingItem.vue'
import MaterialSelect from '../../ui/MaterialSelect.vue'
import { showLength } from '../../app/settings.ts'
import PartChoices from './PartChoices.vue'
import SkiveSection from './SkiveSection.vue'

/** One part large, with its dimensions, what can be decided about it, its checks and reasons. */
const props = defineProps<{ part: Part }>()
const pair = usePair()
const workshop = useWorkshop()
const compare = useCompare()
const d = computed(() => pair.decisions as PairDecisions)

function setMaterial(role: MaterialRole, id: string | null): void {
  const none = role === 'padding' && id === null
  pair.change({
    ...d.value,
    materials: { ...d.value.materials, [role]: id },
    sock: none ? { ...d.value.sock, padding: 'none' } : d.value.sock,
  })
}
/** Padding needs a material: the first fit one in the stores until another is chosen. */
function change(next: PairDecisions): void {
  const material = next.materials.padding ?? choicesFor('padding', workshop.materials)[0]?.id ?? null
  const wanted = next.sock.padding !== 'none'
  pair.change(
    wanted
      ? {
          ...next,
          sock: { ...next.sock, padding: material ? next.sock.padding : 'none' },
          materials: { ...next.materials, padding: material },
        }
      : next,
  )
}
const kept = computed(() => compare.of(pair.view?.id ?? '', props.part.id))
const difference = computed(() => compare.difference(pair.view?.id ?? '', props.part))
</script>

<template>
  <div class="work-and-panel">
    <DrawingTable :part="part" :ghost="kept ?? undefined" />
    <BecausePanel :title="part.name">
      <div class="top">
        <MaterialSelect
          v-if="part.role"
          :role="part.role"
          :label="`${roleNames[part.role]} from`"
          :value="d.materials[part.role]"
          @choose="part.role && setMaterial(part.role, $event)"
        />
        <p v-else class="soft">{{ part.materialName }}, {{ showLength(part.thickness) }}</p>
        <PartChoices :part="part" :decisions="d" @change="change" />
        <div class="versions">
          <button
            class="button"
            type="button"
            :aria-pressed="kept !== null"
            @click="compare.toggle(pair.view?.id ?? '', part)"
          >
            {{ kept ? 'Stop comparing' : 'Keep this shape to compare' }}
          </button>
          <p v-if="difference" role="status">
            {{
              difference.most < 0.05
                ? 'Nothing has changed since it was kept.'
                : `At most ${showLength(difference.most)} from the shape that was kept; area ${difference.area >= 0 ? '+' : '−'}${Math.abs(difference.area).toFixed(1)} %.`
            }}
          </p>
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
.top {
  display: grid;
  gap: 12px;
  justify-items: start;
  margin: 12px 0;
}
.top .field {
  width: 100%;
}
.versions {
  display: grid;
  gap: 4px;
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
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui'
import { pieceRole, roleNames, type PairDecisions, type Part, type Path } from '@gentle-awl/core'
import { computed, shallowRef } from 'vue'
import DrawingTable from '../../../../drawing/DrawingTable.vue'
import { useCompare } from '../../../../stores/compareStore.ts'
import { setMaterial, setPieceMaterial } from '../../../../stores/setMaterial.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import BecauseItem from '../../../../ui/BecauseItem.vue'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import FindingItem from '../../../../ui/FindingItem.vue'
import MaterialSelect from '../../../../ui/MaterialSelect.vue'
import PieceMaterialSelect from '../../../../ui/PieceMaterialSelect.vue'
import { showLength } from '../../../../app/settings.ts'
import BoughtInsole from './BoughtInsole.vue'
import PartChoices from './PartChoices.vue'
import SkiveSection from '../../../../drawing/SkiveSection.vue'

/** One part large, with its dimensions, what can be decided about it, its checks and reasons. */
const props = defineProps<{ part: Part }>()
const pair = usePair()
const workshop = useWorkshop()
const compare = useCompare()
/** What it serves as together with its like, each of which may be cut from something of its own. */
const several = computed(() => pieceRole(props.part.id))
const d = computed(() => pair.decisions as PairDecisions)

/** Padding is one foot's own where the left shoe is planned so. */
function setPadding(wanted: PairDecisions['sock']['padding']): void {
  const now = pair.decisions
  if (!now) return
  const material = workshop.paddingFor(now)
  const padding = material ? wanted : 'none'
  const materials = padding === 'none' ? now.materials : { ...now.materials, padding: material }
  if (pair.ownLeft && now.left) pair.change({ ...now, materials, left: { ...now.left, padding } })
  else pair.change({ ...now, materials, sock: { ...now.sock, padding } })
}
const both = computed(() => pair.whole?.feet.find((f) => f.id === props.part.id) ?? null)
/** How the other foot's is cut. */
const otherFoot = computed(() => {
  const b = both.value
  if (!b) return ''
  switch (b.kind) {
    case 'mirror':
      return 'Left and right are true mirrors: one pattern, turned over.'
    case 'marks differ':
      return 'One outline serves both feet; lines or skives differ.'
    case 'right only':
    case 'left only':
      return `In the ${b.kind === 'left only' ? 'left' : 'right'} shoe only.`
    default:
      return `Left and right differ by at most ${showLength(b.off)}: cut each by its own outline.`
  }
})
const kept = computed(() => compare.of(pair.view?.id ?? '', props.part.id))
/** A bought insole where it fits the last's own best. */
const bought = shallowRef<Path | null>(null)
const difference = computed(() => compare.difference(pair.view?.id ?? '', props.part))
</script>

<template>
  <div class="work-and-panel">
    <DrawingTable v-model:foot="pair.foot" :part="part" :ghost="bought ?? kept ?? undefined" />
    <BecausePanel :title="part.name">
      <div class="top">
        <PieceMaterialSelect
          v-if="several"
          :piece="part.id"
          :role="several"
          :decisions="d"
          label="Cut from"
          @choose="pair.change(setPieceMaterial(d, part.id, $event))"
        />
        <MaterialSelect
          v-else-if="part.role"
          :role="part.role"
          :label="`${roleNames[part.role]} from`"
          :value="d.materials[part.role]"
          :natural="d.profile === 'all natural'"
          @choose="part.role && pair.change(setMaterial(d, part.role, $event))"
        />
        <p v-else class="soft">{{ part.materialName }}, {{ showLength(part.thickness) }}</p>
        <PartChoices
          :part="part"
          :decisions="d"
          :padding="pair.decided?.sock.padding ?? 'none'"
          @change="pair.change"
          @padding="setPadding"
        />
        <p v-if="pair.ownLeft" class="own" role="status">
          The left shoe: figures and padding set here count for it alone.
        </p>
        <p class="soft" data-testid="other-foot">{{ otherFoot }}</p>
        <div class="versions">
          <NButton :aria-pressed="kept !== null" @click="compare.toggle(pair.view?.id ?? '', part)">
            {{ kept ? 'Stop comparing' : 'Keep this shape to compare' }}
          </NButton>
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
      <BoughtInsole
        v-if="part.id === 'insole'"
        :key="pair.foot"
        :pair-id="pair.view?.id ?? ''"
        :foot="pair.foot"
        :insole="part.outline"
        @lies="bought = $event"
      />
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
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  justify-items: start;
  margin: 12px 0;
}
.top .field {
  width: 100%;
}
.own {
  margin: 0;
  padding: 6px 10px;
  border-left: 4px solid var(--action);
}
.top p {
  margin: 0;
}
.versions {
  display: grid;
  gap: 4px;
}
</style>

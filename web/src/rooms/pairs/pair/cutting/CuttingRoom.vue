<script setup lang="ts">
import { cutTicks, cuttingList, type CuttingGroup, type CutTick } from '@gentle-awl/core'
import { IconLayoutList } from '@tabler/icons-vue'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { showArea } from '../../../../app/settings.ts'
import { useMade } from '../../../../stores/madeStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import { capital } from '../../../../ui/capital.ts'
import SlateList from '../../../../ui/SlateList.vue'
import CuttingTable from './CuttingTable.vue'
import LayoutView from './LayoutView.vue'

/** Everything that is cut for the pair, both feet, by what it is cut from; one stuff laid out on a sheet. */
const route = useRoute()
const pair = usePair()
const workshop = useWorkshop()
const here = computed(() => String(route.params.stuff ?? ''))
const to = (stuff: string) => `/pairs/${pair.view?.id}/cutting${stuff === '' ? '' : `/${encodeURIComponent(stuff)}`}`
const groups = computed<CuttingGroup[]>((shown) => {
  const { whole, decisions } = pair
  if (!whole || !decisions) return []
  // While it is planned anew, or cannot be, decisions and plan are not of one another: what was shown stays.
  if (shown && (pair.planning || pair.planProblem)) return shown
  return pair.planProblem ? [] : cuttingList({ decisions, materials: workshop.materials }, whole)
})
const made = useMade()
const ticks = computed(() =>
  pair.whole
    ? cutTicks(
        pair.whole,
        made.list,
        groups.value.flatMap((g) => g.pieces),
      )
    : new Map<string, CutTick>(),
)
/** The line that is being written down: the server plans the pair for its fingerprint. */
const under = ref<string | null>(null)
async function cut(record: string): Promise<void> {
  under.value = record
  try {
    await made.record('cut', ticks.value.get(record)?.parts ?? [])
  } finally {
    under.value = null
  }
}
const group = computed(() => groups.value.find((g) => g.material === here.value) ?? null)
const entries = computed(() => [
  { key: 'all', entries: [{ key: '', name: 'Cutting list', to: to(''), level: 'fine' as const }] },
  {
    key: 'stuff',
    name: 'Laid out',
    entries: groups.value
      .filter((g) => g.pieces.some((p) => !p.strip))
      .map((g) => ({ key: g.material, name: capital(g.material), to: to(g.material), level: 'fine' as const })),
  },
])
</script>

<template>
  <div v-if="pair.plan" class="list-and-work">
    <SlateList label="Cutting" :groups="entries" :here="here">
      <template #thumb="{ entry }">
        <IconLayoutList v-if="entry.key === ''" :size="24" aria-hidden="true" />
        <svg v-else viewBox="0 0 34 28" aria-hidden="true">
          <rect x="3" y="4" width="28" height="20" />
          <path d="M7 20C7 10 14 8 18 8L18 20ZM21 20L21 12C25 12 28 15 28 20Z" />
        </svg>
      </template>
    </SlateList>
    <LayoutView v-if="group" :key="group.material" :group="group" />
    <div v-else-if="here === ''" class="page" tabindex="0" aria-label="Cutting list">
      <h2>Cutting list</h2>
      <p class="soft">
        For both shoes. Left pieces are the right ones turned over, unless it says otherwise; areas are what the pieces
        cover, without what is left between them.
      </p>
      <p v-if="made.problem" class="wrong" role="alert">{{ made.problem }}</p>
      <section v-for="g in groups" :key="g.material">
        <h3>
          {{ capital(g.material) }} <span class="figure area">{{ showArea(g.area) }}</span>
        </h3>
        <CuttingTable :pieces="g.pieces" :ticks="ticks" :under="under" @cut="cut" />
      </section>
    </div>
    <p v-else class="page">
      Nothing of this pair is cut from that now. <RouterLink :to="to('')">Back to the cutting list</RouterLink>
    </p>
    <p v-if="pair.planning" class="planning" role="status">Planning …</p>
  </div>
  <p v-else class="wait" role="status">
    {{ pair.planProblem ? 'Nothing can be cut until that is put right.' : 'Planning the pieces …' }}
  </p>
</template>

<style scoped>
section {
  margin-top: 22px;
}
h3 {
  display: flex;
  margin-bottom: 4px;
  gap: 14px;
  align-items: baseline;
}
.area {
  margin-left: auto;
}
svg rect {
  fill: none;
  stroke: #eef2ee;
}
svg path {
  fill: #eef2ee;
}
:deep(.here) svg rect {
  stroke: #17262b;
}
:deep(.here) svg path {
  fill: #17262b;
}
.wrong {
  color: var(--stop);
}
</style>

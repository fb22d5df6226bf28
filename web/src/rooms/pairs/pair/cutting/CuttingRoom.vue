<script setup lang="ts">
import {
  cutTicks,
  cuttingList,
  takenBy,
  type CuttingGroup,
  type CutTick,
  type Hide,
  type PairLayout,
} from '@gentle-awl/core'
import { IconLayoutList } from '@tabler/icons-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { type Stored } from '../../../../api/ask.ts'
import { api } from '../../../../api/client.ts'
import { showArea } from '../../../../app/settings.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useMade } from '../../../../stores/madeStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useRecord } from '../../../../stores/recordStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import { capital } from '../../../../ui/capital.ts'
import SlateList from '../../../../ui/SlateList.vue'
import FigureField from '../../../../ui/FigureField.vue'
import SpentTable from '../SpentTable.vue'
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
/** So many pairs are reckoned together. */
const batch = ref(1)
const taken = computed(() =>
  pair.whole && pair.decisions && groups.value.length > 0
    ? takenBy({ decisions: pair.decisions, materials: workshop.materials }, pair.whole, batch.value)
    : null,
)
const made = useMade()
const record = useRecord()
const ticks = computed(() =>
  pair.whole
    ? cutTicks(
        pair.whole,
        made.list,
        groups.value.flatMap((g) => g.pieces),
        record.setbacks,
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
/** On which hides each stuff is laid out. */
const layouts = shallowRef<Stored<PairLayout>[]>([])
const hides = shallowRef<Stored<Hide>[]>([])
const { problem: noLayouts, attempt } = useAttempt()
async function fetchLayouts(): Promise<void> {
  const id = pair.view?.id
  if (id === undefined || here.value !== '') return
  await attempt(async () => {
    ;[layouts.value, hides.value] = await Promise.all([api.layouts(id), api.hides.list()])
  })
}
watch([here, () => pair.view?.id], fetchLayouts, { immediate: true })
const whereLaid = computed(
  () =>
    new Map(
      layouts.value
        .filter((l) => l.places.length > 0)
        .map((l): [string, string] => {
          const used = new Set(l.places.map((p) => p.on))
          const names = l.grounds.flatMap((on, k) =>
            used.has(k)
              ? [('hide' in on && hides.value.find((h) => h.id === on.hide)?.name) || 'a straight sheet']
              : [],
          )
          return [l.material, `laid on ${names.join(' and ')}`]
        }),
    ),
)
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
    <LayoutView v-if="group" :key="`${pair.view?.id} ${group.material}`" :group="group" />
    <div v-else-if="here === ''" class="page" tabindex="0" aria-label="Cutting list">
      <h2>Cutting list</h2>
      <p class="soft">
        For both shoes. Left pieces are the right ones turned over, unless it says otherwise; areas are what the pieces
        cover, without what is left between them.
      </p>
      <p v-if="noLayouts" class="wrong" role="alert">{{ noLayouts }}</p>
      <p v-if="made.problem" class="wrong" role="alert">{{ made.problem }}</p>
      <section v-for="g in groups" :key="g.material">
        <h3>
          {{ capital(g.material) }}
          <span class="soft face">{{ [g.face, whereLaid.get(g.material)].filter(Boolean).join('; ') }}</span>
          <span class="figure area">{{ showArea(g.area) }}</span>
        </h3>
        <CuttingTable :pieces="g.pieces" :ticks="ticks" :under="under" @cut="cut" />
      </section>
      <section v-if="taken" aria-labelledby="what-it-takes">
        <h3 id="what-it-takes">What it takes</h3>
        <label class="batch">
          Pairs like this one
          <FigureField :value="batch" :min="1" :max="500" :step="1" whole @change="batch = $event ?? 1" />
        </label>
        <SpentTable :spent="taken" work="Work at the bench, waits left out" />
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
.batch {
  display: grid;
  width: 200px;
  margin-bottom: 10px;
}
section {
  margin-top: 22px;
}
h3 {
  display: flex;
  margin-bottom: 4px;
  gap: 14px;
  align-items: baseline;
}
.face {
  font:
    400 16px 'Atkinson Hyperlegible Next',
    sans-serif;
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

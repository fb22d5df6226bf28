<script setup lang="ts">
import type { OwnSeam, PairDecisions } from '@gentle-awl/core'
import { IconLayoutList } from '@tabler/icons-vue'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { usePair } from '../../../../stores/pairStore.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import FindingItem from '../../../../ui/FindingItem.vue'
import SlateList from '../../../../ui/SlateList.vue'
import { seamGroups } from '../seamGroups.ts'
import { worstOf } from '../stages.ts'
import SeamRowTable from './SeamRowTable.vue'
import SeamRowView from './SeamRowView.vue'
import { threadOfPair } from './threadOfPair.ts'
import { showLength, showThread } from '../../../../app/settings.ts'
import { withOwnSeam } from './ownSeam.ts'
import { threadWords } from './seamWords.ts'

/** Every seam of upper and linings: its stitches, holes and thread, and when its holes are punched. */
const route = useRoute()
const pair = usePair()
const here = computed(() => String(route.params.seam ?? ''))
const to = (id: string) => `/pairs/${pair.view?.id}/stitching${id === '' ? '' : `/${encodeURIComponent(id)}`}`
const stitching = computed(() => pair.plan?.stitching ?? null)
const seams = computed(() => stitching.value?.seams ?? [])
const seam = computed(() => seams.value.find((s) => s.id === here.value) ?? null)
const by = computed(() => pair.decided?.stitching.by ?? null)
const ways = [
  { value: 'machine', name: 'By machine' },
  { value: 'hand', name: 'By hand' },
] as const

const groups = computed(() => {
  const level = worstOf((stitching.value?.findings ?? []).map((f) => f.level))
  return seamGroups([{ key: '', name: 'All seams', to: to(''), level }], seams.value, to)
})
const thread = computed(() => {
  if (!pair.whole) return null
  const { machine, hand } = threadOfPair(pair.whole)
  const said = [
    ...(machine > 0 ? [`${showThread(machine)} by machine, upper and lower together`] : []),
    ...(hand > 0 ? [`${showThread(hand)} by hand`] : []),
  ]
  return said.length > 0 ? said.join(', and ') : null
})
function choose(way: PairDecisions['stitching']['by']): void {
  if (pair.decisions) pair.change({ ...pair.decisions, stitching: { ...pair.decisions.stitching, by: way } })
}
function setSeam(id: string, own: Partial<OwnSeam>): void {
  if (pair.decisions) pair.change(withOwnSeam(pair.decisions, id, own))
}
/** What the seams of this shoe are sewn with. */
const sewnWith = computed(() =>
  (['machine', 'hand', 'sole'] as const)
    .filter((way) => seams.value.some((s) => s.sewnWith === way))
    .map((way) => {
      const n = stitching.value!.notions[way]
      const tool = n.needle === null ? `awl of ${showLength(n.awl ?? 0)}, two needles` : `needle of size ${n.needle}`
      return `${{ machine: 'By machine', hand: 'By hand', sole: 'Through the sole' }[way]}: ${threadWords(n)} (tex ${Math.round(n.tex)}), ${tool}.`
    }),
)
</script>

<template>
  <div v-if="pair.plan && stitching" class="list-and-work">
    <SlateList label="Seams" :groups="groups" :here="here">
      <template #thumb="{ entry }">
        <IconLayoutList v-if="entry.key === ''" :size="24" aria-hidden="true" />
        <svg v-else viewBox="0 0 34 28" aria-hidden="true">
          <line x1="3" x2="31" y1="14" y2="14" />
        </svg>
      </template>
    </SlateList>
    <SeamRowView
      v-if="seam"
      :key="seam.id"
      :seam="seam"
      :pieces="pair.plan.upper.pieces"
      :parts="pair.plan.parts"
      :notions="stitching.notions[seam.sewnWith]"
      :own="pair.decided?.stitching.own[seam.id] ?? null"
      @change="setSeam(seam.id, $event)"
    />
    <div v-else-if="here === ''" class="page" tabindex="0" aria-label="All seams">
      <h2>All seams</h2>
      <ChoiceBar label="Upper and linings are closed" :options="ways" :value="by" class="by" @choose="choose" />
      <p v-if="thread" class="soft" data-testid="thread">Thread for both shoes: {{ thread }}.</p>
      <p v-for="line in sewnWith" :key="line" class="soft">{{ line }}</p>
      <p v-if="seams.length === 0">
        This upper has no seam yet. <RouterLink :to="`/pairs/${pair.view?.id}/upper`">To the upper</RouterLink>
      </p>
      <SeamRowTable v-else :seams="seams" :to="to" />
      <template v-if="stitching.findings.length > 0">
        <h3>Checks</h3>
        <ul class="findings">
          <FindingItem v-for="f in stitching.findings" :key="f.id" :finding="f" />
        </ul>
      </template>
    </div>
    <p v-else class="page">This pair has no such seam now. <RouterLink :to="to('')">Back to all seams</RouterLink></p>
    <p v-if="pair.planning" class="planning" role="status">Planning …</p>
  </div>
  <p v-else class="wait" role="status">
    {{ pair.planProblem ? 'Nothing can be drawn until that is put right.' : 'Planning the seams …' }}
  </p>
</template>

<style scoped>
.by {
  margin: 8px 0 12px;
}
svg line {
  stroke: #eef2ee;
  stroke-width: 2;
  stroke-dasharray: 4 3;
}
:deep(.here) svg line {
  stroke: #17262b;
}
</style>

<script setup lang="ts">
import { WallStack } from '@gentle-awl/core'
import { IconLayoutList, IconSlice } from '@tabler/icons-vue'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { showLength } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import FindingItem from '../../../../ui/FindingItem.vue'
import SlateList from '../../../../ui/SlateList.vue'
import { seamGroups } from '../seamGroups.ts'
import { worstOf } from '../stages.ts'
import SeamSign from './SeamSign.vue'
import SeamTable from './SeamTable.vue'
import SeamView from './SeamView.vue'
import SkivingList from './SkivingList.vue'

/** Every edge of the pair: what is skived how, each seam cut through, and the list for the bench. */
const route = useRoute()
const pair = usePair()
const here = computed(() => String(route.params.seam ?? ''))
const to = (id: string) => `/pairs/${pair.view?.id}/edges${id === '' ? '' : `/${encodeURIComponent(id)}`}`
const edges = computed(() => pair.plan?.edges ?? null)
const seam = computed(() => edges.value?.seams.find((s) => s.id === here.value) ?? null)
/** A drawn pattern lies on no forme: its seams are shown without what lies round them. */
const wall = computed(() => (pair.plan ? new WallStack(pair.plan.layers.areas) : null))

const LIST = 'skiving'
const icons: Record<string, typeof IconSlice> = { '': IconLayoutList, [LIST]: IconSlice }
const groups = computed(() => {
  const { seams, findings } = edges.value ?? { seams: [], findings: [] }
  const wholes = [
    { key: '', name: 'All edges', to: to(''), level: worstOf(findings.map((f) => f.level)) },
    { key: LIST, name: 'Skiving list', to: to(LIST), level: 'fine' as const },
  ]
  return seamGroups(wholes, seams, to)
})
</script>

<template>
  <div v-if="pair.plan && edges" class="list-and-work">
    <SlateList label="Edges" :groups="groups" :here="here">
      <template #thumb="{ entry }">
        <component :is="icons[entry.key]" v-if="icons[entry.key]" :size="24" aria-hidden="true" />
        <SeamSign
          v-else-if="edges.seams.find((s) => s.id === entry.key)"
          :seam="edges.seams.find((s) => s.id === entry.key)!"
        />
      </template>
    </SlateList>
    <SeamView v-if="seam" :key="seam.id" :seam="seam" :wall="wall" />
    <div v-else-if="here === LIST" class="page" tabindex="0" aria-label="Skiving list">
      <h2>Skiving list</h2>
      <p class="soft">
        Both shoes. Set the guide once, then skive every edge under it; strop or change the blade before it tears.
      </p>
      <p v-if="pair.whole?.skiving.length === 0">Nothing of this pair is skived.</p>
      <SkivingList v-else :groups="pair.whole?.skiving ?? []" />
    </div>
    <div v-else-if="here === ''" class="page" tabindex="0" aria-label="All edges">
      <h2>All edges</h2>
      <p class="soft">
        Thickest is where the leathers of a seam lie on each other, lining and tape left out. A step is how steeply they
        rise under one leather, as a share of {{ showLength(2, 0) }} of run.
      </p>
      <p v-if="edges.seams.length === 0">
        This upper has no seam and no folded edge yet.
        <RouterLink :to="`/pairs/${pair.view?.id}/upper`">To the upper</RouterLink>
      </p>
      <SeamTable v-else :seams="edges.seams" :to="to" />
      <h3>Checks</h3>
      <ul class="findings">
        <FindingItem v-for="f in edges.findings" :key="f.id" :finding="f" />
      </ul>
    </div>
    <p v-else class="page">This pair has no such edge now. <RouterLink :to="to('')">Back to all edges</RouterLink></p>
    <p v-if="pair.planning" class="planning" role="status">Planning …</p>
  </div>
  <p v-else class="wait" role="status">
    {{ pair.planProblem ? 'Nothing can be drawn until that is put right.' : 'Planning the edges …' }}
  </p>
</template>

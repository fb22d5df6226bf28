<script setup lang="ts">
import { leftPart, type Level } from '@gentle-awl/core'
import { computed, defineAsyncComponent } from 'vue'
import { useRoute } from 'vue-router'
import { usePair } from '../../../../stores/pairStore.ts'
import { worstOf } from '../stages.ts'
import FeetView from './FeetView.vue'
import PairBoard from './PairBoard.vue'
import PartList from './PartList.vue'
import PartView from './PartView.vue'
import RoomWaiting from '../../../../ui/RoomWaiting.vue'

/** The parts of the pair: the board of all, the layers they make, the bottom in section, or one part large. */
const LayersView = defineAsyncComponent({
  loader: () => import('./LayersView.vue'),
  loadingComponent: RoomWaiting,
  delay: 0,
})
const BottomView = defineAsyncComponent({
  loader: () => import('./BottomView.vue'),
  loadingComponent: RoomWaiting,
  delay: 0,
})
const route = useRoute()
const pair = usePair()

const parts = computed(() => pair.plan?.parts ?? [])
/** The board shows the shoe that is looked at as it lies on the bench. */
const onBoard = computed(() => (pair.foot === 'left' ? parts.value.map(leftPart) : parts.value))
const here = computed(() => String(route.params.part ?? ''))
const part = computed(() => parts.value.find((p) => p.id === here.value))
const to = (id: string) => `/pairs/${pair.view?.id}/parts${id === '' ? '' : `/${id}`}`
const level = (list: readonly { level: Level }[] | undefined): Level => worstOf((list ?? []).map((f) => f.level))
</script>

<template>
  <div v-if="pair.plan" class="list-and-work">
    <PartList
      v-if="pair.calmPlan"
      :parts="pair.calmPlan.parts"
      :here="here"
      :to="to"
      :layers="level(pair.calmPlan.layers.findings)"
      :bottom="level(pair.calmPlan.bottom.findings)"
      :feet="level(pair.calmPlan.feetFindings)"
    />
    <div class="main">
      <PairBoard v-if="here === ''" :parts="onBoard" :to="to" />
      <LayersView v-else-if="here === 'layers'" />
      <BottomView v-else-if="here === 'bottom'" />
      <FeetView v-else-if="here === 'feet'" />
      <PartView v-else-if="part" :key="part.id" :part="part" />
      <p v-else class="none">
        {{ pair.ownLeft ? 'The left shoe' : pair.whole?.left ? 'The right shoe' : 'This pair' }} has no such part now.
        <RouterLink :to="to('')">Back to the pair board</RouterLink>
      </p>
      <p v-if="pair.planning" class="planning" role="status">Planning …</p>
    </div>
  </div>
  <p v-else class="wait" role="status">
    {{ pair.planProblem ? 'Nothing can be drawn until that is put right.' : 'Planning the parts …' }}
  </p>
</template>

<style scoped>
.main {
  position: relative;
  min-width: 0;
  min-height: 0;
}
.none {
  padding: 24px;
}
.planning {
  position: absolute;
  left: 14px;
  top: 14px;
  padding: 4px 10px;
  border-radius: 8px;
  background: #1b282f;
  color: #eef2ee;
}
</style>

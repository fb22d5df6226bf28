<script setup lang="ts">
import { sizeSystemNames } from '@gentle-awl/core'
import { NButton, NProgress } from 'naive-ui'
import { computed, onMounted, shallowRef } from 'vue'
import { api, type PairCardState, type PairRow } from '../../api/client.ts'
import PairPicture from '../../drawing/PairPicture.vue'
import LevelMark from '../../ui/LevelMark.vue'
import { useAttempt } from '../../app/useAttempt.ts'

/** One pair on the list: its picture, how far the work is, and whether something stands against it. */
const props = defineProps<{ pair: PairRow }>()
defineEmits<{ remove: [] }>()

const { card, standing } = props.pair
/** As it came with the list, or made now that somebody looks at it. */
const state = shallowRef<PairCardState | null>(card && standing ? { card, standing } : null)
const { problem: failed, attempt } = useAttempt()
onMounted(async () => {
  if (state.value || props.pair.unreadable) return
  await attempt(async () => {
    state.value = await api.card(props.pair.id)
  })
})

const stand = computed(() => {
  if (props.pair.unreadable) return props.pair.unreadable
  if (!state.value) return failed.value || 'Planning …'
  const { problem } = state.value.card
  const { done, running, next } = state.value.standing
  if (problem) return problem
  if (props.pair.givenUp) return 'Given up'
  if (running !== null) return `On the bench: ${running}`
  if (done === 0) return 'Not begun'
  return next !== null ? `Next: ${next}` : 'Finished'
})
const done = computed(() => state.value?.standing.done ?? 0)
const steps = computed(() => state.value?.standing.of ?? 0)
</script>

<template>
  <div v-if="pair.unreadable" class="pair card">
    <div class="picture on-slate" aria-hidden="true" />
    <div class="words">
      <p class="order figure">{{ pair.label.order }}</p>
      <h2>{{ pair.label.name }}</h2>
      <p role="alert">{{ stand }}</p>
      <NButton type="error" ghost @click="$emit('remove')">Delete {{ pair.label.order }}</NButton>
    </div>
  </div>
  <RouterLink v-else class="pair card" :to="`/pairs/${pair.id}/parts`">
    <div class="picture on-slate" aria-hidden="true">
      <PairPicture
        v-if="state?.card.shapes.length"
        :shapes="state.card.shapes"
        :label="pair.label.name"
        class="shape"
      />
    </div>
    <div class="words">
      <p class="order figure">{{ pair.label.order }}</p>
      <h2>{{ pair.label.name }}</h2>
      <p class="soft">{{ [pair.label.trade, pair.construction].filter(Boolean).join(', ') }}</p>
      <p v-if="pair.size" class="soft">
        {{ sizeSystemNames[pair.size.system] }} {{ pair.size.value }} on {{ pair.lastName }}
      </p>
      <p class="stand">{{ stand }}</p>
      <div class="foot">
        <NProgress
          type="line"
          :percentage="(100 * done) / Math.max(1, steps)"
          :show-indicator="false"
          :aria-label="`${done} of ${steps} steps done`"
        />
        <span v-if="steps > 0" class="figure">{{ done }} / {{ steps }}</span>
        <LevelMark v-if="state?.card.worst" :level="state.card.worst" />
      </div>
    </div>
  </RouterLink>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-rows: 148px auto;
  overflow: hidden;
  text-decoration: none;
}
a.pair:hover {
  border-color: var(--action);
}
.picture {
  display: grid;
  align-items: end;
  justify-items: center;
  padding: 12px 18px 10px;
  background: var(--slate);
}
.shape {
  width: 100%;
  height: 126px;
}
.words {
  display: grid;
  align-content: start;
  gap: 3px;
  padding: 14px 18px 16px;
}
.order {
  font-weight: 600;
  color: var(--action);
}
.stand {
  margin-top: 6px;
}
.foot {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: center;
  margin-top: 4px;
}
</style>

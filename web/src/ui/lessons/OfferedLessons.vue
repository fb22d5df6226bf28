<script setup lang="ts">
import type { PairDecisions } from '@gentle-awl/core'
import { computed, onMounted } from 'vue'
import { useAttempt } from '../../app/useAttempt.ts'
import { useLessons } from '../../stores/lessonsStore.ts'
import FoldOut from '../FoldOut.vue'
import LessonItem from './LessonItem.vue'
import { useOffered } from './useOffered.ts'

/** What was learned on pairs like the one that is planned, offered where it is planned; nothing while nothing was. */
const props = defineProps<{
  id: string | null
  decisions: PairDecisions | null
  steps: readonly { key: string }[] | null
}>()
/** More hide what matters. */
const MOST = 5
const lessons = useLessons()
const { attempt } = useAttempt()
// Without an answer none are offered: the room is about something else, and says itself when the server is gone.
onMounted(() => attempt(() => lessons.load()))
const { offered } = useOffered(() => props)
const title = computed(() =>
  offered.value.length === 1 ? 'Learned on a pair like this' : `${offered.value.length} lessons from pairs like this`,
)
</script>

<template>
  <section v-if="offered.length > 0" data-offered>
    <FoldOut :title="title" open>
      <div class="list">
        <LessonItem
          v-for="o in offered.slice(0, MOST)"
          :key="o.lesson.id"
          :lesson="o.lesson"
          :shared="o.likeness.shared"
          quiet
        />
        <RouterLink v-if="offered.length > MOST" to="/learned">and {{ offered.length - MOST }} more</RouterLink>
      </div>
    </FoldOut>
  </section>
</template>

<style scoped>
.list {
  display: grid;
  gap: 8px;
}
</style>

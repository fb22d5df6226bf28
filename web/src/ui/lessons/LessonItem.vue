<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { LessonKind, Shared } from '@gentle-awl/core'
import { computed } from 'vue'
import { say } from '../../app/say.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import { useLessons, type Lesson } from '../../stores/lessonsStore.ts'
import { lessonWords, sharedWords } from './words.ts'

/** One lesson: what was learned, on which pair and at which step, and what this pair shares with that one. */
const props = defineProps<{ lesson: Lesson; shared: readonly Shared[]; quiet?: boolean }>()
defineEmits<{ change: [] }>()
const lessons = useLessons()
const { problem, busy, attempt } = useAttempt()
const kind = computed(() => lessonWords[props.lesson.kind satisfies LessonKind])
const pair = computed(() => lessons.pairOf(props.lesson.pairId))
const remove = () =>
  attempt(async () => {
    await lessons.remove(props.lesson)
    await say('The lesson is deleted.')
  })
</script>

<template>
  <article class="card lesson" :data-lesson="lesson.id">
    <p class="soft">
      {{ kind
      }}<template v-if="pair"
        >, <RouterLink :to="`/pairs/${pair.id}/checks/lessons`">{{ pair.order }} {{ pair.name }}</RouterLink
        ><template v-if="lesson.revision"> at revision {{ lesson.revision }}</template></template
      ><template v-if="lesson.step">, step “{{ lessons.stepName(lesson.step) }}”</template>
    </p>
    <p class="text">{{ lesson.text }}</p>
    <p v-if="shared.length > 0" class="soft">Offered because of {{ sharedWords(shared) }}.</p>
    <div v-if="!quiet" class="buttons">
      <NButton @click="$emit('change')">Change</NButton>
      <NButton :disabled="busy" @click="remove">Delete</NButton>
    </div>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
  </article>
</template>

<style scoped>
.lesson {
  display: grid;
  gap: 4px;
  padding: 10px 16px;
}
.lesson p {
  margin: 0;
}
.text {
  white-space: pre-line;
}
.buttons {
  display: flex;
  gap: 10px;
}
</style>

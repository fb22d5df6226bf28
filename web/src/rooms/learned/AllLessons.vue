<script setup lang="ts">
import { NButton } from 'naive-ui'
import { lessonKinds, type LessonKind } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { useLessons, type Lesson } from '../../stores/lessonsStore.ts'
import SearchField from '../../ui/SearchField.vue'
import SelectField from '../../ui/SelectField.vue'
import LessonDialog from '../../ui/lessons/LessonDialog.vue'
import LessonItem from '../../ui/lessons/LessonItem.vue'
import { lessonWords } from '../../ui/lessons/words.ts'

/** All lessons, found by their words; one can be written here that goes for all pairs. */
const lessons = useLessons()
const wanted = ref('')
const kind = ref<LessonKind | ''>('')
const kinds = [
  { value: '', name: 'All kinds' },
  ...lessonKinds.map((value) => ({ value, name: lessonWords[value] })),
] as const
const found = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return lessons.list.filter((l) => {
    const pair = lessons.pairOf(l.pairId)
    const text = `${l.text} ${pair?.order ?? ''} ${pair?.name ?? ''} ${lessons.stepName(l.step)}`.toLowerCase()
    return (kind.value === '' || l.kind === kind.value) && words.every((w) => text.includes(w))
  })
})
const open = ref(false)
const changed = ref<Lesson | null>(null)
function edit(lesson: Lesson | null): void {
  changed.value = lesson
  open.value = true
}
</script>

<template>
  <div class="lessons">
    <div class="find">
      <SearchField v-model:value="wanted" label="Find a lesson by its words" placeholder="Find a lesson" />
      <SelectField class="kind" label="Kind" name="kind" quiet :options="kinds" :value="kind" @choose="kind = $event" />
      <NButton @click="edit(null)">Write a lesson for all pairs</NButton>
    </div>
    <p v-if="lessons.list.length === 0" class="soft">
      Nothing was written down yet. In a pair, under Checks, whoever made it can say what they would do differently; it
      is offered again with the next pair like it.
    </p>
    <p v-else-if="found.length === 0" class="soft">No lesson says that.</p>
    <LessonItem v-for="l in found" :key="l.id" :lesson="l" :shared="[]" @change="edit(l)" />
    <LessonDialog v-model:open="open" :changed="changed" />
  </div>
</template>

<style scoped>
.lessons {
  display: grid;
  gap: 10px;
  max-width: 860px;
}
.find {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.kind {
  width: 240px;
}
</style>

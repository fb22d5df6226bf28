<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useLessons, type Lesson } from '../../../../stores/lessonsStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import LessonDialog from '../../../../ui/lessons/LessonDialog.vue'
import LessonItem from '../../../../ui/lessons/LessonItem.vue'
import { useOffered } from '../../../../ui/lessons/useOffered.ts'

/** What was learned on this pair, and on pairs like it. */
const pair = usePair()
const lessons = useLessons()
const { problem, attempt } = useAttempt()
onMounted(() => attempt(() => lessons.load()))
const { offered } = useOffered(() => ({
  id: pair.view?.id ?? null,
  decisions: pair.decisions,
  steps: pair.whole?.steps ?? [],
}))
const mine = computed(() => offered.value.filter((o) => o.own))
const others = computed(() => offered.value.filter((o) => !o.own))
const open = ref(false)
const changed = ref<Lesson | null>(null)
function edit(lesson: Lesson | null): void {
  changed.value = lesson
  open.value = true
}
</script>

<template>
  <div class="lessons">
    <NButton class="new" type="primary" @click="edit(null)">Write down what was learned</NButton>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <section>
      <h2>On this pair</h2>
      <p v-if="mine.length === 0" class="soft">
        Nothing yet. What would you do differently? What did a sample show? It is offered again with the next pair like
        this one.
      </p>
      <LessonItem v-for="o in mine" :key="o.lesson.id" :lesson="o.lesson" :shared="[]" @change="edit(o.lesson)" />
    </section>
    <section>
      <h2>On pairs like it</h2>
      <p v-if="others.length === 0" class="soft">Nothing was learned on a pair like this one.</p>
      <LessonItem
        v-for="o in others"
        :key="o.lesson.id"
        :lesson="o.lesson"
        :shared="o.likeness.shared"
        @change="edit(o.lesson)"
      />
    </section>
    <LessonDialog v-model:open="open" :changed="changed" here />
  </div>
</template>

<style scoped>
.lessons,
section {
  display: grid;
  gap: 10px;
}
.lessons {
  gap: 18px;
  max-width: 860px;
}
.new {
  justify-self: start;
}
</style>

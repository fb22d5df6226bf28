<script setup lang="ts">
import { NButton } from 'naive-ui'
import { LessonFields, lessonKinds, likeThis, type LessonKind } from '@gentle-awl/core'
import { computed, reactive, ref, watch } from 'vue'
import { say } from '../../app/say.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import { useLessons, type Lesson } from '../../stores/lessonsStore.ts'
import { usePair } from '../../stores/pairStore.ts'
import ChoiceBar from '../ChoiceBar.vue'
import HouseDialog from '../HouseDialog.vue'
import SelectField from '../SelectField.vue'
import TextField from '../TextField.vue'
import { lessonWords } from './words.ts'

/** Writes a lesson down, or changes one: about the pair on the bench (`here`), or about all pairs. */
const props = defineProps<{ changed: Lesson | null; here?: boolean; step?: string; text?: string }>()
const open = defineModel<boolean>('open', { required: true })
const lessons = useLessons()
const pair = usePair()
const { problem, busy, attempt } = useAttempt()
const kinds = lessonKinds.map((value) => ({ value, name: lessonWords[value] }))
const reaches = [
  { value: 'like', name: 'Pairs like this one' },
  { value: 'all', name: 'All pairs' },
] as const
const typed = reactive<{ kind: LessonKind; text: string; step: string; reach: 'like' | 'all' }>({
  kind: 'differently',
  text: '',
  step: '',
  reach: 'like',
})
const wrong = ref('')
const nothing = { style: null, construction: null, lastId: null, materials: [] }
const goesForAll = ({ about }: Lesson) =>
  about.style === null && about.construction === null && about.lastId === null && about.materials.length === 0
watch(open, (is) => {
  if (!is) return
  wrong.value = problem.value = ''
  const { changed } = props
  typed.kind = changed?.kind ?? 'differently'
  typed.text = changed?.text ?? props.text ?? ''
  typed.step = changed?.step ?? props.step ?? ''
  typed.reach = changed ? (goesForAll(changed) ? 'all' : 'like') : props.here ? 'like' : 'all'
})
const steps = computed(() => {
  const keys = new Map((pair.whole?.steps ?? []).map((s) => [s.key, s.name.replace(/, (right|left)$/, '')]))
  if (typed.step !== '' && !keys.has(typed.step)) keys.set(typed.step, lessons.stepName(typed.step))
  return [{ value: '', name: 'the pair as a whole' }, ...[...keys].map(([value, name]) => ({ value, name }))]
})
async function keep(): Promise<void> {
  const { changed, here } = props
  const like =
    changed && !goesForAll(changed) ? changed.about : here && pair.decisions ? likeThis(pair.decisions) : nothing
  const read = LessonFields.safeParse({
    kind: typed.kind,
    text: typed.text,
    step: typed.step,
    pairId: changed ? changed.pairId : here ? (pair.view?.id ?? null) : null,
    revision: changed ? changed.revision : here ? (pair.view?.revision ?? null) : null,
    about: typed.reach === 'all' ? nothing : like,
  })
  if (!read.success) {
    wrong.value = read.error.issues[0]?.message ?? 'That is no lesson yet.'
    return
  }
  await attempt(async () => {
    await lessons.keep(read.data, changed)
    open.value = false
    await say('The lesson is kept.')
  })
}
</script>

<template>
  <HouseDialog v-model:open="open" :title="changed ? 'Change this lesson' : 'What was learned'">
    <div class="fields">
      <ChoiceBar label="Kind" :options="kinds" :value="typed.kind" @choose="typed.kind = $event" />
      <TextField
        label="In your words"
        name="lesson-text"
        :most="2000"
        :rows="5"
        :value="typed.text"
        @update:value="typed.text = $event"
      />
      <SelectField
        v-if="here || typed.step !== ''"
        label="About"
        name="lesson-step"
        :options="steps"
        :value="typed.step"
        @choose="typed.step = $event"
      />
      <ChoiceBar
        v-if="here || (changed && !goesForAll(changed))"
        label="Offered with"
        :options="reaches"
        :value="typed.reach"
        @choose="typed.reach = $event"
      />
      <p v-if="wrong || problem" class="bad" role="alert">{{ wrong || problem }}</p>
    </div>
    <template #actions>
      <NButton @click="open = false">Cancel</NButton>
      <NButton type="primary" :disabled="busy" @click="keep">Keep it</NButton>
    </template>
  </HouseDialog>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 14px;
}
</style>

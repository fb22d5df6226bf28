<script setup lang="ts">
import { NButton } from 'naive-ui'
import { OwnFaultFields, type Fault } from '@gentle-awl/core'
import { reactive, ref, watch } from 'vue'
import { say } from '../../../../app/say.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useOwnFaults, type OwnFault } from '../../../../stores/ownFaultsStore.ts'
import HouseDialog from '../../../../ui/HouseDialog.vue'
import TextField from '../../../../ui/TextField.vue'

/** A fault or a cause that the workshop knows itself: how it shows, what it comes from, what helps and what prevents it. */
const props = defineProps<{ of: Pick<Fault, 'id' | 'name'> | null; changed: OwnFault | null }>()
const open = defineModel<boolean>('open', { required: true })
const own = useOwnFaults()
const { problem, busy, attempt } = useAttempt()
const typed = reactive({ name: '', sign: '', causes: [{ cause: '', now: '', prevent: '' }] })
const wrong = ref('')
watch(open, (is) => {
  if (!is) return
  wrong.value = problem.value = ''
  const { changed, of } = props
  typed.name = changed?.name ?? of?.name ?? ''
  typed.sign = changed?.sign ?? ''
  typed.causes = changed ? changed.causes.map((c) => ({ ...c })) : [{ cause: '', now: '', prevent: '' }]
})
async function keep(): Promise<void> {
  const of = props.changed?.of ?? props.of?.id ?? ''
  const read = OwnFaultFields.safeParse({ ...typed, of, causes: typed.causes.filter((c) => c.cause.trim() !== '') })
  if (!read.success) {
    wrong.value = read.error.issues[0]?.message ?? 'That is no fault yet.'
    return
  }
  await attempt(async () => {
    await own.keep(read.data, props.changed)
    open.value = false
    await say(`“${read.data.name}” is kept.`)
  })
}
</script>

<template>
  <HouseDialog v-model:open="open" :title="of || changed?.of ? 'A cause of your own' : 'A fault of your own'">
    <div class="fields">
      <template v-if="!of && !changed?.of">
        <TextField
          label="What is seen"
          name="fault-name"
          :most="80"
          :value="typed.name"
          @change="typed.name = $event"
        />
        <TextField
          label="How it is told from its like"
          name="fault-sign"
          :most="500"
          :rows="2"
          :value="typed.sign"
          @change="typed.sign = $event"
        />
      </template>
      <fieldset v-for="(c, i) in typed.causes" :key="i">
        <legend>Cause {{ i + 1 }}</legend>
        <TextField
          label="What it comes from"
          :name="`cause-${i}`"
          :most="200"
          :value="c.cause"
          @change="c.cause = $event"
        />
        <TextField
          label="What helps now"
          :name="`now-${i}`"
          :most="500"
          :rows="2"
          :value="c.now"
          @change="c.now = $event"
        />
        <TextField
          label="What prevents it next time"
          :name="`prevent-${i}`"
          :most="500"
          :rows="2"
          :value="c.prevent"
          @change="c.prevent = $event"
        />
      </fieldset>
      <NButton
        v-if="typed.causes.length < 12"
        class="more"
        @click="typed.causes.push({ cause: '', now: '', prevent: '' })"
        >Another cause</NButton
      >
      <p v-if="wrong || problem" class="bad" role="alert">{{ wrong || problem }}</p>
    </div>
    <template #actions>
      <NButton @click="open = false">Cancel</NButton>
      <NButton type="primary" :disabled="busy" @click="keep">Keep it</NButton>
    </template>
  </HouseDialog>
</template>

<style scoped>
.fields,
fieldset {
  display: grid;
  gap: 12px;
}
fieldset {
  margin: 0;
  padding: 10px 14px;
  border: 1px solid var(--line);
  border-radius: 10px;
}
.more {
  justify-self: start;
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { ToolWear } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { learnedApi, type Learned } from '../../api/learned.ts'
import { say } from '../../app/say.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import { useLessons } from '../../stores/lessonsStore.ts'
import TextField from '../../ui/TextField.vue'

/** How far each blade and needle has come since it was changed, against what it came to before. */
const props = defineProps<{ learned: Learned }>()
const lessons = useLessons()
const { problem, busy, attempt } = useAttempt()
const words: Record<ToolWear['tool'], { name: string; done: string; why: string }> = {
  knife: {
    name: 'Cutting blade',
    done: 'cut',
    why: 'A dull blade pulls the leather along and leaves the edge ragged.',
  },
  skiver: { name: 'Skiving knife', done: 'skived', why: 'A dull one tears: strop it, then sharpen it.' },
  needle: { name: 'Machine needle', done: 'sewn', why: 'A dull needle skips stitches and bursts the grain.' },
}
const metres = (mm: number) => `${(mm / 1000).toFixed(mm < 10_000 ? 1 : 0)} m`
const note = ref('')
const over = ({ since, usual }: ToolWear) => usual !== null && since > usual
const changesOf = (tool: ToolWear['tool']) => props.learned.changes.filter((c) => c.tool === tool)
const latest = computed(() =>
  Object.fromEntries(props.learned.wear.map((w) => [w.tool, changesOf(w.tool).at(-1) ?? null])),
)
const change = (tool: ToolWear['tool']) =>
  attempt(async () => {
    lessons.learned = await learnedApi.addChange({ tool, note: note.value })
    note.value = ''
    await say(`${words[tool].name}: counted anew.`)
  })
const takeBack = (id: string) =>
  attempt(async () => {
    lessons.learned = await learnedApi.removeChange(id)
    await say('Taken back: it counts on from the change before.')
  })
</script>

<template>
  <div class="wear">
    <p class="soft">
      Metres are those of the steps that were finished. What a blade comes to is learned from its changes: nothing is
      said about it before it was changed twice.
    </p>
    <TextField
      label="Note with the next change"
      name="wear-note"
      :most="200"
      :value="note"
      @update:value="note = $event"
    />
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <article v-for="w in learned.wear" :key="w.tool" class="card one" :class="{ over: over(w) }" :data-tool="w.tool">
      <div>
        <h2>{{ words[w.tool].name }}</h2>
        <p>
          <strong class="figure">{{ metres(w.since) }}</strong> {{ words[w.tool].done }}
          {{ w.changedAt === null ? 'since the first record' : `since ${new Date(w.changedAt).toLocaleDateString()}` }}.
          <template v-if="w.usual !== null">It mostly came to {{ metres(w.usual) }}.</template>
          <template v-else>What it comes to is not known yet.</template>
        </p>
        <p v-if="over(w)" class="change" role="status">Change it or sharpen it now. {{ words[w.tool].why }}</p>
        <p v-if="w.lives.length > 0" class="soft">Before: {{ w.lives.slice(-6).map(metres).join(', ') }}.</p>
        <p v-if="latest[w.tool]?.note" class="soft">{{ latest[w.tool]?.note }}</p>
      </div>
      <div class="buttons">
        <NButton type="primary" :disabled="busy" @click="change(w.tool)">It was changed</NButton>
        <NButton v-if="latest[w.tool]" :disabled="busy" @click="takeBack(latest[w.tool]!.id)">Take back</NButton>
      </div>
    </article>
  </div>
</template>

<style scoped>
.wear {
  display: grid;
  gap: 12px;
  max-width: 860px;
}
.one {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  align-items: start;
  padding: 12px 16px;
}
.one p {
  margin: 4px 0 0;
}
.over {
  border-color: var(--watch-mark);
  background: var(--watch-soft);
}
.change {
  font-weight: 600;
}
.buttons {
  display: grid;
  gap: 8px;
}
</style>

<script setup lang="ts">
import type { PhotoChoices } from '@gentle-awl/core'
import { IconCamera } from '@tabler/icons-vue'
import { NButton } from 'naive-ui'
import { defineAsyncComponent, ref } from 'vue'
import { useAttempt } from '../../app/useAttempt.ts'
import { drawnFile } from '../../workers/outlines/drawnFile.ts'
import FileButton from '../FileButton.vue'
import type { Brought } from './brought.ts'

/** The ways in for an outline: a drawing in a file, or a photograph or scan of it. Every place that takes one has these. */
const props = defineProps<{
  /** What is brought in, as in "a tracing of the old liner". */
  what: string
  label: string
  name?: string
  /** Fewest points of an outline in a file. */
  fewest?: number
  many?: boolean
  usual?: Partial<PhotoChoices>
}>()
const emit = defineEmits<{ take: [brought: Brought] }>()
const PictureDialog = defineAsyncComponent(() => import('./PictureDialog.vue'))
const { problem, attempt } = useAttempt()
const open = ref(false)

const fromFile = (chosen: File) =>
  attempt(async () => {
    const { outlines, unit, name } = await drawnFile(chosen, props.fewest)
    const count = outlines.length === 1 ? 'one outline' : `${outlines.length} outlines`
    emit('take', {
      outlines,
      holes: outlines.map(() => []),
      pencil: null,
      name,
      said: `${name}: ${count}, unit ${unit}.`,
    })
  })
</script>

<template>
  <div class="ways">
    <FileButton :label="label" accept=".svg,.dxf,.txt,.csv" :name="name" @file="fromFile" />
    <NButton @click="open = true">
      <template #icon><IconCamera aria-hidden="true" /></template>
      From a photograph
    </NButton>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <PictureDialog
      v-if="open"
      v-model:open="open"
      :what="what"
      :usual="usual"
      :many="many"
      @take="emit('take', $event)"
    />
  </div>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.wrong {
  flex-basis: 100%;
  margin: 0;
  color: var(--stop);
}
</style>

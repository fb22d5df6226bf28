<script setup lang="ts">
import { NButton } from 'naive-ui'
import { IconPlayerPause, IconPlayerPlay } from '@tabler/icons-vue'
import type { StepEvent, StepProgress } from '@gentle-awl/core'

/** What may be told of a step besides its start and its end: a pause, that a wait is over, that what was too late was put right. */
defineProps<{ progress: StepProgress; busy: boolean; large?: boolean }>()
defineEmits<{ say: [what: StepEvent['what']] }>()
</script>

<template>
  <template v-if="progress.state === 'started'">
    <NButton
      v-if="progress.pausedAt === null"
      :size="large ? 'large' : 'medium'"
      :disabled="busy"
      @click="$emit('say', 'paused')"
    >
      <IconPlayerPause :size="20" aria-hidden="true" /> Pause
    </NButton>
    <NButton v-else :size="large ? 'large' : 'medium'" :disabled="busy" @click="$emit('say', 'resumed')">
      <IconPlayerPlay :size="20" aria-hidden="true" /> Go on
    </NButton>
  </template>
  <NButton
    v-if="progress.clock?.state === 'waiting'"
    :size="large ? 'large' : 'medium'"
    :disabled="busy"
    @click="$emit('say', 'ready')"
  >
    It is ready already
  </NButton>
  <NButton
    v-if="progress.clock?.state === 'late'"
    :size="large ? 'large' : 'medium'"
    type="primary"
    :disabled="busy"
    @click="$emit('say', 'put right')"
  >
    Put right, go on
  </NButton>
</template>

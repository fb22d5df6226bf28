<script setup lang="ts">
import { NButton } from 'naive-ui'
import { IconArrowsMaximize, IconMinus, IconPlus } from '@tabler/icons-vue'

/** Nearer, further, the whole: what every drawing that can be moved has under it. */
defineProps<{ view: { zoom: (by: number) => void; fit: () => void } }>()
</script>

<template>
  <NButton class="icon" aria-label="Further away" @click="view.zoom(0.8)">
    <IconMinus :size="22" aria-hidden="true" />
  </NButton>
  <NButton class="icon" aria-label="Nearer" @click="view.zoom(1.25)">
    <IconPlus :size="22" aria-hidden="true" />
  </NButton>
  <NButton class="icon" aria-label="The whole drawing" @click="view.fit()">
    <IconArrowsMaximize :size="22" aria-hidden="true" />
  </NButton>
</template>

<script setup lang="ts">
import { IconArrowsMaximize, IconMinus, IconPlus } from '@tabler/icons-vue'

/** Nearer, further, the whole: what every drawing that can be moved has under it. */
defineProps<{ view: { zoom: (by: number) => void; fit: () => void } }>()
</script>

<template>
  <button class="button icon" type="button" aria-label="Further away" @click="view.zoom(0.8)">
    <IconMinus :size="22" aria-hidden="true" />
  </button>
  <button class="button icon" type="button" aria-label="Nearer" @click="view.zoom(1.25)">
    <IconPlus :size="22" aria-hidden="true" />
  </button>
  <button class="button icon" type="button" aria-label="The whole drawing" @click="view.fit()">
    <IconArrowsMaximize :size="22" aria-hidden="true" />
  </button>
</template>

<script setup lang="ts">
import type { Piece } from '@gentle-awl/core'
import { NButton } from 'naive-ui'

/** The pieces by name; pressed again, one is let go. */
defineProps<{ pieces: readonly Pick<Piece, 'id' | 'name'>[] }>()
const chosen = defineModel<string>('chosen', { required: true })
</script>

<template>
  <ul class="pieces">
    <li v-for="p in pieces" :key="p.id">
      <NButton
        :type="p.id === chosen ? 'primary' : 'default'"
        :aria-pressed="p.id === chosen"
        @click="chosen = p.id === chosen ? '' : p.id"
      >
        {{ p.name }}
      </NButton>
    </li>
  </ul>
</template>

<style scoped>
.pieces {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0 10px;
  padding: 0;
  list-style: none;
}
</style>

<script setup lang="ts">
import { IconChevronDown, IconChevronRight } from '@tabler/icons-vue'
import { NButton, NCollapseTransition } from 'naive-ui'
import { ref, useId } from 'vue'

/** What few need, folded away under its name. The library's own collapse cannot be reached by the keyboard: its head is a button here. */
defineProps<{ title: string }>()
const open = ref(false)
const bodyId = useId()
</script>

<template>
  <div class="fold">
    <NButton text class="head" :aria-expanded="open" :aria-controls="bodyId" @click="open = !open">
      <template #icon>
        <component :is="open ? IconChevronDown : IconChevronRight" aria-hidden="true" />
      </template>
      {{ title }}
    </NButton>
    <div :id="bodyId">
      <NCollapseTransition :show="open"><slot v-if="open" /></NCollapseTransition>
    </div>
  </div>
</template>

<style scoped>
.head {
  min-height: 44px;
  font-weight: 600;
}
</style>

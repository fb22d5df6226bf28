<script setup lang="ts">
import { IconChevronDown, IconChevronRight } from '@tabler/icons-vue'
import { NButton, NCollapseTransition } from 'naive-ui'
import { ref, useId } from 'vue'

/** What few need, folded away under its name. The library's own collapse cannot be reached by the keyboard: its head is a button here. */
const props = defineProps<{ title: string; open?: boolean }>()
const unfolded = ref(props.open)
const bodyId = useId()
</script>

<template>
  <div class="fold">
    <NButton text class="head" :aria-expanded="unfolded" :aria-controls="bodyId" @click="unfolded = !unfolded">
      <template #icon>
        <component :is="unfolded ? IconChevronDown : IconChevronRight" aria-hidden="true" />
      </template>
      {{ title }}
    </NButton>
    <div :id="bodyId">
      <NCollapseTransition :show="unfolded"><slot v-if="unfolded" /></NCollapseTransition>
    </div>
  </div>
</template>

<style scoped>
.head {
  min-height: 44px;
  font-weight: 600;
}
</style>

<script setup lang="ts">
import { IconListDetails } from '@tabler/icons-vue'
import { useMediaQuery } from '@vueuse/core'
import { NButton, NDrawer } from 'naive-ui'
import { ref } from 'vue'

/** The panel at the right of the work surface; under 1000 px it becomes a drawer behind a button. */
defineProps<{ title: string }>()
const narrow = useMediaQuery('(max-width: 999px)')
const open = ref(false)
</script>

<template>
  <template v-if="narrow">
    <NButton class="opener" type="primary" @click="open = true">
      <IconListDetails :size="22" aria-hidden="true" /> {{ title }}
    </NButton>
    <NDrawer v-model:show="open" placement="right" :width="440" :auto-focus="true">
      <div class="panel drawer" role="dialog" aria-modal="true" :aria-label="title">
        <div class="top">
          <h2>{{ title }}</h2>
          <NButton @click="open = false">Close</NButton>
        </div>
        <slot />
      </div>
    </NDrawer>
  </template>
  <aside v-else class="panel" :aria-label="title" tabindex="0">
    <h2>{{ title }}</h2>
    <slot />
  </aside>
</template>

<style scoped>
.panel {
  height: 100%;
  overflow-y: auto;
  padding: 16px 20px 32px;
  border-left: 1px solid var(--line);
  background: var(--raised);
  color: var(--ink);
}
.panel:focus-visible {
  outline-offset: -3px;
}
.drawer {
  border: 0;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
  margin-bottom: 8px;
}
.opener {
  position: absolute;
  right: 16px;
  bottom: 16px;
  z-index: 3;
  box-shadow: 0 2px 10px #0006;
}
</style>

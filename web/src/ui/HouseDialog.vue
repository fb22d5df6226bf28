<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { NButton, NModal } from 'naive-ui'
import { inject, useId, watch } from 'vue'
import { routeLocationKey } from 'vue-router'

const props = withDefaults(defineProps<{ title: string; closable?: boolean; wide?: boolean }>(), { closable: true })
const open = defineModel<boolean>('open', { required: true })
const titleId = useId()
// Going back in the browser leaves what the dialog was about.
const route = inject(routeLocationKey, null)
watch(
  () => route?.path,
  () => {
    if (props.closable) open.value = false
  },
  // The room with the dialog in it may be gone by the time that others are told.
  { flush: 'sync' },
)
// The modal itself hears Escape only once its opening is over.
onKeyStroke('Escape', () => {
  if (props.closable) open.value = false
})
</script>

<template>
  <NModal v-model:show="open" :mask-closable="closable" :close-on-esc="closable" auto-focus>
    <div class="dialog card" :class="{ wide }" role="dialog" aria-modal="true" :aria-labelledby="titleId">
      <h2 :id="titleId">{{ title }}</h2>
      <div class="body"><slot /></div>
      <div class="foot">
        <slot name="actions"><NButton @click="open = false">Close</NButton></slot>
      </div>
    </div>
  </NModal>
</template>

<style scoped>
.dialog {
  width: min(620px, calc(100vw - 32px));
  max-height: calc(100vh - 48px);
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 16px;
  padding: 24px;
  color: var(--ink);
}
.wide {
  width: min(1120px, calc(100vw - 32px));
}
.body {
  overflow: auto;
  padding: 2px;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  justify-content: flex-end;
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, watch } from 'vue'
import { pixelsPerMm } from '../app/settings.ts'
import HouseDialog from '../ui/HouseDialog.vue'
import SliderField from '../ui/SliderField.vue'

/** The person makes a bar on the screen as long as 100 mm of a real rule; from then on 1:1 is true. */
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ measured: [pixelsPerMm: number] }>()
/** A bar of 100 CSS millimetres to start from; real screens differ by a third. */
const CSS_BAR = (100 * 96) / 25.4
const bar = ref(CSS_BAR)
watch(open, (is) => {
  if (is) bar.value = pixelsPerMm.value ? pixelsPerMm.value * 100 : CSS_BAR
})
function keep(): void {
  pixelsPerMm.value = bar.value / 100
  emit('measured', pixelsPerMm.value)
  open.value = false
}
</script>

<template>
  <HouseDialog v-model:open="open" title="True size on this screen">
    <div class="check">
      <p>Hold a rule against the screen and move the slider until the bar is exactly 100 mm long.</p>
      <div class="bar" :style="{ width: `${bar}px` }" role="img" :aria-label="`Bar of ${Math.round(bar)} pixels`">
        <span v-for="i in 9" :key="i" :style="{ left: `${i * 10}%` }" />
      </div>
      <SliderField
        label="Length of the bar"
        :value="bar"
        :min="180"
        :max="560"
        :step="0.5"
        :said="`${Math.round(bar)} pixels`"
        @move="bar = $event"
      />
    </div>
    <template #actions>
      <NButton @click="open = false">Leave it</NButton>
      <NButton type="primary" @click="keep">It is 100 mm</NButton>
    </template>
  </HouseDialog>
</template>

<style scoped>
.check {
  display: grid;
  gap: 20px;
}
.bar {
  position: relative;
  height: 34px;
  border: 2px solid var(--ink);
  background: var(--action-soft);
}
.bar span {
  position: absolute;
  bottom: 0;
  width: 1px;
  height: 12px;
  background: var(--ink);
}
</style>

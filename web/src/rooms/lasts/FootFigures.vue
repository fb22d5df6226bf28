<script setup lang="ts">
import { footRanges, type FootMeasures } from '@gentle-awl/core'
import { lengthWord } from '../../app/settings.ts'
import FigureField from '../../ui/FigureField.vue'
import { footFields } from './footFields.ts'

/** What a tape and a rule read on one foot. */
const props = defineProps<{ foot: FootMeasures }>()
const emit = defineEmits<{ change: [foot: FootMeasures] }>()
</script>

<template>
  <div class="figures">
    <label v-for="f in footFields" :key="f.key" class="field">
      <span>{{ f.name }}, {{ lengthWord }}</span>
      <FigureField
        unit="mm"
        :label="`${f.name}, ${lengthWord}`"
        :value="props.foot[f.key]"
        :min="footRanges[f.key][0]"
        :max="footRanges[f.key][1]"
        empty="not measured"
        @change="emit('change', { ...props.foot, [f.key]: $event })"
      />
    </label>
  </div>
</template>

<style scoped>
.figures {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
}
.field > span:first-child {
  font-weight: 400;
}
</style>

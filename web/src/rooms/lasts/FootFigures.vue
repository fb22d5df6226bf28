<script setup lang="ts">
import { footMeasureNames, footRanges, type FootMeasures } from '@gentle-awl/core'
import { lengthWord } from '../../app/settings.ts'
import FigureField from '../../ui/FigureField.vue'

/** What a tape and a rule read on one foot. */
const props = defineProps<{ foot: FootMeasures }>()
const measures = Object.keys(footMeasureNames) as (keyof FootMeasures)[]
const emit = defineEmits<{ change: [foot: FootMeasures] }>()
</script>

<template>
  <div class="figures">
    <label v-for="m in measures" :key="m" class="field">
      <span>{{ footMeasureNames[m] }}, {{ lengthWord }}</span>
      <FigureField
        unit="mm"
        :label="`${footMeasureNames[m]}, ${lengthWord}`"
        :value="props.foot[m]"
        :min="footRanges[m][0]"
        :max="footRanges[m][1]"
        empty="not measured"
        @change="emit('change', { ...props.foot, [m]: $event })"
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

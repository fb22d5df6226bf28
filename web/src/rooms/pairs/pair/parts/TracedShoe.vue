<script setup lang="ts">
import type { Bottom, PairDecisions } from '@gentle-awl/core'
import { showLength } from '../../../../app/settings.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import DrawnLineFields from '../../../../ui/DrawnLineFields.vue'

/** The lasted shoe traced on paper, against what the layers predict. */
const props = defineProps<{ lasted: PairDecisions['lasted']; bottom: Bottom }>()
const emit = defineEmits<{ change: [next: PairDecisions['lasted']] }>()
const uses = [
  { value: 'predicted', name: 'As predicted' },
  { value: 'traced', name: 'As traced' },
] as const
</script>

<template>
  <section class="traced" aria-label="The lasted shoe, traced">
    <h3>The lasted shoe, traced</h3>
    <DrawnLineFields
      :line="lasted.tracing"
      what="a tracing of the lasted shoe"
      @change="emit('change', { tracing: $event, use: $event ? props.lasted.use : 'predicted' })"
    />
    <template v-if="bottom.traced">
      <p>
        Fullest by {{ showLength(bottom.traced.fullest.by) }}, leanest by {{ showLength(-bottom.traced.leanest.by) }};
        {{ showLength(bottom.traced.usual) }} as a rule.
      </p>
      <span>Midsole and outsole are cut</span>
      <ChoiceBar
        label="Midsole and outsole are cut"
        :options="uses"
        :value="lasted.use"
        @choose="emit('change', { ...lasted, use: $event })"
      />
    </template>
  </section>
</template>

<style scoped>
.traced {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-bottom: 16px;
}
</style>

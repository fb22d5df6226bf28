<script setup lang="ts">
import { moveStep, placesFor, type PairDecisions, type Step } from '@gentle-awl/core'
import { computed } from 'vue'
import { say } from '../../../../app/say.ts'
import { tell } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import SelectField from '../../../../ui/SelectField.vue'

/** Where in the order a step stands, where else it may stand, and what forbids the rest. */
const props = defineProps<{ step: Step }>()
const pair = usePair()
const steps = computed(() => pair.plan?.steps ?? [])
const places = computed(() => placesFor(steps.value, props.step.id))
/** The step that it stands before now; none at the end. */
const next = computed(() => {
  const at = steps.value.findIndex((s) => s.id === props.step.id)
  return steps.value[at + 1]?.id ?? END
})
const END = 'the end'
const options = computed(() =>
  places.value.before.map((id) => ({
    value: id ?? END,
    name: id === null ? 'at the end' : `before “${steps.value.find((s) => s.id === id)?.name ?? id}”`,
  })),
)
function move(before: string): void {
  const now = pair.decisions as PairDecisions | null
  const moved = moveStep(steps.value, props.step.id, before === END ? null : before)
  if (!now || !('order' in moved)) return
  pair.change({ ...now, work: { ...now.work, order: moved.order } })
  void say(`“${props.step.name}” has its new place.`)
}
</script>

<template>
  <div class="place">
    <SelectField
      v-if="options.length > 1"
      label="Do it"
      :name="`place-${step.id}`"
      :value="next"
      :options="options"
      @choose="move"
    />
    <p class="soft">
      <template v-if="places.behind">Not before “{{ places.behind.name }}”: {{ tell(places.behind.why) }}. </template>
      <template v-if="places.ahead">Not after “{{ places.ahead.name }}”: {{ tell(places.ahead.why) }}.</template>
    </p>
  </div>
</template>

<style scoped>
.place {
  display: grid;
  gap: 4px;
  max-width: 560px;
}
</style>

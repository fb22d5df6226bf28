<script setup lang="ts">
import { NCheckbox } from 'naive-ui'
import {
  liningBacks,
  liningFronts,
  liningTrims,
  paddings,
  sockExtents,
  stiffenerFronts,
  type PairDecisions,
  type Part,
} from '@gentle-awl/core'
import { computed } from 'vue'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import SelectField from '../../../../ui/SelectField.vue'

/** What a person decides about a part beside its material: the ways the trade does it. */
const props = defineProps<{
  part: Part
  decisions: PairDecisions
  /** As it holds for the foot that is looked at. */
  padding: PairDecisions['sock']['padding']
}>()
const emit = defineEmits<{ change: [next: PairDecisions]; padding: [extent: PairDecisions['sock']['padding']] }>()
const kind = computed(() => props.part.id.split('.')[0])
const set = (next: Partial<PairDecisions>) => emit('change', { ...props.decisions, ...next })
const options = <T extends string>(values: readonly T[], names: Partial<Record<T, string>> = {}) =>
  values.map((value) => ({ value, name: names[value] ?? value }))
const trims = { short: 'short, 8 mm', long: 'long, 20 mm', feather: 'to the feather line' }
</script>

<template>
  <ChoiceBar
    v-if="kind === 'stiffener'"
    label="Front of the stiffener"
    :options="options(stiffenerFronts)"
    :value="decisions.stiffener.front"
    @choose="set({ stiffener: { ...decisions.stiffener, front: $event, lateralEnd: null, medialEnd: null } })"
  />
  <ChoiceBar
    v-if="kind === 'sock'"
    label="Sock liner"
    :options="options(sockExtents, { full: 'whole sock', half: 'half', heel: 'heel' })"
    :value="decisions.sock.extent"
    @choose="set({ sock: { ...decisions.sock, extent: $event } })"
  />
  <ChoiceBar
    v-if="kind === 'sock' || kind === 'padding'"
    label="Padding"
    :options="options(paddings, { none: 'no padding' })"
    :value="padding"
    @choose="emit('padding', $event)"
  />
  <template v-if="kind === 'vampLining' || kind === 'quarterLining' || kind === 'heelGrip'">
    <SelectField
      label="Linings at the back"
      name="lining-back"
      :value="decisions.lining.back"
      :options="options(liningBacks)"
      @choose="set({ lining: { ...decisions.lining, back: $event } })"
    />
    <ChoiceBar
      v-if="kind === 'vampLining'"
      label="Vamp lining"
      :options="options(liningFronts, { 'in one': 'in one', 'centre seam': 'with a seam along its middle' })"
      :value="decisions.lining.front"
      @choose="set({ lining: { ...decisions.lining, front: $event } })"
    />
    <SelectField
      label="Lasted lining is trimmed"
      name="lining-trim"
      :value="decisions.lining.trim"
      :options="options(liningTrims, trims)"
      @choose="set({ lining: { ...decisions.lining, trim: $event } })"
    />
  </template>
  <NCheckbox
    v-if="kind === 'insole' || kind === 'insoleCover' || kind === 'insoleFoam'"
    class="check"
    :checked="decisions.insole.covered"
    @update:checked="set({ insole: { covered: $event } })"
    >Foam and a cover of lining leather on it</NCheckbox
  >
  <NCheckbox
    v-if="kind === 'outsole' && part.lines.some((l) => l.kind === 'stitch')"
    class="check"
    :checked="decisions.outsole.channel"
    @update:checked="set({ outsole: { channel: $event } })"
    >Its stitches lie in a channel</NCheckbox
  >
  <NCheckbox
    v-if="kind === 'heelWedge' || kind === 'heelLift' || kind === 'topPiece'"
    class="check"
    :checked="decisions.heel.wedge"
    @update:checked="set({ heel: { ...decisions.heel, wedge: $event } })"
    >A wedge takes up the slope of the seat</NCheckbox
  >
</template>

<style scoped>
.check {
  align-items: center;
  min-height: 44px;
}
</style>

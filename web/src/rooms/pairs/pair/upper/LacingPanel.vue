<script setup lang="ts">
import { eyeletFittings, laceWays, type Lacing, type LacingDecisions } from '@gentle-awl/core'
import { NCheckbox } from 'naive-ui'
import { showLength } from '../../../../app/settings.ts'
import BecauseItem from '../../../../ui/BecauseItem.vue'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import FigureField from '../../../../ui/FigureField.vue'
import SelectField from '../../../../ui/SelectField.vue'

/** What is decided about the lacing, and the lace that it takes where it lies on a last. */
const props = defineProps<{ decided: LacingDecisions; lacing: Lacing | null }>()
const emit = defineEmits<{ change: [lacing: LacingDecisions] }>()
const set = (next: Partial<LacingDecisions>) => emit('change', { ...props.decided, ...next })
const fittings: Record<(typeof eyeletFittings)[number], string> = {
  visible: 'set from outside, seen',
  hidden: 'set inside, under a plain hole',
  none: 'none, holes with a backing',
}
const ways: Record<(typeof laceWays)[number], string> = { crossed: 'Crossed', straight: 'In bars' }
</script>

<template>
  <div class="lacing">
    <SelectField
      label="Eyelets"
      name="eyelets"
      :value="decided.fitting"
      :options="eyeletFittings.map((value) => ({ value, name: fittings[value] }))"
      @choose="set({ fitting: $event })"
    />
    <div class="words-and-field">
      <span>Pairs</span>
      <FigureField
        :value="decided.pairs"
        whole
        :min="2"
        :max="10"
        :empty="lacing ? `${lacing.pairs.length} by rule` : 'by rule'"
        label="Pairs of eyelets"
        @change="set({ pairs: $event })"
      />
    </div>
    <div class="words-and-field">
      <span>Of them hooks, from the top</span>
      <FigureField
        :value="decided.hooks"
        whole
        :min="0"
        :max="8"
        :empty="lacing ? `${lacing.hooks} by style` : 'by style'"
        label="Pairs of hooks"
        @change="set({ hooks: $event })"
      />
    </div>
    <ChoiceBar
      label="The lace runs"
      :options="laceWays.map((value) => ({ value, name: ways[value] }))"
      :value="decided.way"
      @choose="set({ way: $event })"
    />
    <NCheckbox :checked="decided.guard" @update:checked="set({ guard: $event })">
      The lace passes through the tongue
    </NCheckbox>
    <p v-if="lacing" data-testid="lace">
      Lace: {{ showLength(lacing.lace, 0)
      }}{{ lacing.sold === null ? ', longer than laces are sold' : `; take one of ${showLength(lacing.sold, 0)}` }}.
    </p>
    <p v-else class="soft">How long the lace must be is not known: a pattern drawn elsewhere lies on no last.</p>
    <ul v-if="lacing" class="reasons">
      <BecauseItem v-for="b in lacing.becauses" :key="b.id" :because="b" />
    </ul>
  </div>
</template>

<style scoped>
.lacing {
  display: grid;
  gap: 8px;
  margin: 6px 0 12px;
}
</style>

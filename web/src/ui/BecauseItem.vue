<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ruleOf, type Because } from '@gentle-awl/core'
import { IconAdjustments } from '@tabler/icons-vue'
import { computed, ref, useId } from 'vue'
import { showFigure, tell } from '../app/settings.ts'
import { usePair } from '../stores/pairStore.ts'
import FigureField from './FigureField.vue'
import LengthField from './LengthField.vue'
import SliderField from './SliderField.vue'

/** One derived number: what it is, why, and what can be moved behind it. */
const props = defineProps<{ because: Because }>()
const pair = usePair()
const open = ref(false)
const ruleId = useId()

const rule = computed(() => (props.because.rule ? ruleOf(props.because.rule) : undefined))
const ruleValue = computed(() => (rule.value ? pair.ruleInForce(rule.value.key) : 0))
/** Whole things are counted, everything else is measured. */
const counted = computed(() => props.because.unit === 'count')
const changedHere = computed(
  () => props.because.rule !== undefined && pair.decisions?.rules[props.because.rule] !== undefined,
)

function setRule(value: number | null): void {
  if (rule.value && value !== null) pair.setPairRule(rule.value.key, value)
}
</script>

<template>
  <li class="because">
    <div class="head">
      <span class="quantity">{{ because.quantity }}</span>
      <strong v-if="!because.hand" class="figure value">{{ showFigure(because.value, because.unit) }}</strong>
    </div>
    <div v-if="because.hand" class="hand">
      <SliderField
        :label="because.quantity"
        :value="because.value"
        :min="because.hand.min"
        :max="because.hand.max"
        :step="counted ? 1 : 0.5"
        :said="showFigure(because.value, because.unit)"
        @move="pair.setFigure(because.hand.decision, $event)"
      />
      <output v-if="counted" class="figure value">{{ because.value }}</output>
      <LengthField
        v-else
        :value="because.value"
        :min="because.hand.min"
        :max="because.hand.max"
        :label="because.quantity"
        @change="pair.setFigure(because.hand.decision, $event)"
      />
    </div>
    <p class="why">{{ tell(because.sentence) }}</p>
    <div class="foot">
      <span class="origin">{{ because.origin }}</span>
      <NButton
        text
        type="primary"
        v-if="because.hand && because.origin === 'set by hand'"
        @click="pair.setFigure(because.hand.decision, null)"
      >
        Back to the rule, {{ showFigure(because.hand.byRule, because.unit) }}
      </NButton>
      <NButton text type="primary" v-if="rule" :aria-expanded="open" :aria-controls="ruleId" @click="open = !open">
        <IconAdjustments :size="18" aria-hidden="true" /> Rule
      </NButton>
    </div>
    <div v-if="rule && open" :id="ruleId" class="rule">
      <label>
        <span>{{ rule.name }}</span>
        <FigureField
          :label="rule.name"
          :unit="rule.unit"
          :min="rule.min"
          :max="rule.max"
          :step="(rule.max - rule.min) / 20"
          :value="ruleValue"
          @change="setRule"
        />
      </label>
      <p class="why">{{ tell(rule.why) }}</p>
      <NButton text type="primary" v-if="changedHere" @click="pair.setPairRule(rule.key, null)">
        Back to the workshop's figure
      </NButton>
    </div>
  </li>
</template>

<style scoped>
.because {
  padding: 12px 0;
  border-top: 1px solid var(--line);
  list-style: none;
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: baseline;
}
.quantity {
  font-weight: 600;
}
.value {
  font-size: 20px;
}
.hand {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
}
.why {
  color: var(--soft);
  font-size: 16px;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  font-size: 15px;
}
.origin {
  color: var(--soft);
}
.rule {
  display: grid;
  gap: 6px;
  padding: 10px 12px;
  border-radius: 10px;
  background: var(--action-soft);
}
.rule .why {
  color: var(--ink);
}
.rule label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 96px;
  gap: 10px;
  align-items: center;
}
</style>

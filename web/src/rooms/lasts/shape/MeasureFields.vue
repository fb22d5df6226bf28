<script setup lang="ts">
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import { measureGroups, toeShapeOptions, type TypedMeasures } from './figures.ts'
import { NInput } from 'naive-ui'

/** The figures of a last made to measure, in the order in which they are taken. */
const measures = defineModel<TypedMeasures>({ required: true })
defineProps<{ wrong?: string | null; without?: readonly string[] }>()
</script>

<template>
  <div class="fields">
    <p class="soft">Millimetres; swing, hollow, slope and cone front are shares.</p>
    <fieldset v-for="group in measureGroups" :key="group.name">
      <legend>{{ group.name }}</legend>
      <ChoiceBar
        v-if="group.name === 'Toe'"
        class="toes"
        label="Toe shape"
        :options="toeShapeOptions"
        :value="measures.toeShape"
        @choose="measures = { ...measures, toeShape: $event }"
      />
      <template v-for="f in group.fields" :key="f.key">
        <label v-if="!without?.includes(f.key)" class="field">
          <span>{{ f.name }}</span>
          <NInput
            v-model:value="measures[f.key]"
            class="figure"
            :placeholder="f.empty ?? ''"
            :status="wrong === f.key ? 'error' : undefined"
            :input-props="{
              inputmode: 'decimal',
              autocomplete: 'off',
              'aria-invalid': wrong === f.key ? 'true' : 'false',
            }"
          />
        </label>
      </template>
    </fieldset>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 14px;
}
fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
  align-items: end;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0 0 6px;
  font-family: 'Zilla Slab', serif;
  font-size: 18px;
  font-weight: 600;
}
.field > span:first-child {
  font-weight: 400;
}
.toes {
  grid-column: 1 / -1;
  flex-wrap: wrap;
}
</style>

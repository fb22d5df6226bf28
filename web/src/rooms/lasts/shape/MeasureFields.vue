<script setup lang="ts">
import { lastRanges, type LastMeasures } from '@gentle-awl/core'
import { lengthWord } from '../../../app/settings.ts'
import FigureField from '../../../ui/FigureField.vue'
import SelectField from '../../../ui/SelectField.vue'
import { measureGroups, toeShapeOptions } from './figures.ts'

/** The figures of a last made to measure, in the order in which they are taken. */
const measures = defineModel<LastMeasures>({ required: true })
defineProps<{ wrong?: string | null; without?: readonly string[] }>()
</script>

<template>
  <div class="fields">
    <fieldset class="bare" v-for="group in measureGroups" :key="group.name">
      <legend>{{ group.name }}</legend>
      <SelectField
        v-if="group.name === 'Toe'"
        label="Toe shape"
        name="toe-shape"
        :options="toeShapeOptions"
        :value="measures.toeShape"
        @choose="measures = { ...measures, toeShape: $event }"
      />
      <template v-for="f in group.fields" :key="f.key">
        <label v-if="!without?.includes(f.key)" class="field" :class="{ wide: f.says }">
          <span>{{ f.name }}{{ f.unit === 'mm' ? `, ${lengthWord}` : '' }}</span>
          <FigureField
            live
            :label="f.unit === 'mm' ? `${f.name}, ${lengthWord}` : f.name"
            :unit="f.unit"
            :value="measures[f.key]"
            :min="lastRanges[f.key][0]"
            :max="lastRanges[f.key][1]"
            :step="f.step"
            :empty="f.empty"
            :invalid="wrong === f.key"
            @change="measures = { ...measures, [f.key]: $event }"
          />
          <span v-if="f.says" class="says soft">{{ f.says }}</span>
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
}
.field > span:first-child,
fieldset > :deep(.field > span:first-child) {
  font-weight: 400;
}
.wide {
  grid-column: 1 / -1;
  flex-wrap: wrap;
}
/* A word that needs a sentence stands beside it. */
.field.wide {
  grid-template-columns: 136px minmax(0, 1fr);
  align-items: start;
  column-gap: 14px;
}
.field.wide > span:first-child {
  grid-column: 1 / -1;
}
.says {
  font-size: 15px;
  line-height: 1.3;
}
</style>

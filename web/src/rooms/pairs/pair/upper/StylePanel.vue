<script setup lang="ts">
import { NButton, NCheckbox, NRadio, NRadioGroup } from 'naive-ui'
import {
  decorations,
  foldPlaces,
  formeMatches,
  GIMPED_TONGUE,
  patternKinds,
  styleBook,
  topFinishes,
  wallSides,
  type FoldPlace,
  runsDownFacings,
  type FormeMap,
  type Lacing,
  type PatternKind,
  type Side,
  type UpperDecisions,
} from '@gentle-awl/core'
import { computed } from 'vue'
import FigureField from '../../../../ui/FigureField.vue'
import LengthField from '../../../../ui/LengthField.vue'
import FoldOut from '../../../../ui/FoldOut.vue'
import SelectField from '../../../../ui/SelectField.vue'
import LacingPanel from './LacingPanel.vue'
import TapingsPanel from './TapingsPanel.vue'

/** What is decided about the upper as a whole: style, options, edge, decoration, forme. */
const props = defineProps<{
  upper: UpperDecisions
  /** Null on a shoe without lacing, and where it lies on no last. */
  lacing: Lacing | null
  /** Whether there are eyelets. */
  laced: boolean
  flat: boolean
  map: FormeMap
}>()
const emit = defineEmits<{ change: [change: Partial<UpperDecisions>] }>()
const style = computed(() =>
  props.upper.style === 'own pattern'
    ? {
        sentence: 'Pieces drawn elsewhere; you name what becomes of each edge.',
        options: [],
        topFinish: 'folded' as const,
        facingsFinishedBy: null,
      }
    : styleBook[props.upper.style],
)
const named = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, name: value }))
const setForme = (next: Partial<UpperDecisions['forme']>) =>
  emit('change', { forme: { ...props.upper.forme, ...next } })

/** Whether the finish runs down the facings where nobody decided it. */
const usuallyDown = computed(() =>
  runsDownFacings({ ...props.upper, finishOnFacings: null }, style.value.facingsFinishedBy),
)
/** Whether any edge is cut in teeth. */
const toothed = computed(() => props.upper.decoration.includes('gimped') || props.upper.options[GIMPED_TONGUE] === true)
const placeNames: Record<FoldPlace, string> = {
  instep: 'over the instep',
  toes: 'over the toes',
  'all along': 'all along the middle',
  shaft: 'round the shaft',
}
const places = computed(() => {
  const { style, folds } = props.upper
  const onShaft = style !== 'own pattern' && styleBook[style].shaftFolds
  return foldPlaces
    .filter((p) => p !== 'shaft' || onShaft || folds.where === 'shaft')
    .map((value) => ({
      value,
      name: value === 'shaft' && !onShaft ? 'round a shaft, which this style has not' : placeNames[value],
    }))
})
const lowCut = computed(() => ['ballet flat', 'court'].includes(props.upper.style))
/** Points belong to the style they were moved in; another style begins by its rules. */
function choose(name: PatternKind): void {
  emit('change', {
    style: name,
    options: {},
    topFinish: null,
    finishOnFacings: null,
    points: {},
    folds: { versions: [], chosen: 0, where: 'instep' },
    throat: 'as drawn',
    backTaper: 0,
  })
}
const setAnkle = (side: Side, mm: number | null) =>
  emit('change', { ankleBone: { ...props.upper.ankleBone, [side]: mm } })
function setVersion(index: number, mm: number): void {
  const versions = [...props.upper.folds.versions]
  versions[index] = mm
  emit('change', { folds: { ...props.upper.folds, versions, chosen: index } })
}
</script>

<template>
  <div class="style">
    <SelectField label="Style" name="style" :value="upper.style" :options="named(patternKinds)" @choose="choose" />
    <p class="soft">{{ style.sentence }}</p>
    <NCheckbox
      v-for="o in style.options"
      :key="o.key"
      :checked="upper.options[o.key] ?? o.byDefault"
      @update:checked="emit('change', { options: { ...upper.options, [o.key]: $event } })"
      >{{ o.name }}</NCheckbox
    >
    <SelectField
      label="Top line"
      name="top-finish"
      :value="upper.topFinish ?? ''"
      :options="[{ value: '', name: `${style.topFinish} (style)` }, ...named(topFinishes)]"
      @choose="emit('change', { topFinish: $event === '' ? null : $event })"
    />
    <SelectField
      v-if="lacing"
      label="That edge runs"
      name="finish-on-facings"
      :value="upper.finishOnFacings === null ? '' : upper.finishOnFacings ? 'down' : 'top'"
      :options="[
        { value: '', name: `${usuallyDown ? 'down both facings too' : 'along the top line'} (style)` },
        { value: 'top', name: 'along the top line' },
        { value: 'down', name: 'down both facings too' },
      ]"
      @choose="emit('change', { finishOnFacings: $event === '' ? null : $event === 'down' })"
    />
    <SelectField
      label="Open edges"
      name="decoration"
      :value="upper.decoration"
      :options="decorations.map((value) => ({ value, name: value === 'none' ? 'plain' : value }))"
      @choose="emit('change', { decoration: $event })"
    />
    <div v-if="upper.decoration.includes('punched')" class="words-and-field">
      <span>Between large holes, if measured</span>
      <FigureField
        :value="upper.measured.row"
        :min="4"
        :max="16"
        :step="0.5"
        unit="mm"
        empty="by the house rule"
        label="Measured between large holes"
        @change="emit('change', { measured: { ...upper.measured, row: $event } })"
      />
    </div>
    <div v-if="toothed" class="words-and-field">
      <span>Between teeth, if measured</span>
      <FigureField
        :value="upper.measured.tooth"
        :min="1.5"
        :max="8"
        :step="0.5"
        unit="mm"
        empty="by the house rule"
        label="Measured between teeth"
        @change="emit('change', { measured: { ...upper.measured, tooth: $event } })"
      />
    </div>
    <SelectField
      v-if="lowCut"
      label="Throat"
      name="throat"
      :value="upper.throat"
      :options="[
        { value: 'as drawn', name: 'each side as drawn' },
        { value: 'mirrored', name: flat ? 'lateral side mirrored' : 'lateral side mirrored (flats only)' },
      ]"
      @choose="emit('change', { throat: $event })"
    />
    <FoldOut v-if="laced" title="Lacing">
      <LacingPanel :decided="upper.lacing" :lacing="lacing" @change="emit('change', { lacing: $event })" />
    </FoldOut>
    <FoldOut title="Forme and folds">
      <div class="style">
        <SelectField
          label="Forme keeps"
          name="forme-kind"
          :value="upper.forme.kind"
          :options="[
            { value: 'true seams', name: 'back, rim, ridge and toe at their true length' },
            { value: 'paper', name: 'the least strain, as paper would' },
          ]"
          @choose="setForme({ kind: $event })"
        />
        <SelectField
          label="Sides laid together at"
          name="forme-match"
          :value="upper.forme.match"
          :options="named(formeMatches)"
          @choose="setForme({ match: $event })"
        />
        <SelectField
          label="Feather line"
          name="forme-feather"
          :value="upper.forme.feather"
          :options="[
            { value: 'own', name: 'each side its own' },
            { value: 'mean', name: 'the mean forme’s for both' },
          ]"
          @choose="setForme({ feather: $event })"
        />
        <fieldset class="folds">
          <legend>Ankle bones above the feather, if measured</legend>
          <div v-for="side in wallSides" :key="side" class="words-and-field">
            <span>{{ side === 'lateral' ? 'Lateral' : 'Medial' }}</span>
            <span class="ankle">
              <LengthField
                v-if="upper.ankleBone[side] !== null"
                :value="upper.ankleBone[side] ?? 0"
                :min="20"
                :max="110"
                :label="`Ankle bone, ${side}`"
                @change="setAnkle(side, $event)"
              />
              <NButton v-if="upper.ankleBone[side] === null" @click="setAnkle(side, 45)"> Measured </NButton>
              <NButton v-else @click="setAnkle(side, null)">By rule</NButton>
            </span>
          </div>
        </fieldset>
        <TapingsPanel :tapings="upper.forme.tapings" :map="map" @change="setForme({ tapings: $event })" />
        <div class="words-and-field">
          <span>Taken in at the back, a side</span>
          <LengthField
            :value="upper.backTaper"
            :min="0"
            :max="6"
            label="Taken in at the back"
            @change="emit('change', { backTaper: $event })"
          />
        </div>
        <fieldset class="folds">
          <legend>Designed folds, opened in all</legend>
          <SelectField
            label="They lie"
            name="fold-place"
            :value="upper.folds.where"
            :options="places"
            @choose="emit('change', { folds: { ...upper.folds, where: $event } })"
          />
          <NRadioGroup
            :value="upper.folds.chosen"
            name="fold-version"
            @update:value="emit('change', { folds: { ...upper.folds, chosen: $event } })"
          >
            <div v-for="(v, i) in upper.folds.versions" :key="i" class="words-and-field">
              <NRadio :value="i">Version {{ i + 1 }}</NRadio>
              <LengthField :value="v" :min="0" :max="120" :label="`Version ${i + 1}`" @change="setVersion(i, $event)" />
            </div>
          </NRadioGroup>
          <NButton
            v-if="upper.folds.versions.length < 6"
            @click="setVersion(upper.folds.versions.length, (upper.folds.versions.at(-1) ?? 30) + 10)"
          >
            Add a version
          </NButton>
        </fieldset>
      </div>
    </FoldOut>
  </div>
</template>

<style scoped>
.style {
  display: grid;
  gap: 8px;
  margin: 10px 0 14px;
}
.ankle {
  display: flex;
  gap: 8px;
  align-items: center;
}
.folds {
  border: 1px solid var(--line);
  border-radius: 10px;
  display: grid;
  gap: 6px;
}
</style>

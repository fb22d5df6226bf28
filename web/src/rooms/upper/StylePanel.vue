<script setup lang="ts">
import {
  decorations,
  patternKinds,
  styleBook,
  topEdges,
  wallSides,
  type FormeMap,
  type PatternKind,
  type Side,
  type UpperDecisions,
} from '@gentle-awl/core'
import { computed } from 'vue'
import LengthField from '../../ui/LengthField.vue'
import TapingsPanel from './TapingsPanel.vue'

/** What is decided about the upper as a whole: style, options, edge, decoration, forme. */
const props = defineProps<{ upper: UpperDecisions; flat: boolean; map: FormeMap }>()
const emit = defineEmits<{ change: [change: Partial<UpperDecisions>] }>()
const style = computed(() =>
  props.upper.style === 'own pattern'
    ? {
        sentence: 'Pieces drawn elsewhere; you name what becomes of each edge.',
        options: [],
        topEdge: 'folded' as const,
      }
    : styleBook[props.upper.style],
)
const value = (event: Event) => (event.target as HTMLSelectElement).value

const lowCut = computed(() => ['ballet flat', 'court'].includes(props.upper.style))
/** Points belong to the style they were moved in; another style begins by its rules. */
function choose(name: PatternKind): void {
  emit('change', {
    style: name,
    options: {},
    topEdge: null,
    points: {},
    folds: { versions: [], chosen: 0 },
    throat: 'as drawn',
    backTaper: 0,
  })
}
const setAnkle = (side: Side, mm: number | null) =>
  emit('change', { ankleBone: { ...props.upper.ankleBone, [side]: mm } })
const edgeNames = { folded: 'folded', bead: 'bead', bound: 'bound', raw: 'raw' }
function setVersion(index: number, mm: number): void {
  const versions = [...props.upper.folds.versions]
  versions[index] = mm
  emit('change', { folds: { versions, chosen: index } })
}
</script>

<template>
  <div class="style">
    <label class="field">
      <span>Style</span>
      <select :value="upper.style" name="style" @change="choose(value($event) as PatternKind)">
        <option v-for="s in patternKinds" :key="s" :value="s">{{ s }}</option>
      </select>
    </label>
    <p class="soft">{{ style.sentence }}</p>
    <label v-for="o in style.options" :key="o.key" class="check-line">
      <input
        type="checkbox"
        :checked="upper.options[o.key] ?? o.byDefault"
        :name="`option-${o.key}`"
        @change="
          emit('change', { options: { ...upper.options, [o.key]: ($event.target as HTMLInputElement).checked } })
        "
      />
      <span>{{ o.name }}</span>
    </label>
    <div class="two">
      <label class="field">
        <span>Top line</span>
        <select
          :value="upper.topEdge ?? ''"
          name="top-edge"
          @change="emit('change', { topEdge: (value($event) || null) as UpperDecisions['topEdge'] })"
        >
          <option value="">{{ edgeNames[style.topEdge] }} (style)</option>
          <option v-for="e in topEdges" :key="e" :value="e">{{ edgeNames[e] }}</option>
        </select>
      </label>
      <label class="field">
        <span>Open edges</span>
        <select
          :value="upper.decoration"
          name="decoration"
          @change="emit('change', { decoration: value($event) as UpperDecisions['decoration'] })"
        >
          <option v-for="x in decorations" :key="x" :value="x">{{ x === 'none' ? 'plain' : x }}</option>
        </select>
      </label>
    </div>
    <label v-if="lowCut" class="field">
      <span>Throat</span>
      <select
        :value="upper.throat"
        name="throat"
        @change="emit('change', { throat: value($event) as UpperDecisions['throat'] })"
      >
        <option value="as drawn">each side as drawn</option>
        <option value="mirrored">lateral side mirrored{{ flat ? '' : ' (flats only)' }}</option>
      </select>
    </label>
    <details>
      <summary>Forme and folds</summary>
      <label class="field">
        <span>Forme keeps</span>
        <select
          :value="upper.forme.kind"
          name="forme-kind"
          @change="
            emit('change', { forme: { ...upper.forme, kind: value($event) as UpperDecisions['forme']['kind'] } })
          "
        >
          <option value="true seams">back and ridge at their true length</option>
          <option value="paper">the least strain, as paper would</option>
        </select>
      </label>
      <label class="field">
        <span>Sides laid together at</span>
        <select
          :value="upper.forme.match"
          name="forme-match"
          @change="
            emit('change', { forme: { ...upper.forme, match: value($event) as UpperDecisions['forme']['match'] } })
          "
        >
          <option value="back and vamp">back and vamp</option>
          <option value="vamp and toe">vamp and toe</option>
          <option value="all round">all round</option>
        </select>
      </label>
      <label class="field">
        <span>Feather line</span>
        <select
          :value="upper.forme.feather"
          name="forme-feather"
          @change="
            emit('change', { forme: { ...upper.forme, feather: value($event) as UpperDecisions['forme']['feather'] } })
          "
        >
          <option value="own">each side its own</option>
          <option value="mean">the mean forme’s for both</option>
        </select>
      </label>
      <fieldset class="folds">
        <legend>Ankle bones above the feather, if measured</legend>
        <div v-for="side in wallSides" :key="side" class="line">
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
            <button v-if="upper.ankleBone[side] === null" class="button" type="button" @click="setAnkle(side, 45)">
              Measured
            </button>
            <button v-else class="button" type="button" @click="setAnkle(side, null)">By rule</button>
          </span>
        </div>
      </fieldset>
      <TapingsPanel
        :tapings="upper.forme.tapings"
        :map="map"
        @change="emit('change', { forme: { ...upper.forme, tapings: $event } })"
      />
      <div class="line">
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
        <div v-for="(v, i) in upper.folds.versions" :key="i" class="line">
          <label class="check-line">
            <input
              type="radio"
              name="fold-version"
              :checked="i === upper.folds.chosen"
              @change="emit('change', { folds: { ...upper.folds, chosen: i } })"
            />
            <span>Version {{ i + 1 }}</span>
          </label>
          <LengthField :value="v" :min="0" :max="120" :label="`Version ${i + 1}`" @change="setVersion(i, $event)" />
        </div>
        <button
          v-if="upper.folds.versions.length < 6"
          class="button"
          type="button"
          @click="setVersion(upper.folds.versions.length, (upper.folds.versions.at(-1) ?? 30) + 10)"
        >
          Add a version
        </button>
      </fieldset>
    </details>
  </div>
</template>

<style scoped>
.style {
  display: grid;
  gap: 8px;
  margin: 10px 0 14px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
details {
  display: grid;
}
details > * {
  margin-top: 8px;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  font-weight: 600;
}
.line {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
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

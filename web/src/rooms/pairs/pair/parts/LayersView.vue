<script setup lang="ts">
import { NButton, NTable } from 'naive-ui'
import {
  thicknessOf,
  verticalRib,
  wallPlace,
  wallSection,
  type LayerFinding,
  type Path,
  type Side,
  type Vec3,
  spoken,
} from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { inUnit, lengthWord, showLength, tell } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import FindingItem from '../../../../ui/FindingItem.vue'
import HouseChart from '../../../../ui/HouseChart.vue'
import LastViewer from '../../../../viewer/LastViewer.vue'
import LayerForme from './LayerForme.vue'
import SectionDrawing from './SectionDrawing.vue'
import { thicknessBody } from './layerScene.ts'
import { hatchOf, tintOf } from '../../../../drawing/layerLook.ts'
import { asCss, rampFor, thicknessColour } from './thicknessColours.ts'
import { useLayers } from './useLayers.ts'
import SliderField from '../../../../ui/SliderField.vue'

/** What lies on what: thickness on the last and on the forme, and a section wherever somebody points. */
const pair = usePair()
const side = ref<Side>('lateral')
const { map, problem, layers, wall, turned, measured, raster } = useLayers(side)

const sides = [
  { value: 'lateral', name: 'Lateral' },
  { value: 'medial', name: 'Medial' },
] as const
const station = ref(60)
const length = computed(() => map.value?.surface.length ?? 1)
const furthest = computed(() => Math.floor(length.value - 4))

const section = computed(() =>
  map.value && wall.value && turned.value
    ? wallSection(
        map.value,
        wall.value,
        turned.value,
        side.value,
        Math.min(station.value, furthest.value),
        layers.value?.insoleEdge ?? 0,
      )
    : null,
)
const ramp = computed(() => rampFor(measured.value ? [...measured.value.lateral, ...measured.value.medial] : []))
const body = computed(() =>
  map.value && measured.value ? thicknessBody(map.value.surface, measured.value, ramp.value) : null,
)
const steps = computed(() =>
  Array.from({ length: 6 }, (_, k) => {
    const { from, to } = ramp.value
    const t = from + ((to - from) * k) / 5
    return { t, colour: asCss(thicknessColour(t, ramp.value)) }
  }),
)
/** The line on the last where the section is taken, and a ball at its foot that can be dragged. */
const rib = computed<Vec3[]>(() => {
  if (!map.value || !section.value) return []
  return ribOnLast(map.value.surface, section.value.side, section.value.station)
})
const loops = computed(() => [{ points: rib.value, colour: '#ffffff', width: 3, open: true }])
const markers = computed(() =>
  rib.value.length > 0
    ? [{ key: 'section', at: rib.value[Math.floor(rib.value.length * 0.25)]!, colour: '#ffd48a', size: 1.2 }]
    : [],
)
function ribOnLast(surface: Parameters<typeof wallPlace>[0], s: Side, at: number): Vec3[] {
  return verticalRib(surface, s, at).map(([x, y, z]): Vec3 => [x, y + (s === 'lateral' ? -0.8 : 0.8), z])
}
function take(s: Side, at: Vec3): void {
  if (!map.value) return
  side.value = s
  station.value = Math.round(wallPlace(map.value.surface, s, at).station)
}
function drag(_: string, at: Vec3): void {
  take(at[1] > 0 ? 'medial' : 'lateral', at)
}
function show(f: LayerFinding): void {
  if (f.at && map.value) take(f.at.side, map.value.toLast(f.at.side, f.at.point))
}
/** Along the feather line, side by side: what is turned there, and how much that must shrink. */
const along = computed(() => {
  const line = (value: (a: NonNullable<typeof layers.value>['along'][number]) => number) =>
    sides.map(({ value: of, name }) => {
      const places = layers.value?.along.filter((a) => a.side === of) ?? []
      return { name, x: places.map((a) => inUnit(a.x)), y: places.map(value) }
    })
  return { thickness: line((a) => inUnit(a.thickness)), shrinks: line((a) => a.shrinks) }
})
/** At the feather line of the section: what is turned there. */
const atFeather = computed(() => (turned.value && section.value ? turned.value.atFeather(side.value, ribX.value) : []))
const ribX = computed(() => rib.value[0]?.[0] ?? 0)
const ribOnForme = computed<Path>(() =>
  map.value ? rib.value.map((p) => (map.value as NonNullable<typeof map.value>).fromLast(side.value, p)) : [],
)
</script>

<template>
  <div v-if="map && wall && layers && section" class="work-and-panel">
    <div class="views">
      <LastViewer
        v-model:foot="pair.foot"
        :body="body ?? undefined"
        :surface="map.surface"
        :loops="loops"
        :markers="markers"
        label="Thickness of the layers on the last"
        start="lateral"
        class="on-last"
        @drag="drag"
      />
      <LayerForme
        :map="map"
        :raster="raster"
        :side="side"
        :ramp="ramp"
        :rib="ribOnForme"
        class="on-forme"
        @point="(p) => map && take(side, map.toLast(side, p))"
      />
      <div class="cut">
        <SectionDrawing :section="section" />
        <div class="where">
          <ChoiceBar label="Side of the section" :options="sides" :value="side" @choose="side = $event" />
          <div class="place">
            <SliderField
              label="Place of the section, from the heel back"
              :value="station"
              :min="0"
              :max="furthest"
              :step="1"
              :said="showLength(station)"
              @move="station = $event"
            />
            <span class="figure">{{ showLength(station, 0) }}</span>
          </div>
        </div>
      </div>
      <p v-if="!measured" class="measuring" role="status">Measuring the layers …</p>
      <div
        v-else
        class="scale"
        role="img"
        :aria-label="`Scale from ${showLength(ramp.from)} to ${showLength(ramp.to)}`"
      >
        <span v-for="s in steps" :key="s.t" class="figure"
          ><i :style="{ background: s.colour }"></i>{{ showLength(s.t) }}</span
        >
      </div>
    </div>
    <BecausePanel title="Layers">
      <h3 class="first">Here, from the foot outwards</h3>
      <NTable size="small" :bordered="false" class="stack">
        <tbody>
          <tr v-for="l in section.layers" :key="l.part + l.name">
            <td><i :style="{ background: tintOf(l.part) }" :class="hatchOf(l.part)"></i>{{ l.name }}</td>
            <td class="figure">{{ showLength(l.thickest) }}</td>
          </tr>
          <tr class="sum">
            <td>At the feather line, together</td>
            <td class="figure">{{ showLength(thicknessOf(atFeather)) }}</td>
          </tr>
        </tbody>
      </NTable>
      <h3>Checks</h3>
      <ul class="findings">
        <template v-for="f in layers.findings" :key="f.id + spoken(f.where)">
          <FindingItem :finding="f" />
          <li v-if="f.at && f.level !== 'fine'" class="go">
            <NButton @click="show(f)">Cut through here: {{ tell(f.where) }}</NButton>
          </li>
        </template>
      </ul>
      <HouseChart
        title="Thickness turned, along the feather line"
        :x="{ title: 'From the heel back', unit: lengthWord }"
        :y="{ title: 'Thickness', unit: lengthWord }"
        :lines="along.thickness"
      />
      <HouseChart
        title="What lies flat must shrink, along the feather line"
        :x="{ title: 'From the heel back', unit: lengthWord }"
        :y="{ title: 'Shrink', unit: '%' }"
        :lines="along.shrinks"
      />
    </BecausePanel>
  </div>
  <p v-else class="wait" role="status">{{ problem || 'Measuring the layers …' }}</p>
</template>

<style scoped>
.views {
  position: relative;
  display: grid;
  grid-template: minmax(0, 1.1fr) minmax(0, 1fr) / minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 2px;
  min-width: 0;
  min-height: 0;
  background: var(--slate-deep);
}
.on-last {
  grid-area: 1 / 1;
  min-height: 0;
}
.on-last :deep(.tools) {
  display: none;
}
/* Its scale stands over it, and no buttons under it. */
.on-last :deep(canvas) {
  inset: auto 0 0;
  height: calc(100% - 62px);
}
.on-forme {
  grid-area: 2 / 1;
}
.cut {
  display: grid;
  grid-area: 1 / 2 / 3 / 3;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  background: var(--slate);
}
.where {
  display: grid;
  gap: 6px;
  padding: 8px 12px 12px;
}
.measuring {
  position: absolute;
  left: 12px;
  top: 10px;
  padding: 6px 10px;
  border-radius: 8px;
  background: #1b282fd9;
  color: #eef2ee;
}
.scale {
  position: absolute;
  left: 12px;
  top: 10px;
  display: grid;
  grid-template-columns: repeat(3, auto);
  gap: 2px 14px;
  padding: 6px 10px;
  border-radius: 8px;
  background: #1b282fd9;
  color: #eef2ee;
  font-size: 14px;
}
.scale span {
  display: flex;
  gap: 8px;
  align-items: center;
}
.scale i {
  width: 22px;
  height: 12px;
  border-radius: 3px;
}
h3.first {
  margin-top: 12px;
}
.stack i {
  display: inline-block;
  width: 16px;
  height: 12px;
  margin-right: 8px;
  border: 1px solid #17262b;
  border-radius: 2px;
}
.sum td {
  font-weight: 600;
}
.findings {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
@media (max-width: 999px) {
  .views {
    grid-template: minmax(0, 0.85fr) minmax(0, 0.75fr) minmax(0, 1.25fr) / minmax(0, 1fr);
  }
  .cut {
    grid-area: 3 / 1;
    padding-bottom: 60px;
  }
}
.stack {
  margin-bottom: 16px;
}
.stack.n-table td:last-child {
  text-align: end;
}
.place {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 76px;
  gap: 10px;
  align-items: center;
  color: var(--chalk);
}
</style>

<script setup lang="ts">
import { NButton, NCheckbox } from 'naive-ui'
import {
  markingOf,
  strainAlong,
  type KeyPoint,
  type PairDecisions,
  type Point,
  type PointSide,
  type Side,
  type Upper,
  type UpperDecisions,
  type Vec3,
} from '@gentle-awl/core'
import { watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { useAsked } from '../../../../app/asked.ts'
import { inUnit, lengthWord, showLength } from '../../../../app/settings.ts'
import { useMade } from '../../../../stores/madeStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { setPieceMaterial } from '../../../../stores/setMaterial.ts'
import BecauseItem from '../../../../ui/BecauseItem.vue'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import FoldOut from '../../../../ui/FoldOut.vue'
import HouseChart from '../../../../ui/HouseChart.vue'
import PieceMaterialSelect from '../../../../ui/PieceMaterialSelect.vue'
import type { Loop, Marker } from '../../../../viewer/body.ts'
import LastViewer from '../../../../viewer/LastViewer.vue'
import { wakeViewer } from '../../../../workers/viewer/viewerBench.ts'
import { asBefore } from '../../../../app/asBefore.ts'
import { byRule, figured, movedTo } from './movePoints.ts'
import { pointMarkers, upperLoops } from './upperScene.ts'
import ChosenPoint from './ChosenPoint.vue'
import FormeTable from './FormeTable.vue'
import OverlayPanel from './OverlayPanel.vue'
import OwnPatternPanel from './OwnPatternPanel.vue'
import PieceList from './PieceList.vue'
import PieceTable from './PieceTable.vue'
import SizeRunTable from './SizeRunTable.vue'
import StylePanel from './StylePanel.vue'
import TopFinishPanel from './TopFinishPanel.vue'
import UpperFindings from './UpperFindings.vue'
import { useForme } from './useForme.ts'

/** So long after a change another turn of the page has begun, ms. */
const NEXT_TURN = 1

/** The upper: forme and last side by side, pieces apart, checks with their mends. */
const pair = usePair()
const made = useMade()
const { map, board, problem, upper: decided } = useForme()
// It takes as long to begin as the plan takes to be made.
wakeViewer()

const views = [
  { value: 'forme', name: 'Forme' },
  { value: 'pieces', name: 'Pieces' },
  { value: 'sizes', name: 'Sizes' },
] as const
const view = ref<(typeof views)[number]['value']>('forme')
const sideNames = [
  { value: 'both', name: 'Both sides' },
  { value: 'lateral', name: 'Lateral' },
  { value: 'medial', name: 'Medial' },
] as const
const side = ref<PointSide>('both')
const strainOn = ref(false)
const marginOn = ref(false)
/** Another design that is laid over this one. */
const over = shallowRef<Upper | null>(null)
const chosenPoint = ref('')
const chosenPiece = ref('')

const upper = computed(() => pair.plan?.upper ?? null)
/** What the panel says of it. */
const said = computed(() => pair.calmPlan?.upper ?? null)
/** What is skived and sewn on each piece. */
const markings = computed(() => {
  const { plan } = pair
  return plan ? Object.fromEntries(plan.upper.pieces.map((p) => [p.id, markingOf(plan, p.id)])) : {}
})
const piece = computed(() => upper.value?.pieces.find((p) => p.id === chosenPiece.value) ?? null)
const saidPiece = computed(() => said.value?.pieces.find((p) => p.id === chosenPiece.value) ?? null)
const point = computed(() => upper.value?.points.find((p) => p.id === chosenPoint.value) ?? null)
const frontSide = computed<Side>(() => (side.value === 'medial' ? 'medial' : 'lateral'))

useAsked('point', (id) => {
  view.value = 'forme'
  chosenPoint.value = id
})

/** What is decided beside the points: the very same while only they move, so that the panel rests while one is dragged. */
const apart = computed<UpperDecisions | null>((before) =>
  asBefore(before, decided.value && { ...decided.value, points: {} }),
)
const names = computed<{ id: string; name: string }[]>((before) =>
  asBefore(before, said.value?.pieces.map(({ id, name }) => ({ id, name })) ?? []),
)
const toPart = (part: string) => `/pairs/${pair.view?.id}/parts/${part}`

function change(next: Partial<UpperDecisions>): void {
  if (!decided.value) return
  pair.change({ ...(pair.decisions as PairDecisions), upper: { ...decided.value, ...next } })
}
function cutFrom(material: string | null): void {
  if (pair.decisions) pair.change(setPieceMaterial(pair.decisions, chosenPiece.value, material))
}
function movePoint(p: KeyPoint, at: Side, to: Point): void {
  if (board.value) change({ points: movedTo(board.value, p, at, to, side.value) })
}
function moveOnLast(key: string, at: Vec3, done: boolean): void {
  if (done) pair.letGo()
  else pair.hold()
  const [id, s] = key.split(':')
  const p = upper.value?.points.find((x) => x.id === id)
  if (!p || !map.value || (s !== 'lateral' && s !== 'medial')) return
  chosenPoint.value = p.id
  movePoint(p, s, map.value.fromLast(s, at))
}
function setFigure(index: number, value: number): void {
  if (point.value && board.value) change({ points: figured(board.value, point.value, index, value, side.value) })
}
function backToRule(): void {
  if (point.value && decided.value) change({ points: byRule(decided.value.points, point.value) })
}
/** Most stretch and most crowding of the side in front, from heel to toe. */
const strain = computed(() => {
  if (!map.value) return []
  const { at, stretch, crowding } = strainAlong(map.value.forme, frontSide.value)
  const x = at.map(inUnit)
  const percent = (share: number) => 100 * share
  return [
    { name: 'Stretch', x, y: stretch.map(percent) },
    { name: 'Crowding', x, y: crowding.map(percent) },
  ]
})
/** What is past the feather lies on no last. */
const pointsOnLast = (points: readonly KeyPoint[]) => points.filter((p) => p.track !== 'margin')
/** What lies on the last is worked out in a turn of its own: the drawing under the hand does not wait for it. */
const loops = shallowRef<Loop[]>([])
const markers = shallowRef<Marker[]>([])
watchDebounced(
  [map, upper, piece, chosenPoint],
  () => {
    if (!map.value || !upper.value) return
    loops.value = upperLoops(map.value, upper.value, piece.value)
    markers.value = pointMarkers(map.value, pointsOnLast(upper.value.points), chosenPoint.value)
  },
  { immediate: true, debounce: NEXT_TURN },
)
</script>

<template>
  <div v-if="upper && said && map && board && apart" class="work-and-panel">
    <div class="both">
      <FormeTable
        v-if="view === 'forme'"
        :map="map"
        :board="board"
        :upper="upper"
        :chosen="piece"
        :point="chosenPoint"
        :side="side"
        :strain="strainOn ? frontSide : null"
        :margin="marginOn"
        :over="over?.lines ?? []"
        @choose="chosenPoint = $event"
        @move="movePoint"
        @grasp="pair.hold"
        @let-go="pair.letGo"
      >
        <ChoiceBar label="Show" :options="views" :value="view" @choose="view = $event" />
        <ChoiceBar label="Side" :options="sideNames" :value="side" @choose="side = $event" />
        <NButton :aria-pressed="strainOn" @click="strainOn = !strainOn">Strain</NButton>
      </FormeTable>
      <SizeRunTable v-else-if="view === 'sizes'">
        <ChoiceBar label="Show" :options="views" :value="view" @choose="view = $event" />
      </SizeRunTable>
      <PieceTable
        v-else
        :versions="upper.foldVersions"
        :pieces="upper.pieces"
        :markings="markings"
        :chosen="piece"
        @choose="chosenPiece = $event"
      >
        <ChoiceBar label="Show" :options="views" :value="view" @choose="view = $event" />
      </PieceTable>
      <LastViewer
        v-model:foot="pair.foot"
        :one-foot="Boolean(pair.whole?.left)"
        :surface="map.surface"
        :loops="loops"
        :markers="markers"
        label="The design on the last"
        start="lateral"
        @drag="moveOnLast"
      />
    </div>
    <BecausePanel title="Upper">
      <StylePanel
        :map="map"
        :upper="apart"
        :lacing="said.lacing"
        :laced="said.pieces.some((p) => p.holes.some((h) => h.for === 'eyelet'))"
        :flat="(pair.calmPlan?.last.heelHeight ?? 99) <= 15"
        @change="change"
      />
      <OwnPatternPanel
        v-if="apart.style === 'own pattern'"
        :own="apart.own"
        :chosen="chosenPiece"
        @change="change({ own: $event })"
        @choose="((chosenPiece = $event), (view = 'pieces'))"
      />
      <NCheckbox
        v-if="view === 'forme' && said.points.some((p) => p.track === 'margin')"
        :checked="marginOn"
        @update:checked="marginOn = $event"
        >Set the lasting margin place by place</NCheckbox
      >
      <ChosenPoint
        v-if="point"
        :key="point.id"
        :point="point"
        :board="board"
        :front="frontSide"
        @set="setFigure"
        @by-rule="backToRule"
      />
      <h3>Checks</h3>
      <UpperFindings :findings="said.findings" />
      <FoldOut title="Laid over another pattern">
        <OverlayPanel :upper="upper" @over="((over = $event), $event && (view = 'forme'))" />
      </FoldOut>
      <FoldOut title="Strain from heel to toe">
        <HouseChart
          :title="`What the leather must give, ${frontSide} side`"
          :x="{ title: 'From the heel back', unit: lengthWord }"
          :y="{ title: 'Strain', unit: '%' }"
          :lines="strain"
        />
      </FoldOut>
      <h3>Pieces</h3>
      <PieceList v-model:chosen="chosenPiece" :pieces="names" />
      <template v-if="saidPiece">
        <PieceMaterialSelect
          v-if="pair.decisions"
          :piece="saidPiece.id"
          role="upper"
          :decisions="pair.decisions"
          label="Cut from"
          @choose="cutFrom"
        />
        <ul class="plain-list edges">
          <li v-for="e in saidPiece.edges" :key="e.name + e.side">
            {{ e.name }}{{ saidPiece.side === 'whole' ? `, ${e.side}` : '' }}: {{ e.role
            }}{{ e.allowance ? `, ${showLength(e.allowance)} added` : '' }}
          </li>
        </ul>
        <div class="makings" role="group" :aria-label="`${saidPiece.name}: made`">
          <NButton
            v-for="how in ['cut', 'punched'] as const"
            :key="how"
            @click="made.record(how, [`upper.${saidPiece.id}`])"
          >
            {{ how === 'cut' ? 'Cut, both feet' : 'Punched' }}
          </NButton>
        </div>
        <p v-if="made.problem" class="wrong" role="alert">{{ made.problem }}</p>
        <BecauseItem v-for="b in saidPiece.becauses" :key="b.quantity" :because="b" />
      </template>
      <TopFinishPanel :work="said.topFinish" :to="toPart" />
      <h3>Because</h3>
      <ul class="reasons">
        <BecauseItem v-for="b in [...said.topFinish.becauses, ...said.becauses]" :key="b.quantity" :because="b" />
      </ul>
    </BecausePanel>
  </div>
  <p v-else class="wait" role="status">{{ problem || 'Laying the last flat …' }}</p>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-rows: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 2px;
  min-height: 0;
  min-width: 0;
  background: var(--slate-deep);
}
.both :deep(.viewer) {
  min-height: 0;
}
.makings {
  display: flex;
  gap: 8px;
  margin: 8px 0;
}
.edges {
  font-size: 15px;
}
.reasons {
  margin: 0;
  padding: 0;
}
</style>

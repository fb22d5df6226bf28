<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  boxOf,
  grainArrow,
  holeRings,
  markPath,
  stitchTicks,
  type Path,
  type Piece,
  type PieceMarking,
  type Point,
  type Upper,
} from '@gentle-awl/core'
import { computed, ref, watchEffect } from 'vue'
import { showLength } from '../../../../app/settings.ts'
import { pathData } from '../../../../drawing/svgPath.ts'
import type { LegendLine } from '../../../../drawing/legendLine.ts'
import SlateLabel from '../../../../drawing/SlateLabel.vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { closed, useLabels } from '../../../../drawing/useLabels.ts'
import { useSlate } from '../../../../drawing/useSlate.ts'
import { foldedHalves } from './foldedHalves.ts'
import { inRows } from './rows.ts'

/** All pieces apart, at one scale: cut edge, finished line, notches, holes, slits, grain. */
const props = defineProps<{
  pieces: Piece[]
  chosen: Piece | null
  versions: Upper['foldVersions']
  /** What is skived on each, and how far a neighbour will lie under it; none while it is worked out. */
  markings: Readonly<Record<string, PieceMarking>>
}>()
const emit = defineEmits<{ choose: [id: string] }>()
/** Width to height of the place that the rows are laid into. */
const aspect = ref(2)
const layout = computed(() => {
  const rows = inRows(
    props.pieces.map((p) => boxOf(p.outline)),
    aspect.value,
  )
  return { ...rows, placed: props.pieces.map((piece, i) => ({ piece, ...rows.moves[i]! })) }
})
const world = computed(() => ({ minX: 0, minY: -layout.value.height - 6, maxX: layout.value.width, maxY: 6 }))
const view = useSlate(world, { left: 10, right: 10, top: 10, bottom: 72 })
watchEffect(() => {
  const { width, height } = view
  if (height.value > 0) aspect.value = width.value / Math.max(200, height.value - 60)
})
/** A whole piece may be looked at as it is folded for cutting: the lateral half, the medial one turned over it. */
const folded = ref(false)

const rowsOf = (piece: Piece) => props.markings[piece.id]?.rows ?? []
const shift = (path: Path, dx: number, dy: number): Path => path.map(([x, y]): Point => [x + dx, y + dy])
const shown = computed(() =>
  layout.value.placed.map(({ piece, dx, dy }) => {
    const b = boxOf(piece.outline)
    const at = (p: Point): Point => [p[0] + dx, p[1] + dy]
    return {
      piece,
      outline: pathData(shift(piece.outline, dx, dy), true),
      skives: (props.markings[piece.id]?.skives ?? []).map((k) => pathData(shift(k.band, dx, dy), true)),
      spans: (props.markings[piece.id]?.spans ?? []).map((l) => pathData(shift(l.path, dx, dy), false)),
      net: pathData(shift(piece.net, dx, dy), true),
      halves: folded.value ? foldedHalves(piece).map((h) => pathData(shift(h, dx, dy), true)) : [],
      versions: props.versions
        .filter((v) => v.piece === piece.id)
        .map((v) => ({ ...v, d: pathData(shift(v.outline, dx, dy), true) })),
      fold: piece.fold && pathData(shift(piece.fold, dx, dy), false),
      ticks: piece.ticks.map((t) => pathData(shift(t, dx, dy), false)),
      notches: piece.marks.map((m) => ({ kind: m.kind, d: pathData(shift(markPath(m), dx, dy), false) })),
      holes: piece.holes.map((h) => ({ at: at(h.at), r: h.diameter / 2 })),
      sewn: rowsOf(piece).map((w) => pathData(shift(w.path, dx, dy), false)),
      stitches: rowsOf(piece)
        .filter((w) => !w.later)
        .flatMap((w) => stitchTicks(w.holes ?? []).map((t) => pathData(shift(t, dx, dy), false))),
      rings: rowsOf(piece)
        .filter((w) => w.later)
        .flatMap((w) => holeRings(w.holes ?? []).map((t) => pathData(shift(t, dx, dy), true))),
      slits: piece.slits.map((s) => pathData([at(s.from), at(s.to)], false)),
      grain: grainArrow(piece.grain, 4).map((line) => pathData(line.map(at), false)),
      // By the arrow, which lies where the piece is longest: there is room.
      label: at([(piece.grain.from[0] + piece.grain.to[0]) / 2, (piece.grain.from[1] + piece.grain.to[1]) / 2]),
      size: `${showLength(b.maxX - b.minX, 0)} × ${showLength(b.maxY - b.minY, 0)}`,
    }
  }),
)
const moved = (path: Path, { dx, dy }: { dx: number; dy: number }) => shift(path, dx, dy)
const labels = useLabels(
  view,
  computed(() =>
    shown.value.map(({ piece, label, size }, i) => ({
      key: piece.id,
      lines: piece.id === props.chosen?.id ? [piece.name, size] : [piece.name],
      size: 15,
      at: label,
      names: moved(piece.outline, layout.value.placed[i]!),
    })),
  ),
  computed(() =>
    layout.value.placed.flatMap((place) => {
      const { outline, net, grain, fold } = place.piece
      const lines = [
        closed(outline),
        closed(net),
        ...rowsOf(place.piece).map((w) => w.path),
        [grain.from, grain.to],
        ...(fold ? [fold] : []),
      ]
      return lines.map((line) => moved(line, place))
    }),
  ),
  6,
)
const legend: LegendLine[] = [
  { name: 'Cut', stroke: '#eef2ee', width: 2 },
  { name: 'Finished line', stroke: '#a9bac0', width: 1.1 },
  { name: 'Skived', stroke: '#e6b35566', width: 9 },
  { name: 'A neighbour’s lap ends', stroke: '#a9bac0', width: 1, dash: '3 3' },
  { name: 'Fold', stroke: '#eef2ee', width: 1.3, dash: '16 6' },
  { name: 'Stitch line, a tick at every stitch', stroke: '#eef2ee', width: 9, dash: '1.6 7' },
  { name: 'Hole punched later, through both', stroke: '#eef2ee', width: 1, sign: 'M28 3a4 4 0 1 0 .01 0' },
  { name: 'Punched hole, eyelet, hook', stroke: '#eef2ee', width: 1.2, sign: 'M28 4a3 3 0 1 0 .01 0' },
  { name: 'Notch of the medial side', stroke: '#e6b355', width: 1.6, sign: 'M20 3 28 11 36 3' },
  { name: 'Notch that meets another', stroke: '#8fd0e8', width: 1.6, sign: 'M20 3 28 11 36 3' },
  { name: 'Grain', stroke: '#b9c7c2', width: 1.2, sign: 'M4 7H52M45 3 52 7 45 11' },
]
let start: Point = [0, 0]
function down(event: PointerEvent): void {
  start = [event.clientX, event.clientY]
}
/** A tap chooses the piece under it; a drag only moves the board. */
function up(event: PointerEvent): void {
  if (Math.hypot(event.clientX - start[0], event.clientY - start[1]) > 6) return
  const [x, y] = view.place(event)
  const hit = layout.value.placed.find(({ piece, dx, dy }) => {
    const b = boxOf(piece.outline)
    return x > b.minX + dx && x < b.maxX + dx && y > b.minY + dy && y < b.maxY + dy
  })
  if (hit) emit('choose', hit.piece.id)
}
</script>

<template>
  <SlateSurface
    :slate="view"
    :label="`Pieces of the upper, apart: ${pieces.map((p) => p.name).join(', ')}`"
    :legend="legend"
    @down="down"
    @up="up"
  >
    <template #mm>
      <g v-for="s in shown" :key="s.piece.id" :class="{ chosen: s.piece.id === chosen?.id }">
        <template v-if="s.halves.length > 0">
          <path :d="s.halves[0]" class="cut" />
          <path :d="s.halves[1]" class="turned" />
          <path v-if="s.fold" :d="s.fold" class="fold" />
        </template>
        <template v-else>
          <path v-for="v in s.versions" :key="v.version" :d="v.d" class="version" />
          <path v-for="(d, i) in s.skives" :key="`k${i}`" :d="d" class="skive" />
          <path v-for="(d, i) in s.spans" :key="`p${i}`" :d="d" class="span" />
          <path :d="s.outline" class="cut" />
          <path :d="s.net" class="net" />
          <path v-if="s.fold" :d="s.fold" class="fold" />
          <path v-for="(d, i) in s.sewn" :key="`w${i}`" :d="d" class="sewn" />
          <path v-for="(d, i) in s.rings" :key="`r${i}`" :d="d" class="ring" />
          <path v-for="(d, i) in s.stitches" :key="`s${i}`" :d="d" class="stitch" />
          <path v-for="(d, i) in s.slits" :key="`t${i}`" :d="d" class="slit" />
          <circle v-for="(h, i) in s.holes" :key="`h${i}`" :cx="h.at[0]" :cy="-h.at[1]" :r="h.r" class="hole" />
          <path v-for="(t, i) in s.ticks" :key="`t${i}`" :d="t" class="tick" />
          <path v-for="(n, i) in s.notches" :key="`n${i}`" :d="n.d" class="notch" :class="n.kind" />
          <path v-for="(d, i) in s.grain" :key="`g${i}`" :d="d" class="grain" />
        </template>
      </g>
    </template>
    <SlateLabel v-for="l in labels" :key="l.place.key" v-bind="l" />
    <template #tools>
      <slot />
      <NButton :aria-pressed="folded" @click="folded = !folded">Folded</NButton>
    </template>
  </SlateSurface>
</template>

<style scoped>
.cut {
  stroke: #eef2ee;
  stroke-width: 2;
  fill: #eef2ee;
  fill-opacity: 0.07;
}
.chosen .cut {
  stroke: #e6b355;
  stroke-width: 3;
  fill: #e6b355;
}
.turned {
  stroke: #e6b355;
  stroke-width: 1.4;
  stroke-dasharray: 5 4;
}
.version {
  stroke: #a7d99b;
  stroke-width: 1.2;
  stroke-dasharray: 4 4;
}
.slate-surface .skive {
  fill: #e6b355;
  fill-opacity: 0.22;
}
.span {
  stroke: #a9bac0;
  stroke-width: 1;
  stroke-dasharray: 3 3;
}
.net {
  stroke: #a9bac0;
  stroke-width: 1.1;
}
.fold {
  stroke: #eef2ee;
  stroke-width: 1.3;
  stroke-dasharray: 16 6;
}
.slit {
  stroke: #eef2ee;
  stroke-width: 1;
}
.sewn {
  stroke: #8fa3aa;
  stroke-width: 0.8;
}
.ring {
  stroke: #eef2ee;
  stroke-width: 0.9;
}
.stitch {
  stroke: #eef2ee;
  stroke-width: 1.6;
}
.hole {
  fill: #1b282f;
  stroke: #eef2ee;
  stroke-width: 0.25;
}
.notch {
  stroke: #eef2ee;
  stroke-width: 1.6;
}
.notch.medial {
  stroke: #e6b355;
}
.tick,
.notch.match {
  stroke: #8fd0e8;
  stroke-width: 1.6;
}
.grain {
  stroke: #b9c7c2;
  stroke-width: 1.2;
  fill: none;
}
</style>

<script setup lang="ts">
import { boxOf, holeRings, stitchTicks, type Path, type Point, type Seam } from '@gentle-awl/core'
import { computed } from 'vue'
import type { LegendLine } from '../../../../drawing/legendLine.ts'
import SlateLabel from '../../../../drawing/SlateLabel.vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import { closed, useLabels } from '../../../../drawing/useLabels.ts'
import { useSlate } from '../../../../drawing/useSlate.ts'
import { inRows } from '../upper/rows.ts'

/** The pieces that a seam joins, apart, with its rows on them: ticks are punched now, rings later. */
const props = defineProps<{ seam: Seam; pieces: readonly { id: string; name: string; outline: Path }[] }>()
const WIDE = 1.2
const layout = computed(() =>
  inRows(
    props.pieces.map((p) => boxOf(p.outline)),
    WIDE,
  ),
)
const world = computed(() => ({ minX: -4, minY: -layout.value.height - 6, maxX: layout.value.width + 4, maxY: 6 }))
const slate = useSlate(world, { left: 10, right: 10, top: 104, bottom: 72 })
const shift = (path: Path, { dx, dy }: { dx: number; dy: number }): Path =>
  path.map(([x, y]): Point => [x + dx, y + dy])
const shown = computed(() =>
  props.pieces.map((piece, i) => {
    const move = layout.value.moves[i]!
    const rows = props.seam.on.filter((o) => o.piece === piece.id)
    const punched = props.seam.way === 'hand'
    return {
      piece,
      outline: shift(piece.outline, move),
      lines: rows.map((r) => shift(r.line, move)),
      ticks: punched ? rows.filter((r) => r.punched === 'now').flatMap((r) => stitchTicks(shift(r.holes, move))) : [],
      rings: punched ? rows.filter((r) => r.punched === 'later').flatMap((r) => holeRings(shift(r.holes, move))) : [],
    }
  }),
)
const labels = useLabels(
  slate,
  computed(() =>
    shown.value.map(({ piece, outline }) => {
      const b = boxOf(outline)
      return {
        key: piece.id,
        lines: [piece.name],
        size: 15,
        at: [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2] as Point,
        names: closed(outline),
      }
    }),
  ),
  computed(() => shown.value.flatMap((s) => [closed(s.outline), ...s.lines])),
  6,
)
const knots = computed(() =>
  props.pieces.flatMap((p, i) => {
    const { knot } = props.seam
    if (knot?.piece !== p.id) return []
    const [at] = shift([knot.at], layout.value.moves[i]!)
    return at ? [{ key: p.id, x: slate.x(at[0]), y: slate.y(at[1]) }] : []
  }),
)
const legend = computed((): LegendLine[] => [
  { name: 'Cut', stroke: '#eef2ee', width: 2 },
  ...(props.seam.way === 'machine'
    ? [{ name: 'Row of machine stitches', stroke: '#ffd48a', width: 1.6, dash: '5 3' }]
    : [
        { name: 'Punched now', stroke: '#ffd48a', width: 9, dash: '1.6 7' },
        { name: 'Punched later, through both', stroke: '#ffd48a', width: 1, sign: 'M28 3a4 4 0 1 0 .01 0' },
        ...(props.seam.knot ? [{ name: 'Knot', stroke: '#f08a76', width: 2, sign: 'M23 2l10 10m0 -10l-10 10' }] : []),
      ]),
])
</script>

<template>
  <SlateSurface
    :slate="slate"
    :label="`${seam.name} on ${pieces.map((p) => p.name).join(' and ')}: ${seam.stitches} stitches`"
    :legend="legend"
    explained
  >
    <template #mm>
      <g v-for="s in shown" :key="s.piece.id">
        <path :d="pathData(s.outline, true)" class="cut" />
        <path v-for="(l, i) in s.lines" :key="`l${i}`" :d="pathData(l, false)" :class="seam.way" />
        <path :d="s.ticks.map((t) => pathData(t, false)).join('')" class="hole" />
        <path :d="s.rings.map((t) => pathData(t, true)).join('')" class="ring" />
      </g>
    </template>
    <g v-for="k in knots" :key="k.key" aria-hidden="true">
      <path :d="`M${k.x - 5} ${k.y - 5}l10 10m0 -10l-10 10`" class="knot" />
    </g>
    <SlateLabel v-for="l in labels" :key="l.place.key" v-bind="l" />
    <template #tools><slot /></template>
  </SlateSurface>
</template>

<style scoped>
.slate-surface .cut {
  fill: #eef2ee;
  fill-opacity: 0.07;
  stroke: #eef2ee;
  stroke-width: 2;
}
.machine {
  stroke: #ffd48a;
  stroke-width: 1.6;
  stroke-dasharray: 5 3;
}
.hand {
  stroke: #8fa3aa;
  stroke-width: 0.8;
}
.hole {
  stroke: #ffd48a;
  stroke-width: 1.8;
}
.slate-surface .knot {
  stroke: #f08a76;
  stroke-width: 2;
}
.ring {
  stroke: #ffd48a;
  stroke-width: 1;
}
</style>

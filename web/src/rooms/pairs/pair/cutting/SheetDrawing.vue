<script setup lang="ts">
import {
  grainArrow,
  laidPiece,
  turnPath,
  type CuttingGroup,
  type Path,
  type Placement,
  type Point,
  type StraightSheet,
} from '@gentle-awl/core'
import { computed } from 'vue'
import type { LegendLine } from '../../../../drawing/legendLine.ts'
import SlateLabel from '../../../../drawing/SlateLabel.vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import { closed, useLabels } from '../../../../drawing/useLabels.ts'
import { useSlate } from '../../../../drawing/useSlate.ts'

/** A sheet with what was laid on it, and the line behind which it is left over. */
const props = defineProps<{
  group: CuttingGroup
  sheet: StraightSheet
  placements: readonly Placement[]
  reach: number
}>()
/** So much of it is shown behind what is used, mm. */
const BEHIND = 60
/** Of a long sheet what is used is shown, and where it goes on. */
const world = computed(() => {
  const end = props.reach > 0 ? Math.min(props.sheet.length, props.reach + BEHIND) : props.sheet.length
  return { minX: -10, minY: -10, maxX: end + 10, maxY: props.sheet.width + 10 }
})
const slate = useSlate(world, { left: 60, right: 20, top: 20, bottom: 66 })
const outline = computed<Path>(() => {
  const { length, width } = props.sheet
  return [
    [0, 0],
    [length, 0],
    [length, width],
    [0, width],
  ]
})
/** Of an arrow, mm. */
const TIP = 8
/** A name stands so far over the arrow, pixels. */
const OVER_ARROW = 20
const laid = computed(() =>
  props.placements.flatMap((p) => {
    const found = laidPiece(props.group, p)
    if (!found) return []
    const { piece, cut } = found
    const placed = (line: Path): Path => turnPath(line, p.rotation).map(([x, y]): Point => [x + p.x, y + p.y])
    const path = placed(cut.outline)
    const [from, to] = placed([cut.arrow.from, cut.arrow.to]) as [Point, Point]
    const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
    const arrow = grainArrow({ from, to }, TIP)
    return [{ key: `${p.id} ${p.copy}`, name: piece.name, foot: cut.foot, path, arrow, middle }]
  }),
)
const labels = useLabels(
  slate,
  computed(() =>
    laid.value.map(({ key, name, foot, path, middle: [x, y] }) => {
      const at: Point = [x, y + OVER_ARROW / slate.scale.value]
      return { key, lines: [name, foot], size: 12, at, names: closed(path) }
    }),
  ),
  computed(() => laid.value.map((l) => closed(l.path))),
)
const legend: LegendLine[] = [
  { name: 'Right', stroke: '#e8c79a', width: 2 },
  { name: 'Left', stroke: '#9cc7d8', width: 2 },
  { name: 'Used up to here', stroke: '#e6b355', width: 1.2, dash: '7 5' },
]
</script>

<template>
  <SlateSurface
    :slate="slate"
    :label="`${laid.length} pieces of ${group.material} on a sheet`"
    rulers
    :legend="legend"
    :empty="laid.length > 0 ? '' : 'Press Lay out: the pieces are laid on the sheet here.'"
  >
    <template #mm>
      <path :d="pathData(outline, true)" class="sheet" />
      <template v-for="l in laid" :key="l.key">
        <path :d="pathData(l.path, true)" :class="l.foot" />
        <path v-for="(a, i) in l.arrow" :key="i" :d="pathData(a, false)" class="arrow" />
      </template>
      <path
        v-if="reach > 0"
        :d="
          pathData(
            [
              [reach, 0],
              [reach, sheet.width],
            ],
            false,
          )
        "
        class="reach"
      />
    </template>
    <SlateLabel v-for="(l, i) in labels" :key="i" :place="l.place" :lines="l.lines" :size="l.size" />
  </SlateSurface>
</template>

<style scoped>
path {
  fill: none;
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
}
.sheet {
  stroke: #eef2ee;
  stroke-width: 2;
}
.right {
  fill: #e8c79a33;
  stroke: #e8c79a;
}
.left {
  fill: #9cc7d833;
  stroke: #9cc7d8;
}
.arrow {
  stroke: #eef2ee;
}
.reach {
  stroke: #e6b355;
  stroke-dasharray: 7 5;
}
</style>

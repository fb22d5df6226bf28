<script setup lang="ts">
import {
  boxOf,
  grainArrow,
  laidPiece,
  turnPath,
  type CuttingGroup,
  type Path,
  type Placement,
  type Point,
  type LayGround,
} from '@gentle-awl/core'
import { computed } from 'vue'
import GroundShape from '../../../../drawing/GroundShape.vue'
import { groundLegend } from '../../../../drawing/groundLegend.ts'
import type { LegendLine } from '../../../../drawing/legendLine.ts'
import SlateLabel from '../../../../drawing/SlateLabel.vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import { closed, useLabels } from '../../../../drawing/useLabels.ts'
import { useSlate } from '../../../../drawing/useSlate.ts'

/** A sheet or hide with what was laid on it; of a straight sheet, the line behind which it is left over. */
const props = defineProps<{
  group: CuttingGroup
  ground: LayGround
  /** It is cut off straight behind what is used. */
  straight: boolean
  placements: readonly Placement[]
  reach: number
}>()
/** So much of it is shown behind what is used, mm. */
const BEHIND = 60
/** Of a long sheet what is used is shown, and where it goes on. */
const box = computed(() => boxOf(props.ground.outline))
const world = computed(() => {
  const b = box.value
  const end = props.straight && props.reach > 0 ? Math.min(b.maxX, props.reach + BEHIND) : b.maxX
  return { minX: b.minX - 10, minY: b.minY - 10, maxX: end + 10, maxY: b.maxY + 10 }
})
const slate = useSlate(world, { left: 60, right: 20, top: 20, bottom: 66 })
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
const legend = computed<LegendLine[]>(() => [
  { name: 'Right', stroke: '#e8c79a', width: 2 },
  { name: 'Left', stroke: '#9cc7d8', width: 2 },
  ...(props.straight ? [{ name: 'Used up to here', stroke: '#e6b355', width: 1.2, dash: '7 5' }] : groundLegend),
])
</script>

<template>
  <SlateSurface
    :slate="slate"
    :label="`${laid.length} pieces of ${group.material} on ${straight ? 'a sheet' : 'a hide'}`"
    rulers
    :legend="legend"
    :empty="laid.length > 0 ? '' : 'Press Lay out: the pieces are laid here.'"
  >
    <template #mm>
      <GroundShape :ground="ground" />
      <template v-for="l in laid" :key="l.key">
        <path :d="pathData(l.path, true)" :class="l.foot" />
        <path v-for="(a, i) in l.arrow" :key="i" :d="pathData(a, false)" class="arrow" />
      </template>
      <path
        v-if="straight && reach > 0"
        :d="
          pathData(
            [
              [reach, box.minY],
              [reach, box.maxY],
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

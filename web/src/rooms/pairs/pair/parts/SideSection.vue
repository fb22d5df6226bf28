<script setup lang="ts">
import { boxOf, type Bottom, type HeelBuild, type Path } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength } from '../../../../app/settings.ts'
import { pathData } from '../../../../drawing/svgPath.ts'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { useSlate } from '../../../../drawing/useSlate.ts'
import HatchPatterns from '../../../../drawing/HatchPatterns.vue'
import { hatchOf, tintOf } from '../../../../drawing/layerLook.ts'

/** The bottom cut through its middle and stood on the ground. */
const props = defineProps<{ bottom: Bottom }>()

const bodies = computed(() => [
  ...props.bottom.profile.layers.map((l) => ({
    id: l.id,
    name: l.name,
    outline: [...l.upper, ...[...l.lower].reverse()] as Path,
  })),
  ...props.bottom.strips,
  ...(props.bottom.heel?.bodies ?? []),
])
const world = computed(() => {
  const b = boxOf(...bodies.value.map((x) => x.outline), props.bottom.profile.last)
  return { minX: b.minX - 6, minY: Math.min(0, b.minY) - 34, maxX: b.maxX + 10, maxY: b.maxY + 26 }
})
const view = useSlate(world, { left: 12, right: 12, top: 12, bottom: 62 })
const { width } = view

/** What the heel is built of, in words. */
function heelWords(heel: HeelBuild): string {
  if (heel.bodies.length === 0) return 'no heel'
  const wedge = heel.bodies.find((b) => b.id === 'wedge')
  return [
    ...(wedge ? [`wedge ${showLength(heel.wedge.back)} to ${showLength(heel.wedge.breast)}`] : []),
    ...(heel.lifts > 0 ? [`${heel.lifts} lift${heel.lifts === 1 ? '' : 's'} of ${showLength(heel.lift)}`] : []),
    heel.pared
      ? `top piece pared ${showLength(heel.pared.back)} to ${showLength(heel.pared.breast)}`
      : `top piece ${showLength(heel.topPiece)}`,
  ].join(', ')
}
/** The bodies are named from a column beside the waist, where there is room above the sole. */
const names = computed(() => {
  const { profile, heel } = props.bottom
  const at = (path: Path, x: number) =>
    path.reduce((best, p) => (Math.abs(p[0] - x) < Math.abs(best[0] - x) ? p : best))
  const x = profile.places.waist + (profile.places.tread - profile.places.waist) * 0.35
  const layers = profile.layers.map((l, i) => {
    const [a, b] = [at(l.upper, x + 9 * i), at(l.lower, x + 9 * i)]
    return { name: `${l.name.split(',')[0]} ${showLength(l.at.waist)}`, x: (a[0] + b[0]) / 2, y: (a[1] + b[1]) / 2 }
  })
  return { layers, heel: heel && heelWords(heel) }
})
const arrows = computed(() => {
  const { profile, heel } = props.bottom
  const end = profile.underside[profile.underside.length - 1]!
  return [
    { name: 'toe spring of the sole', value: profile.spring, x: end[0] - 2, top: end[1], anchor: 'end' as const },
    ...(heel
      ? [
          {
            name: 'under the heel back',
            value: heel.needed.back,
            x: heel.back - 2,
            top: heel.needed.back,
            anchor: 'start' as const,
          },
        ]
      : []),
  ]
})
</script>

<template>
  <SlateSurface
    :slate="view"
    :label="`Side section to scale. Toe spring of the finished sole ${showLength(bottom.profile.spring)}, ${bottom.heel ? `${bottom.heel.lifts} lifts` : 'a bought sole'}.`"
  >
    <template #mm>
      <HatchPatterns id="side" :size="2" />
      <path :d="pathData(bottom.profile.last, false)" class="last" />
      <template v-for="b in bodies" :key="b.name">
        <path :d="pathData(b.outline, true)" :style="{ fill: tintOf(b.id) }" class="body" />
        <path v-if="hatchOf(b.id)" :d="pathData(b.outline, true)" :style="{ fill: `url(#side-${hatchOf(b.id)})` }" />
      </template>
    </template>
    <line :x1="0" :x2="width" :y1="view.y(0)" :y2="view.y(0)" class="ground" />
    <g v-for="(n, i) in names.layers" :key="n.name" class="named">
      <line
        :x1="view.x(n.x)"
        :y1="view.y(n.y)"
        :x2="view.x(n.x) + 24"
        :y2="view.y(bottom.profile.last[60]?.[1] ?? 40) - 130 + 24 * i"
      />
      <text :x="view.x(n.x) + 28" :y="view.y(bottom.profile.last[60]?.[1] ?? 40) - 125 + 24 * i">{{ n.name }}</text>
    </g>
    <text v-if="bottom.heel" :x="view.x(bottom.heel.back - 2)" :y="view.y(0) + 42" class="heel-name">
      Heel: {{ names.heel }}
    </text>
    <g v-for="a in arrows" :key="a.name" class="measure">
      <line :x1="view.x(a.x)" :x2="view.x(a.x)" :y1="view.y(0)" :y2="view.y(a.top)" />
      <text :x="view.x(a.x)" :y="view.y(0) + 20" :text-anchor="a.anchor"> {{ a.name }} {{ showLength(a.value) }} </text>
    </g>
  </SlateSurface>
</template>

<style scoped>
.ground {
  stroke: #a9bac0;
  stroke-width: 1.5;
  stroke-dasharray: 10 6;
}
.slate-surface .last {
  stroke: #eef2ee;
  stroke-width: 2;
}
.slate-surface .body {
  stroke: #17262b;
  stroke-width: 1;
}
.named line {
  stroke: #c9d3d3;
  stroke-width: 1;
}
.measure line {
  stroke: #ffd48a;
  stroke-width: 1.6;
}
.slate-surface .heel-name,
.slate-surface .measure text {
  font-size: 14px;
  font-weight: 400;
}
</style>

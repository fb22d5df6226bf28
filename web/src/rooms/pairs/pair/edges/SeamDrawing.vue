<script setup lang="ts">
import { boxOf, contains, seamInWall, type Path, type Point, type SeamSection, type WallStack } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength } from '../../../../app/settings.ts'
import HatchPatterns from '../../../../drawing/HatchPatterns.vue'
import SlateLabel from '../../../../drawing/SlateLabel.vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import { along, closed, useLabels } from '../../../../drawing/useLabels.ts'
import { useSlate } from '../../../../drawing/useSlate.ts'
import { seamLook } from './seamLook.ts'

/** A seam cut through to scale with all that lies there: without the skives above, skived below. */
const props = defineProps<{ seam: SeamSection; wall: WallStack | null }>()
const line = computed(() => (props.seam.kind === 'turnedOut' ? 'feather line' : 'finished line'))
/** Free room between the two sections, mm. */
const GAP = 7
const bodiesOf = (how: 'before' | 'after') => seamInWall(props.seam, how, props.wall)
const sections = computed(() => {
  const [before, after] = [bodiesOf('before'), bodiesOf('after')]
  const top = (bodies: typeof after) => boxOf(...bodies.map((b) => b.outline)).maxY
  const lift = top(after) + GAP
  const lifted = (path: Path, by: number): Path => path.map(([x, y]): Point => [x, y + by])
  return [
    { how: 'after' as const, words: 'Skived', bodies: after, from: 0, to: top(after) },
    {
      how: 'before' as const,
      words: 'Without a skive',
      bodies: before.map((b) => ({ ...b, outline: lifted(b.outline, lift) })),
      from: lift,
      to: lift + top(before),
    },
  ]
})
const world = computed(() => {
  const b = boxOf(...sections.value.flatMap((s) => s.bodies.map((body) => body.outline)))
  return { minX: b.minX - 1, minY: b.minY - 2, maxX: b.maxX + 1, maxY: b.maxY + 2.5 }
})
const slate = useSlate(world, { left: 24, right: 24, top: 16, bottom: 66 })
const LETTERS = 15
const FOOT = 'the foot lies below'
/** What stands over and under the sections, mm: names keep clear of it. */
const high = computed(() => (LETTERS * 1.1) / slate.scale.value)
const titles = computed(() =>
  sections.value.flatMap((s) => {
    const words = `${s.words}: ${showLength(props.seam.thickest[s.how], 2)} where they meet`
    const wide = (words.length * LETTERS * 0.56) / slate.scale.value
    const foot = (FOOT.length * LETTERS * 0.5) / slate.scale.value
    const small = (line.value.length * LETTERS * 0.5) / slate.scale.value
    return [
      { key: s.how, words, x: world.value.minX + 1, y: s.to + 0.8, wide, title: true },
      ...(s.how === 'after'
        ? [
            {
              key: 'foot',
              words: FOOT,
              x: world.value.minX + 1,
              y: s.from - 0.6 - high.value,
              wide: foot,
              title: false,
            },
          ]
        : []),
      { key: `${s.how} line`, words: line.value, x: -small / 2, y: s.from - 1 - high.value, wide: small, title: false },
    ]
  }),
)
const labels = useLabels(
  slate,
  computed(() =>
    sections.value[0]!.bodies.map((b, i) => {
      const box = boxOf(b.outline)
      return {
        key: `${b.part} ${b.name} ${i}`,
        lines: [`${b.name} ${showLength(b.thickest, 2)}`],
        size: LETTERS,
        at: [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2] as Point,
        names: closed(b.outline),
      }
    }),
  ),
  computed(() => [
    ...sections.value.flatMap((s) => s.bodies.map((b) => closed(b.outline))),
    ...titles.value.flatMap(({ x, y, wide }) =>
      [0, 0.5, 1].map((k): Path => along([x, y + k * high.value], [x + wide, y + k * high.value])),
    ),
  ]),
  20,
)
const said = computed(() => {
  const { before, after } = props.seam.thickest
  return `Section of ${props.seam.name}, to scale: ${showLength(after, 2)} where the leathers meet, ${showLength(before, 2)} without a skive`
})
</script>

<template>
  <SlateSurface :slate="slate" :label="said">
    <template #mm>
      <HatchPatterns id="seam" :size="1" />
      <g v-for="s in sections" :key="s.how" :class="s.how">
        <g v-for="(b, i) in s.bodies" :key="i">
          <path :d="pathData(b.outline, true)" class="body" :style="{ fill: seamLook(seam, b.part).tint }" />
          <path
            v-if="seamLook(seam, b.part).hatch"
            :d="pathData(b.outline, true)"
            :style="{ fill: `url(#seam-${seamLook(seam, b.part).hatch})` }"
          />
        </g>
        <path
          :d="
            pathData(
              [
                [0, s.from - 1],
                [0, s.to + 1],
              ],
              false,
            )
          "
          class="line"
        />
      </g>
    </template>
    <text v-for="t in titles" :key="t.key" :x="slate.x(t.x)" :y="slate.y(t.y) - 3" :class="{ small: !t.title }">
      {{ t.words }}
    </text>
    <SlateLabel
      v-for="(l, i) in labels"
      :key="l.place.key"
      v-bind="l"
      :class="{ inked: contains(sections[0]!.bodies[i]!.outline, slate.at(l.place.x, l.place.y)) }"
    />
  </SlateSurface>
</template>

<style scoped>
.body {
  stroke: #17262b;
  stroke-width: 1;
}
.slate-surface .line {
  stroke: #ffd48a;
  stroke-width: 1.4;
  stroke-dasharray: 5 4;
}
.inked :deep(text) {
  fill: #17262b;
  stroke: #dfe9ec;
  stroke-width: 4;
}
.slate-surface .small {
  font-size: 14px;
  font-weight: 400;
}
</style>

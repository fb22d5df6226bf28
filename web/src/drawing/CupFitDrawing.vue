<script setup lang="ts">
import { boxOf, mirror, type CupFit, type CupVerdict, type Path, type Point } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength, tell } from '../app/settings.ts'
import type { Foot } from '../ui/feet.ts'
import type { LegendLine } from './legendLine.ts'
import SlateLabel from './SlateLabel.vue'
import SlateSurface from './SlateSurface.vue'
import { pathData } from './svgPath.ts'
import { closed, useLabels } from './useLabels.ts'
import { useSlate } from './useSlate.ts'

/** A lasted shoe in its cup sole, from above: the shoe's edge in the colour of the room it has. */
const props = withDefaults(
  defineProps<{
    fit: CupFit | null
    /** Said in place of the drawing while there is none. */
    empty: string
    foot?: Foot
  }>(),
  { foot: 'right' },
)
const colours: Record<CupVerdict, string> = { tight: '#e8727d', good: '#8fd6b4', roomy: '#f0d58a', gappy: '#e6a23c' }
const dashes: Partial<Record<CupVerdict, string>> = { roomy: '10 3', gappy: '5 3' }
const legend: LegendLine[] = (['tight', 'good', 'roomy', 'gappy'] as const).map((verdict) => ({
  name: verdict,
  stroke: colours[verdict],
  width: 3,
  dash: dashes[verdict],
}))
const side = (path: Path, closed: boolean): Path => (props.foot === 'left' ? mirror(path, closed) : path)

/** The shoe's outline in runs of one verdict, so that each can have its colour. */
const runs = computed(() => {
  const f = props.fit
  if (!f) return []
  const n = f.shoe.length
  const list: { verdict: CupVerdict; d: string }[] = []
  for (let i = 0; i < n;) {
    let j = i
    while (j < n - 1 && f.verdicts[j + 1] === f.verdicts[i]) j++
    const line = [...f.shoe.slice(i, j + 1), f.shoe[(j + 1) % n]!]
    list.push({ verdict: f.verdicts[i]!, d: pathData(side(line, false), false) })
    i = j + 1
  }
  return list
})
const cup = computed(() => (props.fit ? side(props.fit.cup, true) : null))
const ends = computed(() =>
  [props.fit?.least, props.fit?.most]
    .filter((e): e is CupFit['least'] => e !== undefined)
    .map((e) => ({ room: e.room, at: side([e.at], false)[0] as Point })),
)
const world = computed(() => {
  if (!props.fit || !cup.value) return { minX: 0, minY: -60, maxX: 300, maxY: 60 }
  const b = boxOf(cup.value, side(props.fit.shoe, true))
  return { minX: b.minX - 10, minY: b.minY - 10, maxX: b.maxX + 10, maxY: b.maxY + 10 }
})
const slate = useSlate(world, { left: 12, right: 150, top: 10, bottom: 60 })
/** How much room there is at the tightest and at the widest place, beside it. */
const labels = useLabels(
  slate,
  computed(() =>
    ends.value.map((end, i) => ({
      key: `${i}`,
      lines: [showLength(end.room)],
      size: 15,
      at: end.at,
      names: [end.at],
    })),
  ),
  computed(() => (props.fit && cup.value ? [cup.value, side(props.fit.shoe, true)].map(closed) : [])),
)
</script>

<template>
  <SlateSurface
    :slate="slate"
    :label="fit ? tell(fit.finding.sentence) : empty"
    :legend="fit ? legend : []"
    :empty="fit ? '' : empty"
    explained
  >
    <template #mm>
      <template v-if="cup">
        <path :d="pathData(cup, true)" class="wall" />
        <path
          v-for="(run, i) in runs"
          :key="i"
          :d="run.d"
          :style="{ stroke: colours[run.verdict], strokeDasharray: dashes[run.verdict] }"
          :class="['edge', run.verdict]"
        />
      </template>
    </template>
    <circle v-for="end in ends" :key="end.room" :cx="slate.x(end.at[0])" :cy="slate.y(end.at[1])" r="7" class="dot" />
    <SlateLabel v-for="l in labels" :key="l.place.key" v-bind="l" />
  </SlateSurface>
</template>

<style scoped>
.wall {
  fill: #ffffff0d;
  stroke: var(--chalk);
  stroke-width: 2;
}
.edge {
  stroke-width: 3;
}
.tight {
  stroke-width: 4.4;
}
.dot {
  fill: none;
  stroke: var(--chalk);
  stroke-width: 1.6;
}
</style>

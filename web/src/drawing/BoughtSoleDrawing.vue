<script setup lang="ts">
import { boxOf, mirror, type CupFit, type Path, type Point, type UnitFit } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength, tell } from '../app/settings.ts'
import type { Foot } from '../ui/feet.ts'
import type { LegendLine } from './legendLine.ts'
import SlateLabel from './SlateLabel.vue'
import SlateSurface from './SlateSurface.vue'
import { pathData } from './svgPath.ts'
import { closed, useLabels } from './useLabels.ts'
import { useSlate } from './useSlate.ts'

/**
 * A lasted shoe in its cup or on its unit, from above: the shoe's edge in the colour of the room it has, or of how far the unit
 * stands out there.
 */
type Fit = CupFit | UnitFit
type Verdict = Fit['verdict']
const props = withDefaults(
  defineProps<{
    fit: Fit | null
    /** Said in place of the drawing while there is none. */
    empty: string
    foot?: Foot
  }>(),
  { foot: 'right' },
)
const looks: Record<Verdict, { stroke: string; dash?: string }> = {
  tight: { stroke: '#e8727d' },
  good: { stroke: '#8fd6b4' },
  roomy: { stroke: '#f0d58a', dash: '10 3' },
  gappy: { stroke: '#e6a23c', dash: '5 3' },
  short: { stroke: '#e8727d' },
  bare: { stroke: '#f0d58a', dash: '10 3' },
  ample: { stroke: '#b9c7e6', dash: '5 3' },
}
const trimmed = computed(() => (props.fit && 'trimmed' in props.fit ? side(props.fit.trimmed, true) : null))
const legend = computed((): LegendLine[] => {
  const told: Verdict[] = trimmed.value ? ['short', 'bare', 'good', 'ample'] : ['tight', 'good', 'roomy', 'gappy']
  const edge = { name: 'trimmed edge', stroke: '#eef2ee', width: 1.6, dash: '2 4' }
  return [...told.map((name) => ({ name, ...looks[name], width: 3 })), ...(trimmed.value ? [edge] : [])]
})
const side = (path: Path, closed: boolean): Path => (props.foot === 'left' ? mirror(path, closed) : path)

/** The shoe's outline in runs of one verdict, so that each can have its colour. */
const runs = computed(() => {
  const f = props.fit
  if (!f) return []
  const n = f.shoe.length
  const list: { verdict: Verdict; d: string }[] = []
  for (let i = 0; i < n;) {
    let j = i
    while (j < n - 1 && f.verdicts[j + 1] === f.verdicts[i]) j++
    const line = [...f.shoe.slice(i, j + 1), f.shoe[(j + 1) % n]!]
    list.push({ verdict: f.verdicts[i]!, d: pathData(side(line, false), false) })
    i = j + 1
  }
  return list
})
const sole = computed(() => (props.fit ? side(props.fit.sole, true) : null))
const ends = computed(() =>
  [props.fit?.least, props.fit?.most]
    .filter((e): e is Fit['least'] => e !== undefined)
    .map((e) => ({ room: e.room, at: side([e.at], false)[0] as Point })),
)
const world = computed(() => {
  if (!props.fit || !sole.value) return { minX: 0, minY: -60, maxX: 300, maxY: 60 }
  const b = boxOf(sole.value, side(props.fit.shoe, true))
  return { minX: b.minX - 10, minY: b.minY - 10, maxX: b.maxX + 10, maxY: b.maxY + 10 }
})
const slate = useSlate(world, { left: 12, right: 180, top: 10, bottom: 60 })
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
  computed(() => (props.fit && sole.value ? [sole.value, side(props.fit.shoe, true)].map(closed) : [])),
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
      <template v-if="sole">
        <path :d="pathData(sole, true)" class="wall" />
        <path v-if="trimmed" :d="pathData(trimmed, true)" class="trimmed" />
        <path
          v-for="(run, i) in runs"
          :key="i"
          :d="run.d"
          :style="{ stroke: looks[run.verdict].stroke, strokeDasharray: looks[run.verdict].dash }"
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
.tight,
.short {
  stroke-width: 4.4;
}
.trimmed {
  stroke: #eef2ee;
  stroke-width: 1.6;
  stroke-dasharray: 2 4;
}
.dot {
  fill: none;
  stroke: var(--chalk);
  stroke-width: 1.6;
}
</style>

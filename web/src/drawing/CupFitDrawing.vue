<script setup lang="ts">
import { boxOf, mirror, type CupFit, type CupVerdict, type Path, type Point } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength, tell } from '../app/settings.ts'
import type { Foot } from '../ui/feet.ts'
import { pathData } from './svgPath.ts'

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
const legend: CupVerdict[] = ['tight', 'good', 'roomy', 'gappy']
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
const box = computed(() => {
  if (!props.fit || !cup.value) return '0 0 300 120'
  const b = boxOf(cup.value, side(props.fit.shoe, true))
  return `${b.minX - 12} ${-b.maxY - 16} ${b.maxX - b.minX + 24} ${b.maxY - b.minY + 46}`
})
/** A label stands inside of the shoe, towards its middle: off the lines, and never past the edge of the drawing. */
function labelAt([x, y]: Point) {
  const b = boxOf(side(props.fit?.shoe ?? [], true))
  const right = x > (b.minX + b.maxX) / 2
  const middle = (b.minY + b.maxY) / 2
  const nearEnd = Math.min(x - b.minX, b.maxX - x) < (b.maxX - b.minX) / 8
  return {
    x: x + (right ? -7 : 7),
    y: -y + (nearEnd ? 2 : y > middle ? 13 : -8),
    'text-anchor': right ? ('end' as const) : ('start' as const),
  }
}
</script>

<template>
  <svg class="cup" :viewBox="box" role="img" :aria-label="fit ? tell(fit.finding.sentence) : empty">
    <template v-if="fit && cup">
      <path :d="pathData(cup, true)" class="wall" />
      <path
        v-for="(run, i) in runs"
        :key="i"
        :d="run.d"
        :stroke="colours[run.verdict]"
        :class="['edge', run.verdict]"
      />
      <g v-for="end in ends" :key="end.room">
        <circle :cx="end.at[0]" :cy="-end.at[1]" r="2.6" class="dot" />
        <text v-bind="labelAt(end.at)">{{ showLength(end.room) }}</text>
      </g>
      <g v-for="(v, i) in legend" :key="v" :transform="`translate(${8 + i * 52} ${-Number(box.split(' ')[1]) + 8})`">
        <line x1="0" x2="14" y1="-2" y2="-2" :stroke="colours[v]" :class="['edge', v]" />
        <text x="18" y="1">{{ v }}</text>
      </g>
    </template>
    <text v-else x="150" y="60" text-anchor="middle">{{ empty }}</text>
  </svg>
</template>

<style scoped>
.cup {
  width: 100%;
  height: 100%;
  background: var(--slate);
}
.wall {
  fill: #ffffff0d;
  stroke: var(--chalk);
  stroke-width: 0.8;
}
.edge {
  fill: none;
  stroke-width: 1.5;
}
.tight {
  stroke-width: 2.2;
}
.roomy {
  stroke-dasharray: 5 1.5;
}
.gappy {
  stroke-dasharray: 2.5 1.5;
}
.dot {
  fill: none;
  stroke: var(--chalk);
  stroke-width: 0.6;
}
text {
  fill: var(--chalk);
  paint-order: stroke;
  stroke: var(--slate);
  stroke-width: 2.5;
  font-size: 7.5px;
  font-variant-numeric: tabular-nums;
}
</style>

<script setup lang="ts">
import { traitsOf, type ConstructionName } from '@gentle-awl/core'
import { computed } from 'vue'

/**
 * How upper and sole are joined, as a cut through the forepart's edge shows it: a sketch that is the same for every
 * pair, drawn from the traits of the way. Units are about a millimetre, the inside of the shoe at the left.
 */
const props = defineProps<{ way: ConstructionName }>()

/** A strip along a line, as a closed shape: the line out, and back again moved by so much. */
const strip = (line: [number, number][], by: [number, number]) => {
  const back = [...line].reverse().map(([x, y]): [number, number] => [x + by[0], y + by[1]])
  return `M${[...line, ...back].map((p) => p.join(' ')).join('L')}Z`
}
const box = (x0: number, y0: number, x1: number, y1: number) => `M${x0} ${y0}H${x1}V${y1}H${x0}Z`

const shapes = computed((): { kind: string; d: string }[] => {
  const t = traitsOf(props.way)
  const edge = t.welted || t.outwards ? 47 : 38
  const wall: [number, number][] = [
    [29, -24],
    [33, -16],
    [35, -8],
    [34, -2],
  ]
  const under: [number, number][] = [...wall, [31, 3], [t.welted ? 27 : 14, 3]]
  const out: [number, number][] = [...wall, [37, 5], [edge, 5]]
  const outside = under.map(([x, y]): [number, number] => [x + 1.4, y + 1])
  return [
    { kind: 'insole', d: box(0, -3, 31, 1) },
    ...(t.welted ? [{ kind: 'insole', d: box(20, 1, 25, 7) }] : []),
    ...(t.inCup
      ? [
          {
            kind: 'sole',
            d: 'M0 7H33Q37 6 37 2V-9H41V4Q41 15 33 15H0Z',
          },
        ]
      : []),
    ...(t.bought === 'unit' ? [{ kind: 'unit', d: box(0, 7, 40, 19) }] : []),
    ...(t.cutsSoles
      ? [
          ...(t.welted ? [{ kind: 'cork', d: box(0, 1, 20, 7) }] : []),
          ...(t.welted ? [{ kind: 'welt', d: box(26, 7, edge, 10) }] : []),
          { kind: 'midsole', d: t.welted ? box(0, 10, edge, 14) : box(0, 7, edge, 11) },
          { kind: 'sole', d: t.welted ? box(0, 14, edge, 20) : box(0, 11, edge, 17) },
        ]
      : []),
    { kind: 'lining', d: strip(t.welted ? under : [...wall, [31, 2], [14, 2]], [-2, 0.01]) },
    {
      kind: 'upper',
      d: t.outwards ? strip(out, [2.6, 2]) : strip(outside, [2.4, 2.6]),
    },
  ]
})
/** Threads, as the lines they run along; cement as a bold line. */
const holds = computed((): { kind: 'thread' | 'cement'; d: string }[] => {
  const t = traitsOf(props.way)
  if (t.inCup) return [{ kind: 'cement', d: 'M2 7H33Q36.4 6 36.6 2V-8' }]
  if (t.welted)
    return [
      { kind: 'thread', d: 'M20 5L38 8.5' },
      { kind: 'thread', d: 'M43 7V20' },
    ]
  if (t.sewnDown)
    return [
      { kind: 'thread', d: 'M43 5V11' },
      { kind: 'cement', d: 'M2 11H46' },
    ]
  return [{ kind: 'cement', d: 'M2 7H36' }]
})
</script>

<template>
  <svg viewBox="2 -20 48 41" preserveAspectRatio="xMidYMid meet">
    <path v-for="(s, i) in shapes" :key="i" :d="s.d" :class="s.kind" />
    <path v-for="(h, i) in holds" :key="`hold ${i}`" :d="h.d" :class="h.kind" />
  </svg>
</template>

<style scoped>
path {
  stroke: #17262b;
  stroke-width: 1;
  stroke-linejoin: round;
  vector-effect: non-scaling-stroke;
}
.insole {
  fill: #d9b98a;
}
.cork {
  fill: #8a6a46;
}
.welt {
  fill: #b98f55;
}
.midsole {
  fill: #c79a63;
}
.sole {
  fill: #a9743f;
}
.unit {
  fill: #d8c9a0;
}
.lining {
  fill: #f3e3c8;
}
.upper {
  fill: #c0562e;
}
.thread,
.cement {
  fill: none;
  stroke-linecap: round;
}
.thread {
  stroke: #ffffff;
  stroke-width: 3;
  stroke-dasharray: 5 4;
}
.cement {
  stroke: #ffd48a;
  stroke-width: 3;
}
</style>

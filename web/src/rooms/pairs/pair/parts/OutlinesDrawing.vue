<script setup lang="ts">
import { boxOf, mirror, type Part, type Path, type Point } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import type { Foot } from '../../../../ui/feet.ts'
import { usePanZoom } from '../../../../drawing/usePanZoom.ts'

/** All outlines along the bottom on each other: what stands out past what, and the traced shoe on the predicted one. */
const props = defineProps<{
  parts: readonly Part[]
  lasted: Path
  traced: Path | null
  worst: { from: Point; to: Point } | null
  foot: Foot
}>()
/** All is drawn as of a right shoe; the left one is its mirror. */
const side = (path: Path, closed = true): Path => (props.foot === 'left' ? mirror(path, closed) : path)
const worstHere = computed(() => {
  if (!props.worst) return null
  const [from, to] = side([props.worst.from, props.worst.to], false)
  return from && to ? { from, to } : null
})
const surface = ref<HTMLElement | null>(null)
const outline = (id: string) => props.parts.find((p) => p.id === id)?.outline ?? null
const lines = computed(() =>
  [
    { id: 'outsole', name: 'outsole', path: outline('outsole') },
    { id: 'midsole', name: 'midsole', path: outline('midsole') },
    { id: 'lasted', name: 'lasted shoe', path: props.lasted },
    { id: 'traced', name: 'as traced', path: props.traced },
    { id: 'insole', name: 'insole', path: outline('insole') },
    { id: 'rand', name: 'rand', path: outline('rand') },
    { id: 'filler', name: 'filler', path: outline('filler') },
    { id: 'shank', name: 'shank', path: outline('shank') },
  ].flatMap((l) => (l.path ? [{ ...l, path: side(l.path) }] : [])),
)
const world = computed(() => {
  const b = boxOf(...lines.value.map((l) => l.path))
  return { minX: b.minX - 8, minY: b.minY - 8, maxX: b.maxX + 8, maxY: b.maxY + 8 }
})
const view = usePanZoom(surface, world, { left: 12, right: 150, top: 10, bottom: 10 })
const { width, height } = view
</script>

<template>
  <div class="slate-table on-slate">
    <div ref="surface" class="slate-surface" role="img" aria-label="Outlines along the bottom, on each other">
      <svg :width="width" :height="height" aria-hidden="true">
        <g :transform="view.transform.value">
          <path v-for="l in lines" :key="l.id" :d="pathData(l.path, true)" :class="l.id" />
        </g>
        <template v-if="worstHere">
          <line
            :x1="view.x(worstHere.from[0])"
            :y1="view.y(worstHere.from[1])"
            :x2="view.x(worstHere.to[0])"
            :y2="view.y(worstHere.to[1])"
            class="worst"
          />
          <circle :cx="view.x(worstHere.to[0])" :cy="view.y(worstHere.to[1])" r="12" class="worst" />
        </template>
        <g v-for="(l, i) in lines" :key="l.id">
          <line :x1="width - 138" :x2="width - 108" :y1="26 + 22 * i" :y2="26 + 22 * i" :class="l.id" />
          <text :x="width - 100" :y="31 + 22 * i">{{ l.name }}</text>
        </g>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.slate-surface text {
  font-size: 14px;
  font-weight: 400;
}
.outsole {
  stroke: #eef2ee;
  stroke-width: 2.4;
}
.midsole {
  stroke: #c98a1b;
  stroke-width: 2;
}
.lasted {
  stroke: #8fd0e8;
  stroke-width: 2.4;
}
.insole {
  stroke: #eef2ee;
  stroke-width: 1.4;
  stroke-dasharray: 3 3;
}
.filler {
  stroke: #a9bac0;
  stroke-width: 1.6;
  stroke-dasharray: 1 4;
}
.shank {
  stroke: #a9bac0;
  stroke-width: 1.4;
}
.rand {
  stroke: #a7d99b;
  stroke-width: 1.4;
}
.traced {
  stroke: #e3a0c4;
  stroke-width: 2;
  stroke-dasharray: 8 4;
}
.worst {
  fill: none;
  stroke: #f0939b;
  stroke-width: 3;
}
</style>

<script setup lang="ts">
import { boxOf, type WallSection } from '@gentle-awl/core'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { showLength } from '../../../../app/settings.ts'
import { pathData } from '../../../../drawing/svgPath.ts'
import HatchPatterns from '../../../../drawing/HatchPatterns.vue'
import { hatchOf, tintOf } from './layerLook.ts'

/** The wall cut through to scale: every layer with its own tint and hatch, named beside it. */
const props = defineProps<{ section: WallSection }>()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)

const box = computed(() => {
  const outer = props.section.layers.flatMap((l) => l.outlines)
  const b = boxOf(...outer, [props.section.feather])
  // What of the bare last is shown ends a little above the highest layer.
  return { minX: b.minX - 3, minY: b.minY - 3, maxX: b.maxX + 3, maxY: b.maxY + 8 }
})
const scale = computed(() => {
  const b = box.value
  return Math.max(0.5, Math.min(width.value / (b.maxX - b.minX), height.value / (b.maxY - b.minY)))
})
const viewBox = computed(() => {
  const b = box.value
  const [w, h] = [width.value / scale.value, height.value / scale.value]
  const [cx, cy] = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
  return `${cx - w / 2} ${-cy - h / 2} ${w} ${h}`
})
const said = computed(() => props.section.layers.map((l) => `${l.name} ${showLength(l.thickest)}`).join(', '))
</script>

<template>
  <div ref="frame" class="frame on-slate">
    <svg v-if="width > 0" :viewBox="viewBox" role="img" :aria-label="`Section: ${said}`">
      <HatchPatterns id="hatch" :size="1.2" />
      <path :d="pathData(section.last, false)" class="last" />
      <g v-for="l in section.layers" :key="l.part + l.name">
        <template v-for="(o, i) in l.outlines" :key="i">
          <path :d="pathData(o, true)" :fill="tintOf(l.part)" class="layer" />
          <path v-if="hatchOf(l.part)" :d="pathData(o, true)" :fill="`url(#hatch-${hatchOf(l.part)})`" />
        </template>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  min-height: 0;
  overflow: hidden;
  background: var(--slate);
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.last {
  fill: none;
  stroke: #eef2ee;
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.layer {
  stroke: #17262b;
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
</style>

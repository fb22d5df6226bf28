<script setup lang="ts">
import { boxOf, type WallSection } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength } from '../../../../app/settings.ts'
import { pathData } from '../../../../drawing/svgPath.ts'
import HatchPatterns from '../../../../drawing/HatchPatterns.vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { useSlate } from '../../../../drawing/useSlate.ts'
import { hatchOf, tintOf } from '../../../../drawing/layerLook.ts'

/** The wall cut through to scale: every layer with its own tint and hatch, named beside it. */
const props = defineProps<{ section: WallSection }>()

const world = computed(() => {
  const b = boxOf(...props.section.layers.flatMap((l) => l.outlines), [props.section.feather])
  // What of the bare last is shown ends a little above the highest layer.
  return { minX: b.minX - 3, minY: b.minY - 3, maxX: b.maxX + 3, maxY: b.maxY + 8 }
})
const slate = useSlate(world, { left: 8, right: 8, top: 8, bottom: 60 })
const said = computed(() => props.section.layers.map((l) => `${l.name} ${showLength(l.thickest)}`).join(', '))
</script>

<template>
  <SlateSurface :slate="slate" :label="`Section: ${said}`">
    <template #mm>
      <HatchPatterns id="hatch" :size="1.2" />
      <path :d="pathData(section.last, false)" class="last" />
      <g v-for="l in section.layers" :key="l.part + l.name">
        <template v-for="(o, i) in l.outlines" :key="i">
          <path :d="pathData(o, true)" :style="{ fill: tintOf(l.part) }" class="layer" />
          <path v-if="hatchOf(l.part)" :d="pathData(o, true)" :style="{ fill: `url(#hatch-${hatchOf(l.part)})` }" />
        </template>
      </g>
    </template>
  </SlateSurface>
</template>

<style scoped>
.last {
  stroke: #eef2ee;
  stroke-width: 2;
}
.layer {
  stroke: #17262b;
  stroke-width: 1;
}
</style>

<script setup lang="ts">
import { boxOf, seamInWall, type SeamSection } from '@gentle-awl/core'
import { computed } from 'vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import { seamLook } from './seamLook.ts'

/** A seam as a small sign: its leathers as they meet, twice as thick as they are wide. */
const props = defineProps<{ seam: SeamSection }>()
/** So much of it is shown on either side of its line, mm. */
const SHOWN = 9
const THICKER = 2
const sign = computed(() => {
  const bodies = seamInWall(props.seam, 'after', null).map((b) => ({
    part: b.part,
    d: pathData(
      b.outline.map(([x, y]) => [x, THICKER * y]),
      true,
    ),
    box: boxOf(b.outline),
  }))
  const top = THICKER * Math.max(...bodies.map((b) => b.box.maxY))
  return { bodies, view: `${-SHOWN} ${-top - 1} ${2 * SHOWN} ${top + 2}` }
})
</script>

<template>
  <svg :viewBox="sign.view" aria-hidden="true">
    <path v-for="(b, i) in sign.bodies" :key="i" :d="b.d" :style="{ fill: seamLook(seam, b.part).tint }" />
  </svg>
</template>

<style scoped>
path {
  stroke: #17262b;
  stroke-width: 0.5;
}
</style>

<script setup lang="ts">
import { boxOf, type Part } from '@gentle-awl/core'
import { computed } from 'vue'
import { cutData } from './svgPath.ts'

/** A part as a small picture: its cut outline in chalk, with its holes where they are known. */
const props = defineProps<{ part: Part }>()
const view = computed(() => {
  const b = boxOf(props.part.outline)
  return `${b.minX - 2} ${-b.maxY - 2} ${b.maxX - b.minX + 4} ${b.maxY - b.minY + 4}`
})
const drawn = computed(() => cutData(props.part))
</script>

<template>
  <svg :viewBox="view" role="img" :aria-label="part.name">
    <path
      :d="drawn"
      fill="#eef2ee"
      fill-opacity=".1"
      stroke="#eef2ee"
      stroke-width="2"
      vector-effect="non-scaling-stroke"
    />
  </svg>
</template>

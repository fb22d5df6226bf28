<script setup lang="ts">
/** The hatches by which leathers are told apart in a section: `id` and the hatch's name make the pattern's own; `size` is in mm. */
defineProps<{ id: string; size: number }>()
const hatches = ['fine', 'wide', 'cross', 'dots', 'back'] as const
</script>

<template>
  <defs>
    <pattern
      v-for="h in hatches"
      :id="`${id}-${h}`"
      :key="h"
      :width="size"
      :height="size"
      patternUnits="userSpaceOnUse"
      :patternTransform="h === 'back' ? 'rotate(-45)' : 'rotate(45)'"
    >
      <line
        v-if="h !== 'dots'"
        x1="0"
        y1="0"
        x2="0"
        :y2="size"
        stroke="#17262b"
        :stroke-width="size * (h === 'wide' ? 0.26 : 0.11)"
      />
      <line v-if="h === 'cross'" x1="0" y1="0" :x2="size" y2="0" stroke="#17262b" :stroke-width="size * 0.11" />
      <circle v-if="h === 'dots'" :cx="size * 0.4" :cy="size * 0.4" :r="size * 0.16" fill="#17262b" />
    </pattern>
  </defs>
</template>

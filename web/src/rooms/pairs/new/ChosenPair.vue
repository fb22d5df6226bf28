<script setup lang="ts">
import { type PairSketch } from '@gentle-awl/core'
import { shallowRef, watch } from 'vue'
import { tell } from '../../../app/settings.ts'
import PairPicture from '../../../drawing/PairPicture.vue'
import LevelMark from '../../../ui/LevelMark.vue'
import type { Answer } from '../../../workers/answer.ts'

/** The pair as it is chosen so far: the shoe it would be, and what would stand against it. */
const props = defineProps<{
  name: string
  /** What was chosen, in words. */
  choice: string
  /** Its plan's sketch; none while that is on its way. */
  sketch: Answer<PairSketch> | undefined
  problem: string
  /** Something it cannot be planned without is not chosen yet. */
  missing: boolean
}>()
/** While the next one is planned the picture of the one before stays; what was said against it goes. */
const shapes = shallowRef<PairSketch['shapes']>([])
watch(
  () => props.sketch,
  (now) => {
    if (now) shapes.value = now.value?.shapes ?? []
  },
)
/** So many stops are read; the others are counted. */
const MOST = 4
</script>

<template>
  <aside class="panel summary" aria-label="The pair as chosen" :aria-busy="!sketch">
    <div class="shoe on-slate" :class="{ coming: !sketch }">
      <PairPicture v-if="shapes.length > 0" :shapes="shapes" :label="`${choice}, from its side`" />
      <p v-else-if="!sketch && !problem && !missing" class="chalk">Planning …</p>
    </div>
    <h2>{{ name || 'New pair' }}</h2>
    <p>{{ choice }}.</p>
    <p v-if="problem || sketch?.problem" class="bad" role="alert">{{ problem || tell(sketch?.problem ?? '') }}</p>
    <p v-else-if="missing" class="soft">
      Something it cannot be planned without is missing yet: look for it in the materials.
    </p>
    <p v-else-if="!sketch" class="soft" role="status">Planning it …</p>
    <template v-else-if="sketch.value">
      <p v-if="sketch.value.stops.length === 0" class="verdict">
        <LevelMark :level="sketch.value.worst" quiet />
        {{
          sketch.value.worst === 'fine' ? 'Nothing stands against it.' : 'It can be made; some checks ask for a look.'
        }}
      </p>
      <template v-else>
        <p class="verdict"><LevelMark level="stop" quiet /> To be mended once it is begun:</p>
        <ul class="stops">
          <li v-for="(s, i) in sketch.value.stops.slice(0, MOST)" :key="i">
            <strong>{{ s.where }}:</strong> {{ tell(s.sentence) }}
          </li>
          <li v-if="sketch.value.stops.length > MOST" class="soft">and {{ sketch.value.stops.length - MOST }} more.</li>
        </ul>
      </template>
    </template>
    <slot />
  </aside>
</template>

<style scoped>
.summary {
  display: grid;
  align-content: start;
  gap: 12px;
  padding: 20px 22px;
  overflow-y: auto;
  border-left: 1px solid var(--line);
  background: var(--raised);
}
.shoe {
  display: grid;
  place-items: center;
  height: 170px;
  padding: 16px;
  border-radius: 12px;
  background: var(--slate);
}
.shoe svg {
  width: 100%;
  height: 138px;
}
.coming svg {
  opacity: 0.5;
}
.chalk {
  color: var(--chalk);
}
.verdict {
  display: flex;
  gap: 8px;
}
.stops {
  display: grid;
  gap: 8px;
  margin: 0;
  padding-left: 20px;
}
@media (max-width: 999px) {
  .summary {
    overflow: visible;
  }
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import { showLength } from '../../../app/settings.ts'
import { useLast } from '../../../stores/lastStore.ts'
import ShapeBench from '../shape/ShapeBench.vue'
import BecausePanel from '../../../ui/BecausePanel.vue'
import LastViewer from '../../../viewer/LastViewer.vue'

const store = useLast()
const kept = computed(() => (store.last?.shape.kind === 'kept' ? store.last.shape : null))
</script>

<template>
  <template v-if="store.last">
    <div v-if="kept" class="work-and-panel">
      <LastViewer v-if="store.built" :surface="store.built.surface" :label="store.last.name" />
      <p v-else class="wait" role="status">{{ store.buildProblem || 'Building the last …' }}</p>
      <BecausePanel title="Kept surface">
        <p v-if="kept.origin.from === 'scan'">
          Scanned: {{ kept.origin.name }}, {{ kept.origin.triangles.toLocaleString('en-GB') }} triangles, a
          {{ kept.origin.foot }} last.
          <template v-if="kept.origin.within !== null">
            95 of 100 points of the scan lie within {{ showLength(kept.origin.within, 2) }} of this surface.
          </template>
        </p>
        <p v-else>Graded from {{ kept.origin.name }}.</p>
        <p class="soft">Its shape is what was found; it changes by build-ups, or by a new scan kept as another last.</p>
      </BecausePanel>
    </div>
    <ShapeBench
      v-else-if="store.last.shape.kind !== 'kept'"
      :key="`${store.last.id}.${store.last.version}`"
      :start="store.last.shape"
      title="Shape of this last"
      :busy="store.saving"
      :refused="store.saveProblem"
      @keep="store.change({ shape: $event })"
    >
      <p class="soft">What is kept here changes every pair that is planned on this last.</p>
    </ShapeBench>
  </template>
</template>

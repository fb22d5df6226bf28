<script setup lang="ts">
import { ruleOf, seamKinds, type SeamSection, type WallStack } from '@gentle-awl/core'
import { NTable } from 'naive-ui'
import { computed } from 'vue'
import { showLength, tell } from '../../../../app/settings.ts'
import SkiveSection from '../../../../drawing/SkiveSection.vue'
import { capital } from '../../../../ui/capital.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import SeamDrawing from './SeamDrawing.vue'

/** One seam: its section before and after, and why each of its leathers is thinned as it is. */
const props = defineProps<{ seam: SeamSection; wall: WallStack | null }>()
/** Two leathers that are thinned alike are told once. */
const skives = computed(() =>
  props.seam.skives.filter(
    (s, i, all) => all.findIndex((o) => JSON.stringify({ ...o }) === JSON.stringify({ ...s })) === i,
  ),
)
const why = (key: string): string => tell(ruleOf(key)?.why ?? '')
</script>

<template>
  <div class="work-and-panel">
    <SeamDrawing :seam="seam" :wall="wall" />
    <BecausePanel :title="seam.name">
      <p class="soft">{{ capital(seamKinds[seam.kind]) }}, {{ showLength(seam.length, 0) }} on one shoe.</p>
      <NTable size="small" :bordered="false" class="change">
        <thead>
          <tr>
            <th>Together</th>
            <th>Unskived</th>
            <th>Skived</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Where they meet</th>
            <td class="figure">{{ showLength(seam.thickest.before, 2) }}</td>
            <td class="figure">{{ showLength(seam.thickest.after, 2) }}</td>
          </tr>
          <tr v-if="seam.step">
            <th scope="row">Step that is {{ seam.seen === 'foot' ? 'felt' : 'seen' }}</th>
            <td class="figure">{{ seam.step.before.toFixed(2) }}</td>
            <td class="figure">{{ seam.step.after.toFixed(2) }}</td>
          </tr>
        </tbody>
      </NTable>
      <template v-if="seam.skives.length > 0">
        <div v-for="s in skives" :key="s.name + s.rule" class="skive">
          <SkiveSection :skive="s" :thickness="s.thickness" />
          <p class="soft">{{ why(s.rule) }}</p>
        </div>
      </template>
      <p v-else-if="seam.kind === 'butt'">
        Not thinned: both edges are cut at opposing slants and lie on each other, as thick as the leather.
      </p>
      <p v-else>
        Not skived: {{ seam.kind === 'laidOn' ? 'its edge is seen and dyed.' : 'it stays as thick as it is.' }}
      </p>
    </BecausePanel>
  </div>
</template>

<style scoped>
.change {
  margin: 8px 0 12px;
}
.change th {
  font-weight: 400;
  text-align: left;
}
.change td,
.change thead th:not(:first-child) {
  text-align: right;
}
.skive p {
  margin: 0 0 10px;
}
</style>

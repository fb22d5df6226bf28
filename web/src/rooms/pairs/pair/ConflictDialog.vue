<script setup lang="ts">
import { NButton, NTable } from 'naive-ui'
import type { PairDecisions } from '@gentle-awl/core'
import { computed } from 'vue'
import { usePair } from '../../../stores/pairStore.ts'
import HouseDialog from '../../../ui/HouseDialog.vue'

const pair = usePair()
const open = computed({ get: () => pair.conflict !== null, set: () => undefined })

type Flat = Record<string, string>
const flat = (value: unknown, path = '', out: Flat = {}): Flat => {
  if (typeof value === 'object' && value !== null) {
    for (const [key, v] of Object.entries(value)) flat(v, path ? `${path} · ${key}` : key, out)
  } else out[path] = value === null ? 'by rule' : String(value)
  return out
}
/** Where the two versions differ, as words. */
const differences = computed(() => {
  const both = pair.conflict
  if (!both) return []
  const asOne = (v: { label: object; decisions: PairDecisions }) => flat({ ...v.label, ...v.decisions })
  const mine = asOne(both.mine)
  const theirs = asOne(both.theirs)
  return [...new Set([...Object.keys(mine), ...Object.keys(theirs)])]
    .filter((k) => mine[k] !== theirs[k])
    .map((k) => ({ what: k, mine: mine[k] ?? '—', theirs: theirs[k] ?? '—' }))
})
</script>

<template>
  <HouseDialog v-model:open="open" title="Changed in two places" :closable="false">
    <p>This pair was changed elsewhere after it was opened here. Nothing was overwritten. Which version stays?</p>
    <NTable size="small" :bordered="false" class="both">
      <thead>
        <tr>
          <th scope="col">Where they differ</th>
          <th scope="col">Here</th>
          <th scope="col">Saved elsewhere</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="d in differences" :key="d.what">
          <th scope="row">{{ d.what }}</th>
          <td>{{ d.mine }}</td>
          <td>{{ d.theirs }}</td>
        </tr>
      </tbody>
    </NTable>
    <p class="soft">The other one stays among the revisions, and undo goes back to it.</p>
    <template #actions>
      <NButton @click="pair.settleConflict('theirs')">Take the saved one</NButton>
      <NButton type="primary" @click="pair.settleConflict('mine')">Keep what is here</NButton>
    </template>
  </HouseDialog>
</template>

<style scoped>
.both {
  margin: 14px 0;
}
</style>

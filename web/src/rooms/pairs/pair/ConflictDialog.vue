<script setup lang="ts">
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
    <table class="both">
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
    </table>
    <p class="soft">The other one stays among the revisions, and undo goes back to it.</p>
    <template #actions>
      <button class="button" type="button" @click="pair.settleConflict('theirs')">Take the saved one</button>
      <button class="button main" type="button" @click="pair.settleConflict('mine')">Keep what is here</button>
    </template>
  </HouseDialog>
</template>

<style scoped>
.both {
  width: 100%;
  margin: 14px 0;
  border-collapse: collapse;
}
.both th,
.both td {
  padding: 8px 10px;
  border-bottom: 1px solid var(--line);
  text-align: left;
}
</style>

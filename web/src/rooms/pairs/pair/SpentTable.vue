<script setup lang="ts">
import { NTable } from 'naive-ui'
import type { SpentOn } from '@gentle-awl/core'
import { computed } from 'vue'
import { showArea, showWork } from '../../../app/settings.ts'
import { capital } from '../../../ui/capital.ts'

/** What has gone into a pair, or will: hours, and what is cut with its worth where its price is known. */
const props = defineProps<{ spent: SpentOn; work: string }>()
const worth = computed(() => props.spent.stuffs.reduce((sum, s) => sum + (s.worth ?? 0), 0))
const unpriced = computed(() => props.spent.stuffs.some((s) => s.worth === null))
</script>

<template>
  <NTable size="small" :bordered="false">
    <thead>
      <tr>
        <th scope="col">What</th>
        <th scope="col" class="right">How much</th>
        <th scope="col" class="right">Worth</th>
      </tr>
    </thead>
    <tbody>
      <tr>
        <th scope="row">{{ work }}</th>
        <td class="figure right">{{ showWork(spent.minutes) }}</td>
        <td />
      </tr>
      <tr v-for="s in spent.stuffs" :key="s.name">
        <th scope="row">{{ capital(s.name) }}</th>
        <td class="figure right">{{ showArea(s.area * 1e4) }}</td>
        <td class="figure right">{{ s.worth === null ? 'no price' : s.worth.toFixed(2) }}</td>
      </tr>
      <tr v-if="worth > 0">
        <th scope="row">All that has a price</th>
        <td />
        <td class="figure right">{{ worth.toFixed(2) }}</td>
      </tr>
    </tbody>
  </NTable>
  <p v-if="unpriced" class="soft">Prices are entered with the materials, in the stores.</p>
</template>

<script setup lang="ts">
import { NTable } from 'naive-ui'
import { computed } from 'vue'
import { theme } from '../app/settings.ts'
import ChartFrame from './ChartFrame.vue'
import { chartRows, decimals, layoutOf, traces, type ChartAxis, type ChartLine } from './chartLook.ts'

/** Lines over one axis. `rows` lines of the table are taken evenly from the longest line. */
const props = withDefaults(
  defineProps<{ title: string; x: ChartAxis; y: ChartAxis; lines: readonly ChartLine[]; rows?: number }>(),
  { rows: 12 },
)
const drawn = computed(() => traces(props.lines, theme.value, { y: props.y }))
const layout = computed(() => layoutOf(props.x, props.y, theme.value))
const figures = computed(() => chartRows(props.lines, props.rows))
const said = computed(() => `${props.title}: ${props.lines.map((l) => l.name).join(', ')}`)
</script>

<template>
  <ChartFrame class="house" :title="title" :said="said" :traces="drawn" :layout="layout">
    <NTable size="small" :bordered="false">
      <thead>
        <tr>
          <th scope="col">{{ x.title }}, {{ x.unit }}</th>
          <th v-for="l in lines" :key="l.name" scope="col" class="right">{{ l.name }}, {{ y.unit }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="f in figures" :key="f.x">
          <th scope="row" class="figure">{{ f.x.toFixed(decimals(x)) }}</th>
          <td v-for="(v, i) in f.values" :key="i" class="figure right">
            {{ v === null ? '' : v.toFixed(decimals(y)) }}
          </td>
        </tr>
      </tbody>
    </NTable>
  </ChartFrame>
</template>

<style scoped>
.house {
  margin: 16px 0;
}
</style>

<script setup lang="ts">
import { skiveFaces, skiveShapes, type SkiveGroup } from '@gentle-awl/core'
import { NTable } from 'naive-ui'
import { showLength } from '../../../../app/settings.ts'
import { capital } from '../../../../ui/capital.ts'

/** What is skived on both shoes, by the setting of the guide: set once, then all the edges below it. */
defineProps<{ groups: readonly SkiveGroup[] }>()
/** Of both shoes, to the centimetre: as long as the knife runs. */
const run = (mm: number) =>
  mm >= 1000 ? showLength(Math.round(mm / 100) * 100, 0) : showLength(Math.round(mm / 10) * 10, 0)
</script>

<template>
  <ol class="settings">
    <li v-for="g in groups" :key="`${g.shape} ${g.face} ${g.width} ${g.left}`">
      <h3>
        <span class="figure"
          >{{ showLength(g.width, g.width % 1 === 0 ? 0 : 1) }} wide,
          {{ g.left > 0 ? `${showLength(g.left, 2)} left` : 'to nothing' }}</span
        >
        <span class="how">{{ capital(g.left > 0 ? skiveShapes[g.shape] : 'straight') }}, {{ skiveFaces[g.face] }}</span>
        <span class="figure run">{{ run(g.length) }}</span>
      </h3>
      <NTable size="small" :bordered="false">
        <thead class="visually-hidden">
          <tr>
            <th>Piece</th>
            <th>Edge</th>
            <th>Edges on both shoes</th>
            <th>Leather</th>
            <th>Together</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in g.lines" :key="l.part + l.edge">
            <td>{{ l.name }}{{ l.foot ? `, ${l.foot} only` : '' }}</td>
            <td>{{ l.edge }}</td>
            <td class="figure">{{ l.count }} ×</td>
            <td>{{ l.materialName }}, {{ showLength(l.thickness) }}</td>
            <td class="figure">{{ run(l.length) }}</td>
          </tr>
        </tbody>
      </NTable>
    </li>
  </ol>
</template>

<style scoped>
.settings {
  display: grid;
  gap: 18px;
  margin: 0;
  padding: 0;
  list-style: none;
}
h3 {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: baseline;
  margin: 0;
  padding: 6px 10px;
  border-radius: 8px;
  background: var(--action-soft);
  font-size: 17px;
}
.how {
  font-weight: 400;
}
.run {
  margin-left: auto;
}
td.figure {
  white-space: nowrap;
  text-align: right;
}
</style>

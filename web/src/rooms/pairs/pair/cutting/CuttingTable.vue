<script setup lang="ts">
import type { CutPiece } from '@gentle-awl/core'
import { NTable } from 'naive-ui'
import { showArea, showLength } from '../../../../app/settings.ts'

/** Lines of a cutting list: how many of each for either foot, how thick, how much they cover. */
defineProps<{ pieces: readonly CutPiece[] }>()
const of = (piece: CutPiece, foot: 'right' | 'left') => piece.cuts.find((c) => c.foot === foot)?.count ?? 0
const how = (p: CutPiece) =>
  p.strip
    ? 'by measure, along a straight edge'
    : p.cuts.length === 1
      ? 'this foot only'
      : p.mirrored
        ? 'one pattern, turned over'
        : 'each foot by its own outline'
</script>

<template>
  <NTable size="small" :bordered="false" class="cuts">
    <colgroup>
      <col class="name" />
      <col span="2" class="count" />
      <col span="2" class="size" />
      <col />
    </colgroup>
    <thead>
      <tr>
        <th>Piece</th>
        <th class="number">Right</th>
        <th class="number">Left</th>
        <th class="number">Thick</th>
        <th class="number">Area</th>
        <th>Cut</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="p in pieces" :key="p.record">
        <td>{{ p.name }}</td>
        <td class="figure number">{{ of(p, 'right') }}</td>
        <td class="figure number">{{ of(p, 'left') }}</td>
        <td class="figure number">{{ showLength(p.thickness) }}</td>
        <td class="figure number">{{ showArea(p.area) }}</td>
        <td>{{ how(p) }}</td>
      </tr>
    </tbody>
  </NTable>
</template>

<style scoped>
.cuts {
  table-layout: fixed;
}
.name {
  width: 30%;
}
.count {
  width: 9%;
}
.size {
  width: 13%;
}
th.number,
td.number {
  white-space: nowrap;
  text-align: right;
}
</style>

<script setup lang="ts">
import type { CutPiece, CutTick } from '@gentle-awl/core'
import { IconCheck } from '@tabler/icons-vue'
import { NButton, NTable } from 'naive-ui'
import { format } from 'date-fns'
import { showArea, showLength } from '../../../../app/settings.ts'

/** Lines of a cutting list: how many of each for either foot, how thick, how much they cover, and whether they are cut. */
defineProps<{
  pieces: readonly CutPiece[]
  ticks: ReadonlyMap<string, CutTick>
  /** The line that is being written down. */
  under: string | null
}>()
const emit = defineEmits<{ cut: [record: string] }>()
const when = (at: string | null) => (at ? format(new Date(at), 'd MMM') : '')
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
      <col class="bench" />
    </colgroup>
    <thead>
      <tr>
        <th>Piece</th>
        <th class="number">Right</th>
        <th class="number">Left</th>
        <th class="number">Thick</th>
        <th class="number">Area</th>
        <th>Cut</th>
        <th>At the bench</th>
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
        <td>
          <span v-if="ticks.get(p.record)?.state === 'cut'" class="done">
            <IconCheck :size="20" aria-hidden="true" /> cut {{ when(ticks.get(p.record)?.at ?? null) }}
          </span>
          <NButton
            v-else
            :aria-label="`${p.name} is cut`"
            :loading="under === p.record"
            :disabled="under !== null"
            @click="emit('cut', p.record)"
          >
            {{ ticks.get(p.record)?.state === 'cut otherwise' ? 'Changed since: cut anew' : 'It is cut' }}
          </NButton>
        </td>
      </tr>
    </tbody>
  </NTable>
</template>

<style scoped>
.cuts {
  table-layout: fixed;
}
.name {
  width: 21%;
}
.count {
  width: 7%;
}
.size {
  width: 10%;
}
.bench {
  width: 20%;
}
.done {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  color: var(--action);
  font-weight: 600;
}
th.number,
td.number {
  white-space: nowrap;
  text-align: right;
}
</style>

<script setup lang="ts">
import type { Seam } from '@gentle-awl/core'
import { NDataTable, type DataTableBaseColumn, type DataTableColumns } from 'naive-ui'
import { computed, h } from 'vue'
import { RouterLink } from 'vue-router'
import { showLength, showThread } from '../../../../app/settings.ts'
import { rowWords } from './seamWords.ts'

/** All seams of a shoe with their stitches and thread. */
const props = defineProps<{ seams: readonly Seam[]; to: (id: string) => string }>()
const figure = (
  title: string,
  key: 'stitches' | 'pitch' | 'length' | 'fromEdge' | 'thickness' | 'thread',
  width: number,
  said: (s: Seam) => string,
): DataTableBaseColumn<Seam> => ({
  title,
  key,
  width,
  align: 'right',
  className: 'figure',
  sorter: (a, b) => a[key] - b[key],
  render: said,
})
const columns = computed((): DataTableColumns<Seam> => [
  {
    title: 'Seam',
    key: 'name',
    minWidth: 186,
    sorter: (a, b) => a.name.localeCompare(b.name),
    render: (s) => [h(RouterLink, { to: props.to(s.id) }, () => s.name), h('div', { class: 'soft' }, rowWords(s))],
  },
  figure('Long', 'length', 84, (s) => showLength(s.length, 0)),
  figure('Stitches', 'stitches', 102, (s) => String(s.stitches)),
  figure('Each', 'pitch', 88, (s) => showLength(s.pitch, 2)),
  figure('Through', 'thickness', 104, (s) => showLength(s.depth ?? s.thickness, 2)),
  figure('Thread', 'thread', 96, (s) => showThread(s.thread)),
])
</script>

<template>
  <NDataTable
    :columns="columns"
    :data="[...seams]"
    :row-key="(s: Seam) => s.id"
    :scroll-x="660"
    :aria-label="`${seams.length} seams of one shoe`"
    size="small"
  />
</template>

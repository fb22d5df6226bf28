<script setup lang="ts">
import { leftOf, seamKinds, widthOf, type SeamSection } from '@gentle-awl/core'
import { NDataTable, type DataTableColumns } from 'naive-ui'
import { computed, h } from 'vue'
import { RouterLink } from 'vue-router'
import { lengthUnit, lengthWord, showLength } from '../../../../app/settings.ts'

/** All seams and edges of a shoe with what the skive does for each. */
const props = defineProps<{ seams: readonly SeamSection[]; to: (id: string) => string }>()
/** Of two figures that are the same, one. */
const change = (of: { before: number; after: number }, show: (value: number) => string) =>
  Math.abs(of.before - of.after) < 5e-3 ? show(of.after) : `${show(of.before)} → ${show(of.after)}`
/** The unit stands once, after both; inches have their sign with each. */
const thickness = (of: SeamSection['thickest']) =>
  lengthUnit.value === 'inch' ? change(of, (v) => showLength(v)) : `${change(of, (v) => v.toFixed(2))} mm`
const lines = (said: readonly string[]) => [...new Set(said)].map((words) => h('div', { class: 'figure' }, words))
const columns = computed((): DataTableColumns<SeamSection> => [
  {
    title: 'Seam or edge',
    key: 'name',
    minWidth: 196,
    sorter: (a, b) => a.name.localeCompare(b.name),
    render: (s) => [
      h(RouterLink, { to: props.to(s.id) }, () => s.name),
      h('div', { class: 'soft' }, seamKinds[s.kind]),
    ],
  },
  {
    title: 'Long',
    key: 'length',
    align: 'right',
    className: 'figure',
    width: 92,
    sorter: (a, b) => a.length - b.length,
    render: (s) => showLength(s.length, 0),
  },
  {
    title: 'Skive',
    key: 'skives',
    width: 138,
    render: (s) =>
      s.skives.length === 0
        ? h('span', { class: 'soft' }, 'none')
        : lines(s.skives.map((k) => `${showLength(widthOf(k), 0)} to ${bareThickness(leftOf(k))}`)),
  },
  {
    title: 'Thickest',
    key: 'thickest',
    align: 'right',
    className: 'figure',
    width: 142,
    sorter: (a, b) => a.thickest.after - b.thickest.after,
    render: (s) => thickness(s.thickest),
  },
  {
    title: 'Step',
    key: 'step',
    align: 'right',
    className: 'figure',
    width: 116,
    sorter: (a, b) => (a.step?.after ?? 0) - (b.step?.after ?? 0),
    render: (s) => (s.step ? change(s.step, (v) => v.toFixed(2)) : ''),
  },
])
const bareThickness = (v: number) => (lengthUnit.value === 'inch' ? showLength(v) : v.toFixed(2))
</script>

<template>
  <NDataTable
    :columns="columns"
    :data="[...seams]"
    :row-key="(s: SeamSection) => s.id"
    :scroll-x="684"
    :aria-label="`${seams.length} seams and edges, lengths in ${lengthWord}`"
    size="small"
  />
</template>

<script setup lang="ts">
import { NButton, NDataTable, type DataTableColumns } from 'naive-ui'
import { feetAgainst, type Feet, type FootAgainst, type LastReadings, type RuleBook } from '@gentle-awl/core'
import { computed, h, ref } from 'vue'
import { bareLength, lengthWord, showLength } from '../../../app/settings.ts'
import type { Foot } from '../../../ui/feet.ts'
import SearchField from '../../../ui/SearchField.vue'

/** Every foot that was measured, against this last: sorted by how near the last is to what each wants. */
const props = defineProps<{ feet: readonly Feet[]; readings: LastReadings; book: RuleBook }>()
const emit = defineEmits<{ choose: [id: string, foot: Foot] }>()

/** Lists are cut into pages of so many. */
const PAGE = 20
const wanted = ref('')
/** The best first: fewest wrong figures, then the least off; what was not measured comes last. */
const off = (r: FootAgainst) => (r.worst ? 1000 * (r.of - r.right) + Math.abs(r.worst.over) : Infinity)
const all = computed(() => feetAgainst(props.feet, props.readings, props.book).sort((a, b) => off(a) - off(b)))
const rows = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value.filter((r) => words.every((w) => `${r.order} ${r.trade} ${r.foot}`.toLowerCase().includes(w)))
})
function furthest({ worst }: FootAgainst): string {
  if (!worst) return 'nothing measured'
  const by = showLength(Math.abs(worst.over))
  if (worst.verdict === 'right') return `fits; ${worst.name.toLowerCase()} within ${by}`
  return `${worst.name.toLowerCase()} ${by} too ${worst.over < 0 ? 'small' : 'large'}`
}
const columns = computed<DataTableColumns<FootAgainst>>(() => [
  {
    title: 'Feet of',
    key: 'order',
    sorter: (a, b) => a.order.localeCompare(b.order, undefined, { numeric: true }),
    render: (r) => h('strong', `${r.order}, ${r.trade}`),
  },
  { title: 'Foot', key: 'foot', sorter: (a, b) => a.foot.localeCompare(b.foot) },
  {
    title: `Length, ${lengthWord.value}`,
    key: 'length',
    align: 'right',
    className: 'figure',
    sorter: (a, b) => (a.length ?? 0) - (b.length ?? 0),
    render: (r) => (r.length === null ? '' : bareLength(r.length)),
  },
  {
    title: 'Right',
    key: 'right',
    align: 'right',
    className: 'figure',
    sorter: (a, b) => a.right - b.right,
    render: (r) => (r.of === 0 ? '' : `${r.right} of ${r.of}`),
  },
  { title: 'This last is furthest off at', key: 'worst', sorter: (a, b) => off(a) - off(b), render: furthest },
  {
    title: () => h('span', { class: 'visually-hidden' }, 'Look at it'),
    key: 'look',
    align: 'right',
    render: (r) =>
      h(
        NButton,
        { 'aria-label': `Look at the ${r.foot} foot of order ${r.order}`, onClick: () => emit('choose', r.id, r.foot) },
        () => 'Look at it',
      ),
  },
])
</script>

<template>
  <div class="feet">
    <SearchField
      v-model:value="wanted"
      label="Find feet by order or trade"
      placeholder="Find by order or trade"
      class="search"
    />
    <NDataTable
      :columns="columns"
      :data="rows"
      :row-key="(r: FootAgainst) => `${r.id} ${r.foot}`"
      :pagination="rows.length > PAGE ? { pageSize: PAGE } : false"
      :bordered="false"
      size="small"
    >
      <template #empty>No feet match.</template>
    </NDataTable>
  </div>
</template>

<style scoped>
.feet {
  display: grid;
  gap: 12px;
}
.search {
  max-width: 360px;
}
</style>

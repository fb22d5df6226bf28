<script setup lang="ts">
import { NDataTable, type DataTableBaseColumn, type DataTableColumns } from 'naive-ui'
import type { Pace, StepProgress } from '@gentle-awl/core'
import { computed, h, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { showMinutes } from '../../../../app/settings.ts'
import SearchField from '../../../../ui/SearchField.vue'
import SelectField from '../../../../ui/SelectField.vue'
import { standings, workRows, workSums, type Standing, type WorkRow } from './workTable.ts'

/** All steps of a pair with their times: what was planned, what it took, where it stands. */
const props = defineProps<{
  steps: readonly StepProgress[]
  pace: Readonly<Record<string, Pace>>
  to: (id: string) => string
}>()
const wanted = ref('')
const standing = ref<Standing | ''>('')
const all = computed(() => workRows(props.steps, props.pace))
const rows = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value.filter(
    (r) =>
      (standing.value === '' || r.standing === standing.value) &&
      words.every((w) => `${r.name} ${r.group}`.toLowerCase().includes(w)),
  )
})
const options = computed(() => [
  { value: '' as const, name: 'every step' },
  ...standings
    .map((value) => ({ value, name: value as string, count: all.value.filter((r) => r.standing === value).length }))
    .filter((o) => o.count > 0)
    .map(({ value, name, count }) => ({ value, name: `${name}, ${count}` })),
])
const time = (minutes: number | null) => (minutes === null ? '' : showMinutes(minutes))
const signed = (minutes: number | null) => {
  if (minutes === null) return ''
  const whole = Math.round(minutes)
  return whole === 0 ? 'as planned' : `${whole > 0 ? '+' : '−'}${showMinutes(Math.abs(whole))}`
}
/** A column of minutes; what is not known yet counts as least. */
const timeColumn = (
  title: string,
  key: 'planned' | 'usual' | 'took' | 'over',
  said: (minutes: number | null) => string,
): DataTableBaseColumn<WorkRow> => ({
  title,
  key,
  align: 'right',
  className: 'figure',
  sorter: (a, b) => (a[key] ?? -Infinity) - (b[key] ?? -Infinity),
  render: (r) => said(r[key]),
})
const columns: DataTableColumns<WorkRow> = [
  { title: 'No', key: 'place', width: 64, align: 'right', className: 'figure', sorter: (a, b) => a.place - b.place },
  {
    title: 'Step',
    key: 'name',
    sorter: (a, b) => a.name.localeCompare(b.name),
    render: (r) => h(RouterLink, { to: props.to(r.id) }, () => r.name),
  },
  { title: 'Work', key: 'group', width: 96, sorter: (a, b) => a.group.localeCompare(b.group) || a.place - b.place },
  {
    title: 'Stands',
    key: 'standing',
    width: 108,
    sorter: (a, b) => standings.indexOf(a.standing) - standings.indexOf(b.standing) || a.place - b.place,
  },
  timeColumn('Planned', 'planned', time),
  timeColumn('Usual', 'usual', time),
  timeColumn('Took', 'took', time),
  timeColumn('Longer by', 'over', signed),
]
const summary = () => {
  const sums = workSums(rows.value)
  return {
    name: { value: rows.value.length === 1 ? 'This step' : `These ${rows.value.length} steps` },
    planned: { value: time(sums.planned) },
    usual: { value: time(sums.usual) },
    took: { value: time(sums.took) },
    over: { value: signed(sums.over) },
  }
}
</script>

<template>
  <div class="table">
    <div class="find">
      <SearchField v-model:value="wanted" label="Find a step by name or kind of work" placeholder="Find a step" />
      <SelectField
        quiet
        label="Which steps"
        name="standing"
        :value="standing"
        :options="options"
        @choose="standing = $event"
      />
      <span class="soft" role="status">{{ rows.length === 1 ? '1 step' : `${rows.length} steps` }}</span>
    </div>
    <NDataTable
      :columns="columns"
      :data="rows"
      :row-key="(r: WorkRow) => r.id"
      :summary="rows.length > 0 ? summary : undefined"
      :bordered="false"
      size="small"
    >
      <template #empty>No step matches.</template>
    </NDataTable>
  </div>
</template>

<style scoped>
.table {
  display: grid;
  gap: 12px;
  margin-top: 12px;
}
.find {
  display: grid;
  grid-template-columns: minmax(180px, 320px) 220px auto;
  gap: 12px;
  align-items: center;
}
@media (max-width: 600px) {
  .find {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

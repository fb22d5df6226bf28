<script setup lang="ts">
import { type DataTableColumns, NButton, NCheckbox, NDataTable } from 'naive-ui'
import { alike } from '../../app/alike.ts'
import { showLength } from '../../app/settings.ts'
import {
  colourOf,
  foamRecovery,
  isNatural,
  Material,
  materialKinds,
  ouncesFromMm,
  roleNames,
  type MaterialKind,
} from '@gentle-awl/core'
import { IconPlus } from '@tabler/icons-vue'
import { computed, h, onMounted, reactive, ref, shallowRef } from 'vue'
import { type Stored } from '../../api/ask.ts'
import { api } from '../../api/client.ts'
import { useNews } from '../../app/news.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import HouseDialog from '../../ui/HouseDialog.vue'
import RoomState from '../../ui/RoomState.vue'
import FoamTestFields from './FoamTestFields.vue'
import MoreFields from './MoreFields.vue'
import SamplesField from './SamplesField.vue'
import StoresNav from './StoresNav.vue'
import ServesFields from './ServesFields.vue'
import { leatherColours } from './leatherColours.ts'
import { say } from '../../app/say.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import SearchField from '../../ui/SearchField.vue'
import SelectField from '../../ui/SelectField.vue'
import TextField from '../../ui/TextField.vue'
import { useForm } from '../../ui/useForm.ts'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import { capital } from '../../ui/capital.ts'

const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
const editing = shallowRef<Stored<Material> | 'new' | null>(null)
const MaterialFields = Material.omit({ id: true })
/** A material as it is begun. */
const blank = (): Omit<Material, 'id'> => ({
  ...MaterialFields.parse({ name: '-', kind: 'upper leather', thickness: 1.4 }),
  name: '',
})
const form = reactive(blank())
const { problem: refused, attempt: attemptChange } = useAttempt()
const sheet = ref<HTMLElement | null>(null)
const { read, at, clear, elsewhere } = useForm(MaterialFields, sheet)
const open = computed({
  get: () => editing.value !== null,
  set: (is) => {
    if (!is) editing.value = null
  },
})

/** Lists are cut into pages of so many. */
const PAGE = 40
const wanted = ref('')
const kind = ref<MaterialKind | ''>('')
const kinds = computed(() => [
  { value: '' as const, name: 'everything' },
  ...materialKinds
    .filter((k) => workshop.materials.some((m) => m.kind === k))
    .map((value) => ({ value, name: value as string })),
])
const noteOf = (m: Material) => [tested(m), servesOwn(m), m.note].filter(Boolean).join(' ')
const rows = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return workshop.materials.filter((m) => {
    const text = `${m.name} ${m.kind} ${noteOf(m)}`.toLowerCase()
    return (kind.value === '' || m.kind === kind.value) && words.every((w) => text.includes(w))
  })
})
/** One list, or one for each kind. */
const ways = [
  { value: 'list', name: 'One list' },
  { value: 'use', name: 'By kind' },
] as const
const way = ref<(typeof ways)[number]['value']>('list')
const groups = computed(() =>
  way.value === 'list'
    ? [{ name: '', rows: rows.value }]
    : materialKinds
        .map((name) => ({ name: name as string, rows: rows.value.filter((m) => m.kind === name) }))
        .filter((g) => g.rows.length > 0),
)
function showAll(): void {
  wanted.value = ''
  kind.value = ''
}
const byName = (a: Material, b: Material) => a.name.localeCompare(b.name)
const columns: DataTableColumns<Stored<Material>> = [
  {
    title: 'Material',
    key: 'name',
    sorter: byName,
    render: (m) => [
      h('i', { class: 'swatch', style: { background: colourOf(m) }, 'aria-hidden': 'true' }),
      h('strong', m.name),
      noteOf(m) ? h('div', { class: 'note soft' }, noteOf(m)) : null,
    ],
  },
  { title: 'Kind', key: 'kind', width: 170, sorter: (a, b) => a.kind.localeCompare(b.kind) || byName(a, b) },
  {
    title: 'Thick',
    key: 'thickness',
    width: 180,
    align: 'right',
    className: 'figure',
    sorter: (a, b) => a.thickness - b.thickness,
    render: (m) => [
      `${showLength(m.thickness)} `,
      h('span', { class: 'soft' }, `(${ouncesFromMm(m.thickness).toFixed(1)} oz)`),
    ],
  },
  {
    title: () => h('span', { class: 'visually-hidden' }, 'Change'),
    key: 'change',
    width: 130,
    align: 'right',
    render: (m) => h(NButton, { 'aria-label': `Change ${m.name}`, onClick: () => edit(m) }, () => 'Change'),
  },
]
/** The usual one of its kind first; one that came by a file and has no name here is called as it is written. */
const colours = computed(() => [
  { value: '', name: 'the usual one of its kind' },
  ...leatherColours,
  ...(form.colour !== null && !leatherColours.some((c) => c.value === form.colour)
    ? [{ value: form.colour, name: form.colour }]
    : []),
])
/** Two materials of one name are hard to tell apart in a list: said, not forbidden. */
const doubled = computed(() => {
  const id = editing.value === 'new' ? null : editing.value?.id
  const same = workshop.materials.find((m) => m.id !== id && m.name.trim() !== '' && alike(m.name, form.name))
  return same ? `There is a ${same.kind} of that name already, ${showLength(same.thickness)}.` : ''
})
const otherFoams = computed(() => {
  const id = editing.value === 'new' ? null : editing.value?.id
  return workshop.materials.filter((m) => m.kind === 'foam' && m.id !== id)
})
async function load(): Promise<void> {
  await attempt(() => workshop.load())
}
const tested = (m: Material) => {
  const back = m.foamTest && foamRecovery(m.foamTest)
  return back ? `Comes back by ${back.afterTen.toFixed(0)}\u00a0%.` : ''
}
const servesOwn = ({ serves }: Material) =>
  serves ? `Serves as ${serves.map((role) => roleNames[role].toLowerCase()).join(', ') || 'nothing'}.` : ''
function edit(material: Stored<Material> | 'new'): void {
  refused.value = ''
  clear()
  Object.assign(form, material === 'new' ? blank() : material)
  editing.value = material
}
async function act(work: () => Promise<unknown>, done: string): Promise<void> {
  await attemptChange(async () => {
    await work()
    editing.value = null
    await load()
    await say(done)
  })
}
async function keep(): Promise<void> {
  const material = await read(form)
  if (!material) return
  const target = editing.value
  const done = `${material.name} is in the stores.`
  if (target === 'new' || target === null) await act(() => api.materials.add(material), done)
  else await act(() => api.materials.change(target.id, target.version, material), done)
}
const remove = () => {
  const target = editing.value
  if (target && target !== 'new')
    void act(() => api.materials.remove(target.id, target.version), `${target.name} is out of the stores.`)
}
onMounted(load)
useNews(
  () => ['/materials'],
  () => {
    if (editing.value === null) void load()
  },
)
</script>

<template>
  <section class="room-page">
    <header class="room-head">
      <h1>Stores</h1>
      <StoresNav />
      <NButton type="primary" @click="edit('new')"> <IconPlus :size="22" aria-hidden="true" /> New material </NButton>
    </header>
    <RoomState :loading="!workshop.loaded" :problem="problem" what="The stores" @retry="load">
      <p v-if="workshop.materials.length === 0" class="soft">
        Nothing in the stores yet. Measure a piece with the gauge and put it in.
      </p>
      <template v-else>
        <div class="find">
          <SearchField
            v-model:value="wanted"
            label="Find a material by name, kind or note"
            placeholder="Find by name, kind or note"
          />
          <SelectField quiet label="Kind" name="kind-filter" :value="kind" :options="kinds" @choose="kind = $event" />
          <ChoiceBar label="Shown as" :options="ways" :value="way" @choose="way = $event" />
          <span class="soft" role="status">{{ rows.length === 1 ? '1 material' : `${rows.length} materials` }}</span>
        </div>
        <section v-for="g in groups" :key="g.name" :aria-label="g.name || 'All materials'">
          <h2 v-if="g.name" class="use">{{ capital(g.name) }}</h2>
          <NDataTable
            :columns="g.name ? columns.filter((c) => !('key' in c) || c.key !== 'kind') : columns"
            :data="g.rows"
            :row-key="(m: Stored<Material>) => m.id"
            :pagination="g.rows.length > PAGE ? { pageSize: PAGE } : false"
            :bordered="false"
            :scroll-x="600"
            :single-line="true"
          >
            <template #empty
              >No material matches. <NButton text type="primary" @click="showAll">Show all</NButton></template
            >
          </NDataTable>
        </section>
        <p v-if="groups.length === 0" class="soft">
          No material matches. <NButton text type="primary" @click="showAll">Show all</NButton>
        </p>
      </template>
    </RoomState>
    <HouseDialog v-model:open="open" :title="editing === 'new' ? 'New material' : `Change ${form.name}`">
      <form id="material-form" ref="sheet" class="form" novalidate @submit.prevent="keep">
        <TextField v-model:value="form.name" label="Name" name="name" :most="80" :hint="doubled" v-bind="at('name')" />
        <SelectField
          label="Kind"
          name="kind"
          :value="form.kind"
          :options="materialKinds.map((value) => ({ value, name: value }))"
          @choose="((form.kind = $event), (form.serves = null), (form.natural = null))"
        />
        <ServesFields :kind="form.kind" :serves="form.serves" @change="form.serves = $event" />
        <div class="colour">
          <SelectField
            label="Colour"
            name="colour"
            :value="form.colour ?? ''"
            :options="colours"
            @choose="form.colour = $event === '' ? null : $event"
          />
          <i class="swatch large" :style="{ background: colourOf(form) }" aria-hidden="true" />
        </div>
        <SamplesField :thickness="form.thickness" :samples="form.samples" @change="Object.assign(form, $event)" />
        <NCheckbox
          :checked="isNatural(form)"
          @update:checked="form.natural = $event === isNatural({ kind: form.kind, natural: null }) ? null : $event"
          >Natural: may go into a pair that is to be all natural</NCheckbox
        >
        <MoreFields :more="form" @change="Object.assign(form, $event)" />
        <FoamTestFields
          v-if="form.kind === 'foam'"
          :test="form.foamTest"
          :others="otherFoams"
          @change="form.foamTest = $event"
        />
        <TextField v-model:value="form.note" label="Note" name="note" :most="500" v-bind="at('note')" />
        <p class="soft">A new thickness changes every pair that is planned with this material.</p>
        <p v-if="refused || elsewhere" class="wrong" role="alert">
          {{ refused || elsewhere }}
        </p>
      </form>
      <template #actions>
        <NButton v-if="editing !== 'new'" class="away" type="error" secondary @click="remove">Delete</NButton>
        <NButton @click="editing = null">Leave it</NButton>
        <NButton type="primary" attr-type="submit" form="material-form">Keep</NButton>
      </template>
    </HouseDialog>
  </section>
</template>

<style scoped>
.find {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-bottom: 14px;
}
.find > .field {
  width: 220px;
}
:deep(.note) {
  margin-left: 28px;
}
.swatch,
:deep(.swatch) {
  display: inline-block;
  width: 18px;
  height: 18px;
  margin-right: 10px;
  border: 1px solid var(--line);
  border-radius: 5px;
  vertical-align: -3px;
}
.swatch.large {
  width: 44px;
  height: 44px;
  margin: 0;
}
.colour {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 44px;
  gap: 10px;
  align-items: end;
}
.use {
  margin: 18px 0 6px;
}
.form {
  display: grid;
  gap: 12px;
}
.away {
  margin-right: auto;
}
</style>

<script setup lang="ts">
import { type DataTableColumns, NButton, NDataTable } from 'naive-ui'
import { alike } from '../../app/alike.ts'
import { lengthWord, showLength } from '../../app/settings.ts'
import { foamRecovery, Material, materialKinds, ouncesFromMm, type MaterialKind } from '@gentle-awl/core'
import { IconPlus } from '@tabler/icons-vue'
import { computed, h, onMounted, reactive, ref, shallowRef } from 'vue'
import { api, type Stored } from '../../api/client.ts'
import { useNews } from '../../app/news.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import HouseDialog from '../../ui/HouseDialog.vue'
import RoomState from '../../ui/RoomState.vue'
import FoamTestFields from './FoamTestFields.vue'
import FigureField from '../../ui/FigureField.vue'
import { unread } from '../../ui/unread.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import SearchField from '../../ui/SearchField.vue'
import SelectField from '../../ui/SelectField.vue'
import TextField from '../../ui/TextField.vue'

const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
const editing = shallowRef<Stored<Material> | 'new' | null>(null)
const form = reactive({
  name: '',
  kind: 'upper leather' as MaterialKind,
  thickness: 1.4,
  note: '',
  foamTest: null as Material['foamTest'],
})
const { problem: wrong, attempt: attemptChange } = useAttempt()
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
const noteOf = (m: Material) => [tested(m), m.note].filter(Boolean).join(' ')
const rows = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return workshop.materials.filter((m) => {
    const text = `${m.name} ${m.kind} ${noteOf(m)}`.toLowerCase()
    return (kind.value === '' || m.kind === kind.value) && words.every((w) => text.includes(w))
  })
})
function showAll(): void {
  wanted.value = ''
  kind.value = ''
}
const byName = (a: Material, b: Material) => a.name.localeCompare(b.name)
const columns: DataTableColumns<Stored<Material>> = [
  { title: 'Material', key: 'name', sorter: byName, render: (m) => h('strong', m.name) },
  { title: 'Serves as', key: 'kind', sorter: (a, b) => a.kind.localeCompare(b.kind) || byName(a, b) },
  {
    title: 'Thick',
    key: 'thickness',
    align: 'right',
    className: 'figure',
    sorter: (a, b) => a.thickness - b.thickness,
    render: (m) => [
      `${showLength(m.thickness)} `,
      h('span', { class: 'soft' }, `(${ouncesFromMm(m.thickness).toFixed(1)} oz)`),
    ],
  },
  { title: 'Note', key: 'note', className: 'soft', render: noteOf },
  {
    title: () => h('span', { class: 'visually-hidden' }, 'Change'),
    key: 'change',
    align: 'right',
    render: (m) => h(NButton, { 'aria-label': `Change ${m.name}`, onClick: () => edit(m) }, () => 'Change'),
  },
]
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
  return back ? `Comes back by ${back.afterTen.toFixed(0)} %.` : ''
}
function edit(material: Stored<Material> | 'new'): void {
  wrong.value = ''
  Object.assign(
    form,
    material === 'new' ? { name: '', kind: 'upper leather', thickness: 1.4, note: '', foamTest: null } : material,
  )
  editing.value = material
}
async function act(work: () => Promise<unknown>): Promise<void> {
  await attemptChange(async () => {
    await work()
    editing.value = null
    await load()
  })
}
async function keep(): Promise<void> {
  if (unread(document.getElementById('material-form'))) return
  const read = Material.omit({ id: true }).safeParse(form)
  if (!read.success) {
    wrong.value = read.error.issues[0]!.message
    return
  }
  const target = editing.value
  await act(() =>
    target === 'new' || target === null
      ? api.materials.add(read.data)
      : api.materials.change(target.id, target.version, read.data),
  )
}
const remove = () => {
  const target = editing.value
  if (target && target !== 'new') void act(() => api.materials.remove(target.id, target.version))
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
            label="Find a material by name, use or note"
            placeholder="Find by name, use or note"
          />
          <SelectField
            quiet
            label="Serves as"
            name="kind-filter"
            :value="kind"
            :options="kinds"
            @choose="kind = $event"
          />
          <span class="soft" role="status">{{ rows.length === 1 ? '1 material' : `${rows.length} materials` }}</span>
        </div>
        <NDataTable
          :columns="columns"
          :data="rows"
          :row-key="(m: Stored<Material>) => m.id"
          :pagination="rows.length > PAGE ? { pageSize: PAGE } : false"
          :bordered="false"
          :single-line="true"
        >
          <template #empty
            >No material matches. <NButton text type="primary" @click="showAll">Show all</NButton></template
          >
        </NDataTable>
      </template>
    </RoomState>
    <HouseDialog v-model:open="open" :title="editing === 'new' ? 'New material' : `Change ${form.name}`">
      <form id="material-form" class="form" novalidate @submit.prevent="keep">
        <TextField v-model:value="form.name" label="Name" name="name" :most="80" :hint="doubled" />
        <SelectField
          label="Serves as"
          name="kind"
          :value="form.kind"
          :options="materialKinds.map((value) => ({ value, name: value }))"
          @choose="form.kind = $event"
        />
        <label class="field">
          <span>Thickness, {{ lengthWord }}</span>
          <FigureField
            unit="mm"
            :value="form.thickness"
            :min="0.3"
            :max="12"
            :step="0.1"
            @change="form.thickness = $event ?? form.thickness"
          />
        </label>
        <FoamTestFields
          v-if="form.kind === 'foam'"
          :test="form.foamTest"
          :others="otherFoams"
          @change="form.foamTest = $event"
        />
        <TextField v-model:value="form.note" label="Note" name="note" />
        <p class="soft">A new thickness changes every pair that is planned with this material.</p>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
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
  display: grid;
  grid-template-columns: minmax(220px, 420px) 220px auto;
  gap: 12px;
  align-items: center;
  margin-bottom: 14px;
}
.form {
  display: grid;
  gap: 12px;
}
.away {
  margin-right: auto;
}
</style>

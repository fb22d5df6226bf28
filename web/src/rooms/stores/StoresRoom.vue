<script setup lang="ts">
import { showLength } from '../../app/settings.ts'
import { foamRecovery, Material, materialKinds, ouncesFromMm, type MaterialKind } from '@gentle-awl/core'
import { IconPlus } from '@tabler/icons-vue'
import { computed, onMounted, reactive, shallowRef } from 'vue'
import { api, type Stored } from '../../api/client.ts'
import { useNews } from '../../app/news.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import HouseDialog from '../../ui/HouseDialog.vue'
import RoomState from '../../ui/RoomState.vue'
import FoamTestFields from './FoamTestFields.vue'
import FigureField from '../../ui/FigureField.vue'
import { unread } from '../../ui/unread.ts'
import { useAttempt } from '../../app/useAttempt.ts'

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
      <button class="button main" type="button" @click="edit('new')">
        <IconPlus :size="22" aria-hidden="true" /> New material
      </button>
    </header>
    <RoomState :loading="!workshop.loaded" :problem="problem" what="The stores" @retry="load">
      <p v-if="workshop.materials.length === 0" class="soft">
        Nothing in the stores yet. Measure a piece with the gauge and put it in.
      </p>
      <table v-else class="card">
        <thead>
          <tr>
            <th scope="col">Material</th>
            <th scope="col">Serves as</th>
            <th scope="col" class="right">Thick</th>
            <th scope="col">Note</th>
            <th><span class="visually-hidden">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in workshop.materials" :key="m.id">
            <th scope="row">{{ m.name }}</th>
            <td>{{ m.kind }}</td>
            <td class="figure right">
              {{ showLength(m.thickness) }} <span class="soft">({{ ouncesFromMm(m.thickness).toFixed(1) }} oz)</span>
            </td>
            <td class="soft">{{ [tested(m), m.note].filter(Boolean).join(' ') }}</td>
            <td class="right">
              <button class="button" type="button" :aria-label="`Change ${m.name}`" @click="edit(m)">Change</button>
            </td>
          </tr>
        </tbody>
      </table>
    </RoomState>
    <HouseDialog v-model:open="open" :title="editing === 'new' ? 'New material' : `Change ${form.name}`">
      <form id="material-form" class="form" novalidate @submit.prevent="keep">
        <label class="field"><span>Name</span><input v-model="form.name" /></label>
        <label class="field"
          ><span>Serves as</span
          ><select v-model="form.kind">
            <option v-for="k in materialKinds" :key="k" :value="k">{{ k }}</option>
          </select></label
        >
        <label class="field"
          ><span>Thickness, mm</span
          ><FigureField
            :value="form.thickness"
            :min="0.3"
            :max="12"
            :step="0.1"
            @change="form.thickness = $event ?? form.thickness"
        /></label>
        <FoamTestFields v-if="form.kind === 'foam'" :test="form.foamTest" @change="form.foamTest = $event" />
        <label class="field"><span>Note</span><input v-model="form.note" /></label>
        <p class="soft">A new thickness changes every pair that is planned with this material.</p>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      </form>
      <template #actions>
        <button v-if="editing !== 'new'" class="button away" type="button" @click="remove">Delete</button>
        <button class="button" type="button" @click="editing = null">Leave it</button>
        <button class="button main" type="submit" form="material-form">Keep</button>
      </template>
    </HouseDialog>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: separate;
  border-spacing: 0;
  overflow: hidden;
}
th,
td {
  padding: 8px 16px;
  text-align: left;
}
tbody th {
  font-weight: 600;
}
tbody tr > * {
  border-top: 1px solid var(--line);
}
.right {
  text-align: right;
}
.form {
  display: grid;
  gap: 12px;
}
.wrong {
  color: var(--stop);
}
.away {
  margin-right: auto;
}
</style>

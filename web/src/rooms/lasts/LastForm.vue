<script setup lang="ts">
import { Last, toeShapes, type LastMeasures, type ToeShape } from '@gentle-awl/core'
import { reactive, ref } from 'vue'
import { api, ApiError, type Stored } from '../../api/client.ts'
import { surfaceOf } from '../../plan/planner.ts'
import HouseDialog from '../../ui/HouseDialog.vue'

/** Put a last on the shelf or change one: it is built before it is kept, so one that cannot be is refused with the figure. */
const props = defineProps<{ last: Stored<Last> | 'new' }>()
const emit = defineEmits<{ close: []; kept: [] }>()

type Figure = Exclude<keyof LastMeasures, 'toeShape'>
const fields: { key: Figure; name: string; step: number }[] = [
  { key: 'length', name: 'Length', step: 1 },
  { key: 'heelHeight', name: 'Heel height', step: 1 },
  { key: 'toeSpring', name: 'Toe spring', step: 0.5 },
  { key: 'jointGirth', name: 'Joint girth', step: 1 },
  { key: 'waistGirth', name: 'Waist girth', step: 1 },
  { key: 'instepGirth', name: 'Instep girth', step: 1 },
  { key: 'seatWidth', name: 'Seat width', step: 0.5 },
  { key: 'waistWidth', name: 'Waist width', step: 0.5 },
  { key: 'jointWidth', name: 'Joint width', step: 0.5 },
  { key: 'toeBoxHeight', name: 'Toe box height', step: 0.5 },
  { key: 'coneHeight', name: 'Cone above the seat', step: 1 },
  { key: 'coneWidth', name: 'Cone width', step: 1 },
  { key: 'coneFront', name: 'Cone front, share of length', step: 0.005 },
  { key: 'swing', name: 'Swing, share', step: 0.005 },
  { key: 'arch', name: 'Arch hollow, share', step: 0.01 },
  { key: 'backBulge', name: 'Swell of the back', step: 0.1 },
  { key: 'backIn', name: 'Back comes in at the top, share', step: 0.01 },
  { key: 'toeSlope', name: 'Slope of the toe box, share', step: 0.01 },
]
/** A middling last to start from; its girths go together. */
const START: LastMeasures = {
  length: 280,
  heelHeight: 25,
  toeSpring: 10,
  jointGirth: 246,
  waistGirth: 241,
  instepGirth: 245,
  seatWidth: 60,
  waistWidth: 60,
  jointWidth: 86,
  toeBoxHeight: 29,
  coneHeight: 79,
  coneWidth: 27,
  coneFront: 0.4,
  swing: 0.045,
  arch: 0.2,
  backBulge: 4.2,
  backIn: 0.29,
  toeSlope: 0.18,
  toeShape: 'round',
}
const open = ref(true)
const name = ref(props.last === 'new' ? '' : props.last.name)
const note = ref(props.last === 'new' ? '' : props.last.note)
const measures = reactive<LastMeasures>({ ...(props.last === 'new' ? START : props.last.measures) })
const problem = ref('')
const busy = ref(false)

async function keep(): Promise<void> {
  const read = Last.omit({ id: true }).safeParse({ name: name.value, note: note.value, measures })
  if (!read.success) {
    const issue = read.error.issues[0]
    const field = fields.find((f) => f.key === issue.path[1])?.name ?? (issue.path[0] === 'name' ? 'Name' : 'The last')
    problem.value = `${field}: ${issue.message}`
    return
  }
  busy.value = true
  problem.value = ''
  try {
    const built = await surfaceOf(read.data.measures)
    if (built.problem) {
      problem.value = built.problem
      return
    }
    if (props.last === 'new') await api.lasts.add(read.data)
    else await api.lasts.change(props.last.id, props.last.version, read.data)
    emit('kept')
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    problem.value = error.message
  } finally {
    busy.value = false
  }
}
async function remove(): Promise<void> {
  if (props.last === 'new') return
  try {
    await api.lasts.remove(props.last.id, props.last.version)
    emit('kept')
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    problem.value = error.message
  }
}
</script>

<template>
  <HouseDialog
    v-model:open="open"
    :title="last === 'new' ? 'New last' : `Change ${last.name}`"
    @update:open="$emit('close')"
  >
    <form id="last-form" class="form" novalidate @submit.prevent="keep">
      <label class="field wide"><span>Name</span><input v-model="name" /></label>
      <label class="field wide"><span>Note</span><input v-model="note" /></label>
      <label class="field">
        <span>Toe</span>
        <select v-model="measures.toeShape">
          <option v-for="t in toeShapes" :key="t" :value="t as ToeShape">{{ t }}</option>
        </select>
      </label>
      <label v-for="f in fields" :key="f.key" class="field">
        <span>{{ f.name }}</span>
        <input v-model.number="measures[f.key]" type="number" class="figure" :step="f.step" />
      </label>
    </form>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <template #actions>
      <button v-if="last !== 'new'" class="button away" type="button" @click="remove">Delete</button>
      <button class="button" type="button" @click="$emit('close')">Leave it</button>
      <button class="button main" type="submit" form="last-form" :disabled="busy">
        {{ busy ? 'Building …' : 'Keep this last' }}
      </button>
    </template>
  </HouseDialog>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(160px, 1fr));
  gap: 12px 16px;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
.wrong {
  margin-top: 12px;
  color: var(--stop);
}
.away {
  margin-right: auto;
}
</style>

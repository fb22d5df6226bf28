<script setup lang="ts">
import { NButton } from 'naive-ui'
import { fitsAmong, groupNames, OwnStep, workGroups, type PairDecisions } from '@gentle-awl/core'
import { computed, reactive, ref } from 'vue'
import { usePair } from '../../../../stores/pairStore.ts'
import FigureField from '../../../../ui/FigureField.vue'
import HouseDialog from '../../../../ui/HouseDialog.vue'
import SelectField from '../../../../ui/SelectField.vue'
import { stepNames } from './stepNames.ts'
import SeveralField from '../../../../ui/SeveralField.vue'
import TextField from '../../../../ui/TextField.vue'

/** Steps that the maker adds to this pair: where they stand, and how long they take. */
const props = defineProps<{ work: PairDecisions['work'] }>()
const emit = defineEmits<{ change: [change: Partial<PairDecisions['work']>] }>()
const pair = usePair()
const open = ref(false)
const blank = (): OwnStep => ({
  id: `own.${crypto.randomUUID()}`,
  name: '',
  group: 'finish',
  minutes: 10,
  wait: 0,
  after: [],
  before: [],
  note: '',
})
const typed = reactive<OwnStep>(blank())
const wrong = ref('')
const groups = workGroups.map((g) => ({ value: g, name: groupNames[g] }))
/** Steps by what they go by: both feet's as one. */
const steps = computed(() => stepNames(pair.plan?.steps ?? [], 'id').filter((s) => s.value !== typed.id))
const isNew = computed(() => !props.work.own.some((o) => o.id === typed.id))

function edit(own: OwnStep | null): void {
  Object.assign(typed, own ?? blank())
  wrong.value = ''
  open.value = true
}
function keep(): void {
  const read = OwnStep.safeParse({ ...typed, name: typed.name.trim() })
  if (!read.success) {
    wrong.value = read.error.issues[0]?.message ?? 'That is no step yet.'
    return
  }
  const others = props.work.own.filter((o) => o.id !== typed.id)
  if (!fitsAmong(pair.plan?.steps ?? [], read.data)) {
    wrong.value = 'It would have to come before and after the same step. Change what it comes after or before.'
    return
  }
  emit('change', { own: [...others, read.data] })
  open.value = false
}
const remove = (id: string) => emit('change', { own: props.work.own.filter((o) => o.id !== id) })
</script>

<template>
  <section class="card own">
    <h2>Own steps</h2>
    <p v-if="work.own.length === 0" class="soft">
      What the list does not know: a stamp in the sole, a second fitting, a photograph for the customer.
    </p>
    <ul v-else>
      <li v-for="o in work.own" :key="o.id">
        <span class="name">{{ o.name }}</span>
        <NButton @click="edit(o)">Change</NButton>
        <NButton :aria-label="`Remove ${o.name}`" @click="remove(o.id)">Remove</NButton>
      </li>
    </ul>
    <NButton class="add" @click="edit(null)">Add a step</NButton>
    <HouseDialog v-model:open="open" :title="isNew ? 'A step of your own' : 'Change this step'">
      <div class="fields">
        <TextField label="What is done" name="own-name" :most="80" :value="typed.name" @change="typed.name = $event" />
        <SelectField
          label="Kind of work"
          name="own-group"
          :value="typed.group"
          :options="groups"
          @choose="typed.group = $event"
        />
        <label class="figure-row">
          <span>Minutes, both feet</span>
          <FigureField
            label="Minutes, both feet"
            :value="typed.minutes"
            :min="1"
            :max="10080"
            @change="typed.minutes = $event ?? 1"
          />
        </label>
        <label class="figure-row">
          <span>Then wait, minutes</span>
          <FigureField
            label="Then wait, minutes"
            :value="typed.wait"
            :min="0"
            :max="86400"
            @change="typed.wait = $event ?? 0"
          />
        </label>
        <SeveralField
          label="Comes after"
          name="own-after"
          :value="typed.after"
          :options="steps"
          @change="typed.after = $event"
        />
        <SeveralField
          label="Comes before"
          name="own-before"
          :value="typed.before"
          :options="steps"
          @change="typed.before = $event"
        />
        <TextField
          label="Note"
          name="own-note"
          :most="500"
          :rows="2"
          :value="typed.note"
          @change="typed.note = $event"
        />
        <p v-if="wrong" class="bad" role="alert">{{ wrong }}</p>
      </div>
      <template #actions>
        <NButton @click="open = false">Cancel</NButton>
        <NButton type="primary" @click="keep">{{ isNew ? 'Add it' : 'Keep it' }}</NButton>
      </template>
    </HouseDialog>
  </section>
</template>

<style scoped>
.own {
  display: grid;
  gap: 10px;
  padding: 12px 16px;
}
.own h2 {
  margin: 0;
  font-size: 18px;
}
ul {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 10px;
  align-items: center;
}
.name {
  flex: 1;
  font-weight: 600;
}
.add {
  justify-self: start;
}
.fields {
  display: grid;
  gap: 12px;
}
.figure-row {
  display: grid;
  grid-template-columns: 180px 140px;
  gap: 10px;
  align-items: center;
}
</style>

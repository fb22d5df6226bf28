<script setup lang="ts">
import { NButton } from 'naive-ui'
import { WaySetFields, type PairDecisions } from '@gentle-awl/core'
import { computed, onMounted, ref } from 'vue'
import { type Stored } from '../../../../api/ask.ts'
import { api } from '../../../../api/client.ts'
import { say } from '../../../../app/say.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import HouseDialog from '../../../../ui/HouseDialog.vue'
import SelectField from '../../../../ui/SelectField.vue'
import TextField from '../../../../ui/TextField.vue'

/** Ways of working that the workshop keeps under a name: taken for this pair, or kept from it. */
const props = defineProps<{ work: PairDecisions['work'] }>()
const emit = defineEmits<{ take: [change: Partial<PairDecisions['work']>] }>()
type Kept = Stored<WaySetFields & { id: string }>
const sets = ref<Kept[]>([])
const { problem, busy, attempt } = useAttempt()
const load = () =>
  attempt(async () => {
    sets.value = await api.ways.list()
  })
onMounted(load)
/** What of the work a set says, as text to be compared. */
const sign = ({ ways, recipe, own }: Pick<Kept, 'ways' | 'recipe' | 'own'>) => JSON.stringify([ways, recipe, own])
const now = computed(() => sets.value.find((s) => sign(s) === sign(props.work)) ?? null)
const NONE = ''
const options = computed(() => [
  ...(now.value ? [] : [{ value: NONE, name: 'this pair’s own' }]),
  ...sets.value.map((s) => ({ value: s.id, name: s.name })),
])
function take(id: string): void {
  const set = sets.value.find((s) => s.id === id)
  if (!set) return
  emit('take', { ways: set.ways, recipe: set.recipe, own: set.own })
  void say(`This pair is worked as “${set.name}”.`)
}
const open = ref(false)
const name = ref('')
const wrong = ref('')
async function keep(): Promise<void> {
  const fields = WaySetFields.safeParse({
    name: name.value.trim(),
    ways: props.work.ways,
    recipe: props.work.recipe,
    own: props.work.own,
  })
  if (!fields.success) {
    wrong.value = fields.error.issues[0]?.message ?? 'That cannot be kept.'
    return
  }
  const same = sets.value.find((s) => s.name.toLowerCase() === fields.data.name.toLowerCase())
  await attempt(async () => {
    await (same
      ? api.ways.change(same.id, same.version, { ...fields.data, note: same.note })
      : api.ways.add(fields.data))
    sets.value = await api.ways.list()
    open.value = false
    await say(`Kept as “${fields.data.name}”.`)
  })
}
const remove = (set: Kept) =>
  attempt(async () => {
    await api.ways.remove(set.id, set.version)
    sets.value = await api.ways.list()
    await say(`“${set.name}” is no longer kept; pairs that are worked so stay as they are.`)
  })
function begin(): void {
  name.value = now.value?.name ?? ''
  wrong.value = ''
  open.value = true
}
</script>

<template>
  <section class="sets" aria-label="Ways of working that are kept">
    <SelectField
      v-if="sets.length > 0"
      label="Worked as"
      name="way-set"
      :value="now?.id ?? NONE"
      :options="options"
      @choose="take"
    />
    <p v-else class="soft">The workshop keeps no way of working yet: keep this pair’s, and take it for others.</p>
    <NButton @click="begin">Keep under a name …</NButton>
    <NButton v-if="now" :disabled="busy" @click="remove(now)">Do not keep “{{ now.name }}”</NButton>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <HouseDialog v-model:open="open" title="Keep this way of working">
      <p class="soft">
        All answers, the paste and the own steps. A name that is there already is given to these instead; new pairs of a
        style begin as the last one of it was worked.
      </p>
      <TextField label="Name" name="way-name" :most="80" :value="name" :wrong="wrong" @change="name = $event" />
      <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
      <template #actions>
        <NButton @click="open = false">Cancel</NButton>
        <NButton type="primary" :disabled="busy" @click="keep">Keep it</NButton>
      </template>
    </HouseDialog>
  </section>
</template>

<style scoped>
.sets {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
}
.sets > :first-child {
  min-width: 280px;
}
</style>

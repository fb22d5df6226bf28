<script setup lang="ts">
import { NButton } from 'naive-ui'
import { howToCards, HowToFields } from '@gentle-awl/core'
import { computed, onMounted, reactive, ref } from 'vue'
import { say } from '../../../../app/say.ts'
import { tell } from '../../../../app/settings.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useHowTos } from '../../../../stores/howTosStore.ts'
import HouseDialog from '../../../../ui/HouseDialog.vue'
import SearchField from '../../../../ui/SearchField.vue'
import TextField from '../../../../ui/TextField.vue'
import HowToCard from './HowToCard.vue'
import SeveralField from '../../../../ui/SeveralField.vue'
import { stepNames } from './stepNames.ts'
import { usePair } from '../../../../stores/pairStore.ts'

/** All cards of technique, the house's and the workshop's own, found by their words; more are written here. */
const pair = usePair()
const howTos = useHowTos()
const { problem, busy, attempt } = useAttempt()
onMounted(() => attempt(() => howTos.load()))
type Kept = (typeof howTos.list)[number]
const wanted = ref('')
const all = computed(() => [
  ...howTos.list.map((own) => ({ id: own.id, name: own.name, text: [own.text], figure: null as string | null, own })),
  ...howToCards.map((c) => ({
    id: c.id,
    name: c.name,
    text: c.text.map(tell),
    figure: c.id as string | null,
    own: null as Kept | null,
  })),
])
const found = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value.filter((c) => words.every((w) => `${c.name} ${c.text.join(' ')}`.toLowerCase().includes(w)))
})
const steps = computed(() => stepNames(pair.plan?.steps ?? [], 'key'))
const open = ref(false)
const changed = ref<Kept | null>(null)
const typed = reactive<HowToFields>({ name: '', text: '', steps: [] })
const wrong = ref('')
function edit(own: Kept | null): void {
  changed.value = own
  Object.assign(typed, own ? { name: own.name, text: own.text, steps: own.steps } : { name: '', text: '', steps: [] })
  wrong.value = ''
  open.value = true
}
async function keep(): Promise<void> {
  const read = HowToFields.safeParse({ ...typed, name: typed.name.trim() })
  if (!read.success) {
    wrong.value = read.error.issues[0]?.message ?? 'That is no card yet.'
    return
  }
  await attempt(async () => {
    await howTos.keep(read.data, changed.value)
    open.value = false
    await say(`“${read.data.name}” is kept.`)
  })
}
const remove = (own: Kept) =>
  attempt(async () => {
    await howTos.remove(own)
    await say(`“${own.name}” is deleted.`)
  })
</script>

<template>
  <div class="how">
    <div class="find">
      <SearchField v-model:value="wanted" label="Find a card by its words" placeholder="Find a card" />
      <NButton @click="edit(null)">Write a card</NButton>
      <span class="soft" role="status">{{ found.length === 1 ? '1 card' : `${found.length} cards` }}</span>
    </div>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <p v-if="found.length === 0" class="soft">No card says that. What this workshop knows of it can be written down.</p>
    <div v-for="c in found" :key="c.id" class="card one">
      <HowToCard :name="c.name" :text="c.text" :figure="c.figure" />
      <div v-if="c.own" class="own">
        <span class="soft">The workshop’s own</span>
        <NButton :aria-label="`Change ${c.name}`" @click="edit(c.own)">Change</NButton>
        <NButton :aria-label="`Delete ${c.name}`" :disabled="busy" @click="remove(c.own)">Delete</NButton>
      </div>
    </div>
    <HouseDialog v-model:open="open" :title="changed ? 'Change this card' : 'A card of your own'">
      <div class="fields">
        <TextField label="Title" name="how-name" :most="80" :value="typed.name" @change="typed.name = $event" />
        <TextField
          label="How it is done"
          name="how-text"
          :most="4000"
          :rows="6"
          :value="typed.text"
          @change="typed.text = $event"
        />
        <SeveralField
          label="Shown at"
          name="how-steps"
          :value="typed.steps"
          :options="steps"
          @change="typed.steps = $event"
        />
        <p v-if="wrong || problem" class="bad" role="alert">{{ wrong || problem }}</p>
      </div>
      <template #actions>
        <NButton @click="open = false">Cancel</NButton>
        <NButton type="primary" :disabled="busy" @click="keep">Keep it</NButton>
      </template>
    </HouseDialog>
  </div>
</template>

<style scoped>
.how {
  display: grid;
  gap: 10px;
  max-width: 860px;
  margin-top: 12px;
}
.find {
  display: grid;
  grid-template-columns: minmax(180px, 320px) auto auto;
  gap: 12px;
  align-items: center;
  justify-content: start;
}
.one {
  padding: 6px 16px;
}
.own {
  display: flex;
  gap: 10px;
  align-items: center;
  padding-bottom: 8px;
}
.fields {
  display: grid;
  gap: 12px;
}
@media (max-width: 600px) {
  .find {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

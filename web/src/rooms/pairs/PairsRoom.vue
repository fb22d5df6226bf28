<script setup lang="ts">
import { IconFileImport, IconPlus } from '@tabler/icons-vue'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, type PairRow } from '../../api/client.ts'
import RoomState from '../../ui/RoomState.vue'
import PairCard from './PairCard.vue'

const router = useRouter()
const pairs = ref<PairRow[] | null>(null)
const problem = ref<string | null>(null)
const importProblem = ref<string | null>(null)
const wanted = ref('')
const picker = ref<HTMLInputElement | null>(null)

const shown = computed(() => {
  const q = wanted.value.trim().toLowerCase()
  const rows = pairs.value ?? []
  return q
    ? rows.filter((p) =>
        [p.label.order, p.label.name, p.label.trade, p.lastName].some((t) => t.toLowerCase().includes(q)),
      )
    : rows
})

async function load(): Promise<void> {
  problem.value = null
  try {
    pairs.value = await api.pairs()
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    problem.value = error.message
  }
}

async function bringIn(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  importProblem.value = null
  try {
    const pair = await api.importPair(await file.text())
    await router.push(`/pairs/${pair.id}/parts`)
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    importProblem.value = `${file.name}: ${error.message}`
  }
}

onMounted(load)
</script>

<template>
  <section class="room-page">
    <header class="room-head">
      <h1>Pairs</h1>
      <label class="find">
        <span class="visually-hidden">Find a pair by order, name, trade or last</span>
        <input v-model="wanted" type="search" class="box" placeholder="Find by order, name, trade or last" />
      </label>
      <button class="button" type="button" @click="picker?.click()">
        <IconFileImport :size="22" aria-hidden="true" /> Bring in a pair file
      </button>
      <input
        ref="picker"
        class="visually-hidden"
        type="file"
        accept="application/json,.json"
        tabindex="-1"
        aria-label="Pair file"
        @change="bringIn"
      />
      <RouterLink class="button" to="/liners">Liner for an old shoe</RouterLink>
      <RouterLink class="button main" to="/pairs/new"><IconPlus :size="22" aria-hidden="true" /> New pair</RouterLink>
    </header>
    <p v-if="importProblem" class="bad" role="alert">{{ importProblem }}</p>
    <RoomState :loading="pairs === null" :problem="problem" what="The pairs" @retry="load">
      <div v-if="pairs?.length === 0" class="empty">
        <h2>No pair yet</h2>
        <p>Start one: an order number, a last, the materials. The parts and the order of work follow from that.</p>
        <RouterLink class="button main" to="/pairs/new">Start the first pair</RouterLink>
      </div>
      <p v-else-if="shown.length === 0" class="empty">No pair matches “{{ wanted }}”.</p>
      <ul v-else class="cards">
        <li v-for="pair in shown" :key="pair.id"><PairCard :pair="pair" /></li>
      </ul>
    </RoomState>
  </section>
</template>

<style scoped>
.find {
  flex: 0 1 300px;
}
.empty {
  display: grid;
  justify-items: start;
  gap: 14px;
  padding: 40px 0;
  max-width: 560px;
}
</style>

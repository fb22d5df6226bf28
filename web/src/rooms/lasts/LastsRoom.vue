<script setup lang="ts">
import { type Last } from '@gentle-awl/core'
import { IconPlus } from '@tabler/icons-vue'
import { onMounted, ref } from 'vue'
import { api, ApiError, type PairRow, type Stored } from '../../api/client.ts'
import { useWorkshop } from '../../plan/workshopStore.ts'
import RoomState from '../../ui/RoomState.vue'
import LastCard from './LastCard.vue'
import LastForm from './LastForm.vue'

const workshop = useWorkshop()
const pairs = ref<PairRow[] | null>(null)
const problem = ref<string | null>(null)
const editing = ref<Stored<Last> | 'new' | null>(null)

async function load(): Promise<void> {
  problem.value = null
  try {
    const [rows] = await Promise.all([api.pairs(), workshop.load()])
    pairs.value = rows
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    problem.value = error.message
  }
}
async function kept(): Promise<void> {
  editing.value = null
  await load()
}
onMounted(load)
</script>

<template>
  <section class="room-page">
    <header class="room-head">
      <h1>Lasts</h1>
      <button class="button main" type="button" @click="editing = 'new'">
        <IconPlus :size="22" aria-hidden="true" /> New last
      </button>
    </header>
    <RoomState :loading="pairs === null" :problem="problem" what="The lasts" @retry="load">
      <p v-if="workshop.lasts.length === 0" class="soft">
        The shelf is empty. A new last needs its length, girths, widths and heel height: measure one with a tape and a
        rule.
      </p>
      <ul class="cards">
        <li v-for="last in workshop.lasts" :key="last.id">
          <LastCard
            :last="last"
            :pairs="pairs?.filter((p) => p.decisions.lastId === last.id) ?? []"
            @change="editing = last"
          />
        </li>
      </ul>
    </RoomState>
    <LastForm v-if="editing" :last="editing" @close="editing = null" @kept="kept" />
  </section>
</template>

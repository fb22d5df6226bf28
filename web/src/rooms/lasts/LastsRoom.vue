<script setup lang="ts">
import type { LastHold } from '@gentle-awl/core'
import { IconPlus } from '@tabler/icons-vue'
import { onMounted, shallowRef } from 'vue'
import { api, type PairName, type Stored } from '../../api/client.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import RoomState from '../../ui/RoomState.vue'
import LastCard from './LastCard.vue'
import { useAttempt } from '../../app/useAttempt.ts'
import ButtonLink from '../../ui/ButtonLink.vue'

const workshop = useWorkshop()
const pairs = shallowRef<PairName[] | null>(null)
const holds = shallowRef<Stored<LastHold>[]>([])
const { problem, attempt } = useAttempt()

async function load(): Promise<void> {
  await attempt(async () => {
    const [rows, uses] = await Promise.all([api.pairNames(), api.lastHolds.list(), workshop.load()])
    pairs.value = rows
    holds.value = uses
  })
}
onMounted(load)
</script>

<template>
  <section class="room-page">
    <header class="room-head">
      <h1>Lasts</h1>
      <ButtonLink main to="/lasts/new/measures">
        <template #icon><IconPlus aria-hidden="true" /></template>
        By measures
      </ButtonLink>
      <ButtonLink to="/lasts/new/traced">From a tracing</ButtonLink>
      <ButtonLink to="/lasts/new/scan">From a scan</ButtonLink>
    </header>
    <RoomState :loading="pairs === null" :problem="problem" what="The lasts" @retry="load">
      <p v-if="workshop.lasts.length === 0" class="soft">
        The shelf is empty. A last comes in by its measures (tape and rule), from a tracing of its bottom, or from a
        scan.
      </p>
      <ul class="cards">
        <li v-for="last in workshop.lasts" :key="last.id">
          <LastCard
            :last="last"
            :pairs="pairs?.filter((p) => [p.lastId, p.leftLastId].includes(last.id)) ?? []"
            :holds="holds.filter((h) => h.lastId === last.id)"
          />
        </li>
      </ul>
    </RoomState>
  </section>
</template>

<script setup lang="ts">
import type { LastHold } from '@gentle-awl/core'
import { IconPlus } from '@tabler/icons-vue'
import { NPagination } from 'naive-ui'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { type Stored } from '../../api/ask.ts'
import { api, type PairName } from '../../api/client.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import RoomState from '../../ui/RoomState.vue'
import SearchField from '../../ui/SearchField.vue'
import SelectField from '../../ui/SelectField.vue'
import LastCard from './LastCard.vue'
import {
  lastGroups,
  lastSorts,
  lastsFound,
  lastsParted,
  lastsSorted,
  type LastGroup,
  type LastSort,
} from './lastsFound.ts'
import { tell } from '../../app/settings.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import ButtonLink from '../../ui/ButtonLink.vue'

const workshop = useWorkshop()
const pairs = shallowRef<PairName[] | null>(null)
const holds = shallowRef<Stored<LastHold>[]>([])
const { problem, attempt } = useAttempt()

/** Each card builds its last: so many are shown at once, however long the shelf is. */
const PAGE = 12
const wanted = ref('')
const sort = ref<LastSort>('name')
const group = ref<LastGroup>('none')
const page = ref(1)
const found = computed(() => lastsSorted(lastsFound(workshop.lasts, wanted.value), sort.value))
const pages = computed(() => Math.max(1, Math.ceil(found.value.length / PAGE)))
const shown = computed(() => {
  const at = Math.min(page.value, pages.value)
  return lastsParted(found.value, group.value, (at - 1) * PAGE, at * PAGE)
})
const groupChoices = (Object.keys(lastGroups) as LastGroup[]).map((value) => ({ value, name: lastGroups[value] }))
const sortChoices = (Object.keys(lastSorts) as LastSort[]).map((value) => ({ value, name: lastSorts[value] }))

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
      <ButtonLink main to="/lasts/new/measures?feet=new">
        <template #icon><IconPlus aria-hidden="true" /></template>
        For a foot
      </ButtonLink>
      <ButtonLink to="/lasts/new/measures">By measures</ButtonLink>
      <ButtonLink to="/lasts/new/traced">From a tracing</ButtonLink>
      <ButtonLink to="/lasts/new/scan">From a scan</ButtonLink>
    </header>
    <RoomState :loading="pairs === null" :problem="problem" what="The lasts" @retry="load">
      <div v-if="workshop.lasts.length > 0" class="find">
        <SearchField
          v-model:value="wanted"
          label="Find a last by name, note, number or place"
          placeholder="Find by name, number or place"
          @update:value="page = 1"
        />
        <SelectField
          class="sort"
          quiet
          label="Order of the shelf"
          name="last-sort"
          :value="sort"
          :options="sortChoices"
          @choose="((sort = $event), (page = 1))"
        />
        <SelectField
          class="sort"
          quiet
          label="Parted under headings"
          name="last-group"
          :value="group"
          :options="groupChoices"
          @choose="((group = $event), (page = 1))"
        />
      </div>
      <p v-if="workshop.lasts.length === 0" class="soft">
        The shelf is empty. A last comes in for a foot that was measured, by its own measures (tape and rule), from a
        tracing of its bottom, or from a scan.
      </p>
      <p v-else-if="found.length === 0" class="soft">No last matches “{{ wanted }}”.</p>
      <section v-for="part in shown" :key="tell(part.name)" :aria-label="tell(part.name) || 'The shelf'">
        <h2 v-if="part.name !== ''" class="part">{{ tell(part.name) }}</h2>
        <ul class="cards">
          <li v-for="last in part.lasts" :key="last.id">
            <LastCard
              :last="last"
              :pairs="pairs?.filter((p) => [p.lastId, p.leftLastId].includes(last.id)) ?? []"
              :holds="holds.filter((h) => h.lastId === last.id)"
            />
          </li>
        </ul>
      </section>
      <NPagination
        v-if="pages > 1"
        v-model:page="page"
        class="pages"
        size="large"
        :page-count="pages"
        aria-label="Pages of the shelf"
      />
    </RoomState>
  </section>
</template>

<style scoped>
.find {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-bottom: 18px;
}
.sort {
  flex: 0 0 170px;
}
.part {
  margin: 22px 0 10px;
}
.pages {
  margin-top: 22px;
}
</style>

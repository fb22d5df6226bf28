<script setup lang="ts">
import type { Hide } from '@gentle-awl/core'
import { IconPlus } from '@tabler/icons-vue'
import { NButton, NCheckbox, NPagination } from 'naive-ui'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { type Stored } from '../../../api/ask.ts'
import { api } from '../../../api/client.ts'
import { useNews } from '../../../app/news.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import ButtonLink from '../../../ui/ButtonLink.vue'
import RoomState from '../../../ui/RoomState.vue'
import SearchField from '../../../ui/SearchField.vue'
import StoresNav from '../StoresNav.vue'
import HideCard from './HideCard.vue'

/** Hides, sheets, rolls and offcuts, each with its outline and flaws. */
const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
const hides = shallowRef<Stored<Hide>[] | null>(null)
const wanted = ref('')
const usedToo = ref(false)
const page = ref(1)
const PAGE = 24

const load = () =>
  attempt(async () => {
    const [list] = await Promise.all([api.hides.list(), workshop.load()])
    hides.value = list
  })
onMounted(load)
useNews(() => ['/hides'], load)
const materialOf = (h: Hide) => workshop.materials.find((m) => m.id === h.materialId)?.name ?? ''
const found = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return (hides.value ?? []).filter((h) => {
    const text = `${h.name} ${h.form} ${h.place} ${h.note} ${materialOf(h)}`.toLowerCase()
    return (usedToo.value || !h.used) && words.every((w) => text.includes(w))
  })
})
function showAll(): void {
  wanted.value = ''
  usedToo.value = true
}
const pages = computed(() => Math.max(1, Math.ceil(found.value.length / PAGE)))
const shown = computed(() => {
  const at = Math.min(page.value, pages.value)
  return found.value.slice((at - 1) * PAGE, at * PAGE)
})
</script>

<template>
  <section class="room-page">
    <header class="room-head">
      <h1>Stores</h1>
      <StoresNav />
      <ButtonLink to="/stores/hides/new" main>
        <template #icon><IconPlus aria-hidden="true" /></template>
        New hide or sheet
      </ButtonLink>
    </header>
    <RoomState :loading="hides === null" :problem="problem" what="The hides" @retry="load">
      <p v-if="hides?.length === 0" class="soft">
        No hide is kept yet. Photograph one on the floor with sheets of the mat round it, or give a sheet by its length
        and width: pieces are then laid on it, off its flaws.
      </p>
      <template v-else>
        <div class="find">
          <SearchField
            v-model:value="wanted"
            label="Find a hide by name, material or place"
            placeholder="Find by name, material or place"
            @update:value="page = 1"
          />
          <NCheckbox v-model:checked="usedToo">Also what is used up</NCheckbox>
          <span class="soft" role="status">{{ found.length === 1 ? 'one' : found.length }} of {{ hides?.length }}</span>
        </div>
        <p v-if="found.length === 0" class="soft">
          No hide matches. <NButton text type="primary" @click="showAll">Show all</NButton>
        </p>
        <ul class="cards plain-list">
          <li v-for="h in shown" :key="h.id"><HideCard :hide="h" :material="materialOf(h)" /></li>
        </ul>
        <NPagination v-if="pages > 1" v-model:page="page" :page-count="pages" />
      </template>
    </RoomState>
  </section>
</template>

<style scoped>
.find {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: center;
  margin-bottom: 14px;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 14px;
}
</style>

<script setup lang="ts">
import { nextOrder, pairSorts } from '@gentle-awl/core'
import { IconFileImport, IconPlus } from '@tabler/icons-vue'
import { useDebounceFn, useLocalStorage } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { api, type PairPage, type PairRow, type PairSort } from '../../api/client.ts'
import { alike } from '../../app/alike.ts'
import { useNews } from '../../app/news.ts'
import SearchField from '../../ui/SearchField.vue'
import RoomState from '../../ui/RoomState.vue'
import { orderIn, withOrder } from './orderIn.ts'
import PairCard from './PairCard.vue'
import { say } from '../../app/say.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import ButtonLink from '../../ui/ButtonLink.vue'

const router = useRouter()
// The first page of the day stands without them; they follow.
const SelectField = defineAsyncComponent(() => import('../../ui/SelectField.vue'))
const FileButton = defineAsyncComponent(() => import('../../ui/FileButton.vue'))
const NPagination = defineAsyncComponent(async () => (await import('naive-ui/es/pagination')).NPagination)
const TextField = defineAsyncComponent(() => import('../../ui/TextField.vue'))
const HouseDialog = defineAsyncComponent(() => import('../../ui/HouseDialog.vue'))

const found = shallowRef<PairPage | null>(null)
const { problem, attempt: attemptLoad } = useAttempt()
const { problem: importProblem, attempt } = useAttempt()
/** What this list is, said to who comes for the first time. */
const welcomed = useLocalStorage('gentle-awl.welcomed', false)
const wanted = ref('')
const sort = ref<PairSort>('changed')
const page = ref(1)
const sortNames: Record<PairSort, string> = { changed: 'Last changed', order: 'By order', name: 'By name' }
const sortChoices = pairSorts.map((value) => ({ value, name: sortNames[value] }))

let asked = 0
async function load(): Promise<void> {
  const mine = ++asked
  await attemptLoad(
    async () => {
      const answer = await api.pairs(wanted.value, sort.value, page.value)
      // An older question may be answered later.
      if (mine !== asked) return
      found.value = answer
      page.value = answer.page
    },
    (refusal) => {
      if (mine === asked) problem.value = refusal.message
    },
  )
}
/** Another search or order begins on its first page. */
function again(order = sort.value): void {
  sort.value = order
  page.value = 1
  void load()
}
const search = useDebounceFn(() => again(), 150)
const nothing = computed(() => found.value?.total === 0 && wanted.value.trim() === '')

/** A pair file whose order number a pair has already: it is asked which number it is to bear. */
const doubled = shallowRef<{ name: string; text: string; order: string; has: string } | null>(null)
const newOrder = ref('')
async function bringIn(file: File): Promise<void> {
  await attempt(
    async () => {
      const text = await file.text()
      const order = orderIn(text)
      const names = order === null ? [] : await api.pairNames()
      const same = names.find((p) => order !== null && alike(p.order, order))
      if (!same || order === null) return takeIn(text)
      newOrder.value = nextOrder(names.map((p) => p.order))
      doubled.value = { name: file.name, text, order, has: same.name }
    },
    (refusal) => {
      importProblem.value = `${file.name}: ${refusal.message}`
    },
  )
}
async function takeIn(text: string): Promise<void> {
  const pair = await api.importPair(text)
  await router.push(`/pairs/${pair.id}/parts`)
}
async function takeDoubled(order: string): Promise<void> {
  const file = doubled.value
  doubled.value = null
  if (!file) return
  await attempt(
    () => takeIn(withOrder(file.text, order)),
    (refusal) => {
      importProblem.value = `${file.name}: ${refusal.message}`
    },
  )
}

/** A pair that cannot be read can still be taken off the list, once somebody is sure. */
const unwanted = shallowRef<PairRow | null>(null)
async function remove(): Promise<void> {
  const pair = unwanted.value
  unwanted.value = null
  if (!pair) return
  await attempt(async () => {
    await api.removePair(pair.id, pair.version)
    await say(`Order ${pair.label.order}, ${pair.label.name}, is deleted.`)
  })
  await load()
}

onMounted(load)
useNews(
  () => ['/pairs', '/lasts', '/materials', '/house-rules'],
  () => void load(),
)
</script>

<template>
  <section class="room-page">
    <header class="room-head">
      <h1>Pairs</h1>
      <SearchField
        v-model:value="wanted"
        label="Find a pair by order, name, trade or last"
        placeholder="Find by order, name, trade or last"
        @update:value="search"
      />
      <SelectField
        class="sort"
        quiet
        label="Order of the list"
        name="sort"
        :value="sort"
        :options="sortChoices"
        @choose="again($event)"
      />
      <FileButton label="Bring in a pair file" accept="application/json,.json" name="pair-file" @file="bringIn">
        <template #icon><IconFileImport aria-hidden="true" /></template>
      </FileButton>
      <ButtonLink to="/liners">Liner for an old shoe</ButtonLink>
      <ButtonLink main to="/pairs/new">
        <template #icon><IconPlus aria-hidden="true" /></template>
        New pair
      </ButtonLink>
    </header>
    <div v-if="!welcomed && found && !nothing" class="welcome card">
      <p>
        Each card is a pair of shoes, planned from its last: open one to see its parts, why each number is what it is,
        what stands against it, and what to do next at the bench.
      </p>
      <NButton @click="welcomed = true">Understood</NButton>
    </div>
    <p v-if="importProblem" class="bad" role="alert">{{ importProblem }}</p>
    <RoomState :loading="found === null" :problem="problem" what="The pairs" @retry="load">
      <div v-if="nothing" class="empty">
        <h2>No pair yet</h2>
        <p>
          Here each pair of shoes is planned before leather is cut: from its last, its style and its materials follow
          every part’s shape with the reason for each number, the checks, the printed patterns and the order of the
          work.
        </p>
        <p>Start one: choose a last, a style and a way of making by their pictures.</p>
        <ButtonLink main to="/pairs/new">Start the first pair</ButtonLink>
      </div>
      <p v-else-if="found?.pairs.length === 0" class="empty">No pair matches “{{ wanted }}”.</p>
      <template v-else>
        <ul class="cards">
          <li v-for="pair in found?.pairs" :key="`${pair.id}.${pair.version}`">
            <PairCard :pair="pair" @remove="unwanted = pair" />
          </li>
        </ul>
        <NPagination
          v-if="(found?.pages ?? 1) > 1"
          v-model:page="page"
          class="pages"
          size="large"
          :page-count="found?.pages"
          aria-label="Pages of the list"
          @update:page="load"
        />
      </template>
    </RoomState>
    <HouseDialog
      v-if="doubled"
      :open="true"
      :title="`There is an order ${doubled.order} already`"
      @update:open="doubled = null"
    >
      <p>
        {{ doubled.name }} holds a pair of order {{ doubled.order }}, and that number has {{ doubled.has }}. A customer
        may have two pairs; a copy gets a number of its own.
      </p>
      <TextField v-model:value="newOrder" label="Order number of the pair that comes in" name="new-order" :most="20" />
      <template #actions>
        <NButton @click="takeDoubled(doubled.order)">Keep {{ doubled.order }}</NButton>
        <NButton type="primary" :disabled="newOrder.trim() === ''" @click="takeDoubled(newOrder)">
          Bring it in as {{ newOrder.trim() }}
        </NButton>
      </template>
    </HouseDialog>
    <HouseDialog
      v-if="unwanted"
      :open="true"
      :title="`Delete ${unwanted.label.order}, ${unwanted.label.name}?`"
      @update:open="unwanted = null"
    >
      <p>What is left of it is deleted for good. A backup may still hold it whole.</p>
      <template #actions>
        <NButton @click="unwanted = null">Keep it</NButton>
        <NButton type="error" @click="remove">Delete it</NButton>
      </template>
    </HouseDialog>
  </section>
</template>

<style scoped>
.sort {
  flex: 0 0 170px;
}
.welcome {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 16px;
  padding: 10px 18px;
}
.pages {
  margin-top: 22px;
}
.empty {
  display: grid;
  justify-items: start;
  gap: 14px;
  padding: 40px 0;
  max-width: 560px;
}
</style>

<script setup lang="ts">
import { IconDownload, IconRestore } from '@tabler/icons-vue'
import { NAlert, NButton, NDataTable, NEmpty, type DataTableColumns } from 'naive-ui'
import { computed, h, onMounted, ref, shallowRef } from 'vue'
import { api, type Backups } from '../../api/client.ts'
import HouseDialog from '../../ui/HouseDialog.vue'
import RoomState from '../../ui/RoomState.vue'
import { sayReason, saySize, sayTime } from './sayCopy.ts'
import { useAttempt } from '../../app/useAttempt.ts'

/** Copies of the whole workshop: which there are, one more, one to take elsewhere, one put back. */
const backups = shallowRef<Backups | null>(null)
const { problem, attempt } = useAttempt()
const { problem: refused, attempt: attemptAct } = useAttempt()
const making = ref(false)
const made = ref('')
/** The copy that somebody is about to put back. */
const wanted = shallowRef<Backups['copies'][number] | null>(null)

async function load(): Promise<void> {
  await attempt(async () => {
    backups.value = await api.backups.list()
  })
}
onMounted(load)

/** Does something with the copies; what stands in the way is said above the list. */
async function act(work: () => Promise<void>): Promise<void> {
  made.value = ''
  await attemptAct(work)
}

async function make(): Promise<void> {
  making.value = true
  await act(async () => {
    backups.value = await api.backups.make()
    made.value = 'A backup was made, opened and checked.'
  })
  making.value = false
}

async function putBack(): Promise<void> {
  const copy = wanted.value
  wanted.value = null
  if (!copy) return
  await act(async () => {
    await api.backups.putBack(copy.name)
    // Whatever this page still knows is of the workshop before.
    window.location.assign('/pairs')
  })
}

const columns = computed<DataTableColumns<Backups['copies'][number]>>(() => [
  { title: 'Made', key: 'at', render: (row) => sayTime(row.at) },
  { title: 'Why', key: 'label', render: (row) => sayReason(row.label) },
  { title: 'Size', key: 'bytes', align: 'right', render: (row) => saySize(row.bytes) },
  {
    title: 'Do with it',
    key: 'do',
    width: 320,
    render: (row) =>
      h('div', { class: 'acts' }, [
        h(
          NButton,
          { onClick: () => (wanted.value = row), 'aria-label': `Put back ${sayTime(row.at)}` },
          { icon: () => h(IconRestore, { 'aria-hidden': 'true' }), default: () => 'Put back' },
        ),
        h(
          NButton,
          {
            tag: 'a',
            href: `/api/v1/backups/${row.name}`,
            download: row.name,
            'aria-label': `Save the copy of ${sayTime(row.at)} elsewhere`,
          },
          { icon: () => h(IconDownload, { 'aria-hidden': 'true' }), default: () => 'Save' },
        ),
      ]),
  },
])
</script>

<template>
  <section class="room-page">
    <header class="room-head">
      <h1>Backups</h1>
      <NButton type="primary" size="large" :loading="making" @click="make">Make one now</NButton>
    </header>
    <p class="lead">
      A copy of the whole workshop is made at every start and once a day, opened and checked. Kept are the newest of
      each of the last 14 days, 8 weeks and 12 months. Save one on another disk now and then: a copy beside the original
      burns with it.
    </p>
    <NAlert v-if="refused" type="error" class="said" role="alert">{{ refused }}</NAlert>
    <NAlert v-if="made" type="success" class="said" role="status">{{ made }}</NAlert>
    <NAlert v-if="backups?.last?.problem" type="warning" class="said" role="alert">{{ backups.last.problem }}</NAlert>
    <RoomState :loading="backups === null" :problem="problem" what="The backups" @retry="load">
      <NEmpty v-if="backups?.copies.length === 0" description="There is no backup yet. Make one now." />
      <template v-else>
        <NDataTable
          :columns="columns"
          :data="backups?.copies ?? []"
          :row-key="(row: Backups['copies'][number]) => row.name"
          :pagination="(backups?.copies.length ?? 0) > 20 ? { pageSize: 20 } : false"
        />
        <p class="soft folder">They lie in {{ backups?.folder }}.</p>
      </template>
    </RoomState>
    <HouseDialog
      v-if="wanted"
      :open="true"
      :title="`Put the workshop back to ${sayTime(wanted.at)}?`"
      @update:open="wanted = null"
    >
      <p>
        All that was changed since then is set aside in a folder of its own, not deleted. Other pages of Gentle Awl have
        to be loaded anew.
      </p>
      <template #actions>
        <NButton @click="wanted = null">Leave it as it is</NButton>
        <NButton type="primary" @click="putBack">Put it back</NButton>
      </template>
    </HouseDialog>
  </section>
</template>

<style scoped>
.lead {
  max-width: 760px;
  margin-bottom: 18px;
}
.said {
  margin-bottom: 16px;
}
.soft {
  margin-top: 12px;
}
:deep(.acts) {
  display: flex;
  gap: 10px;
}
</style>

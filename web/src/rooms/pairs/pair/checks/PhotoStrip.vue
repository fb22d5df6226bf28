<script setup lang="ts">
import { NButton } from 'naive-ui'
import { IconCamera } from '@tabler/icons-vue'
import { computed, ref } from 'vue'
import { recordApi, type Photograph } from '../../../../api/record.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useRecord } from '../../../../stores/recordStore.ts'
import FileButton from '../../../../ui/FileButton.vue'
import HouseDialog from '../../../../ui/HouseDialog.vue'
import { smallPicture } from './smallPicture.ts'

/** Photographs that are kept with a check. */
const props = defineProps<{ check: string; name: string }>()
const pair = usePair()
const record = useRecord()
const { problem, busy, attempt } = useAttempt()
const mine = computed(() => (record.record?.photographs ?? []).filter((p) => p.check === props.check))
const path = (p: Photograph) => recordApi.photographPath(pair.view?.id ?? '', p.id)
const when = (p: Photograph) => new Date(p.at).toLocaleString()
const open = ref(false)
const large = ref<Photograph | null>(null)
function look(p: Photograph): void {
  large.value = p
  open.value = true
}
const keep = (file: File) =>
  attempt(async () => {
    const picture = await smallPicture(file)
    await record.change((id) => recordApi.addPhotograph(id, picture, { check: props.check, foot: null }))
  })
const remove = (p: Photograph) =>
  attempt(async () => {
    await record.change((id) => recordApi.removePhotograph(id, p.id))
    open.value = false
  })
</script>

<template>
  <div class="strip">
    <NButton
      v-for="(p, i) in mine"
      :key="p.id"
      class="thumb"
      :aria-label="`Photograph ${i + 1} of ${name}, ${when(p)}`"
      @click="look(p)"
    >
      <img :src="path(p)" alt="" />
    </NButton>
    <FileButton label="Keep a photograph" accept="image/*" :name="`photo-${check}`" :disabled="busy" @file="keep">
      <template #icon><IconCamera aria-hidden="true" /></template>
    </FileButton>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <HouseDialog v-model:open="open" wide :title="name">
      <template v-if="large">
        <img class="large" :src="path(large)" :alt="`${name}, kept ${when(large)}`" />
        <p class="soft">{{ when(large) }}</p>
      </template>
      <template #actions>
        <NButton v-if="large" :disabled="busy" @click="remove(large)">Delete it</NButton>
        <NButton type="primary" @click="open = false">Close</NButton>
      </template>
    </HouseDialog>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.thumb {
  width: 72px;
  height: 54px;
  padding: 0;
  overflow: hidden;
}
.thumb img {
  width: 72px;
  height: 54px;
  object-fit: cover;
}
.large {
  max-width: 100%;
  max-height: 66vh;
}
</style>

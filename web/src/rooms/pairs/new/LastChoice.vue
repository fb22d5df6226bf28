<script setup lang="ts">
import { shelfFigures, type ShelfLast } from '@gentle-awl/core'
import { NPagination } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Stored } from '../../../api/ask.ts'
import { showLength } from '../../../app/settings.ts'
import SearchField from '../../../ui/SearchField.vue'
import PictureChoice from '../../../ui/PictureChoice.vue'
import LastPicture from '../../../viewer/LastPicture.vue'
import { lastsFound } from '../../lasts/lastsFound.ts'

/** The last a pair is made on, by its picture; a long shelf is searched and turned page by page. */
const props = defineProps<{ lasts: readonly Stored<ShelfLast>[]; value: string }>()
defineEmits<{ choose: [id: string] }>()

const PAGE = 8
const wanted = ref('')
const page = ref(1)
const found = computed(() => lastsFound(props.lasts, wanted.value))
const shown = computed(() => found.value.slice((page.value - 1) * PAGE, page.value * PAGE))
const lastOf = (id: string) => props.lasts.find((l) => l.id === id)
const options = computed(() =>
  shown.value.map((last) => {
    const { length, heelHeight } = shelfFigures(last.shape)
    return { value: last.id, name: last.name, says: `${showLength(length, 0)}, heel ${showLength(heelHeight, 0)}` }
  }),
)
</script>

<template>
  <div class="choice">
    <SearchField
      v-if="lasts.length > PAGE"
      v-model:value="wanted"
      label="Find a last"
      placeholder="Find by name, number or place"
      @update:value="page = 1"
    />
    <p v-if="found.length === 0" class="soft">No last matches “{{ wanted }}”.</p>
    <PictureChoice label="Last" :options="options" :value="value" @choose="$emit('choose', $event)">
      <template #picture="{ value: id }">
        <LastPicture v-if="lastOf(id)" :last="lastOf(id)!" />
      </template>
    </PictureChoice>
    <NPagination
      v-if="found.length > PAGE"
      v-model:page="page"
      size="large"
      :page-count="Math.ceil(found.length / PAGE)"
      aria-label="Pages of the shelf"
    />
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  gap: 12px;
}
</style>

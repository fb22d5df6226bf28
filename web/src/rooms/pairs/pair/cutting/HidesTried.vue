<script setup lang="ts">
import type { Hide, PairLayout, ToLay } from '@gentle-awl/core'
import { NButton, NProgress } from 'naive-ui'
import { computed, ref } from 'vue'
import FoldOut from '../../../../ui/FoldOut.vue'
import { useSearch } from './useSearch.ts'

/** All hides of a stuff tried one after the other: on which all of it lies, and the smallest of those. */
const props = defineProps<{ pieces: readonly ToLay[]; layout: PairLayout; hides: readonly Hide[] }>()
const emit = defineEmits<{ choose: [hide: string] }>()
/** For each, s. */
const SECONDS = 3
const search = useSearch()
const left = ref(new Map<string, number>())
const busy = computed(() => search.progress.value !== null)
async function tryAll(): Promise<void> {
  left.value = new Map()
  const { gap, turn, hidesFlaws } = props.layout
  const hides = [...props.hides]
  const order = { pieces: props.pieces, grounds: hides, gap, turn, hidesFlaws, there: [] }
  await search.tryEach(order, SECONDS, (k, missing) => {
    left.value = new Map(left.value).set(hides[k]!.id, missing)
  })
}
const said = (missing: number) => (missing === 0 ? 'holds all of it' : `${missing} find no place`)
</script>

<template>
  <FoldOut title="Which hide does it fit on?">
    <div class="tried">
      <NButton v-if="busy" @click="search.stop">Stop</NButton>
      <NButton v-else @click="tryAll">Try each of {{ hides.length }} for {{ SECONDS }} s</NButton>
      <NProgress
        v-if="busy"
        type="line"
        :percentage="Math.round(100 * (search.progress.value ?? 0))"
        aria-label="Trying each hide"
      />
      <p v-if="search.problem.value" role="alert">{{ search.problem.value }}</p>
      <ul v-if="left.size > 0" aria-label="Hides that were tried">
        <li v-for="h in hides.filter((i) => left.has(i.id))" :key="h.id">
          <span>{{ h.name }}: {{ said(left.get(h.id)!) }}</span>
          <NButton :aria-label="`Lay it on ${h.name}`" @click="emit('choose', h.id)">Lay it on this</NButton>
        </li>
      </ul>
    </div>
  </FoldOut>
</template>

<style scoped>
.tried {
  display: grid;
  gap: 8px;
  justify-items: start;
}
ul {
  display: grid;
  gap: 6px;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
</style>

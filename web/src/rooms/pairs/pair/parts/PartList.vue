<script setup lang="ts">
import { partPlaces, type Part, type PartPlace } from '@gentle-awl/core'
import { IconFlipVertical, IconLayersSubtract, IconLayoutBoard, IconShoe } from '@tabler/icons-vue'
import { computed, nextTick, ref, watch } from 'vue'
import PartShape from '../../../../drawing/PartShape.vue'
import LevelMark from '../../../../ui/LevelMark.vue'
import { partLevel } from '../stages.ts'
import type { Level } from '@gentle-awl/core'

/** The parts by their place in the shoe, with the views of the whole above them. */
const props = defineProps<{
  parts: readonly Part[]
  here: string
  to: (id: string) => string
  layers: Level
  bottom: Level
  feet: Level
}>()
const list = ref<HTMLElement | null>(null)
/** On a narrow screen the list is one long row: what is shown stays in sight. */
watch(
  () => props.here,
  async () => {
    await nextTick()
    list.value?.querySelector('[aria-current="page"]')?.scrollIntoView({ block: 'nearest', inline: 'center' })
  },
  { immediate: true, flush: 'post' },
)
const groups = computed(() =>
  (Object.keys(partPlaces) as PartPlace[])
    .map((place) => ({ place, name: partPlaces[place], parts: props.parts.filter((p) => p.place === place) }))
    .filter((g) => g.parts.length > 0),
)
const wholes = computed(() => [
  { id: '', name: 'Pair board', icon: IconLayoutBoard, level: 'fine' as Level },
  { id: 'layers', name: 'Layers', icon: IconLayersSubtract, level: props.layers },
  { id: 'bottom', name: 'Side section', icon: IconShoe, level: props.bottom },
  { id: 'feet', name: 'Both feet', icon: IconFlipVertical, level: props.feet },
])
</script>

<template>
  <nav ref="list" class="list on-slate" aria-label="Parts">
    <ul>
      <li v-for="w in wholes" :key="w.id">
        <RouterLink
          :to="to(w.id)"
          class="entry"
          :class="{ here: w.id === here }"
          :aria-current="w.id === here ? 'page' : undefined"
        >
          <component :is="w.icon" :size="24" class="thumb" aria-hidden="true" />
          <span>{{ w.name }}</span>
          <LevelMark v-if="w.level !== 'fine'" :level="w.level" :size="18" quiet />
        </RouterLink>
      </li>
    </ul>
    <template v-for="g in groups" :key="g.place">
      <h2 :id="`place-${g.place}`">{{ g.name }}</h2>
      <ul :aria-labelledby="`place-${g.place}`">
        <li v-for="p in g.parts" :key="p.id">
          <RouterLink
            :to="to(p.id)"
            class="entry"
            :class="{ here: p.id === here }"
            :aria-current="p.id === here ? 'page' : undefined"
          >
            <PartShape :part="p" class="thumb" aria-hidden="true" />
            <span>{{ p.name }}</span>
            <LevelMark v-if="partLevel(p) !== 'fine'" :level="partLevel(p)" :size="18" quiet />
          </RouterLink>
        </li>
      </ul>
    </template>
  </nav>
</template>

<style scoped>
.list {
  position: relative;
  min-width: 0;
  overflow-y: auto;
  padding: 8px;
  background: var(--slate-deep);
  color: #eef2ee;
}
ul {
  display: grid;
  gap: 2px;
  margin: 0;
  padding: 0;
  list-style: none;
}
h2 {
  margin: 14px 8px 4px;
  color: #c9d3d3;
  font-size: 15px;
  font-family: inherit;
}
.entry {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  padding: 2px 8px;
  border-radius: 10px;
  color: #eef2ee;
  line-height: 1.15;
  text-decoration: none;
}
.entry:hover {
  background: var(--slate);
}
.entry.here {
  background: #f6f7f4;
  color: #17262b;
  font-weight: 600;
}
.thumb {
  width: 34px;
  height: 28px;
}
.here .thumb :deep(path) {
  stroke: #17262b;
}
.entry :deep(.watch) {
  color: #e6b355;
}
.entry :deep(.stop) {
  color: #f0939b;
}
.here :deep(.watch) {
  color: #8a5a06;
}
.here :deep(.stop) {
  color: #a6303c;
}
@media (max-width: 999px) {
  .list {
    display: flex;
    gap: 4px;
    align-items: center;
    overflow-x: auto;
  }
  ul {
    display: flex;
    flex: none;
  }
  h2 {
    flex: none;
    margin: 0 4px 0 14px;
  }
  .entry {
    white-space: nowrap;
  }
}
</style>

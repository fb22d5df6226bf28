<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import LevelMark from './LevelMark.vue'
import type { SlateEntry } from './slateEntry.ts'

/** Places of a room, in groups, at its left edge; on a narrow screen one long row. The `thumb` slot draws an entry's sign. */
const props = defineProps<{
  label: string
  groups: readonly { key: string; name?: string; entries: readonly SlateEntry[] }[]
  /** Key of the entry that is shown. */
  here: string
}>()
const list = ref<HTMLElement | null>(null)
/** What is shown stays in sight. */
watch(
  () => props.here,
  async () => {
    await nextTick()
    list.value?.querySelector('[aria-current="page"]')?.scrollIntoView({ block: 'nearest', inline: 'center' })
  },
  { immediate: true, flush: 'post' },
)
</script>

<template>
  <nav ref="list" class="list on-slate" :aria-label="label">
    <template v-for="g in groups" :key="g.key">
      <h2 v-if="g.name" :id="`group-${g.key}`">{{ g.name }}</h2>
      <ul :aria-labelledby="g.name ? `group-${g.key}` : undefined">
        <li v-for="e in g.entries" :key="e.key">
          <RouterLink
            :to="e.to"
            class="entry"
            :class="{ here: e.key === here }"
            :aria-current="e.key === here ? 'page' : undefined"
          >
            <span class="thumb"><slot name="thumb" :entry="e" /></span>
            <span>{{ e.name }}</span>
            <LevelMark v-if="e.level !== 'fine'" :level="e.level" :size="18" quiet />
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
.thumb,
.thumb :deep(svg) {
  display: block;
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

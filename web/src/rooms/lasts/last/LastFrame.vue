<script setup lang="ts">
import { NButton } from 'naive-ui'
import { IconPrinter } from '@tabler/icons-vue'
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { showLength } from '../../../app/settings.ts'
import { useShortcuts } from '../../../app/shortcuts.ts'
import { useLast } from '../../../stores/lastStore.ts'
import RoomState from '../../../ui/RoomState.vue'

const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const store = useLast()
const tabs = [
  { path: 'measure', name: 'Measure' },
  { path: 'shape', name: 'Shape' },
  { path: 'build-ups', name: 'Build-ups' },
  { path: 'foot', name: 'Foot' },
  { path: 'compare', name: 'Compare' },
  { path: 'sizes', name: 'Sizes' },
  { path: 'sole', name: 'Bought sole' },
  { path: 'stock', name: 'Shelf' },
]
watch(
  () => props.id,
  (id) => void store.load(id),
  { immediate: true },
)
const here = computed(() => tabs.findIndex((t) => route.path.endsWith(`/${t.path}`)))
const go = (to: number) => {
  const tab = tabs[to]
  if (tab) void router.push(`/lasts/${props.id}/${tab.path}`)
}
useShortcuts({ '[': () => go(here.value - 1), ']': () => go(here.value + 1) })
const line = computed(() => {
  const r = store.built?.readings
  return r ? `${showLength(r.length)} · joint ${showLength(r.girths.joint)} · heel ${showLength(r.heelHeight)}` : ''
})
</script>

<template>
  <RoomState :loading="store.last === null" :problem="store.loadProblem" what="The last" @retry="store.load(id)">
    <div class="last">
      <header>
        <div class="title">
          <h1>{{ store.last?.name }}</h1>
          <p class="soft figure">{{ line }}</p>
        </div>
        <nav class="tabs" aria-label="The last">
          <RouterLink
            v-for="(tab, i) in tabs"
            :key="tab.path"
            :to="`/lasts/${id}/${tab.path}`"
            :class="{ here: i === here }"
          >
            {{ tab.name }}
          </RouterLink>
        </nav>
        <NButton tag="a" :href="`/api/v1/lasts/${id}/sheet.pdf`">
          <IconPrinter :size="22" aria-hidden="true" /> Sheet
        </NButton>
      </header>
      <p v-if="store.saveProblem" class="bar" role="alert">{{ store.saveProblem }}</p>
      <div v-if="store.clash" class="bar" role="alert">
        <span>This last was changed elsewhere since you opened it. Nothing of yours is lost yet.</span>
        <NButton @click="store.takeTheirs()">Take what stands there</NButton>
        <NButton type="primary" @click="store.keepMine()">Keep mine</NButton>
      </div>
      <p v-if="store.buildProblem" class="bar" role="alert">{{ store.buildProblem }}</p>
      <div class="work"><RouterView v-if="store.last" /></div>
    </div>
  </RoomState>
</template>

<style scoped>
.last {
  display: flex;
  flex-direction: column;
  height: 100%;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  padding: 10px 20px;
  border-bottom: 1px solid var(--line);
  background: var(--raised);
}
.title h1 {
  font-size: 22px;
}
.title p {
  font-size: 15px;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding: 8px 20px;
  background: var(--stop-soft);
  color: var(--stop);
}
.work {
  flex: 1;
  min-height: 0;
}
</style>

<script setup lang="ts">
import { partPlaces, type Level, type Part, type PartPlace } from '@gentle-awl/core'
import { IconFlipVertical, IconLayersSubtract, IconLayoutBoard, IconShoe } from '@tabler/icons-vue'
import { computed } from 'vue'
import PartShape from '../../../../drawing/PartShape.vue'
import SlateList from '../../../../ui/SlateList.vue'
import { partLevel } from '../stages.ts'

/** The parts by their place in the shoe, with the views of the whole above them. */
const props = defineProps<{
  parts: readonly Part[]
  here: string
  to: (id: string) => string
  layers: Level
  bottom: Level
  feet: Level
}>()
const icons: Record<string, typeof IconShoe> = {
  '': IconLayoutBoard,
  layers: IconLayersSubtract,
  bottom: IconShoe,
  feet: IconFlipVertical,
}
const byId = computed(() => new Map(props.parts.map((p) => [p.id, p])))
const groups = computed(() => {
  const wholes: [string, string, Level][] = [
    ['', 'Pair board', 'fine'],
    ['layers', 'Layers', props.layers],
    ['bottom', 'Side section', props.bottom],
    ['feet', 'Both feet', props.feet],
  ]
  return [
    { key: 'wholes', entries: wholes.map(([key, name, level]) => ({ key, name, level, to: props.to(key) })) },
    ...(Object.keys(partPlaces) as PartPlace[])
      .map((place) => ({
        key: place,
        name: partPlaces[place],
        entries: props.parts
          .filter((p) => p.place === place)
          .map((p) => ({ key: p.id, name: p.name, to: props.to(p.id), level: partLevel(p) })),
      }))
      .filter((g) => g.entries.length > 0),
  ]
})
</script>

<template>
  <SlateList label="Parts" :groups="groups" :here="here">
    <template #thumb="{ entry }">
      <component :is="icons[entry.key]" v-if="icons[entry.key]" :size="24" aria-hidden="true" />
      <PartShape v-else-if="byId.get(entry.key)" :part="byId.get(entry.key)!" aria-hidden="true" />
    </template>
  </SlateList>
</template>

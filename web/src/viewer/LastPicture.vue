<script setup lang="ts">
import type { ShelfLast } from '@gentle-awl/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import type { Stored } from '../api/ask.ts'
import { tell } from '../app/settings.ts'
import { useAttempt } from '../app/useAttempt.ts'
import { pathData } from '../drawing/svgPath.ts'
import { useWorkshop } from '../stores/workshopStore.ts'
import { builtLast } from '../workers/last/lastBench.ts'
import type { BuiltLast } from '../workers/last/lastWorker.ts'
import { lastPicture } from './lastPicture.ts'

/** A last as it looks: in 3D where the browser can, else from its side; the sentence why not where it cannot be built. */
const props = defineProps<{ last: Stored<ShelfLast> }>()
const emit = defineEmits<{ built: [last: BuiltLast | null] }>()
const workshop = useWorkshop()
const built = shallowRef<BuiltLast | null>(null)
const picture = ref<string | null>(null)
const { problem, attempt } = useAttempt()

async function build(): Promise<void> {
  const whole = await attempt(() => workshop.wholeLast(props.last.id))
  if (!whole) return
  const answer = await builtLast(whole)
  problem.value = tell(answer.problem ?? '')
  built.value = answer.value
  emit('built', answer.value)
  if (!answer.value) return
  const drawn = await lastPicture(`${whole.id}.${whole.version}`, answer.value.surface)
  // Meanwhile another last may stand here.
  if (whole.id === props.last.id && whole.version === props.last.version) picture.value = drawn
}
onMounted(build)
watch(() => [props.last.id, props.last.version], build)

const profile = computed(() => {
  const outline = built.value?.side.lines.find((l) => l.kind === 'outline')
  return outline ? pathData(outline.path, true) : ''
})
</script>

<template>
  <img v-if="picture" :src="picture" alt="" />
  <svg v-else-if="built" :viewBox="`-6 -150 ${built.surface.length + 12} 160`" aria-hidden="true">
    <path :d="profile" class="wood" />
  </svg>
  <span v-else class="chalk">{{ problem || 'Building …' }}</span>
</template>

<style scoped>
.wood {
  fill: #d8b787;
  stroke: #f1ddbd;
}
.chalk {
  padding: 16px;
  color: var(--chalk);
}
</style>

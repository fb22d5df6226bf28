<script setup lang="ts">
import { boughtInsole, DrawnLine, GeometryError, RuleBook, type BoughtInsole, type Path } from '@gentle-awl/core'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { computed, watch } from 'vue'
import { showLength } from '../../../../app/settings.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import DrawnLineFields from '../../../../ui/DrawnLineFields.vue'
import type { Foot } from '../../../../ui/feet.ts'
import FindingItem from '../../../../ui/FindingItem.vue'
import FoldOut from '../../../../ui/FoldOut.vue'

/** An insole that was bought, or of an old shoe, held against the last's own; kept in this browser, it changes no decision. */
const props = defineProps<{ pairId: string; foot: Foot; insole: Path }>()
const emit = defineEmits<{ lies: [outline: Path | null] }>()
const workshop = useWorkshop()
const kept = useLocalStorage<unknown>(`gentle-awl.bought-insole.${props.pairId}.${props.foot}`, null, {
  serializer: StorageSerializers.object,
})
const line = computed(() => DrawnLine.safeParse(kept.value).data ?? null)
const held = computed<{ result: BoughtInsole | null; wrong: string }>(() => {
  if (!line.value) return { result: null, wrong: '' }
  try {
    return { result: boughtInsole(props.insole, line.value, new RuleBook(workshop.houseRules, {})), wrong: '' }
  } catch (error) {
    if (!(error instanceof GeometryError)) throw error
    return { result: null, wrong: error.message }
  }
})
/** Insoles are planned as of a right foot: a left one is turned over when it comes in. */
function take(next: DrawnLine | null): void {
  kept.value = next && line.value === null ? { ...next, flipped: props.foot === 'left' } : next
}
watch(
  held,
  ({ result }) => {
    emit('lies', result?.outline ?? null)
  },
  { immediate: true },
)
</script>

<template>
  <FoldOut title="An insole that was bought">
    <div class="bought">
      <p class="soft">
        Photograph it, or trace it and bring the tracing in: it is laid on the insole of this last as it fits best,
        dashed on the drawing.
      </p>
      <DrawnLineFields :line="line" what="the outline of a bought insole" @change="take" />
      <p v-if="held.wrong" class="wrong" role="alert">{{ held.wrong }}</p>
      <template v-if="held.result">
        <p data-testid="bought">As a rule its edge lies {{ showLength(held.result.usual) }} from the feather line.</p>
        <ul class="findings" aria-label="The bought insole">
          <FindingItem v-for="f in held.result.findings" :key="f.id" :finding="f" />
        </ul>
      </template>
    </div>
  </FoldOut>
</template>

<style scoped>
.bought {
  display: grid;
  gap: 10px;
  justify-items: start;
  min-width: 0;
}
.wrong {
  color: var(--stop);
}
</style>

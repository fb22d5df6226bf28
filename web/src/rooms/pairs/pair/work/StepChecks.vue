<script setup lang="ts">
import type { Step } from '@gentle-awl/core'
import { computed } from 'vue'
import { showFigure } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useRecord } from '../../../../stores/recordStore.ts'
import LevelMark from '../../../../ui/LevelMark.vue'

/** What is measured and looked at when a step is done, with what was found, and the way to where it is written down. */
const props = defineProps<{ step: Step }>()
const pair = usePair()
const record = useRecord()
const checks = computed(() =>
  (pair.whole?.checks ?? []).filter((c) => c.at.right === props.step.id || c.at.left === props.step.id),
)
const feetOf = (id: string) => checks.value.find((c) => c.id === id)!.at
const planned = computed(() =>
  checks.value.map(({ id, name, figure }) => {
    const foot = feetOf(id).right === props.step.id ? 'right' : 'left'
    const found = record.verdicts.filter((v) => v.check === id && (v.foot ?? v.back?.foot ?? foot) === foot)
    return {
      id,
      name,
      figure: figure ? showFigure(figure.planned[foot], figure.unit) : '',
      // What lies between both shoes says nothing of one that was not measured.
      level: !found.some((v) => v.foot === foot)
        ? null
        : found.some((v) => v.level !== 'fine')
          ? ('stop' as const)
          : ('fine' as const),
    }
  }),
)
const to = computed(() => `/pairs/${pair.view?.id ?? ''}/checks`)
</script>

<template>
  <div v-if="planned.length > 0" class="checks">
    <span class="soft">Then measure</span>
    <ul>
      <li v-for="c in planned" :key="c.id">
        <LevelMark v-if="c.level" :level="c.level" :size="18" quiet />
        {{ c.name
        }}<template v-if="c.figure"
          >: <span class="figure">{{ c.figure }}</span> planned</template
        >
      </li>
    </ul>
    <RouterLink :to="to">Write it down under Checks</RouterLink>
  </div>
</template>

<style scoped>
.checks {
  display: grid;
  gap: 2px;
}
ul {
  margin: 0;
  padding-left: 20px;
}
</style>

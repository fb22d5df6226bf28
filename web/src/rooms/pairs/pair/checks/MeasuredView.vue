<script setup lang="ts">
import type { Check, CheckReading, StepProgress, Verdict } from '@gentle-awl/core'
import { latestReadings } from '@gentle-awl/core'
import { computed } from 'vue'
import type { SentReading } from '../../../../api/record.ts'
import { recordApi } from '../../../../api/record.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useRecord } from '../../../../stores/recordStore.ts'
import ButtonLink from '../../../../ui/ButtonLink.vue'
import { stepPath } from '../../../../ui/stepPath.ts'
import CheckItem from './CheckItem.vue'
import { checksByStep } from './checksByStep.ts'

/** Every figure at the step where it is measured: planned, right, left, and what it comes to. */
const props = defineProps<{ steps: readonly StepProgress[] }>()
defineEmits<{ back: [verdict: Verdict] }>()
const pair = usePair()
const record = useRecord()
const { problem, busy, attempt } = useAttempt()
const groups = computed(() => checksByStep(pair.whole?.checks ?? [], pair.whole?.steps ?? []))
const latest = computed(() => latestReadings(record.readings))
const readingsOf = (check: Check): Record<'right' | 'left', CheckReading | null> => ({
  right: latest.value.get(`${check.id} right`) ?? null,
  left: latest.value.get(`${check.id} left`) ?? null,
})
const verdictsOf = (check: Check) => record.verdicts.filter((v) => v.check === check.id)
const stateOf = (id: string) => props.steps.find((s) => s.step.id === id)?.state ?? 'open'
const stateWords = { open: 'not begun', started: 'on the bench', finished: 'done' } as const
const failed = computed(() => record.verdicts.filter((v) => v.level !== 'fine').length)
const taken = computed(
  () =>
    (pair.whole?.checks ?? []).filter((c) => latest.value.has(`${c.id} right`) || latest.value.has(`${c.id} left`))
      .length,
)
const keep = (reading: SentReading) => attempt(() => record.change((id) => recordApi.addReading(id, reading)))
</script>

<template>
  <div class="measured">
    <p role="status">
      <strong class="figure">{{ taken }}</strong> of
      <strong class="figure">{{ pair.whole?.checks.length ?? 0 }}</strong> checks taken<template v-if="failed > 0"
        >, <strong class="bad-count">{{ failed }} not as planned</strong></template
      >.
    </p>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <section v-for="g in groups" :key="g.step.key" :data-checks="g.step.key">
      <header>
        <h2>{{ g.name }}</h2>
        <span class="soft">{{ stateWords[stateOf(g.step.id)] }}</span>
        <ButtonLink :to="stepPath(pair.view?.id ?? '', g.step.id)">To the step</ButtonLink>
      </header>
      <CheckItem
        v-for="c in g.checks"
        :key="c.id"
        :check="c"
        :readings="readingsOf(c)"
        :verdicts="verdictsOf(c)"
        :busy="busy"
        @read="keep"
        @back="$emit('back', $event)"
      />
    </section>
  </div>
</template>

<style scoped>
.measured {
  display: grid;
  gap: 18px;
  max-width: 980px;
}
.bad-count {
  color: var(--stop);
}
section {
  display: grid;
  gap: 8px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: baseline;
}
header h2 {
  flex: 1 1 260px;
}
</style>

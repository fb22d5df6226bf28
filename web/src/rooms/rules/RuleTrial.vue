<script setup lang="ts">
import { NButton } from 'naive-ui'
import { consequences, type Consequences, type Rule } from '@gentle-awl/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { api, type PairName, type PairView } from '../../api/client.ts'
import { exactFigure, tell } from '../../app/settings.ts'
import { planInTurn } from '../../workers/plan/planner.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import ConsequenceList from '../../ui/ConsequenceList.vue'
import SelectField from '../../ui/SelectField.vue'
import { useAttempt } from '../../app/useAttempt.ts'

/** What a new figure would do to a pair of the workshop, before anybody keeps it. */
const props = defineProps<{ rule: Rule; value: number; now: number }>()
const emit = defineEmits<{ keep: []; leave: [] }>()
const workshop = useWorkshop()
const pairs = shallowRef<PairName[]>([])
const chosen = ref('')
const tried = shallowRef<PairView | null>(null)
const { problem, attempt } = useAttempt()
const found = shallowRef<Consequences | null>(null)

/** The pair that is tried on, with its last; null, with the reason shown, when it cannot be had. */
async function chosenPair(): Promise<PairView | null> {
  if (chosen.value === '') return null
  return (
    (await attempt(async () => {
      if (tried.value?.id !== chosen.value) tried.value = await api.pair(chosen.value)
      await workshop.hold(tried.value.decisions)
      return tried.value
    })) ?? null
  )
}

async function look(): Promise<void> {
  found.value = null
  problem.value = ''
  const asked = props.value
  const pair = await chosenPair()
  const input = pair && workshop.inputOf(pair.decisions)
  if (!pair || !input || chosen.value !== pair.id) return
  const plan = (figures: Record<string, number>) => planInTurn({ ...input, houseRules: figures })
  const before = await plan(workshop.houseRules)
  const after = await plan({ ...workshop.houseRules, [props.rule.key]: asked })
  // Another figure may have been typed meanwhile.
  if (asked !== props.value || chosen.value !== pair.id) return
  if (after.problem !== null) problem.value = `${pair.label.name} could not be planned with it: ${tell(after.problem)}`
  else if (before.problem !== null) problem.value = tell(before.problem)
  else found.value = consequences(before.value, after.value)
}
onMounted(async () => {
  await attempt(async () => {
    pairs.value = await api.pairNames()
    chosen.value = pairs.value[0]?.id ?? ''
  })
})
watch([chosen, () => props.value], look)

const own = computed(() => tried.value?.decisions.rules[props.rule.key] !== undefined)
</script>

<template>
  <div class="trial" role="group" :aria-label="`What ${rule.name} would change`">
    <SelectField
      v-if="pairs.length > 0"
      label="Shown on"
      name="sample-pair"
      :value="chosen"
      :options="pairs.map((p) => ({ value: p.id, name: `${p.order} ${p.name}` }))"
      @choose="chosen = $event"
    />
    <p v-else-if="!problem" class="soft">There is no pair yet to show it on.</p>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p v-else-if="pairs.length > 0 && !found" role="status">Working it out …</p>
    <p v-if="own && found" class="soft">This pair has a figure of its own for it, and keeps that.</p>
    <ConsequenceList v-else-if="found" :found="found" />
    <div class="row">
      <NButton type="primary" @click="emit('keep')">Keep {{ exactFigure(value, rule.unit) }}</NButton>
      <NButton @click="emit('leave')">Leave it at {{ exactFigure(now, rule.unit) }}</NButton>
    </div>
  </div>
</template>

<style scoped>
.trial {
  display: grid;
  gap: 8px;
  padding: 12px 14px;
  border: 2px solid var(--action);
  border-radius: 10px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.wrong {
  color: var(--stop);
}
</style>

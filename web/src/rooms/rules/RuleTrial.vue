<script setup lang="ts">
import { NButton } from 'naive-ui'
import { consequences, type Consequences, type Rule, spoken } from '@gentle-awl/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { api, type PairName, type PairView } from '../../api/client.ts'
import { exactFigure, showFigure, showLength, showMinutes, tell } from '../../app/settings.ts'
import { planInTurn } from '../../workers/plan/planner.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import LevelMark from '../../ui/LevelMark.vue'
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
/** More lines than this hide what matters. */
const MOST = 8

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
const nothing = computed(() => {
  const c = found.value
  return c !== null && c.figures.length + c.findings.length + c.shapes.length + c.appeared.length + c.gone.length === 0
})
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
    <p v-if="own" class="soft">This pair has a figure of its own for it, and keeps that.</p>
    <p v-else-if="nothing">Nothing of this pair changes.</p>
    <ul v-if="found" class="plain-list">
      <li v-for="f in found.findings" :key="f.where + spoken(f.sentence)" class="check">
        <LevelMark :level="f.to ?? 'fine'" quiet />
        <span
          ><strong>{{ f.where }}</strong
          >: {{ tell(f.sentence) }}</span
        >
      </li>
      <li v-for="f in found.figures.slice(0, MOST)" :key="f.where + f.quantity">
        {{ f.where }}, {{ f.quantity.toLowerCase() }}:
        <span class="figure">{{ showFigure(f.from, f.unit) }} → {{ showFigure(f.to, f.unit) }}</span>
      </li>
      <li v-if="found.figures.length > MOST">and {{ found.figures.length - MOST }} more figures</li>
      <li v-if="found.shapes.length > 0">
        Shapes that move:
        {{
          found.shapes
            .slice(0, MOST)
            .map((s) => `${s.part} by ${showLength(s.most)}`)
            .join(', ')
        }}{{ found.shapes.length > MOST ? ` and ${found.shapes.length - MOST} more` : '' }}
      </li>
      <li v-if="found.appeared.length > 0">New: {{ found.appeared.join(', ') }}</li>
      <li v-if="found.gone.length > 0">No longer there: {{ found.gone.join(', ') }}</li>
      <li v-if="Math.round(found.minutes.from) !== Math.round(found.minutes.to)">
        Work on the pair: {{ showMinutes(found.minutes.from) }} → {{ showMinutes(found.minutes.to) }}
      </li>
    </ul>
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
.trial ul {
  gap: 4px;
}
.check {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr);
  gap: 8px;
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

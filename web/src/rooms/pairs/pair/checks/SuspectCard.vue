<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import { IconArrowDown, IconArrowUp, IconMinus } from '@tabler/icons-vue'
import { consequences, nextOrder, remedied, type Consequences, type Remedy, type Suspect } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { api } from '../../../../api/client.ts'
import { say } from '../../../../app/say.ts'
import { tell } from '../../../../app/settings.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import ConsequenceList from '../../../../ui/ConsequenceList.vue'
import RemedyButton from '../../../../ui/RemedyButton.vue'
import { planInTurn } from '../../../../workers/plan/planner.ts'
import { shareWord } from './shareWord.ts'

/** One possible cause: how likely, why, what helps now, what prevents it, and that change tried on a copy of the pair. */
const props = defineProps<{ suspect: Suspect; first: boolean; foot: 'right' | 'left' }>()
const pair = usePair()
const workshop = useWorkshop()
const { problem, busy, attempt } = useAttempt()
const remedy = computed<Exclude<Remedy, { kind: 'open' }> | null>(() => {
  const { remedy: r } = props.suspect.prevents
  return r && r.kind !== 'open' ? r : null
})
const leads = computed(() => {
  const { remedy: r } = props.suspect.prevents
  return r?.kind === 'open' ? r : null
})
const percent = computed(() => Math.round(100 * props.suspect.share))
const tried = ref<Consequences | null>(null)
const copy = ref<{ id: string; order: string } | null>(null)
const changed = () => {
  const { decisions } = pair
  if (!decisions || !remedy.value) return null
  return remedied(decisions, remedy.value, props.foot === 'left' && decisions.left !== null)
}
/** Nothing of this pair changes: the change is planned beside it. */
const tryIt = () =>
  attempt(async () => {
    const decisions = changed()
    const input = decisions && workshop.inputOf(decisions)
    if (!input || !pair.whole) return
    const answer = await planInTurn(input)
    if (answer.problem !== null) problem.value = tell(answer.problem)
    else tried.value = consequences(pair.whole, answer.value)
  })
const keepCopy = () =>
  attempt(async () => {
    const decisions = changed()
    const { label } = pair
    if (!decisions || !label) return
    const order = nextOrder((await api.pairNames()).map((p) => p.order))
    const kept = await api.addPair({ ...label, order, name: `${label.name}, tried`.slice(0, 80), due: null }, decisions)
    copy.value = { id: kept.id, order }
    await say(`Order ${order} is a copy with that change.`)
  })
</script>

<template>
  <article class="card suspect" :class="{ first }" :data-cause="suspect.id">
    <div class="name">
      <h3>{{ suspect.name }}</h3>
      <span class="soft"
        >{{ shareWord(suspect.share) }}, <span class="figure">{{ percent }} %</span></span
      >
    </div>
    <NProgress type="line" :percentage="percent" :show-indicator="false" :aria-label="`${suspect.name}: how likely`" />
    <ul v-if="suspect.evidence.length > 0" class="evidence">
      <li v-for="(e, i) in suspect.evidence" :key="i" :class="{ for: e.factor > 1.05, against: e.factor < 0.95 }">
        <IconArrowUp v-if="e.factor > 1.05" :size="20" aria-label="Points to it:" />
        <IconArrowDown v-else-if="e.factor < 0.95" :size="20" aria-label="Speaks against it:" />
        <IconMinus v-else :size="20" aria-label="Says nothing either way:" />
        <span>{{ tell(e.sentence) }}</span>
      </li>
    </ul>
    <p v-else class="soft">Nothing was measured or told that says more about it.</p>
    <p><strong>Now:</strong> {{ tell(suspect.helps) }}</p>
    <p><strong>Next time:</strong> {{ tell(suspect.prevents.sentence) }}</p>
    <div v-if="remedy || leads" class="buttons">
      <NButton v-if="remedy" :disabled="busy" @click="tryIt">See what that would change</NButton>
      <NButton v-if="remedy" :disabled="busy" @click="keepCopy">Try it on a copy</NButton>
      <RemedyButton v-if="leads" class="leads" :remedy="leads" />
    </div>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <ConsequenceList v-if="tried" :found="tried" />
    <p v-if="copy" role="status">
      Order {{ copy.order }} is a copy of this pair with that change:
      <RouterLink :to="`/pairs/${copy.id}/decisions`">open it</RouterLink>. This pair is as it was.
    </p>
  </article>
</template>

<style scoped>
.suspect {
  display: grid;
  gap: 8px;
  padding: 12px 16px;
}
.suspect.first {
  border-color: var(--action);
}
.suspect > p {
  margin: 0;
}
.name {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  justify-content: space-between;
}
.evidence {
  display: grid;
  gap: 2px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.evidence li {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr);
  gap: 6px;
  align-items: start;
}
.evidence .for {
  font-weight: 600;
}
.evidence .against {
  color: var(--soft);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.leads {
  margin-top: 0;
}
</style>

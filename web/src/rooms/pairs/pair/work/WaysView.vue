<script setup lang="ts">
import { NRadio, NRadioGroup } from 'naive-ui'
import { wayChoices, ways, type PairDecisions, type WayName } from '@gentle-awl/core'
import { computed, shallowRef } from 'vue'
import { showMinutes } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import TextField from '../../../../ui/TextField.vue'
import OwnSteps from './OwnSteps.vue'
import WaySets from './WaySets.vue'
import { changeOfSteps, type Before } from './changeOfSteps.ts'

/** How this pair is worked: every question that makes a difference to it, what each answer gains and costs, own steps. */
const pair = usePair()
const work = computed(() => (pair.decisions as PairDecisions).work)
const questions = computed(() =>
  (pair.plan?.asked ?? []).map((name) => ({
    name,
    title: ways[name].name,
    answers: wayChoices[name].map((answer) => ({
      answer,
      // Every answer of a question has its words: the compiler holds one list against the other.
      ...(ways[name].answers as Record<string, { gains: string; costs: string }>)[answer]!,
    })),
  })),
)
/** What was changed last, and the steps from before. */
const before = shallowRef<(Before & { name: WayName }) | null>(null)
const effect = computed(() => {
  const [was, now] = [before.value, pair.plan?.steps]
  return was && now && now !== was.steps ? changeOfSteps(was, now) : null
})
function set(change: Partial<PairDecisions['work']>): void {
  const now = pair.decisions
  if (now) pair.change({ ...now, work: { ...now.work, ...change } })
}
function choose(name: WayName, answer: string): void {
  if (pair.plan) before.value = { name, steps: pair.plan.steps }
  set({ ways: { ...work.value.ways, [name]: answer } })
}
</script>

<template>
  <div class="ways">
    <WaySets :work="work" @take="set" />
    <section v-for="q in questions" :key="q.name" class="card question" :data-way="q.name">
      <h2 :id="`way-${q.name}`">{{ q.title }}</h2>
      <NRadioGroup
        role="radiogroup"
        :aria-labelledby="`way-${q.name}`"
        :name="`way-${q.name}`"
        :value="work.ways[q.name]"
        @update:value="choose(q.name, $event)"
      >
        <div v-for="a in q.answers" :key="a.answer" class="answer">
          <NRadio :value="a.answer">{{ a.answer }}</NRadio>
          <p>
            {{ a.gains }} <span class="soft">{{ a.costs }}</span>
          </p>
        </div>
      </NRadioGroup>
      <TextField
        v-if="q.name === 'paste' && work.ways.paste === 'own paste'"
        label="What goes into the paste"
        name="recipe"
        :most="500"
        :rows="2"
        :value="work.recipe"
        @change="set({ recipe: $event })"
      />
      <p v-if="before?.name === q.name && effect" class="effect" role="status">
        {{ effect.words }}
        <template v-if="effect.minutes !== 0">
          {{ showMinutes(Math.abs(effect.minutes)) }} of handwork {{ effect.minutes > 0 ? 'more' : 'less' }}.
        </template>
      </p>
    </section>
    <OwnSteps :work="work" @change="set" />
  </div>
</template>

<style scoped>
.ways {
  display: grid;
  gap: 12px;
  max-width: 860px;
  margin-top: 12px;
}
.question {
  display: grid;
  gap: 8px;
  padding: 12px 16px;
}
.question h2 {
  margin: 0;
  font-size: 18px;
}
.answer {
  display: grid;
  grid-template-columns: minmax(150px, 220px) minmax(0, 1fr);
  gap: 4px 14px;
  align-items: start;
  min-height: 44px;
}
.answer p {
  margin: 2px 0;
}
.effect {
  margin: 0;
  padding: 8px 12px;
  border-radius: 10px;
  background: var(--action-soft);
}
@media (max-width: 600px) {
  .answer {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

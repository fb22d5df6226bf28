<script setup lang="ts">
import { NButton } from 'naive-ui'
import { cautions, groupNames, howTosFor, type Pace, type StepEvent, type StepProgress } from '@gentle-awl/core'
import {
  IconAlertTriangle,
  IconArrowLeft,
  IconArrowRight,
  IconCheck,
  IconListDetails,
  IconPlayerPlay,
} from '@tabler/icons-vue'
import { computed } from 'vue'
import { showMinutes, tell } from '../../../../app/settings.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import ButtonLink from '../../../../ui/ButtonLink.vue'
import { clockFace, timeOfDay } from '../../../../ui/clockFace.ts'
import HowToCard from './HowToCard.vue'
import StepDrawing from './StepDrawing.vue'
import StepStuff from './StepStuff.vue'
import StepChecks from './StepChecks.vue'
import StepMore from './StepMore.vue'
import { tookMinutes } from './tookMinutes.ts'
import { usualWords } from './usualWords.ts'
import { useHowTos } from '../../../../stores/howTosStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'

/** One step on one card for the bench: its drawing, its figures, what can hurt, what to look at, and how it is done. */
const props = defineProps<{
  progress: StepProgress
  steps: readonly StepProgress[]
  pace: Readonly<Record<string, Pace>>
  now: number
  busy: boolean
  problem: string | null
  to: (id: string) => string
}>()
defineEmits<{ say: [what: StepEvent['what']] }>()
const step = computed(() => props.progress.step)
const at = computed(() => props.steps.findIndex((s) => s.step.id === step.value.id))
const [previous, next] = [computed(() => props.steps[at.value - 1]), computed(() => props.steps[at.value + 1])]
const held = computed(() => props.progress.state === 'open' && props.progress.heldBy.length > 0)
const took = computed(() => tookMinutes(props.progress))
const waits = computed(() => {
  const w = step.value.wait
  if (!w) return ''
  return w.max === null ? `at least ${showMinutes(w.min)}` : `${showMinutes(w.min)} to ${showMinutes(w.max)}`
})
const drawn = computed(() => step.value.parts.length > 0 || step.value.seams.length > 0 || step.value.group === 'last')
const pair = usePair()
const askPath = computed(() => `/pairs/${pair.view?.id ?? ''}/checks/ask`)
const howTos = useHowTos()
const { attempt } = useAttempt()
// Without them the house's own cards are shown.
void attempt(() => howTos.load())
const cards = computed(() => [
  ...howTosFor(step.value).map((c) => ({ id: c.id, name: c.name, text: c.text.map(tell), figure: c.id })),
  ...howTos.list.filter((c) => c.steps.includes(step.value.key)).map((c) => ({ ...c, text: [c.text], figure: null })),
])
</script>

<template>
  <article class="sheet" :class="{ plain: !drawn }" :data-step="step.id">
    <StepDrawing v-if="drawn" class="drawn" :step="step" />
    <div class="told" tabindex="0" role="region" :aria-label="step.name">
      <nav class="ways" aria-label="Steps">
        <ButtonLink :to="to('')"><IconListDetails :size="20" aria-hidden="true" />&nbsp;All steps</ButtonLink>
        <ButtonLink v-if="previous" :to="to(previous.step.id)" :aria-label="`Before: ${previous.step.name}`">
          <IconArrowLeft :size="20" aria-hidden="true" />
        </ButtonLink>
        <ButtonLink v-if="next" :to="to(next.step.id)" :aria-label="`Next: ${next.step.name}`">
          <IconArrowRight :size="20" aria-hidden="true" />
        </ButtonLink>
        <span class="soft">{{ groupNames[step.group] }}, step {{ at + 1 }} of {{ steps.length }}</span>
      </nav>
      <h2>{{ step.name }}</h2>
      <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
      <dl class="times">
        <div>
          <dt>Planned</dt>
          <dd class="figure">{{ showMinutes(step.minutes.value) }}</dd>
        </div>
        <div v-if="progress.state === 'started'">
          <dt>{{ progress.pausedAt === null ? 'Running' : 'Rests' }}</dt>
          <dd class="figure running" data-testid="running-clock">{{ clockFace(progress.worked) }}</dd>
        </div>
        <div v-if="took !== null">
          <dt>Took</dt>
          <dd class="figure">{{ showMinutes(took) }}</dd>
        </div>
        <div v-if="waits">
          <dt>Then wait</dt>
          <dd class="figure">{{ waits }}</dd>
        </div>
      </dl>
      <div class="buttons">
        <NButton
          v-if="progress.state === 'open'"
          type="primary"
          size="large"
          :disabled="busy || held"
          @click="$emit('say', 'started')"
        >
          <IconPlayerPlay :size="22" aria-hidden="true" />&nbsp;Start
        </NButton>
        <NButton
          v-if="progress.state === 'started'"
          type="primary"
          size="large"
          :disabled="busy"
          @click="$emit('say', 'finished')"
        >
          <IconCheck :size="22" aria-hidden="true" />&nbsp;{{ step.wait ? 'Done, start the clock' : 'Done' }}
        </NButton>
        <StepMore :progress="progress" :busy="busy" large @say="$emit('say', $event)" />
        <NButton v-if="progress.state !== 'open'" size="large" :disabled="busy" @click="$emit('say', 'undone')">
          Take back
        </NButton>
        <ButtonLink v-if="progress.state !== 'open'" :to="askPath">Went wrong? Ask</ButtonLink>
        <ButtonLink v-if="progress.state === 'finished' && next" main :to="to(next.step.id)">
          Next: {{ next.step.name }}
        </ButtonLink>
      </div>
      <p v-if="progress.clock?.state === 'waiting'" class="clock">
        Waits until {{ timeOfDay(progress.clock.readyAt, now) }}: {{ tell(step.wait?.why ?? '') }}
      </p>
      <p v-if="progress.clock?.state === 'late'" class="clock late">
        It has waited too long. {{ tell(step.wait?.late ?? 'Check it, and do the step again if it has gone off.') }}
      </p>
      <ul v-if="progress.heldBy.length > 0" class="held">
        <li v-for="(h, i) in progress.heldBy" :key="i">{{ tell(h) }}</li>
      </ul>
      <p>{{ tell(step.minutes.sentence) }} {{ usualWords(step, pace[step.key] ?? null) }}</p>
      <p v-for="c in step.cautions" :key="c" class="caution">
        <IconAlertTriangle :size="22" aria-hidden="true" /> <span>{{ cautions[c] }}</span>
      </p>
      <StepChecks :step="step" />
      <StepStuff :step="step" />
      <template v-if="step.after.length > 0">
        <h3>After</h3>
        <ul class="after">
          <li v-for="a in step.after" :key="a.id">
            <RouterLink :to="to(a.id)">{{ a.name }}</RouterLink>: {{ tell(a.why) }}.
          </li>
        </ul>
      </template>
      <template v-if="cards.length > 0">
        <h3>How it is done</h3>
        <HowToCard v-for="c in cards" :key="c.id" :name="c.name" :text="c.text" :figure="c.figure" />
      </template>
    </div>
  </article>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(380px, 1fr);
  height: 100%;
  min-height: 0;
}
.sheet.plain {
  grid-template-columns: minmax(0, 900px);
  justify-content: center;
}
.told {
  display: grid;
  gap: 12px;
  align-content: start;
  min-height: 0;
  overflow-y: auto;
  padding: 12px 20px 40px;
  font-size: 18px;
}
.told:focus-visible {
  outline-offset: -3px;
}
.told > * {
  margin: 0;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
h2 {
  font-size: 28px;
  line-height: 1.15;
}
h3 {
  margin-top: 6px;
}
.times {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 28px;
}
.times dt {
  color: var(--soft);
  font-size: 16px;
}
.times dd {
  margin: 0;
  font-size: 24px;
  font-weight: 600;
}
.running {
  color: var(--action);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.clock {
  padding: 10px 14px;
  border-left: 6px solid var(--line);
  background: var(--raised);
}
.clock.late {
  border-color: var(--watch-mark);
  background: var(--watch-soft);
}
.held,
.after {
  padding-left: 20px;
}
.held {
  color: var(--watch);
}
.caution {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  gap: 8px;
  padding: 8px 12px;
  border-radius: 10px;
  background: var(--watch-soft);
}
@media (max-width: 999px) {
  .sheet,
  .sheet.plain {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(0, 42vh) minmax(0, 1fr);
  }
  .sheet.plain {
    grid-template-rows: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui'
import { cautions, MOST_STEP_MINUTES, type Pace, type StepEvent, type StepProgress } from '@gentle-awl/core'
import { IconAlertTriangle, IconArrowsMaximize, IconCheck, IconPlayerPlay } from '@tabler/icons-vue'
import { computed, ref } from 'vue'
import { showMinutes, tell } from '../../../../app/settings.ts'
import ButtonLink from '../../../../ui/ButtonLink.vue'
import FigureField from '../../../../ui/FigureField.vue'
import { usePair } from '../../../../stores/pairStore.ts'
import { stepPath } from '../../../../ui/stepPath.ts'
import StepPlace from './StepPlace.vue'
import StepStuff from './StepStuff.vue'
import { clockFace } from '../../../../ui/clockFace.ts'
import StepChecks from './StepChecks.vue'
import StepMore from './StepMore.vue'
import { tookMinutes } from './tookMinutes.ts'
import { usualWords } from './usualWords.ts'

const props = defineProps<{ progress: StepProgress; pace: Pace | null; now: number; busy: boolean }>()
const emit = defineEmits<{ say: [what: StepEvent['what']]; took: [minutes: number] }>()
const step = computed(() => props.progress.step)
const active = computed(
  () => props.progress.state === 'started' || (props.progress.state === 'open' && props.progress.heldBy.length === 0),
)
const pair = usePair()
const to = computed(() => stepPath(pair.view?.id ?? '', step.value.id))
const usual = computed(() => usualWords(step.value, props.pace))
const asked = ref(false)
/** A finished or held step is one line until somebody wants to know more. */
const open = computed(() => active.value || asked.value)
const took = computed(() => tookMinutes(props.progress))
const waitWords = computed(() => {
  const w = step.value.wait
  if (!w) return ''
  return w.max === null ? `then at least ${showMinutes(w.min)}` : `then ${showMinutes(w.min)} to ${showMinutes(w.max)}`
})
</script>

<template>
  <article
    class="step card"
    :class="[progress.state, { held: progress.state === 'open' && progress.heldBy.length > 0 }]"
    :data-step="step.id"
  >
    <div class="row">
      <NButton text class="name" :aria-expanded="open" @click="asked = !asked">
        <IconCheck v-if="progress.state === 'finished'" :size="22" class="done" aria-label="done" />
        <span>{{ step.name }}</span>
      </NButton>
      <span class="figure soft">
        <template v-if="progress.state === 'finished'">{{
          took === null ? 'done' : `took ${showMinutes(took)}`
        }}</template>
        <template v-else>{{ showMinutes(step.minutes.value) }}</template>
        <template v-if="waitWords && progress.state !== 'finished'">, {{ waitWords }}</template>
      </span>
      <span v-if="progress.state === 'started'" class="figure running" data-testid="running-clock">{{
        clockFace(progress.worked)
      }}</span>
      <div class="buttons">
        <ButtonLink :to="to" :aria-label="`${step.name}, large`">
          <IconArrowsMaximize :size="20" aria-hidden="true" />
        </ButtonLink>
        <NButton
          v-if="progress.state === 'open'"
          :class="{ main: active }"
          :disabled="busy || !active"
          @click="$emit('say', 'started')"
        >
          <IconPlayerPlay :size="20" aria-hidden="true" /> Start
        </NButton>
        <NButton type="primary" v-if="progress.state === 'started'" :disabled="busy" @click="$emit('say', 'finished')">
          {{ step.wait ? 'Done, start the clock' : 'Done' }}
        </NButton>
        <StepMore :progress="progress" :busy="busy" @say="$emit('say', $event)" />
        <NButton v-if="progress.state === 'started'" :disabled="busy" @click="$emit('say', 'undone')">
          Take back
        </NButton>
      </div>
    </div>
    <div v-if="open" class="more">
      <NButton class="back" v-if="progress.state === 'finished'" :disabled="busy" @click="$emit('say', 'undone')">
        Take back: it is not done
      </NButton>
      <label v-if="took !== null" class="correct">
        <span>It took, minutes</span>
        <FigureField
          :label="`${step.name}: it took, minutes`"
          :value="Math.round(took)"
          :min="0"
          :max="MOST_STEP_MINUTES"
          @change="emit('took', $event ?? 0)"
        />
        <span class="soft">Correct it where a start or an end was forgotten.</span>
      </label>
      <p>
        {{ tell(step.minutes.sentence) }}
        <span v-if="usual">{{ usual }}</span>
        <RouterLink v-if="step.group === 'skive'" to="edges/skiving">The skiving list</RouterLink>
      </p>
      <p v-if="step.wait" class="soft">
        Wait: {{ tell(step.wait.why) }} <template v-if="step.wait.late">Too late: {{ tell(step.wait.late) }}</template>
      </p>
      <ul v-if="progress.heldBy.length > 0" class="held-by">
        <li v-for="(h, i) in progress.heldBy" :key="i">{{ tell(h) }}</li>
      </ul>
      <ul v-else-if="step.after.length > 0" class="soft">
        <li v-for="a in step.after" :key="a.id">After “{{ a.name }}”: {{ tell(a.why) }}.</li>
      </ul>
      <StepChecks :step="step" />
      <StepStuff :step="step" />
      <StepPlace v-if="asked" :step="step" />
      <p v-for="c in step.cautions" :key="c" class="caution">
        <IconAlertTriangle :size="20" aria-hidden="true" /> <span>{{ cautions[c] }}</span>
      </p>
    </div>
  </article>
</template>

<style scoped>
.step {
  padding: 6px 10px 6px 16px;
  margin-bottom: 8px;
}
.step.started {
  border: 2px solid var(--action);
}
.step.finished {
  background: transparent;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
.name {
  flex: 1 1 260px;
  justify-content: flex-start;
  min-height: 44px;
  font-weight: 600;
  text-align: left;
  white-space: normal;
}
.finished .name,
.held .name {
  font-weight: 400;
}
.done {
  color: var(--action);
  flex: none;
}
.running {
  font-size: 22px;
  font-weight: 600;
  color: var(--action);
}
.buttons {
  display: flex;
  gap: 8px;
}
.more {
  display: grid;
  gap: 6px;
  padding: 2px 0 10px;
  font-size: 16px;
}
.correct {
  display: grid;
  grid-template-columns: auto 110px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
}
.back {
  justify-self: start;
}
.more ul {
  margin: 0;
  padding-left: 20px;
}
.held-by {
  color: var(--watch);
}
.caution {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr);
  gap: 8px;
  padding: 8px 10px;
  border-radius: 10px;
  background: var(--watch-soft);
}
</style>

<script setup lang="ts">
import { NButton, NTooltip } from 'naive-ui'
import { IconArrowBackUp, IconArrowForwardUp, IconPrinter } from '@tabler/icons-vue'
import { onKeyStroke, useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, provide, ref, watch } from 'vue'
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router'
import { isTyping, useShortcuts } from '../../../app/shortcuts.ts'
import { useMade } from '../../../stores/madeStore.ts'
import { usePair } from '../../../stores/pairStore.ts'
import { useRecord } from '../../../stores/recordStore.ts'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import { feet } from '../../../ui/feet.ts'
import { IN_PAIR } from '../../../ui/inPair.ts'
import LevelMark from '../../../ui/LevelMark.vue'
import RoomState from '../../../ui/RoomState.vue'
import ConflictDialog from './ConflictDialog.vue'
import PrintDialog from './PrintDialog.vue'
import { checkFlags, said, stageAt, stageFlags, stages, worstOf, type Flag } from './stages.ts'
import { tell } from '../../../app/settings.ts'
import { asBefore } from '../../../app/asBefore.ts'
import ButtonLink from '../../../ui/ButtonLink.vue'

const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const pair = usePair()
const made = useMade()
const record = useRecord()
provide(IN_PAIR, true)
const printOpen = ref(false)
const remakeOpen = ref(false)

watch(
  () => props.id,
  (id) => {
    void pair.load(id)
    void made.load(id)
    void record.load(id)
  },
  { immediate: true },
)

/** So many reasons are named at a stage's mark. */
const MOST_FLAGS = 4
const here = computed(() => stageAt(route.path))
const nav = ref<HTMLElement | null>(null)
const go = (to: number) => {
  const stage = stages[to]
  if (stage) void router.push(`/pairs/${props.id}/${stage.path}`)
}
useShortcuts({ '[': () => go(here.value - 1), ']': () => go(here.value + 1), p: () => (printOpen.value = true) })
onKeyStroke(
  (e) => (e.ctrlKey || e.metaKey) && ['z', 'y', 'Z'].includes(e.key),
  (e) => {
    if (isTyping(e.target)) return
    e.preventDefault()
    void pair.move(e.key === 'z' && !e.shiftKey ? 'undo' : 'redo')
  },
)
useEventListener(window, 'pagehide', () => pair.saveOnLeaving())
onBeforeRouteLeave(() => pair.flush())
onBeforeUnmount(() => void pair.flush())

/** A stage carries the graver mark of both shoes, with what every flag is about. */
const flags = computed<Flag[][]>((before) =>
  asBefore(
    before,
    stages.map(({ path }) => {
      if (path === 'checks') return checkFlags(pair.calm?.checks ?? [], record.verdicts)
      return pair.calm ? stageFlags(pair.calm, path) : []
    }),
  ),
)
const levels = computed(() => flags.value.map((list) => worstOf(list.map((f) => f.level))))
/** Where the stages do not all fit, the one that is looked at is among those that are seen. */
watch(
  // A mark that comes makes its stage wider.
  [here, nav, () => levels.value.join()],
  () =>
    // With the next picture, when the page is laid out anyway.
    requestAnimationFrame(() => {
      const [list, link] = [nav.value, nav.value?.querySelector<HTMLElement>('.here')]
      if (list && link) list.scrollLeft = link.offsetLeft + link.offsetWidth / 2 - list.clientWidth / 2
    }),
  { flush: 'post' },
)
/** What this stage says of the shoe that is not shown: nothing else on the page does. */
const otherShoe = computed(() =>
  (stages[here.value]?.path === 'checks' ? [] : (flags.value[here.value] ?? [])).filter(
    (f) => f.foot !== null && f.foot !== pair.foot,
  ),
)

/** A stop on the base pattern stands before all that is derived from it. */
const patternStop = computed(() => {
  if (here.value <= stages.findIndex((s) => s.path === 'upper')) return null
  return pair.calmPlan?.upper.findings.find((f) => f.level === 'stop') ?? null
})
const canUndo = computed(() => pair.dirty || (pair.view?.canUndo ?? false))
const saveWord = computed(() =>
  pair.saveProblem ? 'not saved' : pair.saving || pair.dirty ? 'saving …' : `revision ${pair.view?.revision ?? ''}`,
)
</script>

<template>
  <RoomState :loading="pair.view === null" :problem="pair.loadProblem" what="The pair" @retry="pair.load(id)">
    <div class="pair" :data-pair="pair.view?.id">
      <header>
        <div class="title">
          <h1>{{ pair.label?.name }}</h1>
          <p class="soft figure">
            {{ pair.label?.order }} · <span data-testid="save-state" aria-live="polite">{{ saveWord }}</span>
          </p>
        </div>
        <nav ref="nav" class="stages" aria-label="Stages of the pair">
          <RouterLink
            v-for="(stage, i) in stages"
            :key="stage.path"
            :to="`/pairs/${id}/${stage.path}`"
            class="stage"
            :class="{ here: i === here }"
            :aria-current="i === here ? 'step' : undefined"
          >
            <span>{{ stage.name }}</span>
            <NTooltip v-if="levels[i] !== 'fine'" :style="{ maxWidth: '420px' }">
              <template #trigger>
                <span><LevelMark :level="levels[i]!" :size="18" quiet /></span>
              </template>
              <ul class="flags">
                <li v-for="f in flags[i]!.slice(0, MOST_FLAGS)" :key="f.id">{{ said(f) }}</li>
                <li v-if="flags[i]!.length > MOST_FLAGS">and {{ flags[i]!.length - MOST_FLAGS }} more</li>
              </ul>
            </NTooltip>
          </RouterLink>
        </nav>
        <ChoiceBar
          v-if="pair.whole?.left"
          label="Shoe that is shown"
          class="foot"
          :options="feet"
          :value="pair.foot"
          @choose="pair.foot = $event"
        />
        <div class="tools">
          <NButton class="icon" aria-label="Undo" :disabled="!canUndo" @click="pair.move('undo')">
            <IconArrowBackUp :size="24" aria-hidden="true" />
          </NButton>
          <NButton
            class="icon"
            aria-label="Redo"
            :disabled="!pair.view?.canRedo || pair.dirty"
            @click="pair.move('redo')"
          >
            <IconArrowForwardUp :size="24" aria-hidden="true" />
          </NButton>
          <NButton type="primary" aria-label="Print and files" @click="printOpen = true">
            <IconPrinter :size="22" aria-hidden="true" /> Print
          </NButton>
        </div>
      </header>
      <div v-if="pair.saveProblem" class="bar stop" role="alert">
        <span>{{ pair.saveProblem }}</span>
        <NButton @click="pair.flush()">Save again</NButton>
      </div>
      <div v-if="pair.planProblem" class="bar stop" role="alert">
        <span>{{ pair.planProblem }} The drawing still shows the last plan that worked.</span>
        <NButton :disabled="!canUndo" @click="pair.move('undo')">Undo</NButton>
      </div>
      <div v-if="patternStop" class="bar stop" role="status">
        <span>The base pattern is not right yet: {{ tell(patternStop.sentence) }} All that follows inherits it.</span>
        <ButtonLink :to="`/pairs/${id}/upper`">To the upper</ButtonLink>
      </div>
      <div v-if="otherShoe[0]" class="bar" :class="otherShoe[0].level" role="status" data-testid="other-shoe">
        <span>
          {{ said(otherShoe[0]) }}
          <template v-if="otherShoe.length > 1">And {{ otherShoe.length - 1 }} more there.</template>
        </span>
        <NButton @click="pair.foot = otherShoe[0].foot ?? 'right'"> Show the {{ otherShoe[0].foot }} shoe </NButton>
      </div>
      <div v-if="record.record?.givenUp" class="bar watch" role="status" data-testid="given-up">
        <span><strong>This pair was given up.</strong> {{ record.record.givenUp.reason }}</span>
        <ButtonLink :to="`/pairs/${id}/checks/back`">What it cost</ButtonLink>
      </div>
      <div v-if="made.remake.length > 0" class="bar watch" role="status" data-testid="remake">
        <span>
          <strong
            >{{ made.remake.length === 1 ? 'One thing' : `${made.remake.length} things` }} made before
            {{ made.remake.length === 1 ? 'is' : 'are' }} of no use any more.</strong
          >
          <template v-if="remakeOpen">
            <span v-for="r in made.remake" :key="r.part" class="remade">
              {{ r.name }} ({{ r.how.join(', ') }} at revision {{ r.revision }}){{
                r.gone
                  ? ': not in the plan any more'
                  : r.spoilt
                    ? `: make it again, because ${r.spoilt}`
                    : ': make it again'
              }}.
            </span>
          </template>
        </span>
        <NButton :aria-expanded="remakeOpen" @click="remakeOpen = !remakeOpen">
          {{ remakeOpen ? 'Hide the list' : 'Show the list' }}
        </NButton>
      </div>
      <div class="work"><RouterView /></div>
    </div>
    <ConflictDialog />
    <PrintDialog v-model:open="printOpen" />
  </RoomState>
</template>

<style scoped>
.flags {
  margin: 0;
  padding-left: 18px;
}
.pair {
  display: flex;
  flex-direction: column;
  height: 100%;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 24px;
  align-items: center;
  padding: 10px 20px;
  border-bottom: 1px solid var(--line);
  background: var(--raised);
}
.title h1 {
  font-size: 22px;
}
.title p {
  font-size: 15px;
}
.stages {
  display: flex;
  gap: 4px;
  flex: 1 1 auto;
  counter-reset: stage;
}
.stage {
  counter-increment: stage;
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 46px;
  padding: 0 14px;
  border-radius: 10px;
  text-decoration: none;
}
.stage::before {
  content: counter(stage);
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 1.5px solid var(--soft);
  border-radius: 50%;
  font-size: 14px;
  font-weight: 600;
}
.stage:hover {
  background: var(--action-soft);
}
.stage.here {
  background: var(--action-soft);
  font-weight: 600;
  box-shadow: inset 0 -3px 0 var(--action);
}
.tools {
  display: flex;
  gap: 8px;
}
@media (max-width: 1500px) {
  header {
    column-gap: 12px;
  }
  .title {
    max-width: 150px;
  }
  .title h1 {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .stages {
    position: relative;
    margin-left: 4px;
    gap: 2px;
  }
  .stage {
    gap: 3px;
    padding: 0 7px;
  }
  .stage::before {
    display: none;
  }
}
/* Where all does not fit in one row there are two: what the pair is and its tools, and below them the stages. */
@media (max-width: 1100px) {
  header {
    gap: 8px 16px;
    padding: 8px 12px;
  }
  .title {
    flex: 1 1 120px;
    min-width: 0;
    max-width: none;
  }
  .stages {
    order: 1;
    flex: 1 1 100%;
    overflow-x: auto;
  }
  .stage {
    flex: 1 0 auto;
    justify-content: center;
  }
}
@media (max-width: 599px) {
  .bar {
    flex-wrap: wrap;
    padding: 8px 12px;
  }
}
.bar {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
  padding: 8px 20px;
}
.bar.watch {
  background: var(--watch-soft);
}
.remade {
  display: block;
}
.bar.stop {
  background: var(--stop-soft);
  color: var(--stop);
}
.work {
  flex: 1;
  min-height: 0;
}
</style>

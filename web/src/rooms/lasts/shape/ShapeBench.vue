<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { BottomTracing, LastMeasures, LastShape } from '@gentle-awl/core'
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import TracingDrawing from '../../../drawing/TracingDrawing.vue'
import BecausePanel from '../../../ui/BecausePanel.vue'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import FindingItem from '../../../ui/FindingItem.vue'
import { showLength, tell } from '../../../app/settings.ts'
import LastViewer from '../../../viewer/LastViewer.vue'
import { outOfRange, START } from './figures.ts'
import { unread } from '../../../ui/unread.ts'
import { lastBench } from '../../../workers/last/lastBench.ts'
import type { BuiltLast, TracedBottomView } from '../../../workers/last/lastWorker.ts'
import MeasureFields from './MeasureFields.vue'
import TracingFields from './TracingFields.vue'

type Drawn = Exclude<LastShape, { kind: 'kept' }>
/** A last by its figures, or by its figures over a traced bottom; built as it is typed. */
const props = defineProps<{
  start: Drawn | 'measures' | 'traced'
  title: string
  busy?: boolean
  refused?: string
  heading?: boolean
  /** Figures that follow from something else on this page. */
  given?: Partial<LastMeasures> | undefined
}>()
const emit = defineEmits<{ keep: [shape: Drawn] }>()

const kind = typeof props.start === 'string' ? props.start : props.start.kind
const measures = shallowRef<LastMeasures>(typeof props.start === 'string' ? START : props.start.measures)
// What follows from a foot goes into the fields; the others stay as they are.
watch(
  () => props.given,
  (given) => {
    if (given) measures.value = { ...measures.value, ...given }
  },
)
const tracing = shallowRef<BottomTracing | null>(
  typeof props.start !== 'string' && props.start.kind === 'traced' ? props.start.tracing : null,
)
const built = shallowRef<BuiltLast | null>(null)
const traced = shallowRef<TracedBottomView | null>(null)
const problem = ref('')
const wrongField = ref<string | null>(null)
const working = ref(false)
const view = ref<'3d' | 'outline'>(kind === 'traced' ? 'outline' : '3d')
const ready = shallowRef<Drawn | null>(null)
// What a tracing measures by itself is not asked for.
const without = kind === 'traced' ? ['length', 'seatWidth', 'waistWidth', 'jointWidth'] : []

let asked = 0
async function build(): Promise<void> {
  const mine = ++asked
  const outside = outOfRange(measures.value)
  ready.value = null
  if (outside) {
    problem.value = outside.problem
    wrongField.value = outside.field
    working.value = false
    return
  }
  wrongField.value = null
  let shape: Drawn = { kind: 'measures', measures: measures.value }
  working.value = true
  if (kind === 'traced') {
    if (!tracing.value) {
      problem.value = ''
      working.value = false
      return
    }
    const draft: Extract<LastShape, { kind: 'traced' }> = {
      kind: 'traced',
      measures: measures.value,
      tracing: tracing.value,
    }
    const answer = await lastBench().tracing(draft)
    if (mine !== asked) return
    if (answer.value === null) {
      problem.value = tell(answer.problem)
      working.value = false
      return
    }
    traced.value = answer.value
    shape = { ...draft, measures: answer.value.measures }
  }
  const answer = await lastBench().build({ shape, buildUps: [] })
  if (mine !== asked) return
  working.value = false
  problem.value = tell(answer.problem ?? '')
  if (answer.value) {
    built.value = answer.value
    ready.value = shape
  }
}
const soon = useDebounceFn(build, 220)
watch([measures, tracing], () => {
  // What was built, or is being built, is no longer what stands in the fields: it must not be kept.
  asked++
  ready.value = null
  working.value = true
  void soon()
})
void build()

const loops = computed(() =>
  built.value
    ? (['joint', 'waist', 'instep'] as const).map((s, i) => ({
        points: built.value?.readings.tapes[s] ?? [],
        colour: ['#e6b355', '#8fd0e8', '#a7d99b'][i]!,
        width: 3,
      }))
    : [],
)
const views = [
  { value: 'outline', name: 'Tracing' },
  { value: '3d', name: '3D' },
] as const
const form = ref<HTMLElement | null>(null)
function keep(): void {
  if (unread(form.value)) return
  if (ready.value) emit('keep', ready.value)
}
</script>

<template>
  <div class="work-and-panel">
    <div class="slate-place">
      <h1 v-if="heading" class="visually-hidden">{{ title }}</h1>
      <TracingDrawing v-if="view === 'outline'" :read="traced?.read ?? null" />
      <div v-else class="place">
        <LastViewer v-if="built" :surface="built.surface" :loops="loops" :label="title" />
        <p v-else class="chalk" role="status">{{ problem || 'Building the last …' }}</p>
      </div>
      <div v-if="kind === 'traced'" class="corner-choice">
        <ChoiceBar label="Show" :options="views" :value="view" @choose="view = $event" />
      </div>
    </div>
    <BecausePanel :title="title">
      <form ref="form" class="form" novalidate @submit.prevent="keep">
        <slot />
        <TracingFields v-if="kind === 'traced'" v-model="tracing" :view="traced" />
        <MeasureFields v-model="measures" :wrong="wrongField" :without="without" />
        <p v-if="problem || refused" class="wrong" role="alert">{{ problem || refused }}</p>
        <template v-else-if="built">
          <p class="soft">
            Short heel girth reads {{ showLength(built.readings.girths.heel) }}, back comes in
            {{ showLength(built.readings.backGrip) }}.
          </p>
          <ul class="findings" aria-label="Checks">
            <FindingItem v-for="f in built.readings.findings" :key="f.id" :finding="f" />
          </ul>
        </template>
        <NButton type="primary" attr-type="submit" :disabled="!ready || working || busy">
          {{ working ? 'Building …' : busy ? 'Keeping …' : 'Keep this last' }}
        </NButton>
      </form>
    </BecausePanel>
  </div>
</template>

<style scoped>
.place {
  height: 100%;
}
.chalk {
  padding: 40px;
  color: var(--chalk);
}
.form {
  display: grid;
  gap: 14px;
  margin-top: 12px;
}
.findings {
  display: grid;
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>

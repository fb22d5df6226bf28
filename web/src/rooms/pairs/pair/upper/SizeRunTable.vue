<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import {
  boxOf,
  gradeLabels,
  gradeNames,
  type Grade,
  type GradedUpper,
  type GradeName,
  type Path,
  type Point,
} from '@gentle-awl/core'
import { computed, onBeforeUnmount, ref, shallowRef, watch, watchEffect } from 'vue'
import { showLength, tell } from '../../../../app/settings.ts'
import { pathData } from '../../../../drawing/svgPath.ts'
import SlateLabel from '../../../../drawing/SlateLabel.vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { closed, useLabels } from '../../../../drawing/useLabels.ts'
import { useSlate } from '../../../../drawing/useSlate.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { gradedOf } from '../../../../workers/plan/planner.ts'
import { inRows } from './rows.ts'
import FigureField from '../../../../ui/FigureField.vue'
import SelectField from '../../../../ui/SelectField.vue'

/** All pieces through a size run, the sizes of each nested into one another on their common point. */
const pair = usePair()
/** Width to height of the place that the rows are laid into. */
const aspect = ref(2)
const name = ref<GradeName>('paris')
const heel = ref<Grade['heel']>('kept')
const down = ref(2)
const up = ref(2)
const run = shallowRef<GradedUpper[]>([])
const progress = ref<{ done: number; all: number } | null>(null)
let asked = 0

async function grade(): Promise<void> {
  const input = pair.input
  if (!input) return
  const mine = ++asked
  const steps = Array.from({ length: down.value + up.value + 1 }, (_, i) => i - down.value)
  run.value = []
  progress.value = { done: 0, all: steps.length }
  for (const [i, sizes] of steps.entries()) {
    const answer = await gradedOf(input, sizes, name.value, heel.value)
    // Stopped, or asked anew, while this size was made.
    if (mine !== asked) return
    run.value = [...run.value, answer.value ?? { sizes, problem: answer.problem }]
    progress.value = { done: i + 1, all: steps.length }
  }
  progress.value = null
}
function stop(): void {
  asked++
  progress.value = null
}
onBeforeUnmount(stop)
// A run of an older design would be a lie.
watch(
  () => pair.decisions,
  () => {
    stop()
    run.value = []
  },
)

type Made = Extract<GradedUpper, { problem: null }>
const made = computed(() => run.value.filter((r): r is Made => r.problem === null))
const problems = computed(() => run.value.filter((r): r is Exclude<GradedUpper, Made> => r.problem !== null))
/** Pieces side by side, each in the box of its largest size. */
const nests = computed(() => {
  const pieces = (made.value[0]?.pieces ?? []).map(({ id, name }) => {
    const sizes = made.value.flatMap((g) =>
      g.pieces.filter((p) => p.id === id).map(({ outline }) => ({ sizes: g.sizes, outline })),
    )
    return { id, name, sizes, box: boxOf(...sizes.map((o) => o.outline)) }
  })
  const { moves, width, height } = inRows(
    pieces.map((p) => p.box),
    aspect.value,
  )
  const placed = pieces.map(({ id, name, sizes, box }, i) => {
    const { dx, dy } = moves[i]!
    const shift = (path: Path): Path => path.map(([x, y]): Point => [x + dx, y + dy])
    return {
      id,
      name,
      at: [(box.minX + box.maxX) / 2 + dx, (box.minY + box.maxY) / 2 + dy] as Point,
      outlines: sizes.map((o) => ({ sizes: o.sizes, path: shift(o.outline) })),
    }
  })
  return { placed, width, height }
})
const world = computed(() => ({ minX: 0, minY: -nests.value.height, maxX: nests.value.width, maxY: 0 }))
const view = useSlate(world, { left: 10, right: 10, top: 84, bottom: 62 })
watchEffect(() => {
  const { width, height } = view
  if (height.value > 0) aspect.value = width.value / Math.max(200, height.value - 150)
})
const labels = useLabels(
  view,
  computed(() =>
    nests.value.placed.map((n) => ({
      key: n.id,
      lines: [n.name],
      size: 15,
      at: n.at,
      names: n.outlines[n.outlines.length - 1]!.path,
    })),
  ),
  computed(() => nests.value.placed.flatMap((n) => n.outlines.map((o) => closed(o.path)))),
)
</script>

<template>
  <SlateSurface
    :slate="view"
    :label="made.length ? `${made.length} sizes of ${nests.placed.length} pieces, nested` : 'No size run yet'"
  >
    <template #mm>
      <template v-for="n in nests.placed" :key="n.id">
        <path
          v-for="o in n.outlines"
          :key="o.sizes"
          :d="pathData(o.path, true)"
          :class="{ base: o.sizes === 0 }"
          :style="{ strokeOpacity: o.sizes === 0 ? 1 : 0.75 - 0.08 * Math.abs(o.sizes) }"
        />
      </template>
    </template>
    <SlateLabel v-for="l in labels" :key="l.place.key" v-bind="l" />
    <template #over>
      <div class="form">
        <SelectField
          label="Grade"
          name="grade"
          :value="name"
          :options="gradeNames.map((g) => ({ value: g, name: gradeLabels[g] }))"
          @choose="name = $event"
        />
        <SelectField
          label="Heel"
          name="grade-heel"
          :value="heel"
          :options="[
            { value: 'kept', name: 'kept' },
            { value: 'with the length', name: 'with the length' },
          ]"
          @choose="heel = $event"
        />
        <label
          ><span>Down</span
          ><FigureField :value="down" name="grade-down" whole :min="0" :max="6" @change="down = $event ?? down"
        /></label>
        <label
          ><span>Up</span><FigureField :value="up" name="grade-up" whole :min="0" :max="6" @change="up = $event ?? up"
        /></label>
        <NButton type="primary" v-if="!progress" @click="grade">Grade the upper</NButton>
        <template v-else>
          <NProgress
            type="line"
            :percentage="Math.round((100 * progress.done) / progress.all)"
            :aria-label="`Size ${progress.done} of ${progress.all}`"
          />
          <NButton @click="stop">Stop</NButton>
        </template>
      </div>
      <p v-if="made.length > 0" class="said" role="status">
        {{ made.length }} sizes, lasts of {{ showLength(made[0]!.length, 0) }} to
        {{ showLength(made[made.length - 1]!.length, 0) }}
      </p>
      <ul v-if="problems.length > 0" class="problems" role="alert">
        <li v-for="p in problems" :key="p.sizes">{{ p.sizes > 0 ? `+${p.sizes}` : p.sizes }}: {{ tell(p.problem) }}</li>
      </ul>
    </template>
    <template #tools><slot /></template>
  </SlateSurface>
</template>

<style scoped>
path {
  stroke: #8fd0e8;
  stroke-width: 1.2;
}
path.base {
  stroke: #eef2ee;
  stroke-width: 2.2;
}
.form {
  position: absolute;
  left: 14px;
  top: 10px;
  right: 14px;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  color: #eef2ee;
}
.form label {
  display: grid;
  gap: 2px;
  font-size: 15px;
}
.said {
  position: absolute;
  right: 14px;
  bottom: 16px;
  color: #eef2ee;
}
.problems {
  position: absolute;
  right: 14px;
  top: 80px;
  max-width: 360px;
  margin: 0;
  padding: 8px 12px;
  border-radius: 8px;
  background: #1b282f;
  color: #f0939b;
  list-style: none;
}
</style>

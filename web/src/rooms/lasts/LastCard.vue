<script setup lang="ts">
import {
  backCurve,
  featherLine,
  ridgeAndToe,
  wallPoint,
  type Last,
  type LastSurface,
  type Vec3,
} from '@gentle-awl/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { PairRow, Stored } from '../../api/client.ts'
import { showLength } from '../../app/settings.ts'
import { pathData } from '../../drawing/svgPath.ts'
import { surfaceOf } from '../../plan/planner.ts'

/** A last on the shelf: drawn from the lateral side and from below, with what a maker looks for first. */
const props = defineProps<{ last: Stored<Last>; pairs: PairRow[] }>()
defineEmits<{ change: [] }>()
const surface = shallowRef<LastSurface | null>(null)
const problem = ref('')

onMounted(async () => {
  const answer = await surfaceOf(JSON.parse(JSON.stringify(props.last.measures)))
  if (answer.problem) problem.value = answer.problem
  else surface.value = answer.surface
})

const side = (p: Vec3) => [p[0], p[2]] as const
const below = (p: Vec3) => [p[0], -p[1]] as const
const profile = computed(() => {
  const s = surface.value
  if (!s) return ''
  const rim = Array.from({ length: s.coneColumn + 1 }, (_, i) => wallPoint(s, 'lateral', i, s.rows - 1))
  const bottom = featherLine(s, 'lateral').reverse()
  return pathData([...backCurve(s), ...rim, ...ridgeAndToe(s), ...bottom].map(side), true)
})
const sole = computed(() => {
  const s = surface.value
  if (!s) return ''
  return pathData([...featherLine(s, 'lateral'), ...featherLine(s, 'medial').reverse()].map(below), true)
})
const box = computed(() => {
  const m = props.last.measures
  const top = m.heelHeight + m.coneHeight
  return `-6 ${-top - 6} ${m.length + 12} ${top + m.jointWidth + 34}`
})
const facts = computed(() => {
  const m = props.last.measures
  return [
    ['Length', m.length],
    ['Heel', m.heelHeight],
    ['Joint girth', m.jointGirth],
    ['Waist girth', m.waistGirth],
    ['Instep girth', m.instepGirth],
    ['Joint width', m.jointWidth],
  ] as [string, number][]
})
</script>

<template>
  <article class="last card">
    <div class="picture on-slate">
      <svg v-if="surface" :viewBox="box" role="img" :aria-label="`${last.name} from the lateral side and from below`">
        <line :x1="0" :x2="last.measures.length" y1="0" y2="0" class="ground" />
        <path :d="profile" class="wood" />
        <path :d="sole" class="wood" :transform="`translate(0 ${last.measures.jointWidth / 2 + 22})`" />
      </svg>
      <p v-else class="chalk">{{ problem || 'Building …' }}</p>
    </div>
    <div class="words">
      <h2>{{ last.name }}</h2>
      <p class="soft">{{ last.note }}</p>
      <dl>
        <div v-for="[name, value] in facts" :key="name">
          <dt>{{ name }}</dt>
          <dd class="figure">{{ showLength(value, 0) }}</dd>
        </div>
      </dl>
      <p class="soft">
        {{ pairs.length === 0 ? 'No pair on it.' : `Pairs: ${pairs.map((p) => p.label.order).join(', ')}` }}
      </p>
      <button class="button" type="button" @click="$emit('change')">Change {{ last.name }}</button>
    </div>
  </article>
</template>

<style scoped>
.last {
  display: grid;
  grid-template-rows: 200px auto;
  overflow: hidden;
}
.picture {
  display: grid;
  place-items: center;
  padding: 12px 18px;
  background: var(--slate);
}
svg {
  width: 100%;
  height: 176px;
}
.wood {
  fill: #d8b787;
  stroke: #f1ddbd;
  stroke-width: 1.4;
}
.ground {
  stroke: #7d9199;
  stroke-dasharray: 4 4;
}
.chalk {
  color: var(--chalk);
}
.words {
  display: grid;
  grid-template-rows: auto auto 1fr auto auto;
  gap: 8px;
  padding: 14px 18px 18px;
}
dl {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  align-content: start;
  gap: 8px 12px;
  margin: 0;
}
dt {
  font-size: 15px;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
}
</style>

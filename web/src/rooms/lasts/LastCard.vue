<script setup lang="ts">
import { holdOn, type LastHold, type ShelfLast } from '@gentle-awl/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { type PairName, type Stored } from '../../api/client.ts'
import { showLength, tell } from '../../app/settings.ts'
import { pathData } from '../../drawing/svgPath.ts'
import { sayDay, today } from './days.ts'
import { builtLast } from '../../workers/last/lastBench.ts'
import type { BuiltLast } from '../../workers/last/lastWorker.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import { lastPicture } from '../../viewer/lastPicture.ts'
import { useAttempt } from '../../app/useAttempt.ts'

/** A last on the shelf: how it looks, what a maker asks for first, where it stands and who has it. */
const props = defineProps<{ last: Stored<ShelfLast>; pairs: PairName[]; holds: Stored<LastHold>[] }>()
const workshop = useWorkshop()
const built = shallowRef<BuiltLast | null>(null)
const picture = ref<string | null>(null)
const { problem, attempt } = useAttempt()

async function build(): Promise<void> {
  const whole = await wholeOrProblem()
  if (!whole) return
  const answer = await builtLast(whole)
  problem.value = tell(answer.problem ?? '')
  built.value = answer.value
  if (answer.value) picture.value = lastPicture(`${props.last.id}.${props.last.version}`, answer.value.surface)
}
/** The last with its surface; null, with the reason shown, when it cannot be had. */
async function wholeOrProblem() {
  return (await attempt(() => workshop.wholeLast(props.last.id))) ?? null
}
onMounted(build)
watch(() => props.last.version, build)

/** Without 3D the last is drawn from the side. */
const profile = computed(() => {
  const outline = built.value?.side.lines.find((l) => l.kind === 'outline')
  return outline ? pathData(outline.path, true) : ''
})
const facts = computed(() => {
  const r = built.value?.readings
  if (!r) return []
  return [
    ['Length', r.length],
    ['Heel', r.heelHeight],
    ['Joint girth', r.girths.joint],
    ['Waist girth', r.girths.waist],
    ['Instep girth', r.girths.instep],
    ['Joint width', r.widths.joint],
  ] as [string, number][]
})
const where = computed(() => {
  const { number, feet, count, place } = props.last.stock
  const what = feet === 'pair' ? (count === 1 ? 'one pair' : `${count} pairs`) : `${feet} last only`
  return [number ? `No. ${number}` : '', what, place].filter((s) => s !== '').join(' · ')
})
const made = computed(() => {
  const { shape } = props.last
  if (shape.kind === 'measures') return ''
  if (shape.kind === 'traced') return 'from a tracing'
  return shape.origin.from === 'scan' ? 'from a scan' : 'graded'
})
const use = computed(() => {
  const hold = holdOn(props.holds, today())
  if (!hold) return 'On its shelf.'
  const pair = props.pairs.find((p) => p.id === hold.pairId)
  const by = pair ? `pair ${pair.order}` : hold.note || 'someone'
  return hold.until ? `In use by ${by} until ${sayDay(hold.until)}.` : `In use by ${by}, end not known.`
})
</script>

<template>
  <RouterLink class="last card" :to="`/lasts/${last.id}/measure`" :aria-label="last.name">
    <div class="picture on-slate">
      <img v-if="picture" :src="picture" alt="" />
      <svg v-else-if="built" :viewBox="`-6 -150 ${built.surface.length + 12} 160`" aria-hidden="true">
        <path :d="profile" class="wood" />
      </svg>
      <p v-else class="chalk">{{ problem || 'Building …' }}</p>
    </div>
    <div class="words">
      <div class="name">
        <h2>{{ last.name }}</h2>
        <span v-if="made" class="soft">{{ made }}</span>
      </div>
      <dl>
        <div v-for="[name, value] in facts" :key="name">
          <dt>{{ name }}</dt>
          <dd class="figure">{{ showLength(value, 0) }}</dd>
        </div>
      </dl>
      <p>{{ where }}</p>
      <p class="soft">
        {{ use }} {{ pairs.length === 0 ? 'No pair on it.' : `Pairs: ${pairs.map((p) => p.order).join(', ')}.` }}
      </p>
    </div>
  </RouterLink>
</template>

<style scoped>
.last {
  display: grid;
  grid-template-rows: 190px auto;
  overflow: hidden;
  text-decoration: none;
}
.last:hover {
  border-color: var(--action);
}
.picture {
  display: grid;
  place-items: center;
  overflow: hidden;
  /* As in the picture itself, by day and by evening. */
  background: #22323a;
}
img {
  width: 100%;
  height: 190px;
  object-fit: contain;
}
svg {
  width: 90%;
  height: 170px;
}
.wood {
  fill: #d8b787;
  stroke: #f1ddbd;
}
.chalk {
  padding: 16px;
  color: var(--chalk);
}
.words {
  display: grid;
  align-content: start;
  gap: 8px;
  padding: 14px 18px 18px;
}
.name {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 10px;
}
dl {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px 12px;
  margin: 0;
}
dt {
  font-size: 15px;
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
  font-size: 19px;
}
</style>

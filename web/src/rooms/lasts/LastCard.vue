<script setup lang="ts">
import { holdOn, type LastHold, type ShelfLast } from '@gentle-awl/core'
import { computed, shallowRef } from 'vue'
import { type Stored } from '../../api/ask.ts'
import { type PairName } from '../../api/client.ts'
import { showLength } from '../../app/settings.ts'
import { sayDay, today } from './days.ts'
import type { BuiltLast } from '../../workers/last/lastWorker.ts'
import LastPicture from '../../viewer/LastPicture.vue'

/** A last on the shelf: how it looks, what a maker asks for first, where it stands and who has it. */
const props = defineProps<{ last: Stored<ShelfLast>; pairs: PairName[]; holds: Stored<LastHold>[] }>()
const built = shallowRef<BuiltLast | null>(null)

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
      <LastPicture :last="last" @built="built = $event" />
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
  background: var(--slate);
}
.picture > img {
  width: 100%;
  height: 190px;
  object-fit: contain;
}
.picture > svg {
  width: 90%;
  height: 170px;
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

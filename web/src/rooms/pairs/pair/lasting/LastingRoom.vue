<script setup lang="ts">
import { NButton, NProgress, NTable } from 'naive-ui'
import { lastedNames, tackOrder, type LastedStrip } from '@gentle-awl/core'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { bareLength, inUnit, lengthWord, showLength } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import BecauseItem from '../../../../ui/BecauseItem.vue'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import { capital } from '../../../../ui/capital.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import FindingItem from '../../../../ui/FindingItem.vue'
import HouseChart from '../../../../ui/HouseChart.vue'
import { feet } from '../../../../ui/feet.ts'
import TackDrawing from './TackDrawing.vue'
import { useStripTacks } from './useStripTacks.ts'

/** How each thing is drawn over the last: its tacks in their order, the tucks that stay, the shrink along the feather line. */
const pair = usePair()
const route = useRoute()
const router = useRouter()
const lasting = computed(() => pair.plan?.lasting ?? null)
const strips = computed(() => lasting.value?.strips ?? [])
const strip = computed<LastedStrip | null>(
  () => strips.value.find((s) => s.id === route.params.strip) ?? strips.value.at(-1) ?? null,
)
const names = computed(() => strips.value.map(({ id }) => ({ value: id, name: lastedNames[id] })))
const choose = (id: string) => router.replace(`/pairs/${pair.view?.id}/lasting/${id}`)
const { feather, depth, said, driven, next, tick, back, clear } = useStripTacks(() => strip.value)
const line = (side: 'medial' | 'lateral') => {
  const places = lasting.value?.bends.filter((b) => b.side === side) ?? []
  return { name: capital(side), x: places.map((b) => inUnit(b.run)), y: places.map((b) => b.shrinks) }
}
const shrink = computed(() => [line('medial'), line('lateral')])
/** What stays between the tacks, by the trade's reckoning and by the simulated strip, from the heel forward. */
const tucks = computed(() =>
  (['medial', 'lateral'] as const).flatMap((side) => {
    const folds = (strip.value?.folds ?? []).filter((f) => f.side === side).sort((a, b) => a.x - b.x)
    const x = folds.map((f) => inUnit(f.x))
    // Where the reckoning leaves none anywhere, a line along the ground says nothing.
    const reckoned = folds.some((f) => f.tuck > 0)
    return [
      { name: `${capital(side)}, simulated`, x, y: folds.map((f) => inUnit(f.simulated)) },
      ...(reckoned ? [{ name: `${capital(side)}, reckoned`, x, y: folds.map((f) => inUnit(f.tuck)) }] : []),
    ]
  }),
)
/** A throat that is mirrored has its pattern moved over while it is lasted. */
const throat = computed(() =>
  pair.decisions?.upper.throat === 'mirrored'
    ? (pair.plan?.upper.findings.find((f) => f.id === 'upper.throat') ?? null)
    : null,
)
</script>

<template>
  <div v-if="lasting && strip" class="work-and-panel">
    <TackDrawing
      :feather="feather"
      :strip="strip"
      :name="lastedNames[strip.id]"
      :depth="depth"
      :foot="pair.foot"
      :driven="driven"
      :next="strip.isInside ? null : (next?.number ?? null)"
      :said="strip.isInside ? 'Held by the tacks of the upper.' : said"
      @tick="strip.isInside || tick($event)"
    >
      <template v-if="!strip.isInside">
        <NButton v-if="next" type="primary" size="large" @click="tick(next.number)"
          >Tack {{ next.number }} is in</NButton
        >
        <NButton v-else size="large" @click="clear">Begin anew</NButton>
        <NButton size="large" :disabled="driven.size === 0" @click="back">Take back</NButton>
      </template>
    </TackDrawing>
    <BecausePanel title="Lasting">
      <div class="head">
        <ChoiceBar label="What is lasted" :options="names" :value="strip.id" @choose="choose" />
        <ChoiceBar label="Shoe" :options="feet" :value="pair.foot" @choose="pair.foot = $event" />
        <NProgress
          v-if="!strip.isInside"
          type="line"
          :percentage="Math.round((100 * driven.size) / strip.tacks.length)"
          aria-label="Tacks that are in"
        />
        <p v-if="strip.isInside" class="soft" data-testid="inside">
          It lies between upper and lining when they are drawn down together, and their tacks hold it: it has none of
          its own. Numbered is where it would ask for them, to see where it folds.
        </p>
        <p v-else class="soft">{{ tackOrder(strip) }}</p>
      </div>
      <p v-for="id in lasting.pasted" :key="id" class="soft">
        {{ lastedNames[id] }}: too little of it lies flat under the insole to be tacked. It is pasted.
      </p>
      <h3>Checks</h3>
      <ul class="findings" aria-label="Checks">
        <FindingItem v-for="f in strip.findings" :key="f.id" :finding="f" />
      </ul>
      <h3>Along the feather line</h3>
      <NTable size="small" :bordered="false" class="zones">
        <thead>
          <tr>
            <th scope="col">Where</th>
            <th scope="col">Tacks</th>
            <th scope="col">Along it, {{ lengthWord }}</th>
            <th scope="col">Shrinks, {{ lengthWord }}</th>
            <th scope="col">Lies flat, {{ lengthWord }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="z in strip.zones" :key="`${z.zone} ${z.side}`">
            <th scope="row">{{ capital(z.zone) }}, {{ z.side }}</th>
            <td class="figure">{{ z.tacks }}</td>
            <td class="figure">{{ bareLength(z.run) }}</td>
            <td class="figure">{{ bareLength(z.surplus) }}</td>
            <td class="figure">{{ bareLength(Math.max(0, z.flat)) }}</td>
          </tr>
        </tbody>
      </NTable>
      <HouseChart
        :title="`Shrink of a strip ${showLength(lasting.flat)} inside the feather`"
        :x="{ title: 'Along it from the heel', unit: lengthWord }"
        :y="{ title: 'Must shrink', unit: '%' }"
        :lines="shrink"
      />
      <HouseChart
        title="Tucks that stay between the tacks"
        :x="{ title: 'From the heel on the last', unit: lengthWord }"
        :y="{ title: 'Tuck', unit: lengthWord }"
        :lines="tucks"
      />
      <template v-if="lasting.hold.length > 0 || throat">
        <h3>Held while it is pulled</h3>
        <ul class="reasons" aria-label="Held while it is pulled">
          <BecauseItem v-for="b in lasting.hold" :key="b.id" :because="b" />
        </ul>
        <ul v-if="throat" class="findings">
          <FindingItem :finding="throat" />
        </ul>
      </template>
      <h3>Because</h3>
      <ul class="reasons">
        <BecauseItem v-for="b in strip.becauses" :key="b.id" :because="b" />
      </ul>
    </BecausePanel>
  </div>
  <p v-else-if="lasting" class="wait">Nothing of this pair is turned under its insole: there is nothing to tack.</p>
  <p v-else class="wait" role="status">
    {{ pair.planProblem ? 'Nothing can be lasted until that is put right.' : 'Planning the lasting …' }}
  </p>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  justify-items: start;
  margin: 12px 0;
}
.head p {
  margin: 0;
}
.zones.n-table td,
.zones.n-table thead th:not(:first-child) {
  text-align: end;
}
</style>

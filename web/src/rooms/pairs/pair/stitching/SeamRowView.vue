<script setup lang="ts">
import { ruleOf, type Notions, type OwnSeam, type Part, type Piece, type Seam } from '@gentle-awl/core'
import { NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import { showLength, showThread, tell } from '../../../../app/settings.ts'
import { capital } from '../../../../ui/capital.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import SeamPieces from './SeamPieces.vue'
import { usePair } from '../../../../stores/pairStore.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import PunchingStrip from './PunchingStrip.vue'
import SeamSettings from './SeamSettings.vue'
import { knotWords, rowWords, settableOf, threadWords, toolWords } from './seamWords.ts'

/** One seam: its holes on the pieces that it joins, what it takes, and why. */
const props = defineProps<{
  seam: Seam
  pieces: readonly Piece[]
  parts: readonly Part[]
  notions: Notions
  own: OwnSeam | null
}>()
const emit = defineEmits<{ change: [own: Partial<OwnSeam>] }>()
const shows = [
  { value: 'pieces', name: 'On the pieces' },
  { value: 'strip', name: 'Punching strip' },
] as const
const show = ref<(typeof shows)[number]['value']>('pieces')
const pair = usePair()
const FOOT_OFF = 'seam.buttFootOff'
const buttOff = computed(() => pair.ruleInForce(FOOT_OFF))
const joined = computed(() => {
  const ids = [...new Set(props.seam.on.map((o) => o.piece))]
  const all = [...props.pieces, ...props.parts]
  return ids.flatMap((id) => {
    const found = all.find((p) => p.id === id)
    return found ? [{ id, name: found.name, outline: found.outline }] : []
  })
})
const figures = computed(() => {
  const s = props.seam
  const hand = s.way === 'hand'
  return [
    { name: 'Stitches in a row', value: String(s.stitches), rule: null },
    {
      name: 'Of one stitch',
      value: showLength(s.pitch, 2),
      rule:
        s.sewnWith === 'sole'
          ? null
          : s.kind === 'butt'
            ? 'seam.buttPitch'
            : hand
              ? 'upper.handPitch'
              : 'seam.machinePitch',
    },
    ...(s.sewnWith === 'sole'
      ? []
      : [
          {
            name: 'From the edge',
            value: showLength(s.fromEdge, 2),
            rule:
              s.kind === 'closed'
                ? 'upper.closedSeam'
                : s.kind === 'butt'
                  ? 'seam.buttFromEdge'
                  : hand
                    ? 'upper.stitchFromEdge'
                    : 'seam.machineFromEdge',
          },
        ]),
    {
      name: s.depth === null ? 'Leather sewn through' : 'Leather beside the joint',
      value: showLength(s.thickness, 2),
      rule: null,
    },
    ...(s.depth === null
      ? []
      : [{ name: 'The thread goes deep', value: showLength(s.depth, 2), rule: 'seam.buttDepth' }]),
    {
      name: !hand
        ? 'Thread, upper and lower'
        : s.stitch === 'two needles'
          ? 'Thread with two needles'
          : 'Thread with one needle',
      value: `${showThread(s.thread)}, ${(s.thread / s.length).toFixed(1)} ×`,
      rule: 'seam.threadMore',
    },
    {
      name: `Of ${threadWords(props.notions)}`,
      value: `tex ${Math.round(props.notions.tex)}`,
      rule: s.sewnWith === 'sole' ? 'seam.solePlies' : hand ? 'seam.linenPlies' : 'seam.machineTicket',
    },
    props.notions.needle === null
      ? { name: 'Awl', value: showLength(props.notions.awl ?? 0), rule: 'seam.awl' }
      : { name: 'Needle', value: `size ${props.notions.needle}`, rule: 'seam.needle' },
    ...(s.kind === 'butt'
      ? [{ name: 'Edges apart at the foot at most', value: showLength(buttOff.value), rule: 'seam.buttFootOff' }]
      : []),
  ].map((f) => ({ ...f, why: f.rule === null ? '' : tell(ruleOf(f.rule)?.why ?? '') }))
})
</script>

<template>
  <div class="work-and-panel">
    <PunchingStrip v-if="show === 'strip' && seam.way === 'hand'" :seam="seam">
      <ChoiceBar label="Show" :options="shows" :value="show" @choose="show = $event" />
    </PunchingStrip>
    <SeamPieces v-else :seam="seam" :pieces="joined">
      <ChoiceBar v-if="seam.way === 'hand'" label="Show" :options="shows" :value="show" @choose="show = $event" />
    </SeamPieces>
    <BecausePanel :title="seam.name">
      <p class="soft">{{ capital(rowWords(seam)) }}.</p>
      <NTable size="small" :bordered="false" class="figures">
        <tbody>
          <tr v-for="f in figures" :key="f.name">
            <td>
              {{ f.name }}
              <span v-if="f.why" class="soft why">{{ f.why }}</span>
            </td>
            <td class="figure">{{ f.value }}</td>
          </tr>
        </tbody>
      </NTable>
      <template v-if="seam.way === 'hand'">
        <p class="soft">{{ toolWords(seam) }} Wax the awl.</p>
        <p class="soft">{{ knotWords(seam) }}</p>
        <p v-if="seam.kind === 'butt'" class="soft">
          Sewn from the side away from the foot; its top ends meet exactly.
        </p>
      </template>
      <SeamSettings :seam="seam" :own="own" :settable="settableOf(seam)" @change="emit('change', $event)" />
    </BecausePanel>
  </div>
</template>

<style scoped>
.figures {
  margin: 8px 0 14px;
}
.why {
  display: block;
  font-size: 15px;
}
td.figure {
  white-space: nowrap;
  vertical-align: top;
  text-align: right;
}
</style>

<script setup lang="ts">
import { ruleOf, type Part, type Piece, type Seam } from '@gentle-awl/core'
import { NTable } from 'naive-ui'
import { computed } from 'vue'
import { showLength, showThread, tell } from '../../../../app/settings.ts'
import { capital } from '../../../../ui/capital.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import SeamPieces from './SeamPieces.vue'
import { rowWords } from './seamWords.ts'

/** One seam: its holes on the pieces that it joins, what it takes, and why. */
const props = defineProps<{ seam: Seam; pieces: readonly Piece[]; parts: readonly Part[] }>()
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
      rule: s.kind === 'butt' ? 'seam.buttPitch' : hand ? 'upper.handPitch' : 'seam.machinePitch',
    },
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
    {
      name: s.depth === null ? 'Leather sewn through' : 'Leather beside the joint',
      value: showLength(s.thickness, 2),
      rule: null,
    },
    ...(s.depth === null
      ? []
      : [{ name: 'The thread goes deep', value: showLength(s.depth, 2), rule: 'seam.buttDepth' }]),
    {
      name: hand ? 'Thread with two needles' : 'Thread, upper and lower',
      value: `${showThread(s.thread)}, ${(s.thread / s.length).toFixed(1)} ×`,
      rule: 'seam.threadMore',
    },
  ].map((f) => ({ ...f, why: f.rule === null ? '' : tell(ruleOf(f.rule)?.why ?? '') }))
})
</script>

<template>
  <div class="work-and-panel">
    <SeamPieces :seam="seam" :pieces="joined" />
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
      <p v-if="seam.way === 'hand'" class="soft">
        Back a punched piece with scrap leather, a closed upper with a shaped block. Wax the awl. End knots sit at the
        bottom edge, away from the foot.
      </p>
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

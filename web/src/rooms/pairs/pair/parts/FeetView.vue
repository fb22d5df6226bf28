<script setup lang="ts">
import { NTable } from 'naive-ui'
import { laidOn, type PartOfBoth, type Path, isPieceRecord } from '@gentle-awl/core'
import { computed } from 'vue'
import { bareLength, lengthUnit, showLength } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import FindingItem from '../../../../ui/FindingItem.vue'
import FeetOverlay from './FeetOverlay.vue'
import LeftShoeFields from './LeftShoeFields.vue'

/** Left against right: which parts are true mirrors, how far the others differ, and what is decided for the left shoe alone. */
const pair = usePair()
const whole = computed(() => pair.whole)

const pieceOf = (foot: 'right' | 'left', id: string) => {
  const plan = foot === 'left' ? whole.value?.left : whole.value
  const piece = plan?.upper.pieces.find((p) => `upper.${p.id}` === id)
  const part = plan?.parts.find((p) => p.id === id)
  // Decorated edges may have another number of teeth: pieces are laid on each other by their finished lines.
  return piece
    ? { outline: piece.outline, basis: piece.net }
    : part
      ? { outline: part.outline, basis: part.outline }
      : null
}
/** Both outlines, the left one laid on the right one as it fits best. */
function onEachOther(id: string): { right: Path | null; left: Path | null } {
  const [right, left] = [pieceOf('right', id), pieceOf('left', id)]
  return {
    right: right && right.outline,
    left: left && (right ? left.outline.map(laidOn(left.basis, right.basis)) : left.outline),
  }
}
const order: PartOfBoth['kind'][] = ['differs', 'right only', 'left only', 'marks differ', 'mirror']
const rows = computed(() =>
  [...(whole.value?.feet ?? [])]
    .sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind) || b.off - a.off)
    .map((f) => ({ ...f, ...onEachOther(f.id) })),
)
const apart = computed(() => rows.value.filter((r) => r.kind !== 'mirror'))
const mirrors = computed(() => rows.value.filter((r) => r.kind === 'mirror'))
const words: Record<Exclude<PartOfBoth['kind'], 'differs'>, string> = {
  'marks differ': 'one outline; lines or skives differ',
  'right only': 'in the right shoe only',
  'left only': 'in the left shoe only',
  mirror: 'true mirror',
}
const signed = (v: number) => (Math.abs(v) < 0.05 ? '0.0 %' : `${v > 0 ? '+' : '−'}${Math.abs(v).toFixed(1)} %`)
const to = (id: string) => `/pairs/${pair.view?.id}/${isPieceRecord(id) ? 'upper' : `parts/${id}`}`

/** What tape and rule read on both lasts. */
const readings = computed(() => {
  const [r, l] = [whole.value?.last, whole.value?.left?.last]
  if (!r || !l) return []
  return [
    { name: 'Length', right: r.length, left: l.length },
    { name: 'Joint girth', right: r.girths.joint, left: l.girths.joint },
    { name: 'Waist girth', right: r.girths.waist, left: l.girths.waist },
    { name: 'Instep girth', right: r.girths.instep, left: l.girths.instep },
    { name: 'Joint width', right: r.widths.joint, left: l.widths.joint },
    { name: 'Seat width', right: r.widths.seat, left: l.widths.seat },
    { name: 'Heel height', right: r.heelHeight, left: l.heelHeight },
    { name: 'Toe spring of the last', right: r.toeSpring, left: l.toeSpring },
  ]
})
const difference = (by: number) => `${by >= 0 ? '+' : '−'}${showLength(Math.abs(by))}`
</script>

<template>
  <div v-if="whole" class="work-and-panel">
    <div class="sheet" tabindex="0" role="region" aria-label="Parts of both feet">
      <p v-if="apart.length === 0" class="all">
        {{
          pair.decisions?.left
            ? 'The left shoe is planned on its own, but nothing differs yet: every part is a true mirror.'
            : 'Every part of the left shoe is the right one’s true mirror: one pattern, turned over, cuts both.'
        }}
      </p>
      <NTable size="small" :bordered="false" v-else class="feet">
        <caption>
          {{
            apart.length === 1 ? 'One part differs' : `${apart.length} parts differ`
          }}: an outline for each foot, right solid, left dashed
        </caption>
        <thead>
          <tr>
            <th scope="col">Right and left</th>
            <th scope="col">Part</th>
            <th scope="col" class="right">Apart at most</th>
            <th scope="col" class="right">Left’s area</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in apart" :key="r.id">
            <td><FeetOverlay :right="r.right" :left="r.left" /></td>
            <th scope="row">
              <RouterLink :to="to(r.id)">{{ r.name }}</RouterLink>
              <span v-if="r.kind !== 'differs'" class="soft how">{{ words[r.kind] }}</span>
            </th>
            <td class="figure right">{{ r.kind === 'differs' ? showLength(r.off) : '' }}</td>
            <td class="figure right">{{ r.kind === 'differs' ? signed(r.area) : '' }}</td>
          </tr>
        </tbody>
      </NTable>
      <template v-if="apart.length > 0 && mirrors.length > 0">
        <h2>True mirrors: one pattern, turned over</h2>
        <p class="mirrors">
          <template v-for="(m, i) in mirrors" :key="m.id"
            ><RouterLink :to="to(m.id)">{{ m.name }}</RouterLink
            >{{ i < mirrors.length - 1 ? ', ' : '.' }}
          </template>
        </p>
      </template>
    </div>
    <BecausePanel title="Both feet">
      <LeftShoeFields />
      <template v-if="whole.left">
        <h3>Checks</h3>
        <ul class="findings">
          <FindingItem v-for="f in whole.feetFindings" :key="f.id" :finding="f" />
        </ul>
        <h3>The two lasts</h3>
        <NTable size="small" :bordered="false" class="lasts">
          <thead>
            <tr>
              <th scope="col">Measure</th>
              <th scope="col" class="right">Right, {{ lengthUnit }}</th>
              <th scope="col" class="right">Left, {{ lengthUnit }}</th>
              <th scope="col" class="right">Left is</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in readings" :key="r.name">
              <th scope="row">{{ r.name }}</th>
              <td class="figure right">{{ bareLength(r.right) }}</td>
              <td class="figure right">{{ bareLength(r.left) }}</td>
              <td class="figure right">{{ difference(r.left - r.right) }}</td>
            </tr>
          </tbody>
        </NTable>
      </template>
    </BecausePanel>
  </div>
</template>

<style scoped>
.sheet {
  overflow: auto;
  min-width: 0;
  padding: 18px 22px;
}
.sheet:focus-visible {
  outline-offset: -3px;
}
.all {
  max-width: 46ch;
  font-size: 18px;
}
tbody th {
  font-weight: 600;
}
.feet caption {
  padding-bottom: 8px;
  font-weight: 600;
  text-align: left;
}
.how {
  display: block;
  font-weight: 400;
}
h2 {
  margin: 24px 0 6px;
}
.mirrors {
  max-width: 70ch;
  line-height: 1.9;
}
</style>

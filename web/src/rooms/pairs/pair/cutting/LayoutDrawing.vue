<script setup lang="ts">
import { boxOf, contains, distance, type LaidPlace, type LayGround, type Path, type Point } from '@gentle-awl/core'
import { computed, ref, useId } from 'vue'
import GroundShape from '../../../../drawing/GroundShape.vue'
import { groundLegend } from '../../../../drawing/groundLegend.ts'
import type { LegendLine } from '../../../../drawing/legendLine.ts'
import SlateLabel from '../../../../drawing/SlateLabel.vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import { widthOf } from '../../../../drawing/textWidth.ts'
import { closed, useLabels } from '../../../../drawing/useLabels.ts'
import { useSlate } from '../../../../drawing/useSlate.ts'
import { labelInside } from './labelInside.ts'
import type { LaidPiece } from './laidPieces.ts'

/**
 * Hides or a sheet with what was laid on them; of a straight sheet, the line behind which it is left over. A piece is pulled,
 * or moved and turned by keys.
 */
const props = defineProps<{
  label: string
  /** Each where it lies on the drawing, and how far that is from where it lies by itself. */
  grounds: readonly LayGround[]
  shifts: readonly Point[]
  /** It is cut off straight behind what is used. */
  straight: boolean
  pieces: readonly LaidPiece[]
  /** With which something is wrong. */
  wrong: ReadonlySet<number>
  reach: number
  /** A search is under way: nothing is moved meanwhile. */
  busy: boolean
}>()
const chosen = defineModel<string>('chosen', { required: true })
const emit = defineEmits<{
  hold: [piece: LaidPiece]
  move: [piece: LaidPiece, to: Partial<LaidPlace>, first: boolean, rests: boolean]
  turn: [piece: LaidPiece, by: number]
  pin: [piece: LaidPiece]
  letGo: []
}>()
/** So much of a long sheet is shown behind what is used, mm. */
const BEHIND = 60
const box = computed(() => boxOf(...props.grounds.map((g) => g.outline)))
// While a piece is pulled the drawing stays as it is.
const still = ref<{ minX: number; minY: number; maxX: number; maxY: number } | null>(null)
const world = computed(() => {
  if (still.value) return still.value
  const b = box.value
  const end = props.straight && props.reach > 0 ? Math.min(b.maxX, Math.max(props.reach, 0) + BEHIND) : b.maxX
  return { minX: b.minX - 10, minY: b.minY - 10, maxX: end + 10, maxY: b.maxY + 10 }
})
const slate = useSlate(world, { left: 60, right: 20, top: 20, bottom: 66 })
/** A name stands so far over the arrow, pixels. */
const OVER_ARROW = 20

const helpId = useId()
let pull: { key: string; from: Point; place: LaidPlace; moved: boolean } | null = null
/** Pixels that a finger shakes. */
const STILL = 4
function down(event: PointerEvent): void {
  if (props.busy || event.button !== 0) return
  const at = slate.place(event)
  // The one that was laid last lies on top.
  const piece = props.pieces.findLast((p) => contains(p.path, at))
  chosen.value = piece?.key ?? ''
  if (!piece) return
  pull = { key: piece.key, from: at, place: piece.place, moved: false }
  slate.held.value = true
  slate.surface.value?.setPointerCapture(event.pointerId)
}
/** The hide that a place of the drawing is on, or the one it was on. */
function groundAt(at: Point, otherwise: number): number {
  const found = props.grounds.findIndex((g) => {
    const b = boxOf(g.outline)
    return at[0] >= b.minX && at[0] <= b.maxX && at[1] >= b.minY && at[1] <= b.maxY
  })
  return found < 0 ? otherwise : found
}
function drag(event: PointerEvent): void {
  const p = pull
  const piece = p && props.pieces.find((q) => q.key === p.key)
  if (!p || !piece) return
  const at = slate.place(event)
  const first = !p.moved
  if (first) {
    if (distance(at, p.from) * slate.scale.value < STILL) return
    still.value = world.value
    emit('hold', piece)
    p.moved = true
  }
  const on = groundAt(at, piece.place.on)
  const [was, is] = [props.shifts[p.place.on]!, props.shifts[on]!]
  const x = p.place.x + was[0] - is[0] + at[0] - p.from[0]
  const y = p.place.y + was[1] - is[1] + at[1] - p.from[1]
  emit('move', piece, { x, y, on }, first, true)
}
function up(): void {
  slate.held.value = false
  if (pull?.moved) emit('letGo')
  pull = null
  still.value = null
}

const ARROWS: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }
const TURNS: Record<string, number> = { ',': 1, '.': -1, ';': 15, ':': -15, '<': 15, '>': -15 }
function keys(event: KeyboardEvent, piece: LaidPiece): void {
  if (props.busy || event.ctrlKey || event.metaKey || event.altKey) return
  const way = ARROWS[event.key]
  const by = TURNS[event.key]
  const pins = event.key.toLowerCase() === 'p'
  if (!way && by === undefined && !pins) return
  event.preventDefault()
  event.stopPropagation()
  if (way) {
    const far = event.shiftKey ? 10 : 1
    emit('move', piece, { x: piece.place.x + far * way[0], y: piece.place.y + far * way[1] }, true, true)
  } else if (by !== undefined) emit('turn', piece, by)
  else emit('pin', piece)
}
/** Of the names, px. */
const SIZE = 12
const LINE = 1.15
const boxFor = (lines: readonly string[]) => ({
  width: Math.max(...lines.map((l) => widthOf(l, SIZE))) + 6,
  height: lines.length * SIZE * LINE + 4,
})
/** So many pieces have a name beside them where there is no room within; of more, that would be a thicket. */
const FEW = 9
interface Within {
  lines: readonly string[]
  at: Point
}
/** What of a name has room in its piece, and where, counted from the piece's place: it goes along when the piece is moved. */
const known = new WeakMap<Path, Map<string, Within | null>>()
function within({ key, lines, path, middle, place, cut }: LaidPiece): Within | null {
  const scale = slate.scale.value
  const own = known.get(cut.outline) ?? new Map<string, Within | null>()
  known.set(cut.outline, own)
  if (own.size > 200) own.clear()
  const where = `${key} ${place.rotation} ${place.on} ${scale.toFixed(3)}`
  let found = own.get(where)
  if (found !== undefined) return found
  found = null
  // All of it, or its name alone, or the first word of that.
  for (const some of [lines, [lines[0]!], [lines[0]!.split(/[\s,]/)[0]!]]) {
    const { width, height } = boxFor(some)
    const at = labelInside(path, { width: width / scale, height: height / scale }, middle)
    if (!at) continue
    found = { lines: some, at: [at[0] - place.x, at[1] - place.y] }
    break
  }
  own.set(where, found)
  return found
}
const named = computed(() => props.pieces.map((piece) => ({ piece, own: within(piece) })))
const inside = computed(() =>
  named.value.flatMap(({ piece: { key, place }, own }) => {
    if (!own) return []
    const [x, y] = [slate.x(own.at[0] + place.x), slate.y(own.at[1] + place.y)]
    return [{ place: { key, x, y, ...boxFor(own.lines), lead: null }, lines: own.lines, size: SIZE }]
  }),
)
const beside = useLabels(
  slate,
  computed(() =>
    named.value
      .filter(({ piece, own }) => !own && (piece.key === chosen.value || props.pieces.length <= FEW))
      .map(({ piece: { key, lines, path, middle } }) => {
        const at: Point = [middle[0], middle[1] + OVER_ARROW / slate.scale.value]
        return { key, lines, size: SIZE, at, names: closed(path) }
      }),
  ),
  computed(() => props.pieces.map((l) => closed(l.path))),
)
const labels = computed(() => [...inside.value, ...beside.value])
const legend = computed<LegendLine[]>(() => [
  { name: 'Right', stroke: '#e8c79a', width: 2 },
  { name: 'Left', stroke: '#9cc7d8', width: 2 },
  { name: 'Put there by hand', stroke: '#ffffff', width: 2.6 },
  { name: 'Something is wrong with it', stroke: '#ff8f80', width: 2.6, dash: '2 3' },
  ...(props.straight ? [{ name: 'Used up to here', stroke: '#e6b355', width: 1.2, dash: '7 5' }] : groundLegend),
])
</script>

<template>
  <SlateSurface
    :slate="slate"
    kind="group"
    :label="label"
    rulers
    :legend="legend"
    :empty="pieces.length > 0 ? '' : busy ? 'The pieces are being laid …' : 'Press Lay out: the pieces are laid here.'"
    @down="down"
    @drag="drag"
    @up="up"
  >
    <template #mm>
      <GroundShape v-for="(g, i) in grounds" :key="i" :ground="g" />
      <template v-for="l in pieces" :key="l.key">
        <path
          :d="pathData(l.path, true)"
          :class="[l.cut.foot, { pinned: l.place.pinned, chosen: l.key === chosen, wrong: wrong.has(l.at) }]"
        />
        <path v-for="(a, i) in l.arrow" :key="i" :d="pathData(a, false)" class="arrow" />
      </template>
      <path
        v-if="straight && reach > 0"
        :d="
          pathData(
            [
              [reach, box.minY],
              [reach, box.maxY],
            ],
            false,
          )
        "
        class="reach"
      />
    </template>
    <g
      v-for="l in pieces"
      :key="l.key"
      class="handle"
      role="button"
      tabindex="0"
      :aria-pressed="l.key === chosen"
      :aria-label="`${l.words}${wrong.has(l.at) ? ', something is wrong' : ''}${l.place.pinned ? ', put there by hand' : ''}`"
      :aria-describedby="helpId"
      @focus="chosen = l.key"
      @keydown="keys($event, l)"
    >
      <circle :cx="slate.x(l.middle[0])" :cy="slate.y(l.middle[1])" r="5" :class="{ pin: l.place.pinned }" />
    </g>
    <SlateLabel v-for="(l, i) in labels" :key="i" :place="l.place" :lines="l.lines" :size="l.size" />
    <template #over>
      <p :id="helpId" class="visually-hidden">
        Arrow keys move a piece by a millimetre, with shift by ten; comma and dot turn it by a degree, with shift by
        fifteen; P fixes it there or frees it.
      </p>
    </template>
  </SlateSurface>
</template>

<style scoped>
path {
  fill: none;
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
}
.right {
  fill: #e8c79a33;
  stroke: #e8c79a;
}
.left {
  fill: #9cc7d833;
  stroke: #9cc7d8;
}
.pinned {
  stroke: #ffffff;
  stroke-width: 2;
}
.chosen {
  fill: #ffffff44;
  stroke-width: 2.6;
}
.wrong {
  fill: #e5604f59;
  stroke: #ff8f80;
  stroke-width: 2.6;
  stroke-dasharray: 2 3;
}
.arrow {
  stroke: #eef2ee;
}
.reach {
  stroke: #e6b355;
  stroke-dasharray: 7 5;
}
.handle {
  outline: none;
}
.handle circle {
  fill: transparent;
}
.handle .pin {
  fill: #ffffff;
  stroke: #17262b;
  stroke-width: 1.5;
}
.handle:focus-visible circle {
  fill: #c98a1b;
  stroke: #ffffff;
  stroke-width: 2.5;
}
</style>

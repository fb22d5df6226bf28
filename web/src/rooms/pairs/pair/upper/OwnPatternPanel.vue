<script setup lang="ts">
import { edgeRoles, offset, piecesFromOutlines, type EdgeRole, type OwnPattern, type OwnPiece } from '@gentle-awl/core'
import { NCheckbox } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import type { Brought } from '../../../../ui/bringIn/brought.ts'
import BringIn from '../../../../ui/bringIn/BringIn.vue'
import SelectField from '../../../../ui/SelectField.vue'
import TextField from '../../../../ui/TextField.vue'

/** A pattern drawn elsewhere: brought in, its pieces and edges named. */
const props = defineProps<{ own: OwnPattern | null; chosen: string }>()
const emit = defineEmits<{ change: [own: OwnPattern]; choose: [id: string] }>()
const said = ref('')
const piece = computed(() => props.own?.pieces.find((p) => p.id === props.chosen) ?? props.own?.pieces[0] ?? null)
const roles = Object.keys(edgeRoles) as EdgeRole[]
const MOST_PIECES = 40

function take(brought: Brought): void {
  // Card is cut to the inside of the line that was drawn round it.
  const inside = brought.outlines.map((o) => (brought.pencil ? offset(o, -brought.pencil / 2, 'a piece') : o))
  const kept = inside.slice(0, MOST_PIECES)
  emit('change', {
    drawn: props.own?.drawn ?? 'finished line',
    placed: props.own?.placed ?? false,
    pieces: piecesFromOutlines(kept),
  })
  emit('choose', 'piece-1')
  said.value = `${brought.said} ${kept.length === inside.length ? '' : `The first ${kept.length} were taken. `}Now name pieces and edges.`
}
function setPiece(change: Partial<OwnPiece>): void {
  const p = piece.value
  if (!props.own || !p) return
  emit('change', { ...props.own, pieces: props.own.pieces.map((x) => (x.id === p.id ? { ...p, ...change } : x)) })
}
function setEdge(index: number, change: Partial<OwnPiece['edges'][number]>): void {
  const p = piece.value
  if (!p) return
  setPiece({ edges: p.edges.map((e, i) => (i === index ? { ...e, ...change } : e)) })
}
/** The field whose name was emptied: it says so, and the piece or edge keeps the one it had. */
const unnamed = ref('')
function named(field: string, text: string, take: (name: string) => void): void {
  const name = text.trim()
  unnamed.value = name === '' ? field : ''
  if (name !== '') take(name)
}
const kept = (field: string, name: string) =>
  unnamed.value === field ? `It stays “${name}” until you write another.` : ''
watch(
  () => piece.value?.id,
  () => (unnamed.value = ''),
)
const sides = [
  { value: 'lateral', name: 'Lateral' },
  { value: 'medial', name: 'Medial' },
  { value: 'whole', name: 'Whole' },
] as const
const drawnAs = [
  { value: 'finished line', name: 'Finished line' },
  { value: 'cut edge', name: 'Cut edge' },
] as const
</script>

<template>
  <section class="own" aria-label="Pattern drawn elsewhere">
    <BringIn
      what="the pieces of a pattern"
      :label="own ? 'Bring in another drawing' : 'Bring in a drawing'"
      name="own-drawing"
      :fewest="3"
      many
      :usual="{ what: 'edge' }"
      @take="take"
    />
    <p class="soft">
      SVG or DXF in millimetres; every closed outline becomes a piece of the right shoe, seen from outside. A half with
      a straight “fold” edge is unfolded; edges named “top line” make up the opening.
    </p>
    <p v-if="said" role="status">{{ said }}</p>
    <template v-if="own && piece">
      <ChoiceBar
        label="The drawn line is"
        :options="drawnAs"
        :value="own.drawn"
        @choose="emit('change', { ...own, drawn: $event })"
      />
      <NCheckbox :checked="own.placed" @update:checked="emit('change', { ...own, placed: $event })"
        >It is laid on the last</NCheckbox
      >
      <p v-if="own.placed" class="soft">
        The vamp lies by its fold and its toe, sides by their bottom edge on the feather and the edge named “back” on
        the back. Then each is moved on the forme by its points. “top line” and “facing” are what the last is asked
        about.
      </p>
      <SelectField
        label="Piece"
        name="own-piece"
        :value="piece.id"
        :options="own.pieces.map((p) => ({ value: p.id, name: p.name }))"
        @choose="emit('choose', $event)"
      />
      <TextField
        label="Its name"
        name="own-name"
        :most="60"
        :value="piece.name"
        :wrong="kept('own-name', piece.name)"
        @change="named('own-name', $event, (name) => setPiece({ name }))"
      />
      <ChoiceBar label="Side" :options="sides" :value="piece.side" @choose="setPiece({ side: $event })" />
      <fieldset v-for="(e, i) in piece.edges" :key="i" class="edge">
        <legend>Edge {{ i + 1 }} of {{ piece.edges.length }}</legend>
        <TextField
          label="Name"
          :name="`edge-name-${i}`"
          :most="60"
          :value="e.name"
          :wrong="kept(`edge-name-${i}`, e.name)"
          @change="named(`edge-name-${i}`, $event, (name) => setEdge(i, { name }))"
        />
        <SelectField
          label="What becomes of it"
          :name="`edge-role-${i}`"
          :value="e.role"
          :options="roles.map((r) => ({ value: r, name: `${r}: ${edgeRoles[r]}` }))"
          @choose="setEdge(i, { role: $event })"
        />
        <TextField
          label="Seam, if it is joined"
          :name="`edge-seam-${i}`"
          :value="e.seam"
          placeholder="the same word on both edges"
          :most="40"
          @change="setEdge(i, { seam: $event.trim() })"
        />
      </fieldset>
    </template>
  </section>
</template>

<style scoped>
.own {
  display: grid;
  gap: 10px;
  margin-bottom: 14px;
}
.edge {
  display: grid;
  gap: 8px;
  border: 1px solid var(--line);
  border-radius: 10px;
}
</style>

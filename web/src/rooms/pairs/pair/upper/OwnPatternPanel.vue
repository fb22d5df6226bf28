<script setup lang="ts">
import { edgeRoles, piecesFromOutlines, type EdgeRole, type OwnPattern, type OwnPiece } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { drawnFile } from '../../../../workers/outlines/drawnFile.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import { useAttempt } from '../../../../app/useAttempt.ts'

/** A pattern drawn elsewhere: brought in, its pieces and edges named. */
const props = defineProps<{ own: OwnPattern | null; chosen: string }>()
const emit = defineEmits<{ change: [own: OwnPattern]; choose: [id: string] }>()
const { problem: wrong, attempt } = useAttempt()
const said = ref('')
const piece = computed(() => props.own?.pieces.find((p) => p.id === props.chosen) ?? props.own?.pieces[0] ?? null)
const roles = Object.keys(edgeRoles) as EdgeRole[]
const MOST_PIECES = 40

async function file(event: Event): Promise<void> {
  await attempt(async () => {
    const drawn = await drawnFile(event, 3)
    if (!drawn) return
    const kept = drawn.outlines.slice(0, MOST_PIECES)
    emit('change', { drawn: props.own?.drawn ?? 'finished line', pieces: piecesFromOutlines(kept) })
    emit('choose', 'piece-1')
    said.value = `${drawn.name}: ${kept.length} of ${drawn.outlines.length} outlines, unit ${drawn.unit}. Now name pieces and edges.`
  })
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
const text = (event: Event) => (event.target as HTMLInputElement).value
/** An empty name is not taken; the field shows the old one again. */
function named(event: Event, take: (name: string) => void): void {
  const name = text(event).trim()
  if (name === '') (event.target as HTMLInputElement).value = piece.value?.name ?? ''
  else take(name)
}
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
    <label class="button file">
      {{ own ? 'Bring in another drawing' : 'Bring in a drawing' }}
      <input type="file" name="own-drawing" accept=".svg,.dxf,.txt,.csv" class="visually-hidden" @change="file" />
    </label>
    <p class="soft">
      SVG or DXF in millimetres; every closed outline becomes a piece of the right shoe, seen from outside. A half with
      a straight “fold” edge is unfolded; edges named “top line” make up the opening.
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="said" role="status">{{ said }}</p>
    <template v-if="own && piece">
      <ChoiceBar
        label="The drawn line is"
        :options="drawnAs"
        :value="own.drawn"
        @choose="emit('change', { ...own, drawn: $event })"
      />
      <label class="field">
        <span>Piece</span>
        <select :value="piece.id" name="own-piece" @change="emit('choose', text($event))">
          <option v-for="p in own.pieces" :key="p.id" :value="p.id">{{ p.name }}</option>
        </select>
      </label>
      <label class="field">
        <span>Its name</span>
        <input
          :value="piece.name"
          name="own-name"
          maxlength="60"
          @change="named($event, (name) => setPiece({ name }))"
        />
      </label>
      <ChoiceBar label="Side" :options="sides" :value="piece.side" @choose="setPiece({ side: $event })" />
      <fieldset v-for="(e, i) in piece.edges" :key="i" class="edge">
        <legend>Edge {{ i + 1 }} of {{ piece.edges.length }}</legend>
        <label class="field">
          <span>Name</span>
          <input
            :value="e.name"
            :name="`edge-name-${i}`"
            maxlength="60"
            @change="named($event, (name) => setEdge(i, { name }))"
          />
        </label>
        <label class="field">
          <span>What becomes of it</span>
          <select :value="e.role" :name="`edge-role-${i}`" @change="setEdge(i, { role: text($event) as EdgeRole })">
            <option v-for="r in roles" :key="r" :value="r">{{ r }}: {{ edgeRoles[r] }}</option>
          </select>
        </label>
        <label class="field">
          <span>Seam, if it is joined</span>
          <input
            :value="e.seam"
            :name="`edge-seam-${i}`"
            maxlength="40"
            placeholder="the same word on both edges"
            @change="setEdge(i, { seam: text($event).trim() })"
          />
        </label>
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
.file {
  justify-self: start;
  cursor: pointer;
}
.file:focus-within {
  outline: 3px solid var(--action);
  outline-offset: 2px;
}
.edge {
  display: grid;
  gap: 8px;
  border: 1px solid var(--line);
  border-radius: 10px;
}
</style>

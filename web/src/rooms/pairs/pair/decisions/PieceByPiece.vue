<script setup lang="ts">
import type { PairDecisions, Plan } from '@gentle-awl/core'
import { computed } from 'vue'
import FoldOut from '../../../../ui/FoldOut.vue'
import PieceMaterialSelect from '../../../../ui/PieceMaterialSelect.vue'
import { severalPieces } from './severalPieces.ts'
import { suggestionsFor } from './suggestions.ts'

/** Which pieces are cut from something else than their like. */
const props = defineProps<{
  plan: Plan
  decisions: PairDecisions
  /** The piece whose field is to be there at once. */
  asked?: string
}>()
defineEmits<{ choose: [piece: { id: string; name: string }, material: string | null] }>()
const suggestions = computed(() => suggestionsFor(props.decisions.upper.style, props.plan))
const groups = computed(() =>
  severalPieces(props.plan).map((g) => {
    const own = g.pieces.filter((p) => props.decisions.pieceMaterials[p.id] !== undefined).length
    const open = g.pieces.some((p) => p.id === props.asked)
    return { ...g, open, title: own === 0 ? g.name : `${g.name}: ${own} of ${g.pieces.length} from something else` }
  }),
)
</script>

<template>
  <section class="pieces" aria-labelledby="piece-by-piece">
    <h3 id="piece-by-piece">Piece by piece</h3>
    <p class="soft">A piece may be of another leather or colour than its like.</p>
    <p v-for="s in suggestions" :key="s.why" class="soft" data-testid="suggestion">
      {{ s.names.join(', ') }}: {{ s.why }}
    </p>
    <FoldOut v-for="g in groups" :key="`${g.role} ${g.open}`" :open="g.open" :title="g.title">
      <div class="list">
        <PieceMaterialSelect
          v-for="p in g.pieces"
          :key="p.id"
          :piece="p.id"
          :role="g.role"
          :decisions="decisions"
          :label="p.name"
          inline
          @choose="$emit('choose', p, $event)"
        />
      </div>
    </FoldOut>
  </section>
</template>

<style scoped>
.pieces {
  display: grid;
  gap: 2px;
}
.pieces h3,
.pieces p {
  margin: 0;
}
.list {
  display: grid;
  gap: 8px;
  padding-bottom: 8px;
}
</style>

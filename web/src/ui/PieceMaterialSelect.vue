<script setup lang="ts">
import { mayBeNone, type MaterialRole, type PairDecisions } from '@gentle-awl/core'
import { computed } from 'vue'
import { useWorkshop } from '../stores/workshopStore.ts'
import MaterialSelect from './MaterialSelect.vue'

/** What one piece is cut from: what its like are cut from, or something of its own. */
const props = defineProps<{
  piece: string
  role: MaterialRole
  decisions: Pick<PairDecisions, 'materials' | 'pieceMaterials' | 'profile'>
  label: string
  inline?: boolean
}>()
defineEmits<{ choose: [id: string | null] }>()
const workshop = useWorkshop()
const usual = computed(() => {
  const id = props.decisions.materials[props.role]
  return workshop.materials.find((m) => m.id === id)?.name ?? (mayBeNone(props.role) ? 'none' : 'by the house rule')
})
</script>

<template>
  <MaterialSelect
    :role="role"
    :label="label"
    :name="`piece-${piece}`"
    :value="decisions.pieceMaterials[piece] ?? null"
    :none="inline ? 'as the others' : `as the others: ${usual}`"
    :inline="inline"
    :natural="decisions.profile === 'all natural'"
    @choose="$emit('choose', $event)"
  />
</template>

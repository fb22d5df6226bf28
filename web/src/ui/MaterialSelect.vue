<script setup lang="ts">
import { mayStayOpen, roleNames, type MaterialRole } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength } from '../app/settings.ts'
import { useWorkshop } from '../stores/workshopStore.ts'
import SelectField from './SelectField.vue'

/** A material for a role, with its thickness; some may be left open. */
const props = defineProps<{
  role: MaterialRole
  value: string | null
  inline?: boolean
  wrong?: string
  label?: string
}>()
defineEmits<{ choose: [id: string | null] }>()
const workshop = useWorkshop()
const options = computed(() => [
  ...(mayStayOpen(props.role) ? [{ value: '', name: props.role === 'padding' ? 'none' : 'by the house rule' }] : []),
  ...workshop.choices(props.role).map((m) => ({ value: m.id, name: `${m.name}, ${showLength(m.thickness)}` })),
])
</script>

<template>
  <SelectField
    :class="{ inline }"
    :label="label ?? roleNames[role]"
    :name="`material-${role}`"
    :value="value ?? ''"
    :options="options"
    :wrong="wrong"
    @choose="$emit('choose', $event || null)"
  />
</template>

<style scoped>
.inline {
  grid-template-columns: 96px minmax(0, 1fr);
  align-items: center;
}
</style>

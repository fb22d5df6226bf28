<script setup lang="ts">
import { isNatural, mayBeNone, mayStayOpen, roleNames, type MaterialRole } from '@gentle-awl/core'
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
  /** Its name as a field, and what it is called to choose nothing: as usual by the role. */
  name?: string
  none?: string
  /** Only what is natural is offered, and what is chosen already. */
  natural?: boolean
}>()
defineEmits<{ choose: [id: string | null] }>()
const workshop = useWorkshop()
const none = computed(() => {
  if (props.none !== undefined) return props.none
  if (!mayStayOpen(props.role)) return ''
  return mayBeNone(props.role) ? 'none' : 'by the house rule'
})
const options = computed(() => [
  ...(none.value ? [{ value: '', name: none.value }] : []),
  ...workshop
    .choices(props.role)
    .filter((m) => !props.natural || isNatural(m) || m.id === props.value)
    .map((m) => ({ value: m.id, name: `${m.name}, ${showLength(m.thickness)}` })),
])
</script>

<template>
  <SelectField
    :class="{ inline }"
    :label="label ?? roleNames[role]"
    :name="name ?? `material-${role}`"
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

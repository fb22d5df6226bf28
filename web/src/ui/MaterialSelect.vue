<script setup lang="ts">
import { mayStayOpen, roleNames, type MaterialRole } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength } from '../app/settings.ts'
import { useWorkshop } from '../stores/workshopStore.ts'

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
const choices = computed(() => workshop.choices(props.role))
</script>

<template>
  <label class="field" :class="{ inline }">
    <span>{{ label ?? roleNames[role] }}</span>
    <select
      :value="value ?? ''"
      :name="`material-${role}`"
      :aria-invalid="!!wrong"
      @change="$emit('choose', ($event.target as HTMLSelectElement).value || null)"
    >
      <option v-if="mayStayOpen(role)" value="">{{ role === 'padding' ? 'none' : 'by the house rule' }}</option>
      <option v-for="m in choices" :key="m.id" :value="m.id">{{ m.name }}, {{ showLength(m.thickness) }}</option>
    </select>
    <span v-if="wrong" class="wrong">{{ wrong }}</span>
  </label>
</template>

<style scoped>
.inline {
  grid-template-columns: 96px minmax(0, 1fr);
  align-items: center;
}
</style>

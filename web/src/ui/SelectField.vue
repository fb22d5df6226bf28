<script setup lang="ts" generic="T extends string">
/** One of several, under its name. */
defineProps<{ label: string; name: string; value: T; options: readonly { value: T; name: string }[] }>()
const emit = defineEmits<{ choose: [value: T] }>()
const choose = (event: Event) => emit('choose', (event.target as HTMLSelectElement).value as T)
</script>

<template>
  <label class="field">
    <span>{{ label }}</span>
    <select :value="value" :name="name" @change="choose">
      <option v-for="o in options" :key="o.value" :value="o.value">{{ o.name }}</option>
    </select>
  </label>
</template>

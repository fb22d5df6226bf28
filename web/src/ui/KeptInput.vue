<script setup lang="ts">
import { ref, watch } from 'vue'

/**
 * A text or number field that keeps what is being typed: the page may be drawn anew meanwhile (a plan or a save comes
 * back) without taking it away. The value goes out when the field is left or Enter is pressed.
 */
const props = defineProps<{ value: string | number; multiline?: boolean }>()
const emit = defineEmits<{ change: [text: string] }>()
// A number field hands its model out as a number.
const text = ref<string | number>(String(props.value))
watch(
  () => props.value,
  (value) => (text.value = String(value)),
)
</script>

<template>
  <textarea v-if="multiline" v-model="text" @change="emit('change', String(text))" />
  <input v-else v-model="text" @change="emit('change', String(text))" />
</template>

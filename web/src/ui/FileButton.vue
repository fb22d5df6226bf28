<script setup lang="ts">
import { NButton, NUpload, type UploadFileInfo } from 'naive-ui'
import { ref } from 'vue'

/** A file of the person's own: chosen, or dropped on the button. It is read here; nothing is sent by this. */
const props = defineProps<{ label: string; accept: string; name?: string; main?: boolean; disabled?: boolean }>()
const emit = defineEmits<{ file: [file: File] }>()
const over = ref(false)

function chosen({ file }: { file: UploadFileInfo }): void {
  if (file.file) emit('file', file.file)
}
function dropped(event: DragEvent): void {
  over.value = false
  const file = event.dataTransfer?.files[0]
  if (file && !props.disabled) emit('file', file)
}
</script>

<template>
  <NUpload
    class="pick"
    :file-list="[]"
    :show-file-list="false"
    :default-upload="false"
    :accept="accept"
    :disabled="disabled"
    :input-props="{ name, 'aria-label': label }"
    @change="chosen"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent.stop="dropped"
  >
    <NButton :type="main || over ? 'primary' : 'default'" :disabled="disabled">
      <template v-if="$slots.icon" #icon><slot name="icon" /></template>
      {{ over ? 'Let it go here' : label }}
    </NButton>
  </NUpload>
</template>

<style scoped>
.pick {
  width: auto;
}
</style>

<script setup lang="ts">
import { LastFields, type LastShape } from '@gentle-awl/core'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../../api/client.ts'
import ShapeBench from '../shape/ShapeBench.vue'
import { useAttempt } from '../../../app/useAttempt.ts'
import TextField from '../../../ui/TextField.vue'

const props = defineProps<{ kind: 'measures' | 'traced' }>()
const router = useRouter()
const name = ref('')
const note = ref('')
const { problem: refused, busy, attempt } = useAttempt()

async function keep(shape: LastShape): Promise<void> {
  const read = LastFields.safeParse({ name: name.value, note: note.value, shape })
  if (!read.success) {
    refused.value = name.value.trim() === '' ? 'Give the last a name.' : read.error.issues[0]!.message
    return
  }
  await attempt(async () => {
    const row = await api.lasts.add(read.data)
    await router.push(`/lasts/${row.id}/measure`)
  })
}
</script>

<template>
  <ShapeBench
    :key="props.kind"
    :start="props.kind"
    :title="props.kind === 'measures' ? 'New last by measures' : 'New last from a tracing'"
    :busy="busy"
    heading
    :refused="refused"
    @keep="keep"
  >
    <TextField v-model:value="name" label="Name" name="last-name" />
    <TextField v-model:value="note" label="Note" name="last-note" />
  </ShapeBench>
</template>

<script setup lang="ts">
import { LastFields, type LastMeasures, type LastShape } from '@gentle-awl/core'
import { ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../../api/client.ts'
import FootStart from './FootStart.vue'
import ShapeBench from '../shape/ShapeBench.vue'
import { useAttempt } from '../../../app/useAttempt.ts'
import TextField from '../../../ui/TextField.vue'

const props = defineProps<{ kind: 'measures' | 'traced' }>()
const router = useRouter()
const route = useRoute()
const given = shallowRef<Partial<LastMeasures>>()
/** Whose foot it is for, when another page knows. */
const feet = typeof route.query.feet === 'string' ? route.query.feet : 'none'
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
    :given="given"
    @keep="keep"
  >
    <FootStart
      v-if="props.kind === 'measures'"
      :start="feet"
      :start-side="route.query.foot === 'left' ? 'left' : 'right'"
      @give="given = $event"
    />
    <TextField v-model:value="name" label="Name of the last" name="last-name" :most="80" />
    <TextField v-model:value="note" label="Note" name="last-note" :most="500" />
  </ShapeBench>
</template>

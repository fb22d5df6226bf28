<script setup lang="ts">
import { LastFields, type LastMeasures, type LastShape } from '@gentle-awl/core'
import { computed, ref, shallowRef, useTemplateRef, type ComponentPublicInstance } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../../api/client.ts'
import FootStart from './FootStart.vue'
import ShapeBench from '../shape/ShapeBench.vue'
import { say } from '../../../app/say.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import TextField from '../../../ui/TextField.vue'
import { useForm } from '../../../ui/useForm.ts'

const props = defineProps<{ kind: 'measures' | 'traced' }>()
const router = useRouter()
const route = useRoute()
const given = shallowRef<Partial<LastMeasures>>()
/** Whose foot it is for, when another page knows. */
const feet = typeof route.query.feet === 'string' ? route.query.feet : 'none'
const name = ref('')
const note = ref('')
const { problem: refused, busy, attempt } = useAttempt()

const bench = useTemplateRef<ComponentPublicInstance>('bench')
const { read, at, elsewhere } = useForm(
  LastFields,
  computed(() => bench.value?.$el as Element | undefined),
)

async function keep(shape: LastShape): Promise<void> {
  const last = await read({ name: name.value, note: note.value, shape })
  if (!last) return
  await attempt(async () => {
    const row = await api.lasts.add(last)
    await router.push(`/lasts/${row.id}/measure`)
    await say(`${last.name} is on the shelf.`)
  })
}
</script>

<template>
  <ShapeBench
    ref="bench"
    :key="props.kind"
    :start="props.kind"
    :title="props.kind === 'measures' ? 'New last by measures' : 'New last from a tracing'"
    :busy="busy"
    heading
    :refused="refused || elsewhere"
    :given="given"
    @keep="keep"
  >
    <FootStart
      v-if="props.kind === 'measures'"
      :start="feet"
      :start-side="route.query.foot === 'left' ? 'left' : 'right'"
      @give="given = $event"
    />
    <TextField v-model:value="name" label="Name of the last" name="last-name" :most="80" v-bind="at('name')" />
    <TextField v-model:value="note" label="Note" name="last-note" :most="500" v-bind="at('note')" />
  </ShapeBench>
</template>

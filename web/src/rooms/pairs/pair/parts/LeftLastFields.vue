<script setup lang="ts">
import {
  asTheRightBut,
  footMeasureNames,
  GeometryError,
  leftDiffersIn,
  type LastFields,
  type LeftDiffers,
} from '@gentle-awl/core'
import { NButton } from 'naive-ui'
import { reactive, ref } from 'vue'
import { api } from '../../../../api/client.ts'
import { lengthWord, tell } from '../../../../app/settings.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import FigureField from '../../../../ui/FigureField.vue'
import { unread } from '../../../../ui/unread.ts'

/** A last for a left foot that is a little other than the right: as the right one's, but by so much. */
const props = defineProps<{ right: LastFields; order: string }>()
const emit = defineEmits<{ made: [id: string] }>()
const workshop = useWorkshop()
const { problem, busy, attempt } = useAttempt()
const form = ref<HTMLElement | null>(null)
const by = reactive<LeftDiffers>({ length: 0, jointGirth: 0, waistGirth: 0, instepGirth: 0 })
function fieldsOf(): LastFields | null {
  try {
    return asTheRightBut(props.right, `${props.right.name}, left of ${props.order}`.slice(0, 80), by)
  } catch (error) {
    if (!(error instanceof GeometryError)) throw error
    problem.value = tell(error.sentence)
    return null
  }
}
async function make(): Promise<void> {
  if (unread(form.value)) return
  problem.value = ''
  const last = fieldsOf()
  if (!last) return
  await attempt(async () => {
    const row = await api.lasts.add(last)
    await workshop.load()
    emit('made', row.id)
  })
}
</script>

<template>
  <p v-if="right.shape.kind !== 'measures'" class="soft">
    The right one was scanned, traced or graded: grade it on its own page Sizes, or build a second one up.
  </p>
  <form v-else ref="form" class="differs" novalidate @submit.prevent="make">
    <p>As the right one, but the left foot is other by (less: below 0):</p>
    <label v-for="m in leftDiffersIn" :key="m" class="field">
      <span>{{ footMeasureNames[m] }}, {{ lengthWord }}</span>
      <FigureField
        unit="mm"
        :label="`Left foot, ${footMeasureNames[m].toLowerCase()} by, ${lengthWord}`"
        :value="by[m]"
        :min="-25"
        :max="25"
        :step="0.5"
        @change="by[m] = $event ?? 0"
      />
    </label>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <NButton attr-type="submit" :disabled="busy">Put this last on the shelf and take it</NButton>
  </form>
</template>

<style scoped>
.differs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 10px;
}
.differs > :is(p, .n-button) {
  grid-column: 1 / -1;
}
.field > span:first-child {
  font-weight: 400;
}
</style>

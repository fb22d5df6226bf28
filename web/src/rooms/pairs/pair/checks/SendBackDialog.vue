<script setup lang="ts">
import { NButton, NCheckbox, NCheckboxGroup } from 'naive-ui'
import {
  doneAgain,
  makeables,
  stepFor,
  stepState,
  usualMinutes,
  type Pace,
  type StepEvent,
  type Verdict,
} from '@gentle-awl/core'
import { computed, ref, watch } from 'vue'
import { recordApi } from '../../../../api/record.ts'
import { say } from '../../../../app/say.ts'
import { showMinutes, tell } from '../../../../app/settings.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useRecord } from '../../../../stores/recordStore.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import HouseDialog from '../../../../ui/HouseDialog.vue'
import SelectField from '../../../../ui/SelectField.vue'
import SeveralField from '../../../../ui/SeveralField.vue'
import TextField from '../../../../ui/TextField.vue'

/** Sends the pair, or one shoe, back to a step: with the reason, with what is done again, and with what is cut again. */
const props = defineProps<{
  verdict: Verdict | null
  log: readonly StepEvent[]
  pace: Readonly<Record<string, Pace>>
}>()
const emit = defineEmits<{ sent: [] }>()
const open = defineModel<boolean>('open', { required: true })
const pair = usePair()
const record = useRecord()
const { problem, busy, attempt } = useAttempt()

const feet = [
  { value: 'both', name: 'Both shoes' },
  { value: 'right', name: 'Right shoe' },
  { value: 'left', name: 'Left shoe' },
] as const
const foot = ref<'both' | 'right' | 'left'>('both')
const step = ref('')
const reason = ref('')
const again = ref<string[]>([])
const parts = ref<string[]>([])
const steps = computed(() =>
  (pair.whole?.steps ?? []).map(({ after, ...s }) => ({ ...s, after: after.map((a) => a.id) })),
)
const oneFoot = computed(() => (foot.value === 'both' ? null : foot.value))
/** Only what was begun can be gone back to. */
const begun = computed(() =>
  steps.value.filter(
    (s) =>
      stepState(props.log, s) !== 'open' && (s.foot === null || oneFoot.value === null || s.foot === oneFoot.value),
  ),
)
const choices = computed(() => begun.value.map((s) => ({ value: s.id, name: s.name })))
/** Of both shoes, the same step of the other foot goes back with it. */
const following = computed(() => {
  const to = steps.value.find((s) => s.id === step.value)
  if (!to) return []
  const same = steps.value.filter(
    (s) => s.key === to.key && (oneFoot.value === null || s.foot === null || s.foot === oneFoot.value),
  )
  const ids = new Set(
    same
      .flatMap((s) => doneAgain(steps.value, props.log, s.id, oneFoot.value))
      .flatMap((s) => (stepState(props.log, s) === 'open' ? [] : [s.id])),
  )
  return steps.value.filter((s) => ids.has(s.id))
})
const minutes = computed(() =>
  following.value.filter((s) => again.value.includes(s.id)).reduce((sum, s) => sum + usualMinutes(s, props.pace), 0),
)
const partChoices = computed(() =>
  (pair.whole ? makeables(pair.whole) : []).flatMap(({ part, name }) =>
    oneFoot.value === null || /^(right|left)\./.test(part)
      ? [{ value: part, name }]
      : [{ value: `${oneFoot.value}.${part}`, name: `${name}, ${oneFoot.value}` }],
  ),
)
/** What a step of cutting cuts is what is cut again. */
function cutOf(ids: readonly string[]): string[] {
  const cut = steps.value.filter((s) => ids.includes(s.id) && s.group === 'cut').flatMap((s) => s.parts)
  return partChoices.value.map((p) => p.value).filter((p) => cut.includes(p.replace(/^(right|left)\./, '')))
}
/** All that follows is done again, until somebody knows better. */
function proposed(): void {
  again.value = following.value.map((s) => s.id)
  parts.value = cutOf(again.value)
}
watch([step, foot], proposed)
watch(open, (is) => {
  if (!is) return
  problem.value = ''
  const { verdict } = props
  foot.value = verdict?.back?.foot ?? 'both'
  reason.value = verdict ? tell(verdict.sentence) : ''
  const found = verdict?.back ? stepFor(begun.value, [verdict.back.step], verdict.back.foot) : null
  step.value = found?.id ?? ''
  proposed()
})
watch(choices, (list) => {
  if (!list.some((c) => c.value === step.value)) step.value = ''
})
const send = () =>
  attempt(async () => {
    await record.change((id) =>
      recordApi.sendBack(id, {
        step: step.value,
        foot: oneFoot.value,
        reason: reason.value,
        check: props.verdict?.check ?? '',
        steps: again.value,
        parts: parts.value.map((part) => ({
          part,
          name: partChoices.value.find((p) => p.value === part)?.name ?? part,
        })),
        minutes: minutes.value,
      }),
    )
    await say('It is sent back: its steps stand open again.')
    emit('sent')
  })
</script>

<template>
  <HouseDialog v-model:open="open" title="Send back">
    <div class="fields">
      <p v-if="verdict?.back">{{ tell(verdict.back.mend) }}</p>
      <ChoiceBar label="Which shoe" :options="feet" :value="foot" @choose="foot = $event" />
      <SelectField
        label="Back to"
        name="back-to"
        :value="step"
        :options="[{ value: '', name: begun.length === 0 ? 'nothing was begun yet' : 'choose a step' }, ...choices]"
        @choose="step = $event"
      />
      <TextField label="Why" name="back-why" :most="500" :rows="3" :value="reason" @update:value="reason = $event" />
      <div v-if="following.length > 0" role="group" aria-label="Done again" class="again">
        <span class="soft">Done again, {{ showMinutes(minutes) }} of handwork</span>
        <NCheckboxGroup :value="again" @update:value="again = $event.map(String)">
          <NCheckbox v-for="s in following" :key="s.id" :value="s.id" :label="s.name" :disabled="s.id === step" />
        </NCheckboxGroup>
      </div>
      <SeveralField
        label="Cut again"
        name="back-parts"
        :value="parts"
        :options="partChoices"
        none="nothing"
        @change="parts = $event"
      />
      <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    </div>
    <template #actions>
      <NButton @click="open = false">Cancel</NButton>
      <NButton type="primary" :disabled="busy || step === '' || reason.trim() === ''" @click="send"
        >Send it back</NButton
      >
    </template>
  </HouseDialog>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 14px;
}
.again {
  display: grid;
  gap: 4px;
}
.again :deep(.n-checkbox-group) {
  display: grid;
}
</style>

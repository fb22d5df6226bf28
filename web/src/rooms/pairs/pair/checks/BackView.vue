<script setup lang="ts">
import { NButton } from 'naive-ui'
import { spentOn, type StepEvent } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { recordApi } from '../../../../api/record.ts'
import { say } from '../../../../app/say.ts'
import { showMinutes } from '../../../../app/settings.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useMade } from '../../../../stores/madeStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useRecord } from '../../../../stores/recordStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import HouseDialog from '../../../../ui/HouseDialog.vue'
import TextField from '../../../../ui/TextField.vue'
import PhotoStrip from './PhotoStrip.vue'
import SpentTable from '../SpentTable.vue'

/** Where the pair was sent back and why, what must be made again, what it has cost, and giving it up. */
const props = defineProps<{ log: readonly StepEvent[]; now: number }>()
const emit = defineEmits<{ back: []; changed: [] }>()
const pair = usePair()
const record = useRecord()
const made = useMade()
const workshop = useWorkshop()
const { problem, busy, attempt } = useAttempt()
const shoes = { right: 'right shoe', left: 'left shoe' } as const
const setbacks = computed(() => [...record.setbacks].reverse())
const stepName = (id: string) => pair.whole?.steps.find((s) => s.id === id)?.name ?? id
const when = (at: string) => new Date(at).toLocaleString()
const spent = computed(() => {
  const { whole, decisions } = pair
  const input = decisions && workshop.inputOf(decisions)
  return whole && input ? spentOn(input, whole, props.log, made.list) : null
})
const takeBack = (id: string) =>
  attempt(async () => {
    await record.change((of) => recordApi.takeBack(of, id))
    await say('Taken back: its steps are done as they were.')
    emit('changed')
  })
const open = ref(false)
const reason = ref('')
function ask(): void {
  reason.value = ''
  problem.value = ''
  open.value = true
}
const giveUp = () =>
  attempt(async () => {
    const cost = spent.value
    if (!cost) return
    await record.change((id) => recordApi.giveUp(id, { reason: reason.value, spent: cost }))
    open.value = false
    await say('The pair is given up. It stays on the list with what it cost.')
  })
const takeUp = () =>
  attempt(async () => {
    await record.change((id) => recordApi.takeUp(id))
    await say('The pair is made on.')
  })
const TOLD = 'Work, as the clocks told it'
</script>

<template>
  <div class="back">
    <div class="buttons">
      <NButton type="primary" @click="$emit('back')">Send back …</NButton>
      <NButton v-if="!record.record?.givenUp" @click="ask">Give this pair up …</NButton>
    </div>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <section v-if="record.record?.givenUp" class="card one" data-given-up>
      <h2>Given up, {{ when(record.record.givenUp.at) }}</h2>
      <p>{{ record.record.givenUp.reason }}</p>
      <SpentTable :spent="record.record.givenUp.spent" :work="TOLD" />
      <NButton :disabled="busy" @click="takeUp">Take it up again</NButton>
    </section>
    <section>
      <h2>Sent back</h2>
      <p v-if="setbacks.length === 0" class="soft">Nothing was sent back.</p>
      <article v-for="(s, i) in setbacks" :key="s.id" class="card one" :data-setback="s.step">
        <h3>{{ s.name }}</h3>
        <p class="soft">
          {{ when(s.at) }}, {{ s.foot ? shoes[s.foot] : 'both shoes' }}, revision {{ s.revision }}; done again:
          {{ showMinutes(s.minutes) }} of handwork
        </p>
        <p>{{ s.reason }}</p>
        <p v-if="s.parts.length > 0">Cut again: {{ s.parts.map((p) => p.name).join(', ') }}.</p>
        <p class="soft">{{ s.steps.map(stepName).join(' · ') }}</p>
        <NButton v-if="i === 0" :disabled="busy" @click="takeBack(s.id)">Take back: it was a mistake</NButton>
      </article>
    </section>
    <section>
      <h2>To be made again</h2>
      <p v-if="made.remake.length === 0" class="soft">Nothing.</p>
      <ul v-else>
        <li v-for="r in made.remake" :key="r.part">
          {{ r.name }} <span class="soft">({{ r.how.join(', ') }})</span>{{ r.spoilt ? `: ${r.spoilt}` : '' }}
        </li>
      </ul>
    </section>
    <section v-if="spent && !record.record?.givenUp">
      <h2>What has gone into it</h2>
      <SpentTable :spent="spent" :work="TOLD" />
    </section>
    <section>
      <h2>Photographs of the pair</h2>
      <PhotoStrip check="" name="The pair" />
    </section>
    <HouseDialog v-model:open="open" title="Give this pair up">
      <div class="fields">
        <p>It is laid out no more and stays on the list. This is what has gone into it:</p>
        <SpentTable v-if="spent" :spent="spent" :work="TOLD" />
        <TextField
          label="Why"
          name="given-up-why"
          :most="500"
          :rows="3"
          :value="reason"
          @update:value="reason = $event"
        />
        <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
      </div>
      <template #actions>
        <NButton @click="open = false">Cancel</NButton>
        <NButton type="primary" :disabled="busy || reason.trim() === ''" @click="giveUp">Give it up</NButton>
      </template>
    </HouseDialog>
  </div>
</template>

<style scoped>
.back,
section,
.fields {
  display: grid;
  gap: 10px;
}
.back {
  gap: 20px;
  max-width: 860px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.one {
  display: grid;
  gap: 6px;
  justify-items: start;
  padding: 12px 16px;
}
.one > * {
  margin: 0;
}
ul {
  margin: 0;
  padding-left: 20px;
}
</style>

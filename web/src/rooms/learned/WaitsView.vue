<script setup lang="ts">
import { NButton, NTable } from 'naive-ui'
import { ruleOf, type LearnedWait } from '@gentle-awl/core'
import { api } from '../../api/client.ts'
import type { Learned } from '../../api/learned.ts'
import { say } from '../../app/say.ts'
import { showMinutes } from '../../app/settings.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'

/** How long things really take to dry in this workshop's air, beside the house rule, and taking it over. */
defineProps<{ learned: Learned }>()
const emit = defineEmits<{ changed: [] }>()
const workshop = useWorkshop()
const { problem, busy, attempt } = useAttempt()
const nameOf = (rule: string) => ruleOf(rule)?.name ?? rule
const inRange = ({ rule, proposed }: LearnedWait) => {
  const found = ruleOf(rule)
  return found ? Math.min(found.max, Math.max(found.min, proposed)) : proposed
}
const differs = (w: LearnedWait) => Math.abs(inRange(w) - w.planned) >= 1
const takeOver = (w: LearnedWait) =>
  attempt(async () => {
    await api.changeHouseRules(workshop.houseRulesVersion, { ...workshop.houseRules, [w.rule]: inRange(w) })
    await workshop.load()
    await say(`${nameOf(w.rule)}: ${showMinutes(inRange(w))} from now on.`)
    emit('changed')
  })
</script>

<template>
  <div class="waits">
    <p class="soft">
      A wait teaches something when somebody says that it is dry before its time (at the step, or under Today), or goes
      on before it was over. A night that lies between says nothing.
    </p>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <p v-if="learned.waits.length === 0">No wait was found over before its time yet.</p>
    <NTable v-else size="small" :bordered="false">
      <thead>
        <tr>
          <th scope="col">Wait</th>
          <th scope="col" class="right">Seen</th>
          <th scope="col" class="right">House rule</th>
          <th scope="col" class="right">In this air</th>
          <th scope="col">To take over</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="w in learned.waits" :key="w.rule" :data-wait-rule="w.rule">
          <th scope="row">{{ nameOf(w.rule) }}</th>
          <td class="figure right">{{ w.times }}</td>
          <td class="figure right">{{ showMinutes(w.planned) }}</td>
          <td class="figure right">{{ showMinutes(w.seen) }}</td>
          <td>
            <NButton v-if="differs(w)" :disabled="busy" @click="takeOver(w)">
              Make it {{ showMinutes(inRange(w)) }}
            </NButton>
            <span v-else class="soft">as it is</span>
          </td>
        </tr>
      </tbody>
    </NTable>
  </div>
</template>

<style scoped>
.waits {
  display: grid;
  gap: 12px;
  max-width: 860px;
}
</style>

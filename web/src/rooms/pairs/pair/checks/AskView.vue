<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  diagnose,
  faultCase,
  faultsOf,
  faultStageNames,
  faultStages,
  pointedTo,
  type FaultStage,
  type StepEvent,
} from '@gentle-awl/core'
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { tell } from '../../../../app/settings.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useOwnFaults } from '../../../../stores/ownFaultsStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useRecord } from '../../../../stores/recordStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import SearchField from '../../../../ui/SearchField.vue'
import SelectField from '../../../../ui/SelectField.vue'
import OwnCauses from './OwnCauses.vue'
import OwnFaultDialog from './OwnFaultDialog.vue'
import SuspectCard from './SuspectCard.vue'

/** From what is seen to what it comes from, by this pair's own figures; what still helps, and what prevents it. */
const props = defineProps<{ log: readonly StepEvent[] }>()
defineEmits<{ back: [] }>()
const pair = usePair()
const record = useRecord()
const workshop = useWorkshop()
const own = useOwnFaults()
const route = useRoute()
const router = useRouter()
const { problem, attempt } = useAttempt()
onMounted(() => attempt(() => own.load()))

const shoes = [
  { value: 'right', name: 'Right shoe' },
  { value: 'left', name: 'Left shoe' },
] as const
const foot = ref<'right' | 'left'>(pair.foot)
/** Null is as the log has it. */
const stage = ref<FaultStage | null>(null)
const given = computed(() => {
  const { whole, decisions } = pair
  const input = decisions && workshop.inputOf(decisions)
  if (!whole || !input) return null
  return faultCase({
    plan: whole,
    decisions: input.decisions,
    materials: input.materials,
    houseRules: input.houseRules,
    log: props.log,
    readings: record.readings,
    foot: foot.value,
    ...(stage.value ? { stage: stage.value } : {}),
  })
})
const stages = faultStages.map((value) => ({ value, name: faultStageNames[value] }))
const all = computed(() => (given.value ? faultsOf(given.value) : []))
/** What it may show although nobody has seen it: no more than can be looked at. */
const looked = computed(() => (given.value ? pointedTo(given.value).slice(0, 4) : []))
const asked = computed(() => (typeof route.query.fault === 'string' ? route.query.fault : ''))
const fault = computed(() => all.value.find((f) => f.id === asked.value) ?? null)
const ownFault = computed(() => own.list.find((f) => f.id === asked.value && f.of === '') ?? null)
const ownCauses = computed(() => own.list.filter((f) => f.of !== '' && f.of === fault.value?.id))
const suspects = computed(() => (fault.value && given.value ? diagnose(fault.value, given.value) : []))
const wanted = ref('')
const found = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return [
    ...all.value.map(({ id, name, sign }) => ({ id, name, sign: tell(sign), own: false })),
    ...own.list.filter((f) => f.of === '').map(({ id, name, sign }) => ({ id, name, sign, own: true })),
  ].filter((f) => words.every((w) => `${f.name} ${f.sign}`.toLowerCase().includes(w)))
})
const at = (id: string) => ({ path: route.path, query: id === '' ? {} : { fault: id } })
const writing = ref(false)
</script>

<template>
  <div v-if="given" class="ask">
    <div class="where">
      <ChoiceBar label="Which shoe" :options="shoes" :value="foot" @choose="foot = $event" />
      <SelectField
        class="stage"
        label="Where it stands"
        name="fault-stage"
        :options="stages"
        :value="given.stage"
        @choose="stage = $event"
      />
    </div>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <template v-if="fault || ownFault">
      <div class="head">
        <h2>{{ fault?.name ?? ownFault?.name }}</h2>
        <NButton @click="router.replace(at(''))">Something else</NButton>
        <NButton @click="$emit('back')">Send back …</NButton>
        <NButton v-if="fault" @click="writing = true">Add a cause of your own</NButton>
      </div>
      <p class="soft">{{ fault ? tell(fault.sign) : ownFault?.sign }}</p>
      <SuspectCard
        v-for="(s, i) in suspects"
        :key="`${fault?.id} ${s.id}`"
        :suspect="s"
        :first="i === 0"
        :foot="foot"
      />
      <OwnCauses v-for="f in ownCauses" :key="f.id" :fault="f" />
      <OwnCauses v-if="ownFault" :key="ownFault.id" :fault="ownFault" @gone="router.replace(at(''))" />
    </template>
    <template v-else>
      <div class="head">
        <h2>What is seen, heard or felt?</h2>
        <SearchField v-model:value="wanted" label="Find a fault by its words" placeholder="Find a fault" />
        <NButton @click="writing = true">Write one of your own</NButton>
      </div>
      <p v-if="looked.length > 0 && wanted === ''" data-pointed>
        By its own figures and its log, look at this pair for:
        <template v-for="(f, i) in looked" :key="f.id"
          ><template v-if="i > 0">, </template><RouterLink :to="at(f.id)">{{ f.name }}</RouterLink></template
        >.
      </p>
      <p v-if="found.length === 0" class="soft">
        No fault says that. What this workshop knows of it can be written down.
      </p>
      <ul class="faults">
        <li v-for="f in found" :key="f.id" class="card">
          <RouterLink :to="at(f.id)" :data-fault="f.id">{{ f.name }}</RouterLink>
          <span class="soft">{{ f.sign }}{{ f.own ? ' The workshop’s own.' : '' }}</span>
        </li>
      </ul>
    </template>
    <OwnFaultDialog v-model:open="writing" :of="fault" :changed="null" />
  </div>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 12px;
  max-width: 980px;
}
.where,
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: end;
}
.head h2 {
  flex: 1 1 240px;
}
.stage {
  width: 300px;
}
.ask > p {
  margin: 0;
}
.faults {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 280px), 1fr));
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.faults li {
  display: grid;
  gap: 2px;
  align-content: start;
  padding: 10px 14px;
}
.faults a {
  display: block;
  min-height: 32px;
  font-weight: 600;
}
</style>

<script setup lang="ts">
import { NTable } from 'naive-ui'
import { overlayDistances, type Upper } from '@gentle-awl/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { api, type PairName } from '../../../../api/client.ts'
import { bareLength, lengthWord, tell } from '../../../../app/settings.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import SelectField from '../../../../ui/SelectField.vue'
import { planInTurn } from '../../../../workers/plan/planner.ts'

/** Another pair's design on the same last, laid over this one: how far apart their lines are. */
const props = defineProps<{ upper: Upper }>()
const emit = defineEmits<{ over: [other: Upper | null] }>()
const pair = usePair()
const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
const others = shallowRef<PairName[]>([])
const chosen = ref('')
const other = shallowRef<Upper | null>(null)
const working = ref(false)

onMounted(() =>
  attempt(async () => {
    const [names] = await Promise.all([api.pairNames(), workshop.load()])
    others.value = names.filter((n) => n.lastId === pair.decisions?.lastId && n.id !== pair.view?.id)
  }),
)
async function lay(id: string): Promise<void> {
  chosen.value = id
  other.value = null
  if (id === '') return
  working.value = true
  await attempt(async () => {
    const { decisions } = await api.pair(id)
    // Its right shoe, which is drawn on the same forme.
    const input = workshop.inputOf({ ...decisions, left: null, cupSoleId: null })
    const answer = input && (await planInTurn(input))
    if (chosen.value !== id || !answer) return
    if (answer.problem === null) other.value = answer.value.upper
    else problem.value = tell(answer.problem)
  })
  working.value = false
}
watch(other, (upper) => emit('over', upper))
const distances = computed(() => (other.value ? overlayDistances(props.upper.lines, other.value.lines) : []))
</script>

<template>
  <div class="overlay">
    <SelectField
      label="Laid over it: another pair on this last"
      name="overlay"
      :value="chosen"
      :options="[
        { value: '', name: others.length > 0 ? 'none' : 'no other pair is on this last' },
        ...others.map((o) => ({ value: o.id, name: `${o.order}, ${o.name}` })),
      ]"
      @choose="lay"
    />
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p v-else-if="working" class="soft" role="status">Planning the other one …</p>
    <p v-else-if="other && distances.length === 0" class="soft">They have no line in common.</p>
    <NTable v-if="distances.length > 0" size="small" :bordered="false" aria-label="How far apart the lines are">
      <thead>
        <tr>
          <th scope="col">Line, {{ lengthWord }}</th>
          <th scope="col">at most</th>
          <th scope="col">in the mean</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="d in distances" :key="d.name + d.side" :data-line="`${d.name} ${d.side}`">
          <th scope="row">{{ d.name }}, {{ d.side }}</th>
          <td class="figure">{{ bareLength(d.most) }}</td>
          <td class="figure">{{ bareLength(d.mean) }}</td>
        </tr>
      </tbody>
    </NTable>
  </div>
</template>

<style scoped>
.overlay {
  display: grid;
  gap: 8px;
  margin: 8px 0 14px;
}
.n-table td,
.n-table thead th:not(:first-child) {
  text-align: end;
}
.wrong {
  margin: 0;
  color: var(--stop);
}
</style>

<script setup lang="ts">
import {
  constructionOf,
  traitsOf,
  constructions,
  type ConstructionName,
  materialRoles,
  shelfFigures,
  sizeFromLast,
  sizeSystemNames,
  sizeSystems,
  type MaterialRole,
  type PairDecisions,
  readFigure,
} from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../../../api/client.ts'
import { goToField, useAsked } from '../../../../app/asked.ts'
import { showLength } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { setMaterial } from '../../../../stores/setMaterial.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import FindingItem from '../../../../ui/FindingItem.vue'
import HouseDialog from '../../../../ui/HouseDialog.vue'
import KeptInput from '../../../../ui/KeptInput.vue'
import MaterialSelect from '../../../../ui/MaterialSelect.vue'
import SelectField from '../../../../ui/SelectField.vue'
import { useAttempt } from '../../../../app/useAttempt.ts'

const pair = usePair()
const workshop = useWorkshop()
const router = useRouter()
const roles = Object.keys(materialRoles) as MaterialRole[]
const sizeWrong = ref('')
const deleting = ref(false)
const { problem: deleteProblem, attempt } = useAttempt()

useAsked('at', goToField)

const d = computed(() => pair.decisions as PairDecisions)
const leftLast = computed(() => workshop.lasts.find((l) => l.id === d.value.left?.lastId) ?? null)
const value = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement).value

/** A pair that goes into a cup takes the first of the stores until another is chosen. */
function construct(construction: ConstructionName): void {
  const first = workshop.cupSoles[0]?.id ?? null
  const cup = traitsOf(construction).inCup ? { cupSoleId: d.value.cupSoleId ?? first } : {}
  set({ construction, ...cup })
}
const set = (change: Partial<PairDecisions>) => pair.change({ ...d.value, ...change })
function setSize(text: string): void {
  const size = readFigure(text)
  if (size === null || size <= 0 || size > 400) {
    sizeWrong.value = 'Give a size as a number, for example 42.5.'
    return
  }
  sizeWrong.value = ''
  set({ size: { ...d.value.size, value: size } })
}
/** What the label may not be without; an emptied field says so, and the pair keeps what it had. */
const needed = { order: 'Give the pair an order number; it keeps', name: 'Give the pair a name; it keeps' } as const
const labelWrong = ref<{ order: string; name: string }>({ order: '', name: '' })
const setLabel = (field: 'order' | 'name' | 'trade' | 'note', text: string) => {
  if (!pair.label) return
  if (field === 'order' || field === 'name') {
    const empty = text.trim() === ''
    labelWrong.value = {
      ...labelWrong.value,
      [field]: empty ? `${needed[field]} “${pair.label[field]}” until then.` : '',
    }
    if (empty) return
  }
  pair.changeLabel({ ...pair.label, [field]: text })
}
// Last and size decided here are the right shoe's, whichever one is looked at elsewhere.
const findings = computed(() => pair.whole?.findings ?? [])
/** What the last reads; nothing until it is measured. */
const readings = computed(() => {
  const length = pair.whole?.last.length
  return length === undefined
    ? []
    : sizeSystems.map((s) => ({ name: sizeSystemNames[s], value: sizeFromLast(s, length) }))
})

async function remove(): Promise<void> {
  const { view } = pair
  if (!view) return
  await attempt(async () => {
    await pair.flush()
    await api.removePair(view.id, pair.view?.version ?? view.version)
    await router.push('/pairs')
  })
}
</script>

<template>
  <section class="decisions">
    <div class="columns">
      <div class="card block">
        <h2>Order</h2>
        <label class="field"
          ><span>Order number</span
          ><KeptInput
            :value="pair.label?.order ?? ''"
            maxlength="20"
            :aria-invalid="labelWrong.order !== ''"
            @change="setLabel('order', $event)"
          />
          <span v-if="labelWrong.order" class="wrong" role="alert">{{ labelWrong.order }}</span></label
        >
        <label class="field"
          ><span>Name of the pair</span
          ><KeptInput
            :value="pair.label?.name ?? ''"
            maxlength="80"
            :aria-invalid="labelWrong.name !== ''"
            @change="setLabel('name', $event)"
          />
          <span v-if="labelWrong.name" class="wrong" role="alert">{{ labelWrong.name }}</span></label
        >
        <label class="field"
          ><span>Trade of the customer</span
          ><KeptInput :value="pair.label?.trade ?? ''" maxlength="80" @change="setLabel('trade', $event)"
        /></label>
        <label class="field"
          ><span>Note</span
          ><KeptInput
            multiline
            rows="2"
            maxlength="1000"
            :value="pair.label?.note ?? ''"
            @change="setLabel('note', $event)"
          />
        </label>
      </div>
      <div class="card block">
        <h2>Last, size, construction</h2>
        <label class="field">
          <span>Last</span>
          <select :value="d.lastId" name="last" @change="set({ lastId: value($event) })">
            <option v-for="l in workshop.lasts" :key="l.id" :value="l.id">
              {{ l.name }}, {{ showLength(shelfFigures(l.shape).length, 0) }}, heel
              {{ showLength(shelfFigures(l.shape).heelHeight, 0) }}
            </option>
          </select>
        </label>
        <p class="soft">
          {{
            d.left
              ? `The left shoe is planned on its own${leftLast ? ` on ${leftLast.name}` : ''}.`
              : 'The left shoe is the right one’s mirror.'
          }}
          <RouterLink :to="`/pairs/${pair.view?.id}/parts/feet`">Left and right</RouterLink>
        </p>
        <div class="two">
          <label class="field">
            <span>Size system</span>
            <select
              :value="d.size.system"
              @change="set({ size: { ...d.size, system: value($event) as typeof d.size.system } })"
            >
              <option v-for="s in sizeSystems" :key="s" :value="s">{{ sizeSystemNames[s] }}</option>
            </select>
          </label>
          <label class="field">
            <span>Size</span>
            <KeptInput inputmode="decimal" :value="d.size.value" :aria-invalid="sizeWrong !== ''" @change="setSize" />
            <span v-if="sizeWrong" class="wrong">{{ sizeWrong }}</span>
          </label>
        </div>
        <p v-if="!pair.whole && !pair.planProblem" class="soft" role="status">Measuring the last …</p>
        <dl v-else class="readings" aria-label="What this last reads, approximately">
          <div v-for="r in readings" :key="r.name">
            <dt>{{ r.name }}</dt>
            <dd class="figure">{{ r.value.toFixed(1) }}</dd>
          </div>
        </dl>
        <SelectField
          label="Construction"
          name="construction"
          :options="constructions.map((value) => ({ value, name: value }))"
          :value="d.construction"
          @choose="construct"
        />
        <p class="soft">{{ constructionOf[d.construction].sentence }}</p>
        <SelectField
          v-if="traitsOf(d.construction).inCup"
          label="Cup sole"
          name="cup-sole"
          :value="d.cupSoleId ?? ''"
          :options="[
            { value: '', name: workshop.cupSoles.length > 0 ? 'choose one' : 'none in the stores yet' },
            ...workshop.cupSoles.map((c) => ({ value: c.id, name: c.name })),
          ]"
          @choose="set({ cupSoleId: $event === '' ? null : $event })"
        />
        <ul class="findings">
          <FindingItem v-for="f in findings" :key="f.id" :finding="f" />
        </ul>
      </div>
      <div class="card block">
        <h2>Materials</h2>
        <MaterialSelect
          v-for="role in roles"
          :key="role"
          :role="role"
          :value="d.materials[role]"
          inline
          @choose="pair.change(setMaterial(d, role, $event))"
        />
      </div>
    </div>
    <button class="button remove" type="button" @click="deleting = true">Delete this pair</button>
    <HouseDialog v-model:open="deleting" title="Delete this pair?">
      <p>Its decisions, revisions and log go for good. Save the pair file first if there is any doubt.</p>
      <p v-if="deleteProblem" class="wrong" role="alert">{{ deleteProblem }}</p>
      <template #actions>
        <button class="button" type="button" @click="deleting = false">Keep it</button>
        <button class="button danger" type="button" @click="remove">Delete {{ pair.label?.order }}</button>
      </template>
    </HouseDialog>
  </section>
</template>

<style scoped>
.decisions {
  height: 100%;
  overflow: auto;
  padding: 20px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(330px, 1fr));
  gap: 18px;
  align-items: start;
}
.block {
  display: grid;
  gap: 14px;
  padding: 18px 20px 20px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
}
.readings {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin: 0;
  font-size: 16px;
}
.readings div {
  display: flex;
  gap: 6px;
}
.readings dt {
  color: var(--soft);
}
.readings dd {
  margin: 0;
  font-weight: 600;
}
.findings {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
}
.remove {
  margin-top: 18px;
}
.danger,
.wrong {
  color: var(--stop);
}
</style>

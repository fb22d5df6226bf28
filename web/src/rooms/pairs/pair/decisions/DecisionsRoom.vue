<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  consequences,
  constructionOf,
  traitsOf,
  constructions,
  type ConstructionName,
  sizeFromLast,
  sizeSystemNames,
  sizeSystems,
  roleNames,
  type MaterialRole,
  type PairDecisions,
  type Plan,
} from '@gentle-awl/core'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../../../api/client.ts'
import { goToField, useAsked } from '../../../../app/asked.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { setMaterial, setPieceMaterial } from '../../../../stores/setMaterial.ts'
import { rolesIn } from '../../../../stores/rolesIn.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import ConsequenceList from '../../../../ui/ConsequenceList.vue'
import OfferedLessons from '../../../../ui/lessons/OfferedLessons.vue'
import FindingItem from '../../../../ui/FindingItem.vue'
import HouseDialog from '../../../../ui/HouseDialog.vue'
import MaterialSelect from '../../../../ui/MaterialSelect.vue'
import SelectField from '../../../../ui/SelectField.vue'
import { say } from '../../../../app/say.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import OrderFields from './OrderFields.vue'
import PieceByPiece from './PieceByPiece.vue'
import FigureField from '../../../../ui/FigureField.vue'
import { nameOfLast } from '../../../../ui/nameOfLast.ts'

const pair = usePair()
const workshop = useWorkshop()
const router = useRouter()
const deleting = ref(false)
const { problem: deleteProblem, attempt } = useAttempt()

/** A piece that a link asked for: its field is folded away among its like until then. */
const askedPiece = ref('')
useAsked('at', async (field) => {
  askedPiece.value = /^piece-(.+)$/.exec(field)?.[1] ?? ''
  await nextTick()
  goToField(field)
})

const profiles = [
  { value: 'any', name: 'Any material' },
  { value: 'all natural', name: 'All natural' },
] as const
const d = computed(() => pair.decisions as PairDecisions)
const roles = computed(() => rolesIn(d.value.upper.style, d.value.construction))
const leftLast = computed(() => workshop.lasts.find((l) => l.id === d.value.left?.lastId) ?? null)

const soles = computed(() => workshop.solesFor(d.value.construction))
/** A pair that stands in or on a bought sole takes the first of the stores that is one, until another is chosen. */
function construct(construction: ConstructionName): void {
  const fitting = workshop.solesFor(construction)
  const kept = fitting.some((c) => c.id === d.value.cupSoleId)
  const change = fitting.length > 0 && !kept ? { cupSoleId: fitting[0]!.id } : {}
  set({ construction, ...change })
}
const set = (change: Partial<PairDecisions>) => pair.change({ ...d.value, ...change })
/** A material that was just changed: what it was and is, the plan from before, and the pair as it was left. */
const changed = shallowRef<{ what: string; before: Plan; left: string } | null>(null)
const asItStands = () => JSON.stringify([pair.label, pair.decisions])
// Whatever is changed next is another change: what is shown and taken back is the material's alone.
watch(
  () => [pair.label, pair.decisions],
  () => {
    if (changed.value && changed.value.left !== asItStands()) changed.value = null
  },
)
const nameOf = (of: string | null | undefined) => workshop.materials.find((m) => m.id === of)?.name
function cutOther(what: string, next: PairDecisions): void {
  const before = pair.whole
  pair.change(next)
  changed.value = before && { what, before, left: asItStands() }
}
function changeMaterial(role: MaterialRole, id: string | null): void {
  const what = `${roleNames[role]}: ${nameOf(d.value.materials[role]) ?? 'none'} → ${nameOf(id) ?? 'none'}`
  cutOther(what, setMaterial(d.value, role, id))
}
function changePiece(piece: { id: string; name: string }, id: string | null): void {
  const was = nameOf(d.value.pieceMaterials[piece.id]) ?? 'as its like'
  cutOther(`${piece.name}: ${was} → ${nameOf(id) ?? 'as its like'}`, setPieceMaterial(d.value, piece.id, id))
}
/** In figures, before and after; null while the new plan is on its way. */
const effect = computed(() => {
  const now = pair.whole
  return changed.value && now && now !== changed.value.before ? consequences(changed.value.before, now) : null
})
function takeBack(): void {
  changed.value = null
  void pair.move('undo')
}
// Last and size decided here are the right shoe's, whichever one is looked at elsewhere.
const findings = computed(() => pair.whole?.findings ?? [])
const ofMaterials = (id: string) => /^pair\.(natural|spread)/.test(id)
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
    await say(`Order ${view.label.order}, ${view.label.name}, is deleted.`)
  })
}
</script>

<template>
  <section class="decisions">
    <div class="columns">
      <div class="stack">
        <div class="card block">
          <h2>Order</h2>
          <OrderFields />
        </div>
        <OfferedLessons :id="pair.view?.id ?? null" :decisions="pair.decisions" :steps="pair.whole?.steps ?? []" />
        <section v-if="changed" class="card block effect" aria-label="What the change of material does">
          <h3>{{ changed.what }}</h3>
          <p v-if="!effect" class="soft" role="status">Working it out …</p>
          <ConsequenceList v-else :found="effect" />
          <div class="row">
            <NButton :disabled="!pair.dirty && !pair.view?.canUndo" @click="takeBack">Take it back</NButton>
            <NButton @click="changed = null">Close</NButton>
          </div>
        </section>
      </div>
      <div class="card block">
        <h2>Last, size, construction</h2>
        <SelectField
          label="Last"
          name="last"
          :value="d.lastId"
          :options="workshop.lasts.map((l) => ({ value: l.id, name: nameOfLast(l) }))"
          @choose="set({ lastId: $event })"
        />
        <p class="soft">
          {{
            d.left
              ? `The left shoe is planned on its own${leftLast ? ` on ${leftLast.name}` : ''}.`
              : 'The left shoe is the right one’s mirror.'
          }}
          <RouterLink :to="`/pairs/${pair.view?.id}/parts/feet`">Left and right</RouterLink>
        </p>
        <div class="two">
          <SelectField
            label="Size system"
            name="size-system"
            :value="d.size.system"
            :options="sizeSystems.map((value) => ({ value, name: sizeSystemNames[value] }))"
            @choose="set({ size: { ...d.size, system: $event } })"
          />
          <div class="field">
            <span>Size</span>
            <FigureField
              label="Size"
              :value="d.size.value"
              :min="0.5"
              :max="400"
              :step="0.5"
              @change="set({ size: { ...d.size, value: $event ?? d.size.value } })"
            />
          </div>
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
          v-if="traitsOf(d.construction).bought"
          label="Bought sole"
          name="cup-sole"
          :value="d.cupSoleId ?? ''"
          :options="[
            { value: '', name: soles.length > 0 ? 'choose one' : 'none in the stores yet' },
            ...soles.map((c) => ({ value: c.id, name: c.name })),
          ]"
          @choose="set({ cupSoleId: $event === '' ? null : $event })"
        />
        <ul class="findings">
          <FindingItem v-for="f in findings.filter((x) => !ofMaterials(x.id))" :key="f.id" :finding="f" />
        </ul>
      </div>
      <div class="card block">
        <h2>Materials</h2>
        <ChoiceBar label="Made of" :options="profiles" :value="d.profile" @choose="set({ profile: $event })" />
        <ul v-if="findings.some((x) => ofMaterials(x.id))" class="findings" aria-label="Checks of the materials">
          <FindingItem v-for="f in findings.filter((x) => ofMaterials(x.id))" :key="f.id" :finding="f" />
        </ul>
        <MaterialSelect
          v-for="role in roles"
          :key="role"
          :role="role"
          :value="d.materials[role]"
          :natural="d.profile === 'all natural'"
          inline
          @choose="changeMaterial(role, $event)"
        />
        <PieceByPiece v-if="pair.whole" :plan="pair.whole" :decisions="d" :asked="askedPiece" @choose="changePiece" />
      </div>
    </div>
    <NButton class="remove" @click="deleting = true">Delete this pair</NButton>
    <HouseDialog v-model:open="deleting" title="Delete this pair?">
      <p>Its decisions, revisions and log go for good. Save the pair file first if there is any doubt.</p>
      <p v-if="deleteProblem" class="wrong" role="alert">{{ deleteProblem }}</p>
      <template #actions>
        <NButton @click="deleting = false">Keep it</NButton>
        <NButton type="error" @click="remove">Delete {{ pair.label?.order }}</NButton>
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
.wrong {
  color: var(--stop);
}
.stack {
  display: grid;
  gap: inherit;
  align-content: start;
}
.effect {
  border: 2px solid var(--action);
}
.effect .row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>

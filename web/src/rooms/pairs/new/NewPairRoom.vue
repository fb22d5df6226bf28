<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  constructionOf,
  traitsOf,
  constructions,
  materialRoles,
  mayStayOpen,
  PairDecisions,
  PairLabel,
  shelfFigures,
  sizeFromLast,
  sizeSystemNames,
  sizeSystems,
  type MaterialRole,
} from '@gentle-awl/core'
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { alike } from '../../../app/alike.ts'
import { api, type PairName } from '../../../api/client.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import SelectField from '../../../ui/SelectField.vue'
import MaterialSelect from '../../../ui/MaterialSelect.vue'
import RoomState from '../../../ui/RoomState.vue'
import { useAttempt } from '../../../app/useAttempt.ts'
import ButtonLink from '../../../ui/ButtonLink.vue'
import TextField from '../../../ui/TextField.vue'
import { nameOfLast } from '../../../ui/nameOfLast.ts'

const router = useRouter()
const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
const wrong = reactive<Record<string, string>>({})
const { problem: refused, busy: saving, attempt: attemptSave } = useAttempt()
/** True once the fields hold their first proposals: nobody can send a form that is still being filled. */
const ready = ref(false)
/** What a plan cannot do without, and padding; the rest is left to the house rules until somebody chooses. */
const roles = (Object.keys(materialRoles) as MaterialRole[]).filter((r) => r === 'padding' || !mayStayOpen(r))

const label = reactive({ order: '', name: '', trade: '', note: '' })
const form = reactive({
  lastId: '',
  system: 'paris' as (typeof sizeSystems)[number],
  size: '',
  construction: 'welted' as (typeof constructions)[number],
  materials: {} as Record<MaterialRole, string>,
})
const sizeTouched = ref(false)
const pairs = shallowRef<PairName[]>([])
/** A customer may have a second pair; two pairs by mistake are worth a word. */
const doubled = computed(() => {
  const same = pairs.value.find((p) => alike(p.order, label.order))
  return same ? `Order ${same.order} has a pair already: ${same.name}.` : ''
})

const last = computed(() => workshop.lasts.find((l) => l.id === form.lastId))

/** A field that was put right is no longer marked; what the rest of the form still needs stays marked. */
watch([() => ({ ...label }), () => ({ ...form.materials }), () => form.size], (now, before) => {
  for (const field of ['order', 'name'] as const) if (now[0][field] !== before[0][field]) delete wrong[field]
  for (const role of roles) if (now[1][role] !== before[1][role]) delete wrong[`materials.${role}`]
  if (now[2] !== before[2]) delete wrong['size.value']
})

/** The size that the chosen last reads, to the half; offered until somebody types another. */
function offerSize(): void {
  if (!last.value || sizeTouched.value) return
  const reads = sizeFromLast(form.system, shelfFigures(last.value.shape).length)
  form.size = String(form.system === 'mondopoint' ? Math.round(reads / 5) * 5 : Math.round(reads * 2) / 2)
}

function chooseLast(id: string): void {
  form.lastId = id
  offerSize()
}
function chooseSystem(system: typeof form.system): void {
  form.system = system
  offerSize()
}

async function load(): Promise<void> {
  await attempt(async () => {
    const [names] = await Promise.all([api.pairNames(), workshop.load()])
    pairs.value = names
    form.lastId = workshop.lasts[0]?.id ?? ''
    for (const role of roles) form.materials[role] = role === 'padding' ? '' : (workshop.choices(role)[0]?.id ?? '')
    offerSize()
    ready.value = true
  })
}

/** Where the insole carries a holdfast leather is the likely one, else board. */
function construct(kind: (typeof constructions)[number]): void {
  form.construction = kind
  const fitting = workshop.choices('insole').find((m) => (m.kind === 'insole board') === !traitsOf(kind).welted)
  if (fitting) form.materials.insole = fitting.id
}

async function start(): Promise<void> {
  for (const key of Object.keys(wrong)) delete wrong[key]
  const size = Number(form.size.replace(',', '.'))
  const labelRead = PairLabel.safeParse(label)
  const read = PairDecisions.safeParse({
    lastId: form.lastId,
    size: { system: form.system, value: form.size.trim() === '' ? Number.NaN : size },
    construction: form.construction,
    // An upper that is turned outwards is another upper; a cup is the first of the stores until another is chosen.
    upper: traitsOf(form.construction).outwards ? { style: 'stitch-down' } : {},
    cupSoleId: traitsOf(form.construction).inCup ? (workshop.cupSoles[0]?.id ?? null) : null,
    materials: { ...form.materials, padding: form.materials.padding || null },
    // Half is the careful beginning: it leaves joint and waist their girth.
    sock: { padding: form.materials.padding ? 'half' : 'none' },
  })
  for (const issue of labelRead.error?.issues ?? []) wrong[issue.path.join('.')] = issue.message
  for (const issue of read.error?.issues ?? []) {
    const field = issue.path.join('.')
    wrong[field] = field.startsWith('size') ? 'Give a size as a number, for example 42.5.' : 'Choose one.'
  }
  if (!labelRead.success || !read.success) {
    requestAnimationFrame(() => document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus())
    return
  }
  await attemptSave(async () => {
    const pair = await api.addPair(labelRead.data, read.data)
    await router.push(`/pairs/${pair.id}/last`)
  })
}

onMounted(load)
</script>

<template>
  <section class="room-page narrow">
    <RoomState :loading="!ready" :problem="problem" what="Lasts and materials" @retry="load">
      <h1>New pair</h1>
      <div v-if="workshop.lasts.length === 0" class="nothing">
        <p>There is no last on the shelf yet, and every pair is built on one.</p>
        <ButtonLink main to="/lasts">Put a last on the shelf</ButtonLink>
      </div>
      <form v-else novalidate @submit.prevent="start">
        <fieldset class="card">
          <legend>Who it is for</legend>
          <TextField
            v-model:value="label.order"
            label="Order number"
            name="order"
            :most="20"
            :wrong="wrong.order"
            :hint="doubled"
          />
          <TextField v-model:value="label.name" label="Name of the pair" name="name" :most="80" :wrong="wrong.name" />
          <TextField
            v-model:value="label.trade"
            label="Trade of the customer"
            name="trade"
            :most="80"
            placeholder="no personal names"
          />
        </fieldset>
        <fieldset class="card">
          <legend>Last and size</legend>
          <SelectField
            label="Last"
            name="last"
            :value="form.lastId"
            :options="workshop.lasts.map((l) => ({ value: l.id, name: nameOfLast(l) }))"
            @choose="chooseLast"
          />
          <SelectField
            label="Size system"
            name="system"
            :value="form.system"
            :options="sizeSystems.map((value) => ({ value, name: sizeSystemNames[value] }))"
            @choose="chooseSystem"
          />
          <TextField
            v-model:value="form.size"
            label="Size"
            name="size"
            figures
            :wrong="wrong['size.value']"
            @update:value="sizeTouched = true"
          />
        </fieldset>
        <fieldset class="card">
          <legend>Construction</legend>
          <SelectField
            label="How upper and sole are fixed"
            name="construction"
            :options="constructions.map((value) => ({ value, name: value }))"
            :value="form.construction"
            @choose="construct"
          />
          <p class="soft why">
            {{ constructionOf[form.construction].sentence }}
          </p>
        </fieldset>
        <fieldset class="card materials">
          <legend>Materials</legend>
          <MaterialSelect
            v-for="role in roles"
            :key="role"
            :role="role"
            :value="form.materials[role]"
            :wrong="wrong[`materials.${role}`] && 'Nothing fit for this in the stores yet.'"
            @choose="form.materials[role] = $event ?? ''"
          />
        </fieldset>
        <p v-if="refused" class="bad" role="alert">{{ refused }}</p>
        <div class="actions">
          <ButtonLink to="/pairs">Back</ButtonLink>
          <NButton type="primary" attr-type="submit" :disabled="saving">Start this pair</NButton>
        </div>
      </form>
    </RoomState>
  </section>
</template>

<style scoped>
.narrow {
  max-width: 1080px;
}
form {
  display: grid;
  gap: 18px;
  margin-top: 18px;
}
fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 16px 20px;
  align-items: start;
  margin: 0;
  padding: 10px 20px 20px;
}
.why {
  grid-column: span 2;
}
legend {
  padding: 0 8px;
  font:
    600 19px 'Zilla Slab',
    serif;
}
.actions {
  display: flex;
  gap: 12px;
  justify-content: flex-end;
}
.nothing {
  display: grid;
  justify-items: start;
  gap: 14px;
  padding: 24px 0;
}
</style>

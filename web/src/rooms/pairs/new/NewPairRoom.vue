<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  constructionOf,
  constructions,
  materialRoles,
  mayStayOpen,
  nextOrder,
  PairDecisions,
  PairLabel,
  shelfFigures,
  sizeFromLast,
  sizeSystemNames,
  sizeSystems,
  styleBook,
  styles,
  traitsOf,
  type ConstructionName,
  type MaterialRole,
  type PairLike,
  type SizeSystem,
  type StyleName,
} from '@gentle-awl/core'
import { watchDebounced } from '@vueuse/core'
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { z } from 'zod'
import { alike } from '../../../app/alike.ts'
import { api, type PairName } from '../../../api/client.ts'
import { tell } from '../../../app/settings.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import PairPicture from '../../../drawing/PairPicture.vue'
import WaySection from '../../../drawing/WaySection.vue'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import ButtonLink from '../../../ui/ButtonLink.vue'
import LevelMark from '../../../ui/LevelMark.vue'
import MaterialSelect from '../../../ui/MaterialSelect.vue'
import PictureChoice from '../../../ui/PictureChoice.vue'
import RoomState from '../../../ui/RoomState.vue'
import SelectField from '../../../ui/SelectField.vue'
import TextField from '../../../ui/TextField.vue'
import { useForm } from '../../../ui/useForm.ts'
import LastChoice from './LastChoice.vue'
import { usePairSketches } from './usePairSketches.ts'

/**
 * A new pair: whom for, on which last, in which style and way, of what. All that is known is filled in, and each choice
 * is shown as the shoe it leads to, planned as it will be.
 */
const router = useRouter()
const route = useRoute()
const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
/** Where materials would come from cannot be asked: the form goes on with what is likeliest. */
const { problem: unlike, attempt: attemptLike } = useAttempt()
const { problem: refused, busy: saving, attempt: attemptSave } = useAttempt()
const form = ref<HTMLElement | null>(null)
const NewPair = z.object({ label: PairLabel, decisions: PairDecisions })
const { wrong, read, mended } = useForm(NewPair, form, {
  'decisions.size': 'Give a size as a number, for example 42.5.',
  'decisions.materials': 'Nothing fit for this in the stores yet.',
})
/** True once the fields hold their first proposals: nobody can send a form that is still being filled. */
const ready = ref(false)

const label = reactive({ order: '', name: '', trade: '', note: '' })
const lastId = ref('')
const style = ref<StyleName>('derby')
const way = ref<ConstructionName>('welted')
const cupSoleId = ref<string | null>(null)
const system = ref<SizeSystem>('paris')
const size = ref('')
const materials = reactive({} as Record<MaterialRole, string>)
/** What somebody typed or chose: no proposal writes over it. */
const touched = reactive(new Set<MaterialRole | 'name' | 'size' | 'system'>())

const pairs = shallowRef<PairName[]>([])
/** A customer may have a second pair; two pairs by mistake are worth a word. */
const doubled = computed(() => {
  const same = pairs.value.find((p) => alike(p.order, label.order))
  return same ? `Order ${same.order} has a pair already: ${same.name}.` : ''
})
const last = computed(() => workshop.lasts.find((l) => l.id === lastId.value))
const traits = computed(() => traitsOf(way.value))

/** An upper is cut to be turned one way or the other: a way that wants the other one cannot be had in this style. */
const goes = (s: StyleName, w: ConstructionName) =>
  (styleBook[s].bottom === 'turned-out margin') === traitsOf(w).outwards
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
const styleOptions = styles.map((value) => ({ value, name: capital(value), says: styleBook[value].sentence }))
const wayOptions = computed(() =>
  constructions.map((value) => ({
    value,
    name: capital(value),
    says: constructionOf[value].sentence,
    ...(goes(style.value, value)
      ? {}
      : {
          barred: traitsOf(value).outwards
            ? 'Its upper is turned outwards: choose a style that is cut for it.'
            : 'This style’s upper is turned outwards and cannot be turned under.',
        }),
  })),
)

/** The size that the chosen last reads, to the half; offered until somebody types another. */
function offerSize(): void {
  if (!last.value || touched.has('size')) return
  const reads = sizeFromLast(system.value, shelfFigures(last.value.shape).length)
  size.value = String(system.value === 'mondopoint' ? Math.round(reads / 5) * 5 : Math.round(reads * 2) / 2)
}
watch([last, system], offerSize)
watch([last, style], () => {
  if (last.value && !touched.has('name')) label.name = `${capital(style.value)} on ${last.value.name}`.slice(0, 80)
})

/** The pair that the materials come from; null when there is none of this style yet. */
const like = shallowRef<PairLike | null>(null)
/** What every pair has; what is left to the house rules until somebody chooses stands apart. */
const allRoles = Object.keys(materialRoles) as MaterialRole[]
const needed = allRoles.filter((r) => r === 'padding' || !mayStayOpen(r))
const soleRoles: readonly MaterialRole[] = ['outsole', 'heel', 'topPiece']
const open = computed(() =>
  allRoles.filter((r) => !needed.includes(r) && (traits.value.cutsSoles || !soleRoles.includes(r))),
)

function proposeMaterials(): void {
  const from = like.value?.decisions
  for (const role of allRoles) {
    if (touched.has(role)) continue
    const choices = workshop.choices(role)
    const before = from?.materials[role]
    const padded = role !== 'padding' || from?.sock.padding !== 'none'
    if (padded && choices.some((m) => m.id === before)) materials[role] = before ?? ''
    else materials[role] = mayStayOpen(role) ? '' : (choices[0]?.id ?? '')
  }
  // Where the insole carries a holdfast leather is the likely one, else board.
  if (from?.construction === way.value || touched.has('insole')) return
  const fitting = workshop.choices('insole').find((m) => (m.kind === 'insole board') === !traits.value.welted)
  if (fitting) materials.insole = fitting.id
}
let asked = 0
async function goByLastOfStyle(): Promise<void> {
  const mine = ++asked
  const found = await api.pairLike(style.value, way.value)
  if (mine !== asked) return
  like.value = found
  if (found && !touched.has('system')) system.value = found.decisions.size.system
  cupSoleId.value = found?.decisions.cupSoleId ?? workshop.cupSoles[0]?.id ?? null
  proposeMaterials()
}
watch([style, way], () => void attemptLike(goByLastOfStyle))

function chooseStyle(next: StyleName): void {
  style.value = next
  if (!goes(next, way.value)) way.value = constructions.find((w) => goes(next, w)) ?? way.value
}
function chooseMaterial(role: MaterialRole, id: string | null): void {
  touched.add(role)
  materials[role] = id ?? ''
  mended(`decisions.materials.${role}`)
}

async function load(): Promise<void> {
  await attempt(async () => {
    const [names] = await Promise.all([api.pairNames(), workshop.load()])
    pairs.value = names
    const asks = workshop.lasts.find((l) => l.id === route.query.last)
    lastId.value = (asks ?? workshop.lasts[0])?.id ?? ''
    label.order ||= nextOrder(names.map((p) => p.order))
    await goByLastOfStyle()
    offerSize()
    ready.value = true
  })
}

/** What would be stored, in this style and way; what was not filled in well is left to the schema. */
function decisionsAs(inStyle: StyleName, inWay: ConstructionName) {
  const padding = materials.padding || null
  const before = like.value?.decisions.sock.padding ?? 'none'
  return {
    lastId: lastId.value,
    size: { system: system.value, value: size.value.trim() === '' ? NaN : Number(size.value.replace(',', '.')) },
    construction: inWay,
    upper: { style: inStyle },
    cupSoleId: traitsOf(inWay).inCup ? cupSoleId.value : null,
    materials: {
      ...Object.fromEntries(allRoles.map((r) => [r, materials[r] || null])),
      padding,
    },
    // Half is the careful beginning: it leaves joint and waist their girth.
    sock: { padding: padding === null ? 'none' : before === 'none' ? 'half' : before },
  }
}

const { of: sketchOf, draw, problem: sketchProblem } = usePairSketches()
const lastKey = computed(() => `${lastId.value} ${last.value?.version ?? 0}`)
const styleKey = (s: StyleName) => `${lastKey.value} ${s}`
const wayKey = (w: ConstructionName) => `${styleKey(style.value)} ${w}`
const chosen = computed(() => PairDecisions.safeParse(decisionsAs(style.value, way.value)))
const chosenKey = computed(() => (chosen.value.success ? JSON.stringify([lastKey.value, chosen.value.data]) : ''))
/** What the chosen pair comes to; while the next one is planned, what was shown last. */
const shown = shallowRef<ReturnType<typeof sketchOf>>()
watch(
  () => sketchOf(chosenKey.value),
  (now) => {
    if (now) shown.value = now
  },
)
/** First what was chosen, then what else could be. */
watchDebounced(
  [chosenKey, ready],
  () => {
    if (!ready.value) return
    const wanted = (key: string, s: StyleName, w: ConstructionName) => {
      const decisions = PairDecisions.safeParse({
        ...decisionsAs(s, w),
        // A picture needs no size.
        size: { system: system.value, value: 42 },
        cupSoleId: traitsOf(w).inCup ? (cupSoleId.value ?? workshop.cupSoles[0]?.id ?? null) : null,
      })
      return decisions.success ? [{ key, decisions: decisions.data }] : []
    }
    void draw([
      ...(chosen.value.success ? [{ key: chosenKey.value, decisions: chosen.value.data }] : []),
      ...styles.flatMap((s) => wanted(styleKey(s), s, goes(s, way.value) ? way.value : goesFirst(s))),
      ...constructions.filter((w) => goes(style.value, w)).flatMap((w) => wanted(wayKey(w), style.value, w)),
    ])
  },
  { debounce: 120 },
)
const goesFirst = (s: StyleName) => constructions.find((w) => goes(s, w)) ?? way.value

for (const field of ['order', 'name'] as const)
  watch(
    () => label[field],
    () => mended(`label.${field}`),
  )
watch(size, () => mended('decisions.size.value'))

async function start(): Promise<void> {
  const filled = await read({ label, decisions: decisionsAs(style.value, way.value) })
  if (!filled) return
  await attemptSave(async () => {
    const pair = await api.addPair(filled.label, filled.decisions)
    await router.push(`/pairs/${pair.id}/last`)
  })
}

onMounted(load)
</script>

<template>
  <RoomState :loading="!ready" :problem="problem" what="Lasts and materials" @retry="load">
    <section v-if="workshop.lasts.length === 0" class="room-page nothing">
      <h1>New pair</h1>
      <p>There is no last on the shelf yet, and every pair is built on one.</p>
      <ButtonLink main to="/lasts">Put a last on the shelf</ButtonLink>
    </section>
    <form v-else ref="form" class="work-and-panel new-pair" novalidate @submit.prevent="start">
      <div class="choices">
        <h1>New pair</h1>
        <section>
          <h2>Who it is for</h2>
          <div class="fields">
            <TextField
              v-model:value="label.order"
              label="Order number"
              name="order"
              :most="20"
              :wrong="wrong['label.order']"
              :hint="doubled"
            />
            <TextField
              v-model:value="label.name"
              label="Name of the pair"
              name="name"
              :most="80"
              :wrong="wrong['label.name']"
              @update:value="touched.add('name')"
            />
            <TextField
              v-model:value="label.trade"
              label="Trade of the customer"
              name="trade"
              :most="80"
              placeholder="no personal names"
            />
          </div>
        </section>
        <section>
          <h2>Last</h2>
          <LastChoice :lasts="workshop.lasts" :value="lastId" @choose="lastId = $event" />
          <div class="fields">
            <SelectField
              label="Size system"
              name="system"
              :value="system"
              :options="sizeSystems.map((value) => ({ value, name: sizeSystemNames[value] }))"
              @choose="((system = $event), touched.add('system'))"
            />
            <TextField
              v-model:value="size"
              label="Size"
              name="size"
              figures
              :wrong="wrong['decisions.size.value']"
              @update:value="touched.add('size')"
            />
          </div>
        </section>
        <section>
          <h2>Style</h2>
          <PictureChoice label="Style" :options="styleOptions" :value="style" @choose="chooseStyle">
            <template #picture="{ value }">
              <PairPicture
                v-if="sketchOf(styleKey(value))?.value"
                :shapes="sketchOf(styleKey(value))!.value!.shapes"
                label=""
              />
              <span v-else class="chalk">{{ sketchOf(styleKey(value)) ? 'Not on this last' : 'Drawing …' }}</span>
            </template>
          </PictureChoice>
        </section>
        <section>
          <h2>How upper and sole are joined</h2>
          <PictureChoice
            label="How upper and sole are joined"
            :options="wayOptions"
            :value="way"
            @choose="way = $event"
          >
            <template #picture="{ value }"><WaySection :way="value" /></template>
          </PictureChoice>
          <div v-if="traits.inCup" class="fields">
            <SelectField
              label="Cup sole"
              name="cup-sole"
              :value="cupSoleId ?? ''"
              :options="workshop.cupSoles.map((c) => ({ value: c.id, name: c.name }))"
              @choose="cupSoleId = $event"
            />
          </div>
        </section>
        <section>
          <h2>Materials</h2>
          <p v-if="unlike" class="wrong" role="alert">{{ unlike }}</p>
          <p v-else class="soft">
            {{
              like
                ? `As for order ${like.order}, ${like.name}, the newest of this style. Change what is to be another.`
                : 'No pair of this style yet: what fits, the likeliest first.'
            }}
          </p>
          <div class="fields">
            <MaterialSelect
              v-for="role in [...needed, ...open]"
              :key="role"
              :role="role"
              :value="materials[role] ?? ''"
              :wrong="wrong[`decisions.materials.${role}`]"
              @choose="chooseMaterial(role, $event)"
            />
          </div>
        </section>
      </div>
      <aside class="panel summary" aria-label="The pair as chosen">
        <div class="shoe on-slate">
          <PairPicture
            v-if="shown?.value"
            :shapes="shown.value.shapes"
            :label="`${capital(style)}, ${way}, from its side`"
          />
          <p v-else class="chalk">{{ shown?.problem ? '' : 'Planning …' }}</p>
        </div>
        <h2>{{ label.name || 'New pair' }}</h2>
        <p>{{ capital(style) }}, {{ way }}. {{ sizeSystemNames[system] }} {{ size }} on {{ last?.name }}.</p>
        <p v-if="sketchProblem || shown?.problem" class="bad" role="alert">
          {{ sketchProblem || tell(shown?.problem ?? '') }}
        </p>
        <template v-if="shown?.value">
          <p v-if="shown.value.stops.length === 0" class="verdict">
            <LevelMark :level="shown.value.worst" quiet />
            {{
              shown.value.worst === 'fine'
                ? 'Nothing stands against it.'
                : 'It can be made; some checks ask for a look.'
            }}
          </p>
          <template v-else>
            <p class="verdict"><LevelMark level="stop" quiet /> To be mended once it is begun:</p>
            <ul class="stops">
              <li v-for="(s, i) in shown.value.stops.slice(0, 4)" :key="i">
                <strong>{{ s.where }}</strong> {{ tell(s.sentence) }}
              </li>
              <li v-if="shown.value.stops.length > 4" class="soft">and {{ shown.value.stops.length - 4 }} more.</li>
            </ul>
          </template>
        </template>
        <p v-if="refused" class="bad" role="alert">{{ refused }}</p>
        <div class="actions">
          <ButtonLink to="/pairs">Back</ButtonLink>
          <NButton type="primary" attr-type="submit" :disabled="saving">Start this pair</NButton>
        </div>
      </aside>
    </form>
  </RoomState>
</template>

<style scoped>
.new-pair {
  overflow: auto;
}
.choices {
  display: grid;
  align-content: start;
  gap: 26px;
  padding: 24px 28px 40px;
  overflow-y: auto;
}
.choices > section {
  display: grid;
  gap: 12px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 14px 20px;
  align-items: start;
}
.summary {
  display: grid;
  align-content: start;
  gap: 12px;
  padding: 20px 22px;
  overflow-y: auto;
  border-left: 1px solid var(--line);
  background: var(--raised);
}
.shoe {
  display: grid;
  place-items: center;
  height: 170px;
  padding: 16px;
  border-radius: 12px;
  background: var(--slate);
}
.shoe svg {
  width: 100%;
  height: 138px;
}
.chalk {
  color: var(--chalk);
}
.verdict {
  display: flex;
  gap: 8px;
}
.stops {
  display: grid;
  gap: 8px;
  margin: 0;
  padding-left: 20px;
}
.actions {
  display: flex;
  gap: 12px;
  justify-content: flex-end;
  margin-top: 6px;
}
.nothing {
  display: grid;
  justify-items: start;
  gap: 14px;
}
@media (max-width: 999px) {
  .choices,
  .summary {
    overflow: visible;
  }
}
</style>

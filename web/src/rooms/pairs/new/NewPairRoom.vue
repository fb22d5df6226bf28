<script setup lang="ts">
import { NButton, NCheckbox } from 'naive-ui'
import {
  constructionOf,
  constructions,
  PairDecisions,
  PairLabel,
  sizeSystemNames,
  sizeSystems,
  styleBook,
  styles,
  traitsOf,
} from '@gentle-awl/core'
import { watchDebounced } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { z } from 'zod'
import { api } from '../../../api/client.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import PairPicture from '../../../drawing/PairPicture.vue'
import WaySection from '../../../drawing/WaySection.vue'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import DayField from '../../../ui/DayField.vue'
import ButtonLink from '../../../ui/ButtonLink.vue'
import FigureField from '../../../ui/FigureField.vue'
import MaterialSelect from '../../../ui/MaterialSelect.vue'
import PictureChoice from '../../../ui/PictureChoice.vue'
import RoomState from '../../../ui/RoomState.vue'
import SelectField from '../../../ui/SelectField.vue'
import TextField from '../../../ui/TextField.vue'
import OfferedLessons from '../../../ui/lessons/OfferedLessons.vue'
import { useForm } from '../../../ui/useForm.ts'
import ChosenPair from './ChosenPair.vue'
import LastChoice from './LastChoice.vue'
import { capital } from '../../../ui/capital.ts'
import PromisedDay from './PromisedDay.vue'
import { pieceWords } from './pieceWords.ts'
import { goesWith, useNewPair, wayFor } from './useNewPair.ts'
import { usePairSketches, type Wanted } from './usePairSketches.ts'

/**
 * A new pair: whom for, on which last, in which style and way, of what. All that is known is filled in, and each choice
 * is shown as the shoe it leads to, planned as it will be.
 */
const router = useRouter()
const route = useRoute()
const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
const { problem: refused, busy: saving, attempt: attemptSave } = useAttempt()
const form = ref<HTMLElement | null>(null)
const { read, at, mended, elsewhere } = useForm(z.object({ label: PairLabel, decisions: PairDecisions }), form, {
  'decisions.materials': 'Nothing fit for this in the stores yet.',
})
/** True once the fields hold their first proposals: nobody can send a form that is still being filled. */
const ready = ref(false)
/** The day by whose end it should be done; empty while nobody waits for it. */
const due = ref('')
const {
  label,
  nameTyped,
  doubled,
  lastId,
  last,
  style,
  chooseStyle,
  way,
  cupSoleId,
  system,
  chooseSystem,
  size,
  typeSize,
  materials,
  roles,
  chooseMaterial,
  like,
  ownPieces,
  piecesToo,
  unlike,
  load: loadProposals,
  decisionsAs,
} = useNewPair()

const load = () =>
  attempt(async () => {
    await loadProposals(route.query.last)
    ready.value = true
  })
onMounted(load)

const styleOptions = styles.map((value) => ({ value, name: capital(value), says: styleBook[value].sentence }))
const barredWay = (outwards: boolean) =>
  outwards
    ? 'Its upper is turned outwards: choose a style that is cut for it.'
    : 'This style’s upper is turned outwards and cannot be turned under.'
const wayOptions = computed(() =>
  constructions.map((value) => ({
    value,
    name: capital(value),
    says: constructionOf[value].sentence,
    ...(goesWith(style.value, value) ? {} : { barred: barredWay(traitsOf(value).outwards) }),
  })),
)
const choice = computed(() =>
  [`${capital(style.value)}, ${way.value}, ${sizeSystemNames[system.value]} ${size.value ?? ''}`, last.value?.name]
    .filter(Boolean)
    .join(' on '),
)

const { of: sketchOf, draw, problem: sketchProblem } = usePairSketches()
const lastKey = computed(() => `${lastId.value} ${last.value?.version ?? 0}`)
const styleKey = (s: (typeof styles)[number]) => `${lastKey.value} ${s}`
const chosen = computed<Wanted | null>(() => {
  const decisions = PairDecisions.safeParse(decisionsAs(style.value, way.value)).data
  return decisions ? { key: JSON.stringify([lastKey.value, decisions]), decisions } : null
})
/** First what was chosen, then what else could be. */
watchDebounced(
  [() => chosen.value?.key, ready],
  () => {
    if (!ready.value) return
    const others = styles.flatMap((s): Wanted[] => {
      const decisions = PairDecisions.safeParse(decisionsAs(s, wayFor(s, way.value))).data
      return decisions ? [{ key: styleKey(s), decisions }] : []
    })
    void draw([...(chosen.value ? [chosen.value] : []), ...others])
  },
  { debounce: 120 },
)

// A proposal gives the name too.
watch(
  () => label.name,
  () => mended('label.name'),
)
async function start(): Promise<void> {
  const asked = { ...label, due: due.value === '' ? null : due.value, weight: 1 }
  const filled = await read({ label: asked, decisions: decisionsAs(style.value, way.value) })
  if (!filled) return
  await attemptSave(async () => {
    const pair = await api.addPair(filled.label, filled.decisions)
    await router.push(`/pairs/${pair.id}/last`)
  })
}
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
              v-bind="at('label.order')"
              :hint="doubled"
            />
            <TextField
              v-model:value="label.name"
              label="Name of the pair"
              name="name"
              :most="80"
              v-bind="at('label.name')"
              @update:value="nameTyped"
            />
            <TextField
              v-model:value="label.trade"
              label="Trade of the customer"
              name="trade"
              :most="80"
              placeholder="no personal names"
              v-bind="at('label.trade')"
            />
            <DayField v-model:value="due" label="Due" name="due" />
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
              @choose="chooseSystem"
            />
            <div class="field">
              <span>Size</span>
              <FigureField
                label="Size"
                name="size"
                :value="size"
                :min="0.5"
                :max="400"
                :step="0.5"
                @change="typeSize"
              />
            </div>
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
          <div v-if="traitsOf(way).bought" class="fields">
            <SelectField
              label="Bought sole"
              name="cup-sole"
              :value="cupSoleId ?? ''"
              :options="workshop.solesFor(way).map((c) => ({ value: c.id, name: c.name }))"
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
          <NCheckbox v-if="ownPieces.length > 0" v-model:checked="piecesToo">
            Single pieces as there:
            {{ ownPieces.map(({ piece, material }) => `${pieceWords(piece)} from ${material.name}`).join('; ') }}
          </NCheckbox>
          <div class="fields">
            <MaterialSelect
              v-for="role in roles"
              :key="role"
              :role="role"
              :value="materials[role] ?? ''"
              :wrong="at(`decisions.materials.${role}`).wrong"
              @choose="(chooseMaterial(role, $event), mended(`decisions.materials.${role}`))"
            />
          </div>
        </section>
      </div>
      <ChosenPair
        :name="label.name"
        :choice="choice"
        :sketch="chosen ? sketchOf(chosen.key) : undefined"
        :problem="sketchProblem"
        :missing="chosen === null"
      >
        <OfferedLessons :id="null" :decisions="chosen?.decisions ?? null" :steps="null" />
        <PromisedDay :label="label" :decisions="chosen?.decisions ?? null" @due="due = $event" />
        <p v-if="refused || elsewhere" class="bad" role="alert">{{ refused || elsewhere }}</p>
        <div class="actions">
          <ButtonLink to="/pairs">Back</ButtonLink>
          <NButton type="primary" attr-type="submit" :disabled="saving">Start this pair</NButton>
        </div>
      </ChosenPair>
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
.chalk {
  color: var(--chalk);
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
  .choices {
    overflow: visible;
  }
}
</style>

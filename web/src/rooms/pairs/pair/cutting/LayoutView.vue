<script setup lang="ts">
import { areaOf, cuttingLayout, sheetGround, type CuttingGroup, type Hide, type LayTurn } from '@gentle-awl/core'
import { useLocalStorage } from '@vueuse/core'
import { NButton, NProgress } from 'naive-ui'
import { computed, onMounted, shallowRef, watch } from 'vue'
import { api, type Stored } from '../../../../api/client.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import SelectField from '../../../../ui/SelectField.vue'
import { showArea } from '../../../../app/settings.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import { capital } from '../../../../ui/capital.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import FigureField from '../../../../ui/FigureField.vue'
import LengthField from '../../../../ui/LengthField.vue'
import { laidOutlines, layoutHpgl, layoutSvg } from './layoutFile.ts'
import { hideVerdict, layoutVerdict } from './layoutVerdict.ts'
import { saveFile } from '../../../../ui/saveFile.ts'
import SheetDrawing from './SheetDrawing.vue'
import { useLayout } from './useLayout.ts'

/** One stuff laid out on a straight sheet or on a hide of the stores: how much of it the pair takes, and where each piece lies. */
const props = defineProps<{ group: CuttingGroup }>()
/** Of this workshop's stuff: the next pair is laid on the same. */
const sheet = useLocalStorage(`gentle-awl.sheet.${props.group.material}`, { length: 1200, width: 600 })
const knife = useLocalStorage('gentle-awl.knife', 2)
const turn = useLocalStorage<LayTurn>(`gentle-awl.turn.${props.group.material}`, 'along')
const seconds = useLocalStorage('gentle-awl.layout-seconds', 10)
const turns = [
  { value: 'along', name: 'Tight along it' },
  { value: 'near', name: 'Within 10°' },
  { value: 'free', name: 'As they fit' },
] as const

const { news, busy, problem, begin, stop, forget } = useLayout()
/** Hides and sheets of this stuff that are not used up; a straight sheet of any size is always there. */
const workshop = useWorkshop()
const all = shallowRef<Stored<Hide>[]>([])
const { problem: noHides, attempt } = useAttempt()
onMounted(() => attempt(async () => void (all.value = await api.hides.list())))
const hides = computed(() => {
  const of = workshop.materials.filter((m) => m.name === props.group.material).map((m) => m.id)
  return all.value.filter((h) => !h.used && h.materialId !== null && of.includes(h.materialId))
})
const SHEET = ''
const chosen = useLocalStorage(`gentle-awl.hide.${props.group.material}`, SHEET)
const hide = computed(() => hides.value.find((h) => h.id === chosen.value) ?? null)
const ground = computed(() => hide.value ?? sheetGround(sheet.value))
// What was laid of other pieces, or on something else, is no layout of these.
watch([() => props.group, ground, knife, turn], forget)

const instance = computed(() => cuttingLayout(props.group, ground.value, knife.value, turn.value))
const layOut = () => begin(instance.value, seconds.value)
/** The layout as it lies, as a file for other programs or for a cutting table. */
function save(as: 'svg' | 'hpgl'): void {
  if (!news.value) return
  const outlines = laidOutlines(props.group, news.value.placements)
  const text = as === 'svg' ? layoutSvg(ground.value, outlines) : layoutHpgl(ground.value, outlines)
  saveFile(`layout.${as}`, new Blob([text], { type: as === 'svg' ? 'image/svg+xml' : 'application/vnd.hp-hpgl' }))
}
const strips = computed(() => props.group.pieces.filter((p) => p.strip).map((p) => p.name))
const verdict = computed(() => {
  if (!news.value) return ''
  return hide.value
    ? hideVerdict(news.value, areaOf(instance.value.bin), busy.value)
    : layoutVerdict(news.value, sheet.value.width, busy.value)
})
</script>

<template>
  <div class="work-and-panel">
    <SheetDrawing
      :group="group"
      :ground="ground"
      :straight="hide === null"
      :placements="news?.placements ?? []"
      :reach="news?.reach ?? 0"
    />
    <BecausePanel :title="capital(group.material)">
      <div class="fields">
        <SelectField
          label="Laid on"
          name="laid-on"
          :value="hide?.id ?? SHEET"
          :options="[
            ...hides.map((h) => ({ value: h.id, name: `${h.name}${h.place ? `, ${h.place.toLowerCase()}` : ''}` })),
            { value: SHEET, name: 'a straight sheet of any size' },
          ]"
          @choose="chosen = $event"
        />
        <div v-if="!hide" class="words-and-field">
          <span>Sheet, along its tight direction</span>
          <LengthField
            :value="sheet.length"
            :min="50"
            :max="20000"
            label="Length of the sheet"
            @change="sheet = { ...sheet, length: $event }"
          />
        </div>
        <div v-if="!hide" class="words-and-field">
          <span>Sheet, across</span>
          <LengthField
            :value="sheet.width"
            :min="50"
            :max="3000"
            label="Width of the sheet"
            @change="sheet = { ...sheet, width: $event }"
          />
        </div>
        <div class="words-and-field">
          <span>Between two pieces</span>
          <LengthField :value="knife" :min="0" :max="20" label="Room for the knife" @change="knife = $event" />
        </div>
        <ChoiceBar label="Pieces lie" :options="turns" :value="turn" @choose="turn = $event" />
        <div class="words-and-field">
          <span>Seconds to look for it</span>
          <FigureField
            :value="seconds"
            whole
            :min="1"
            :max="600"
            label="Seconds to look for it"
            @change="seconds = $event ?? seconds"
          />
        </div>
        <div class="buttons">
          <NButton v-if="busy" @click="stop">Stop</NButton>
          <NButton v-else type="primary" @click="layOut">Lay out</NButton>
          <template v-if="news && !busy">
            <NButton @click="save('svg')">Drawing (SVG)</NButton>
            <NButton @click="save('hpgl')">Cutting table (HPGL)</NButton>
          </template>
        </div>
        <NProgress
          v-if="busy"
          type="line"
          :percentage="Math.round(100 * (news?.progress ?? 0))"
          aria-label="Laying out"
        />
      </div>
      <p v-if="problem" role="alert">{{ problem }}</p>
      <p v-else-if="verdict" role="status" data-testid="verdict">{{ verdict }}</p>
      <p v-else class="soft">
        The pieces cover {{ showArea(group.area) }}. Laid out, one sees how much of a sheet they take; it gets better
        with every second.
      </p>
      <p v-if="strips.length > 0" class="soft">Not laid: {{ strips.join(', ') }}; cut along a straight edge.</p>
      <p v-if="noHides" role="alert">{{ noHides }}</p>
      <p v-if="hide" class="soft">
        Seen from the face. Vamps and caps lie in the best of it, what else is seen off the lesser parts, and nothing on
        a flaw that is drawn. Look the leather over before you cut.
      </p>
      <p v-else class="soft">
        Seen from the face. Look the leather over before you cut: flaws and stretchy places are not known here. A hide
        of the stores has them.
      </p>
    </BecausePanel>
  </div>
</template>

<style scoped>
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.fields {
  display: grid;
  gap: 8px;
  margin: 8px 0 14px;
}
p {
  margin-bottom: 10px;
}
</style>

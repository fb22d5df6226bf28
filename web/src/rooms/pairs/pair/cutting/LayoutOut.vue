<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { NButton, NProgress, NSwitch } from 'naive-ui'
import { computed, ref, shallowRef } from 'vue'
import { api } from '../../../../api/client.ts'
import { say } from '../../../../app/say.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useMade } from '../../../../stores/madeStore.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import FoldOut from '../../../../ui/FoldOut.vue'
import LengthField from '../../../../ui/LengthField.vue'
import { saveFile } from '../../../../ui/saveFile.ts'
import SelectField from '../../../../ui/SelectField.vue'
import { laidOutlines, layoutHpgl, layoutSvg, toolPath, type LaidOutline } from './layoutFile.ts'
import { checkCuts, checkSentence, cutWhole } from './tableReport.ts'
import type { LayoutRoom } from './useLayout.ts'
import { useTable } from './useTable.ts'

/** A layout out of the program: as a file, on paper, or to the cutting table, which tells what it cut. Its work outlasts the layout. */
const props = defineProps<{
  pairId: string
  room: LayoutRoom
  /** Nothing is wrong with where the pieces lie. */
  sound: boolean
}>()
const made = useMade()
const pairStore = usePair()
const takes = useLocalStorage('gentle-awl.tool-takes', 0)
const pen = useLocalStorage('gentle-awl.tool-pen', false)
const on = ref(0)
const grounds = computed(() => props.room.grounds.value)
const names = computed(() =>
  props.room.layout.value.grounds.map((g, k) => ({
    value: String(k),
    name: props.room.hideOf(g)?.name ?? 'the straight sheet',
  })),
)
const here = computed(() => Math.min(on.value, grounds.value.length - 1))
const ground = computed(() => grounds.value[here.value]!)
const hide = computed(() => props.room.hideOf(props.room.layout.value.grounds[here.value]!))
const outlines = computed(() => laidOutlines(props.room.pieces.value, props.room.places.value, here.value))
const title = computed(() => `${props.room.layout.value.material} on ${names.value[here.value]!.name}`)
const { problem, busy, attempt } = useAttempt()

function save(as: 'svg' | 'hpgl'): void {
  const text =
    as === 'svg'
      ? layoutSvg(ground.value, outlines.value)
      : layoutHpgl(ground.value, outlines.value, { takes: takes.value, pen: pen.value })
  saveFile(`layout.${as}`, new Blob([text], { type: as === 'svg' ? 'image/svg+xml' : 'application/vnd.hp-hpgl' }))
}
const fetchFile = (as: 'dxf' | 'pdf') =>
  attempt(async () => {
    const { outline, flaws } = ground.value
    // Paper is cut by hand along its lines; a table that reads DXF goes along them with its tool.
    const wide = as === 'dxf' ? takes.value : 0
    const pieces = outlines.value.map(({ name, foot, path }) => ({ name, foot, path: toolPath(path, wide) }))
    const drawing = { title: title.value, outline, flaws: flaws.map((f) => f.outline), pieces }
    const file = await api.layoutFile(as, drawing)
    saveFile(file.name, file.blob)
  })

const table = useTable()
const { report } = table
/** What was sent, in the order in which it is cut, and of which hide. */
const sent = shallowRef<{ outlines: LaidOutline[]; hide: string | null }>({ outlines: [], hide: null })
const checks = computed(() => (report.value ? checkCuts(sent.value.outlines, report.value) : []))
const good = computed(() => checks.value.filter((c) => c.good))
const wrong = computed(() => checks.value.filter((c) => !c.good))
const noted = ref(false)
const taken = ref(false)
/** What came out well of work that was sent before: a pair may lie on two hides. */
const earlier = shallowRef<LaidOutline[]>([])
async function toTable(): Promise<void> {
  earlier.value = [...earlier.value, ...good.value.map((c) => c.piece)]
  sent.value = { outlines: outlines.value, hide: hide.value?.id ?? null }
  noted.value = false
  taken.value = false
  await table.send(title.value, layoutHpgl(ground.value, outlines.value, { takes: takes.value, pen: pen.value }))
}
/** Ticks what is cut in all its copies, for this pair and for those that were cut with it. */
const whole = computed(() => cutWhole(props.room.pieces.value, [...earlier.value, ...good.value.map((c) => c.piece)]))
const tick = () =>
  attempt(async () => {
    // The server plans what it knows.
    await pairStore.flush()
    for (const pair of new Set(whole.value.map((w) => w.pair))) {
      const pieces = whole.value
        .filter((w) => w.pair === pair)
        .flatMap((w) => w.feet.map((foot) => ({ part: w.part, foot })))
      await api.addCut(pair, pieces)
    }
    await made.load(props.pairId)
    noted.value = true
    await say('What was cut is ticked off.')
  })
const takeOut = () =>
  attempt(async () => {
    const before = props.room.hides.value.find((h) => h.id === sent.value.hide)
    if (!before) return
    const { offcuts } = await api.cutFromHide(
      before.id,
      before.version,
      good.value.map((c) => c.piece.path),
    )
    taken.value = true
    await props.room.cutOut(good.value.map((c) => c.piece.place))
    const more = offcuts.length === 0 ? '' : offcuts.length === 1 ? ' and one offcut' : ` and ${offcuts.length} offcuts`
    await say(`What is left of ${before.name}${more} is in the stores.`)
  })
</script>

<template>
  <section v-if="outlines.length > 0 || report" class="out" aria-label="Out to tools">
    <h3>Out to tools</h3>
    <SelectField
      v-if="names.length > 1"
      label="What lies on"
      name="which-hide"
      :value="String(here)"
      :options="names"
      @choose="on = Number($event)"
    />
    <p v-if="!sound" class="soft">
      Something is wrong with this layout: it can be kept, and sent when it is put right.
    </p>
    <div v-if="outlines.length > 0" class="buttons">
      <NButton @click="save('svg')">Drawing (SVG)</NButton>
      <NButton :loading="busy" @click="fetchFile('dxf')">Drawing (DXF)</NButton>
      <NButton :loading="busy" @click="fetchFile('pdf')">On paper (PDF)</NButton>
      <NButton :disabled="!sound" @click="save('hpgl')">Cutting table (HPGL)</NButton>
      <NButton v-if="report?.state === 'cutting'" @click="table.stop">Stop the table</NButton>
      <NButton
        v-else
        type="primary"
        :disabled="!sound || outlines.length === 0"
        :loading="table.busy.value"
        @click="toTable"
        >Send to the table</NButton
      >
    </div>
    <RouterLink to="/table">See the practice table</RouterLink>
    <FoldOut title="What the table's tools do">
      <div class="words-and-field">
        <span>Width of its cut</span>
        <LengthField :value="takes" :min="0" :max="5" label="Width of the tool's cut" @change="takes = $event" />
      </div>
      <p class="soft">
        In HPGL and DXF the tool goes so far outside the line that the piece keeps its size: nothing for a blade, the
        width of the beam or bit for others, the width of its line for a pen along whose inside you cut by hand.
      </p>
      <div class="words-and-field">
        <span>A second tool, a pen, draws arrows and R or L</span>
        <NSwitch v-model:value="pen" aria-label="A pen draws arrows and R or L" />
      </div>
      <p class="soft">
        It draws on what lies up. On the face that is seen on the shoe: only with a pen that wipes off.
      </p>
    </FoldOut>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="table.problem.value" role="alert">{{ table.problem.value }}</p>
    <template v-if="report">
      <NProgress
        type="line"
        :percentage="Math.round(100 * report.progress)"
        :status="report.state === 'done' && wrong.length === 0 ? 'success' : 'default'"
        aria-label="The table cuts"
      />
      <p role="status" data-testid="table">
        {{
          report.state === 'cutting'
            ? `The table cuts: ${checks.filter((c) => c.measured !== null).length} of ${checks.length} pieces.`
            : report.state === 'stopped'
              ? `The table stopped: ${good.length} of ${checks.length} pieces are cut.`
              : wrong.length === 0
                ? `All ${checks.length} pieces are cut, as long as they were planned.`
                : `The table is done; ${wrong.length} of ${checks.length} pieces are not as they were planned.`
        }}
      </p>
      <template v-if="report.state !== 'cutting'">
        <ul v-if="wrong.length > 0" aria-label="What the table did not cut well">
          <li v-for="(c, i) in wrong" :key="i">{{ checkSentence(c) }}</li>
        </ul>
        <div class="buttons">
          <NButton v-if="whole.length > 0 && !noted" type="primary" :loading="busy" @click="tick"
            >Tick off what is cut</NButton
          >
          <NButton v-if="sent.hide && good.length > 0 && !taken" :loading="busy" @click="takeOut"
            >Take it out of the hide</NButton
          >
        </div>
      </template>
    </template>
  </section>
</template>

<style scoped>
.out {
  display: grid;
  gap: 8px;
  margin: 12px 0;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
h3,
ul {
  margin: 0;
}
ul {
  padding-left: 18px;
}
</style>

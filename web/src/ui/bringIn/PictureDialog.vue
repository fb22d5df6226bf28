<script setup lang="ts">
import { distance, extentOf, type PhotoChoices, type Point } from '@gentle-awl/core'
import { IconArrowBackUp, IconPhoto } from '@tabler/icons-vue'
import { NAlert, NButton, NProgress } from 'naive-ui'
import { computed, ref, shallowRef, watch } from 'vue'
import { showLength, tell } from '../../app/settings.ts'
import FileButton from '../FileButton.vue'
import HouseDialog from '../HouseDialog.vue'
import LengthField from '../LengthField.vue'
import type { Brought } from './brought.ts'
import PictureFields from './PictureFields.vue'
import PictureSlate from './PictureSlate.vue'
import practice from './practice.jpg'
import { usePicture } from './usePicture.ts'

/** A drawing brought in by photograph or scan: read, looked at, corrected, taken. */
const props = defineProps<{
  what: string
  usual?: Partial<PhotoChoices>
  /** All outlines of a picture are taken, as of pieces of a pattern. */
  many?: boolean
}>()
const emit = defineEmits<{ take: [brought: Brought] }>()
const open = defineModel<boolean>('open', { required: true })
const { file, choices, shown, outlines, meant, problem, busy, before, read, stop, correct, back, forget } = usePicture(
  () => props.usual ?? {},
)

/** It was to be read otherwise, and is not yet: there are corrections. */
const unread = ref(false)
async function choose(chosen: File): Promise<void> {
  await read(chosen, props.many)
}
async function practise(): Promise<void> {
  const answer = await fetch(practice)
  choices.value = { ...choices.value, what: 'line', height: 0, bar: 100, scan: null }
  await choose(new File([await answer.blob()], 'practice photograph.jpg', { type: 'image/jpeg' }))
}
async function change(next: PhotoChoices): Promise<void> {
  choices.value = next
  // What was corrected by hand is not thrown away unasked.
  unread.value = outlines.value.some((o) => o.corrected)
  if (!unread.value && file.value && (shown.value || problem.value)) await again()
}
async function again(): Promise<void> {
  unread.value = false
  await read(file.value, props.many)
}
function another(): void {
  file.value = null
  problem.value = ''
  forget()
}
function print(kind: string, paper: string, sheets: number): void {
  const link = document.createElement('a')
  link.href = `/api/v1/mat.pdf?kind=${kind}&paper=${paper}&sheets=${sheets}`
  link.download = ''
  link.click()
}
function press(index: number): void {
  if (!props.many) meant.value = [index]
  else if (meant.value.includes(index)) meant.value = meant.value.filter((i) => i !== index)
  else meant.value = [...meant.value, index].sort((a, b) => a - b)
}
/** Where a measure is laid on a rule in a scan, and what the rule says between its ends, mm. */
const rule = shallowRef<readonly [Point, Point] | null>(null)
const says = ref(100)
watch([shown, () => choices.value.scan], () => {
  const box = shown.value?.picture.box
  if (!box || choices.value.scan === null) {
    rule.value = null
    return
  }
  const [x, y] = [(box.minX + box.maxX) / 2, box.minY + 0.12 * (box.maxY - box.minY)]
  rule.value = [
    [x - says.value / 2, y],
    [x + says.value / 2, y],
  ]
})
/** Pixels between the rings stay what they are; what they are in millimetres is what the rule says. */
async function scale(): Promise<void> {
  const { scan } = choices.value
  if (!rule.value || scan === null) return
  await change({ ...choices.value, scan: (scan * distance(...rule.value)) / says.value })
}
const chosen = computed(() => meant.value.map((i) => outlines.value[i]!))
const facts = computed(() => {
  const [o] = chosen.value
  if (!o || chosen.value.length > 1) return []
  const { length, width } = extentOf(o.path)
  const gaps = o.gaps.map((g) => showLength(g.length)).join(', ')
  return [
    ['Length and width', `${showLength(length)} · ${showLength(width)}`],
    ...(o.pencil > 0 ? [['Width of the pencil line', showLength(o.pencil, 2)]] : []),
    ['Nineteen of twenty places are right to', showLength(o.error, 2)],
    [
      'Smoothing moved it by',
      `${showLength(o.smoothed.usual, 2)} as a rule, ${showLength(o.smoothed.most, 2)} at most`,
    ],
    ...(gaps ? [['Gaps that were bridged', gaps]] : []),
    ...(o.holes.length > 0 ? [['Holes in it', String(o.holes.length)]] : []),
    ...(o.corrected ? [['Corrected by hand', 'yes']] : []),
  ] as [string, string][]
})
const photoFacts = computed(() => {
  const p = shown.value?.photo
  if (!p) return ''
  return `${p.marks} marks read, ${showLength(p.missed.mm, 2)} off as a rule; taken ${Math.round(p.lean)}° off straight above.`
})
function take(): void {
  const [first, ...others] = chosen.value
  if (!first) return
  emit('take', {
    outlines: [first.path, ...others.map((o) => o.path)],
    holes: chosen.value.map((o) => o.holes),
    pencil: Math.round(first.pencil * 100) / 100,
    name: file.value?.name ?? 'picture',
    said: `${file.value?.name ?? 'Picture'}: right to ${showLength(Math.max(...chosen.value.map((o) => o.error)), 2)} as far as the picture tells.`,
  })
  open.value = false
}
</script>

<template>
  <HouseDialog v-model:open="open" :title="`Bring in ${what}`" wide>
    <div v-if="busy" class="busy" role="status">
      <p>{{ busy.doing }} …</p>
      <NProgress type="line" :percentage="Math.round(100 * busy.share)" :show-indicator="false" />
      <NButton @click="stop">Stop</NButton>
    </div>
    <div v-else-if="shown" class="found">
      <PictureSlate
        :picture="shown"
        :outlines="outlines"
        :meant="meant"
        :bar="choices.scan === null ? choices.bar : 100"
        v-model:rule="rule"
        @press="press"
        @pull="correct"
      />
      <div class="side">
        <NAlert
          v-for="(note, i) in shown.notes"
          :key="i"
          :type="outlines.length === 0 ? 'warning' : 'info'"
          :bordered="false"
        >
          {{ tell(note) }}
        </NAlert>
        <p v-if="outlines.length > 1" role="status">
          {{ outlines.length }} outlines were found; {{ many ? `${meant.length} are taken` : 'one is taken' }}. Press
          another in the picture.
        </p>
        <dl v-if="facts.length > 0">
          <div v-for="[name, value] in facts" :key="name">
            <dt>{{ name }}</dt>
            <dd class="figure">{{ value }}</dd>
          </div>
        </dl>
        <p v-if="photoFacts" class="soft">{{ photoFacts }}</p>
        <div v-if="rule" class="rule">
          <p>
            Lay the two rings on the rule that lies in the scan. They are {{ showLength(distance(...rule)) }} apart as
            it is scaled now.
          </p>
          <div class="field">
            <span>On the rule they lie apart by</span>
            <LengthField
              label="What the rule says between the two rings"
              :value="says"
              :min="10"
              :max="1000"
              @change="says = $event"
            />
          </div>
          <NButton @click="scale">Scale it by the rule</NButton>
        </div>
        <p v-if="facts.length > 0" class="soft">
          Pull the line where it is wrong, or go to one of its dots and use the arrow keys. Shoes are cut to the inside
          of a traced line.
        </p>
        <NButton v-if="before.length > 0" @click="back">
          <template #icon><IconArrowBackUp aria-hidden="true" /></template>
          Take the correction back
        </NButton>
        <PictureFields :model-value="choices" again @update:model-value="change" />
        <template v-if="unread">
          <p role="status">Read again as it is set now, the picture gives up what you corrected by hand.</p>
          <NButton @click="again">Read it again</NButton>
        </template>
      </div>
    </div>
    <div v-else class="start">
      <PictureFields :model-value="choices" @update:model-value="change" @print="print" />
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <div class="row">
        <FileButton label="Choose the picture" accept="image/*" name="picture" main @file="choose">
          <template #icon><IconPhoto aria-hidden="true" /></template>
        </FileButton>
        <NButton @click="practise">Practise with our photograph</NButton>
      </div>
      <p class="soft">It is read on this computer and sent nowhere.</p>
    </div>
    <template #actions>
      <NButton v-if="shown && !busy" @click="another">Another picture</NButton>
      <NButton @click="open = false">Close</NButton>
      <NButton v-if="shown && !busy" type="primary" :disabled="chosen.length === 0" @click="take">
        {{ chosen.length > 1 ? `Take these ${chosen.length} outlines` : 'Take this outline' }}
      </NButton>
    </template>
  </HouseDialog>
</template>

<style scoped>
.found {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(300px, 1fr);
  gap: 18px;
  height: min(64vh, 620px);
}
.side {
  display: grid;
  gap: 12px;
  align-content: start;
  overflow: auto;
}
.side p,
.busy p {
  margin: 0;
}
.rule {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.start,
.busy {
  display: grid;
  gap: 14px;
  justify-items: start;
}
.busy {
  min-height: 160px;
  align-content: center;
  justify-items: stretch;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
dl {
  margin: 0;
}
dl div {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 12px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
  text-align: right;
}
.wrong {
  color: var(--stop);
}
@media (max-width: 999px) {
  .found {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(300px, 1fr) auto;
    height: auto;
  }
}
</style>

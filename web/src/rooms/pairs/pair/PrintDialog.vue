<script setup lang="ts">
import { IconDownload } from '@tabler/icons-vue'
import { NAlert, NButton, NSpin, NText } from 'naive-ui'
import { computed, ref, shallowRef, watch } from 'vue'
import { type KeptFile } from '../../../api/ask.ts'
import { api, type ExportKind } from '../../../api/client.ts'
import { useMade } from '../../../stores/madeStore.ts'
import { usePair } from '../../../stores/pairStore.ts'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import HouseDialog from '../../../ui/HouseDialog.vue'
import { useAttempt } from '../../../app/useAttempt.ts'
import { saveFile } from '../../../ui/saveFile.ts'

const open = defineModel<boolean>('open', { required: true })
const pair = usePair()
const made = useMade()
type Paper = 'a4' | 'a3' | 'letter'
const paper = ref<Paper>('a4')
const papers: { value: Paper; name: string }[] = [
  { value: 'a4', name: 'A4' },
  { value: 'a3', name: 'A3' },
  { value: 'letter', name: 'Letter' },
]
/** The side of the leather that a print is traced on. */
const face = ref<'face' | 'flesh'>('face')
const faces = [
  { value: 'face', name: 'Face side' },
  { value: 'flesh', name: 'Flesh side, mirrored' },
] as const
/** Which one is being made. */
const busy = ref('')
const { problem, attempt } = useAttempt()
const done = ref('')
/** What the server can make; null until it has said so. */
const kinds = shallowRef<ExportKind[] | null>(null)

/** Only what this dialog knows how to ask for: the paper, and the side that is traced on. */
const known = ['paper', 'face']
const offered = (group: ExportKind['group']) =>
  computed(() => (kinds.value ?? []).filter((k) => k.group === group && k.takes.every((t) => known.includes(t))))
const prints = offered('print')
const drawings = offered('drawing')

async function tried(what: string, work: () => Promise<void>): Promise<void> {
  done.value = ''
  busy.value = what
  try {
    await attempt(work)
  } finally {
    busy.value = ''
  }
}

watch(
  open,
  async (shown) => {
    if (!shown || kinds.value) return
    await tried('list', async () => {
      kinds.value = await api.exports()
    })
  },
  { immediate: true },
)

/** Saves first: what is printed is always a revision that can be found again. */
function fetchFile(what: string, fetched: (pairId: string) => Promise<KeptFile>): Promise<void> {
  return tried(what, async () => {
    if (!pair.view) return
    await pair.flush()
    if (pair.dirty) {
      problem.value = pair.saveProblem ?? 'Settle first which version stays.'
      return
    }
    const { name, blob, printed } = await fetched(pair.view.id)
    saveFile(name, blob)
    if (printed === 0) {
      done.value = `${name} is in your downloads.`
      return
    }
    done.value = `${name} is in your downloads; ${printed === 1 ? 'one part' : `${printed} parts`} on it put on record as printed.`
    await made.load(pair.view.id)
  })
}

const print = (kind: ExportKind) =>
  fetchFile(kind.id, (id) =>
    api.print(id, kind.id, {
      ...(kind.takes.includes('paper') ? { paper: paper.value } : {}),
      ...(kind.takes.includes('face') ? { face: face.value } : {}),
    }),
  )
</script>

<template>
  <HouseDialog v-model:open="open" title="Print and files">
    <div class="print">
      <NSpin v-if="busy === 'list'" aria-label="Asking what can be had" />
      <section v-if="prints.length > 0">
        <h3>To print, at true size</h3>
        <p class="soft">Both feet, packed on the paper. Print at “actual size” and lay a rule on the 100 mm bar.</p>
        <div class="row">
          <ChoiceBar label="Paper" :options="papers" :value="paper" @choose="paper = $event" />
          <ChoiceBar label="Traced on" :options="faces" :value="face" @choose="face = $event" />
        </div>
        <p v-if="face === 'flesh'" class="soft">
          Every outline is drawn as it lies with the flesh side up, and says which foot it makes.
        </p>
        <div class="row">
          <NButton
            v-for="kind in prints"
            :key="kind.id"
            type="primary"
            :loading="busy === kind.id"
            :disabled="busy !== ''"
            @click="print(kind)"
          >
            <template #icon><IconDownload aria-hidden="true" /></template>{{ kind.title }}
          </NButton>
        </div>
      </section>
      <section>
        <h3>Open files</h3>
        <p class="soft">The drawing for other programs, and the whole pair to keep, send, or bring in elsewhere.</p>
        <div class="row">
          <NButton
            v-for="kind in drawings"
            :key="kind.id"
            :loading="busy === kind.id"
            :disabled="busy !== ''"
            @click="print(kind)"
          >
            <template #icon><IconDownload aria-hidden="true" /></template>{{ kind.title }}
          </NButton>
          <NButton :loading="busy === 'file'" :disabled="busy !== ''" @click="fetchFile('file', api.keepFile)">
            <template #icon><IconDownload aria-hidden="true" /></template>Pair file
          </NButton>
        </div>
      </section>
      <div role="status">
        <NText v-if="done" tag="p" type="success">{{ done }}</NText>
      </div>
      <NAlert v-if="problem" type="error" role="alert" :bordered="false">{{ problem }}</NAlert>
    </div>
  </HouseDialog>
</template>

<style scoped>
.print,
section {
  display: grid;
  gap: 12px;
}
.print {
  gap: 24px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
</style>

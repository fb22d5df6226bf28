<script setup lang="ts">
import { makeables, partOfMade } from '@gentle-awl/core'
import { IconDownload } from '@tabler/icons-vue'
import { ref } from 'vue'
import { useMade } from '../../plan/madeStore.ts'
import { usePair } from '../../plan/pairStore.ts'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import HouseDialog from '../../ui/HouseDialog.vue'

const open = defineModel<boolean>('open', { required: true })
const pair = usePair()
const made = useMade()
type Paper = 'a4' | 'a3' | 'letter'
const paper = ref<Paper>('a4')
const busy = ref('')
const problem = ref('')
const papers: { value: Paper; name: string }[] = [
  { value: 'a4', name: 'A4' },
  { value: 'a3', name: 'A3' },
  { value: 'letter', name: 'Letter' },
]

/** What is on the paper that was fetched; drawings for other programs count as printed too. */
function printed(what: string): string[] {
  const plan = pair.whole
  if (!plan || what === 'file') return []
  const upper = ['upper', 'usvg', 'udxf'].includes(what)
  return makeables(plan)
    .map((m) => m.part)
    .filter((part) => partOfMade(part).startsWith('upper.') === upper)
}

/** Saves first: what is printed is always a revision that can be found again. */
async function fetchFile(what: string, path: string): Promise<void> {
  if (!pair.view) return
  problem.value = ''
  busy.value = what
  try {
    await pair.flush()
    if (pair.dirty) {
      problem.value = pair.saveProblem ?? 'Settle first which version stays.'
      return
    }
    const response = await fetch(`/api/v1/pairs/${pair.view.id}/${path}`)
    if (!response.ok) {
      const body = (await response.json()) as { detail?: string }
      problem.value = body.detail ?? 'The server said no.'
      return
    }
    const name = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? 'parts'
    const link = document.createElement('a')
    link.href = URL.createObjectURL(await response.blob())
    link.download = name
    link.click()
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
    await made.record('printed', printed(what))
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    problem.value = 'The workshop server does not answer. Start it and try again.'
  } finally {
    busy.value = ''
  }
}
</script>

<template>
  <HouseDialog v-model:open="open" title="Print and files">
    <div class="print">
      <section>
        <h3>Parts at true size (PDF)</h3>
        <p class="soft">
          Tiled with overlap and register marks, both feet. Print at “actual size” and lay a rule on the 100 mm bar.
        </p>
        <div class="row">
          <ChoiceBar label="Paper" :options="papers" :value="paper" @choose="paper = $event" />
          <button
            class="button main"
            type="button"
            :disabled="busy !== ''"
            @click="fetchFile('pdf', `parts.pdf?paper=${paper}`)"
          >
            <IconDownload :size="22" aria-hidden="true" /> {{ busy === 'pdf' ? 'Drawing …' : 'Get the PDF' }}
          </button>
          <button
            class="button"
            type="button"
            :disabled="busy !== ''"
            @click="fetchFile('upper', `upper.pdf?paper=${paper}`)"
          >
            <IconDownload :size="22" aria-hidden="true" /> {{ busy === 'upper' ? 'Drawing …' : 'The upper as PDF' }}
          </button>
        </div>
      </section>
      <section>
        <h3>Open files</h3>
        <p class="soft">The drawing for other programs, and the whole pair to keep, send, or bring in elsewhere.</p>
        <div class="row">
          <button class="button" type="button" :disabled="busy !== ''" @click="fetchFile('svg', 'parts.svg')">
            <IconDownload :size="22" aria-hidden="true" /> SVG, in mm
          </button>
          <button class="button" type="button" :disabled="busy !== ''" @click="fetchFile('usvg', 'upper.svg')">
            <IconDownload :size="22" aria-hidden="true" /> Upper SVG
          </button>
          <button class="button" type="button" :disabled="busy !== ''" @click="fetchFile('udxf', 'upper.dxf')">
            <IconDownload :size="22" aria-hidden="true" /> Upper DXF
          </button>
          <button class="button" type="button" :disabled="busy !== ''" @click="fetchFile('file', 'file')">
            <IconDownload :size="22" aria-hidden="true" /> Pair file
          </button>
        </div>
      </section>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
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
.wrong {
  color: var(--stop);
}
</style>

import { usualPhoto, type Path, type PhotoChoices } from '@gentle-awl/core'
import { onScopeDispose, ref, shallowRef } from 'vue'
import { tell } from '../../app/settings.ts'
import type { ReadPicture } from '../../workers/photo/photoWorker.ts'
import { PictureReader } from '../../workers/photo/pictureReader.ts'
import type { PictureOutline } from './brought.ts'

/** A picture that was read: where it is shown, what was found, which outlines are meant. */
export interface ShownPicture extends Omit<ReadPicture, 'outlines'> {
  /** Address of the straightened picture. */
  url: string
}

/** Reads a picture with progress, keeps what is corrected by hand, and takes steps back. */
export function usePicture(usual: () => Partial<PhotoChoices>) {
  const reader = new PictureReader()
  const file = shallowRef<File | null>(null)
  const choices = ref<PhotoChoices>({ ...usualPhoto, ...usual() })
  const shown = shallowRef<ShownPicture | null>(null)
  const outlines = shallowRef<PictureOutline[]>([])
  const meant = ref<number[]>([])
  const problem = ref('')
  const busy = ref<{ share: number; doing: string } | null>(null)
  /** Outlines as they were before each correction. */
  const before = shallowRef<PictureOutline[][]>([])
  /** Which picture is being read: one that is begun stops the one before it. */
  let reading = 0

  function forget(): void {
    if (shown.value) URL.revokeObjectURL(shown.value.url)
    shown.value = null
    outlines.value = []
    meant.value = []
    before.value = []
  }
  async function read(next: File | null = file.value, many = false): Promise<void> {
    if (!next) return
    file.value = next
    problem.value = ''
    busy.value = { share: 0, doing: 'Opening the picture' }
    const mine = ++reading
    const answer = await reader
      .read(next, { ...choices.value }, (share, doing) => {
        if (mine === reading && busy.value) busy.value = { share, doing }
      })
      // Also when it fails in a way that has no sentence: nothing is awaited any more.
      .finally(() => {
        if (mine === reading) busy.value = null
      })
    if (answer === null) return
    forget()
    if (answer.problem !== null) {
      problem.value = tell(answer.problem)
      return
    }
    const { outlines: found, ...rest } = answer.value
    shown.value = { ...rest, url: URL.createObjectURL(rest.picture.file) }
    outlines.value = found.map((o) => ({ ...o, corrected: false }))
    meant.value = many ? found.map((_, i) => i) : found.length > 0 ? [0] : []
  }
  /** Puts another line in the place of one. `first` begins a correction: what was there can be had back. */
  function correct(index: number, path: Path, first: boolean): void {
    if (first) before.value = [...before.value, outlines.value]
    outlines.value = outlines.value.map((o, i) => (i === index ? { ...o, path, corrected: true } : o))
  }
  function back(): void {
    const last = before.value.at(-1)
    if (!last) return
    outlines.value = last
    before.value = before.value.slice(0, -1)
  }
  onScopeDispose(() => {
    reader.end()
    forget()
  })
  return {
    file,
    choices,
    shown,
    outlines,
    meant,
    problem,
    busy,
    before,
    read,
    stop: () => reader.stop(),
    correct,
    back,
    forget,
  }
}

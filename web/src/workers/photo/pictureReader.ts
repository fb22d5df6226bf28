import type { PhotoChoices } from '@gentle-awl/core'
import { proxy } from 'comlink'
import { Channel } from '../channel.ts'
import type { Answer } from '../answer.ts'
import type { PhotoWorker, ReadPicture } from './photoWorker.ts'

/** Larger files are no photograph, bytes. */
const MOST_BYTES = 60_000_000

/** Reads pictures beside the page. The thread, and the library in it, begin with the first picture and end with `end`. */
export class PictureReader {
  private readonly channel = new Channel<PhotoWorker>(
    () => new Worker(new URL('./photoWorker.ts', import.meta.url), { type: 'module', name: 'photo' }),
  )
  private stopped: ((answer: null) => void) | null = null

  /** Null when it was stopped before it was done. */
  async read(
    file: File,
    choices: PhotoChoices,
    tell: (share: number, doing: string) => void,
  ): Promise<Answer<ReadPicture> | null> {
    this.stop()
    if (file.size > MOST_BYTES) {
      return { value: null, problem: `${file.name} is larger than 60 MB: save it as a JPEG.` }
    }
    let mine: ((answer: null) => void) | null = null
    const stopped = new Promise<null>((resolve) => (this.stopped = mine = resolve))
    try {
      return await Promise.race([this.channel.ask.read(file, file.name, choices, proxy(tell)), stopped])
    } finally {
      // Another picture may have been begun meanwhile.
      if (this.stopped === mine) this.stopped = null
    }
  }

  /** Ends what is under way; the thread begins again with the next picture. */
  stop(): void {
    if (!this.stopped) return
    this.stopped(null)
    this.stopped = null
    this.channel.end()
  }

  /** Ends the thread, with whatever it does. */
  end(): void {
    this.stop()
    this.channel.end()
  }
}

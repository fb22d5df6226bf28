import { readPhoto, type PhotoChoices, type PhotoReading, type Vision } from '@gentle-awl/core'
import opencv from '@techstark/opencv-js'
import { expose } from 'comlink'
import { OutlineError } from '../../formats/outlineError.ts'
import { answeredLater, type Answer } from '../answer.ts'

/** What was read from a picture, with the straightened picture as a file that a page shows. */
export type ReadPicture = Omit<PhotoReading, 'flat'> & {
  picture: { file: Blob; width: number; height: number; box: PhotoReading['flat']['box'] }
}

/** Ready once its code is compiled. In a box: it has a `then` of its own, which a promise would wait for. */
const ready = new Promise<{ cv: Vision }>((resolve) => {
  const cv = opencv as unknown as Vision & { onRuntimeInitialized?: () => void }
  if ('Mat' in cv) resolve({ cv })
  else (cv as { onRuntimeInitialized?: () => void }).onRuntimeInitialized = () => resolve({ cv })
})

/** Pictures are drawn smaller than this, and read, px along a side: what browsers draw at all. */
const LONGEST = 12_000

async function pixelsOf(file: Blob, name: string): Promise<ImageData> {
  let picture: ImageBitmap
  try {
    // Turned as the camera was held.
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    throw new OutlineError(
      `${name} is no picture that can be read here. Choose a JPEG, PNG or WebP; a telephone that saves HEIC can be set to JPEG ("most compatible").`,
    )
  }
  if (Math.max(picture.width, picture.height) > LONGEST) {
    throw new OutlineError(`${name} is ${picture.width} by ${picture.height} pixels; up to ${LONGEST} a side are read.`)
  }
  const canvas = new OffscreenCanvas(picture.width, picture.height)
  const draw = canvas.getContext('2d', { willReadFrequently: true })
  if (!draw)
    throw new OutlineError(`${name} cannot be drawn: this device has no memory left for it. Close other pages.`)
  draw.drawImage(picture, 0, 0)
  picture.close()
  return draw.getImageData(0, 0, canvas.width, canvas.height)
}

/** The straightened picture as a file. */
async function fileOf({ flat }: PhotoReading): Promise<Blob> {
  const canvas = new OffscreenCanvas(flat.width, flat.height)
  const pixels = new ImageData(flat.width, flat.height)
  pixels.data.set(flat.data)
  canvas.getContext('2d')!.putImageData(pixels, 0, 0)
  return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 })
}

const worker = {
  /** Reads the outlines of a picture; `tell` hears how it goes on. */
  read: (
    file: Blob,
    name: string,
    choices: PhotoChoices,
    tell: (share: number, doing: string) => void,
  ): Promise<Answer<ReadPicture>> =>
    answeredLater(async () => {
      tell(0.02, 'Opening the picture')
      const pixels = await pixelsOf(file, name)
      const { cv } = await ready
      const reading = readPhoto(cv, pixels, choices, tell)
      const { outlines, photo, notes, flat } = reading
      const { width, height, box } = flat
      return { outlines, photo, notes, picture: { file: await fileOf(reading), width, height, box } }
    }),
}
export type PhotoWorker = typeof worker
expose(worker)

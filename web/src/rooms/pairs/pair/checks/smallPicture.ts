import { OutlineError } from '../../../../formats/outlineError.ts'

/** The longer side of a photograph that is kept, pixels: enough to see a stitch, small enough for a backup. */
const LONGEST = 1600
const QUALITY = 0.85

/** The size at which a picture is kept: no larger than it is, its sides in proportion. */
export function keptSize(width: number, height: number, longest = LONGEST): { width: number; height: number } {
  const share = Math.min(1, longest / Math.max(width, height))
  return { width: Math.max(1, Math.round(width * share)), height: Math.max(1, Math.round(height * share)) }
}

/** A photograph made small enough to be kept. Throws OutlineError with a sentence when it cannot be opened. */
export async function smallPicture(file: Blob): Promise<Blob> {
  let picture: ImageBitmap
  try {
    picture = await createImageBitmap(file)
  } catch {
    // The browser says no more than that it cannot.
    throw new OutlineError('This picture cannot be opened here. Save it as JPEG, PNG or WebP and choose it again.')
  }
  const { width, height } = keptSize(picture.width, picture.height)
  const canvas = new OffscreenCanvas(width, height)
  canvas.getContext('2d')?.drawImage(picture, 0, 0, width, height)
  picture.close()
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
}

/** A picture in grey, row by row from its upper left; the centre of its first pixel is (0, 0), y runs down. */
export interface Grey {
  width: number
  height: number
  data: Uint8Array
}

/** A picture in colour, four bytes (red, green, blue, opacity) a pixel. */
export interface Picture {
  width: number
  height: number
  data: Uint8Array | Uint8ClampedArray
}

/** Brightness between pixels, bilinear; outside the picture that of its nearest edge. */
export function brightness({ width, height, data }: Grey, x: number, y: number): number {
  const px = x < 0 ? 0 : x > width - 1 ? width - 1 : x
  const py = y < 0 ? 0 : y > height - 1 ? height - 1 : y
  const i = px >= width - 1 ? width - 2 : px | 0
  const j = py >= height - 1 ? height - 2 : py | 0
  const [fx, fy] = [px - i, py - j]
  const at = j * width + i
  const upper = data[at]! * (1 - fx) + data[at + 1]! * fx
  const lower = data[at + width]! * (1 - fx) + data[at + width + 1]! * fx
  return upper * (1 - fy) + lower * fy
}

const STEPS = 16
const light = Float32Array.from({ length: 255 * STEPS + 1 }, (_, k) => 255 * (k / (255 * STEPS)) ** 2.2)

/**
 * As `brightness`, in amounts of light (0 to 255): a blurred edge passes half way between them where it lies, which it does
 * not in the levels of a picture, whose curve (a power of 2.2 here) makes dark lines thinner.
 */
export const lightAt = (picture: Grey, x: number, y: number): number =>
  light[Math.round(STEPS * brightness(picture, x, y))]!

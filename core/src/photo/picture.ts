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

const levels = Float32Array.from({ length: 256 }, (_, k) => k)
const light = Float32Array.from({ length: 256 }, (_, k) => 255 * (k / 255) ** 2.2)

/** What the levels of the four pixels round a place stand for, bilinear between them; outside the picture that of its nearest edge. */
function between({ width, height, data }: Grey, x: number, y: number, worth: Float32Array): number {
  const px = x < 0 ? 0 : x > width - 1 ? width - 1 : x
  const py = y < 0 ? 0 : y > height - 1 ? height - 1 : y
  const i = px >= width - 1 ? width - 2 : px | 0
  const j = py >= height - 1 ? height - 2 : py | 0
  const fx = px - i
  const fy = py - j
  const at = j * width + i
  const upper = worth[data[at]!]! * (1 - fx) + worth[data[at + 1]!]! * fx
  const lower = worth[data[at + width]!]! * (1 - fx) + worth[data[at + width + 1]!]! * fx
  return upper * (1 - fy) + lower * fy
}

/** Brightness between pixels, in levels of the picture (0 to 255). */
export const brightness = (picture: Grey, x: number, y: number): number => between(picture, x, y, levels)

/**
 * As `brightness`, in amounts of light (0 to 255): a blurred edge passes half way between them where it lies, which it does
 * not in the levels of a picture, whose curve (a power of 2.2 here) makes dark things smaller.
 */
export const lightAt = (picture: Grey, x: number, y: number): number => between(picture, x, y, light)

/** The light of three colours between pixels, bilinear, written to `to`. */
export function colourAt({ width, height, data }: Picture, x: number, y: number, to: Float64Array): void {
  const px = Math.min(width - 1.001, Math.max(0, x))
  const py = Math.min(height - 1.001, Math.max(0, y))
  const [i, j] = [px | 0, py | 0]
  const [fx, fy] = [px - i, py - j]
  const at = 4 * (j * width + i)
  const below = at + 4 * width
  for (let c = 0; c < 3; c++) {
    to[c] =
      (light[data[at + c]!]! * (1 - fx) + light[data[at + 4 + c]!]! * fx) * (1 - fy) +
      (light[data[below + c]!]! * (1 - fx) + light[data[below + 4 + c]!]! * fx) * fy
  }
}

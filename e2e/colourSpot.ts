import type { Locator } from '@playwright/test'

/**
 * Where a colour is seen solid on a picture of something: the middle, in pixels, of all its pixels whose neighbours at
 * `solid` pixels are of it as well. Null where it is not seen.
 */
export async function colourSpot(
  what: Locator,
  rgb: readonly [number, number, number],
  solid = 3,
): Promise<{ x: number; y: number } | null> {
  const picture = (await what.screenshot()).toString('base64')
  return what.page().evaluate(
    async ({ base64, rgb: [r, g, b], far }) => {
      const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))
      const bitmap = await createImageBitmap(new Blob([bytes], { type: 'image/png' }))
      const flat = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d')
      if (!flat) throw new Error('no 2d')
      flat.drawImage(bitmap, 0, 0)
      const { data } = flat.getImageData(0, 0, bitmap.width, bitmap.height)
      const of = (x: number, y: number) => {
        const k = 4 * (y * bitmap.width + x)
        return Math.abs(data[k]! - r) + Math.abs(data[k + 1]! - g) + Math.abs(data[k + 2]! - b) < 24
      }
      let [sx, sy, count] = [0, 0, 0]
      for (let y = far; y < bitmap.height - far; y++) {
        for (let x = far; x < bitmap.width - far; x++) {
          if (![-far, 0, far].every((d) => of(x + d, y) && of(x, y + d))) continue
          sx += x
          sy += y
          count++
        }
      }
      return count > 0 ? { x: sx / count, y: sy / count } : null
    },
    { base64: picture, rgb, far: solid },
  )
}

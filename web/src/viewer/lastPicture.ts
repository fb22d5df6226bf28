import type { LastSurface } from '@gentle-awl/core'
import { bodyOfSurface } from './lastBodies.ts'
import { LastScene } from './lastScene.ts'

const WIDTH = 640
const HEIGHT = 340
let scene: LastScene | null | undefined
const pictures = new Map<string, string>()

/**
 * A rendered picture of a last for its card, as a data address; the same key gives the same picture without drawing it
 * again. Null when this browser cannot draw in 3D. One canvas serves all cards: browsers allow only a few.
 */
export function lastPicture(key: string, surface: LastSurface): string | null {
  const known = pictures.get(key)
  if (known) return known
  if (scene === undefined) {
    const canvas = document.createElement('canvas')
    canvas.width = WIDTH
    canvas.height = HEIGHT
    try {
      scene = new LastScene(canvas)
    } catch (error) {
      if (!(error instanceof Error)) throw error
      scene = null
    }
  }
  if (scene === null) return null
  scene.show(bodyOfSurface(surface))
  const picture = scene.picture(WIDTH, HEIGHT, 'corner')
  pictures.set(key, picture)
  return picture
}

import type { LastSurface } from '@gentle-awl/core'
import { cardOf } from '../workers/viewer/viewerBench.ts'
import { bodyOfSurface } from './body.ts'

const pictures = new Map<string, Promise<string | null>>()

/**
 * The address of a rendered picture of a last for its card; the same key gives the same picture without drawing it again.
 * Null when this browser cannot draw in 3D.
 */
export function lastPicture(key: string, surface: LastSurface): Promise<string | null> {
  const known = pictures.get(key)
  if (known) return known
  const picture = cardOf(bodyOfSurface(surface)).then(
    (blob) => URL.createObjectURL(blob),
    (error: unknown) => {
      if (!(error instanceof Error)) throw error
      return null
    },
  )
  pictures.set(key, picture)
  return picture
}

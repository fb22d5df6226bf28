import { hausdorffDistance, signedArea, type Part, type Path } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { ref } from 'vue'

/** How a part differs from the shape that was kept: the furthest point, mm, and its area, in percent. */
export interface ShapeDifference {
  most: number
  area: number
}

/** Shapes of parts that somebody keeps to look at beside what comes of the next change; gone when the page is left. */
export const useCompare = defineStore('compare', () => {
  const kept = ref(new Map<string, Path>())
  const key = (pair: string, part: string) => `${pair}|${part}`

  const of = (pair: string, part: string): Path | null => kept.value.get(key(pair, part)) ?? null

  function toggle(pair: string, part: Part): void {
    const k = key(pair, part.id)
    if (!kept.value.delete(k)) kept.value.set(k, part.outline)
  }

  function difference(pair: string, part: Part): ShapeDifference | null {
    const before = of(pair, part.id)
    if (!before) return null
    return {
      most: hausdorffDistance(part.outline, before),
      area: 100 * (signedArea(part.outline) / signedArea(before) - 1),
    }
  }
  return { of, toggle, difference }
})

import type { SpentOn } from '../model/check.ts'
import type { Material } from '../model/material.ts'

/** mm2 in a dm2. */
const DM2 = 10_000

/** So much of a stuff (mm2), with its worth where it has a price by area. */
export function worthOf(materials: readonly Material[], name: string, area: number): SpentOn['stuffs'][number] {
  const price = materials.find((m) => m.name === name)?.price ?? null
  const dm2 = area / DM2
  return { name, area: dm2, worth: price?.per === 'dm²' ? dm2 * price.amount : null }
}

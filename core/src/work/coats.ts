import type { Material } from '../model/material.ts'

/** Leather whose maker did not say is given two. */
const USUAL = 2
const words = ['no coat', 'one coat', 'two coats', 'three coats', 'four coats']

/** Coats of dye that a material takes. */
export const coatsOf = (material: Material | null): number => material?.coats ?? USUAL

/** The same in words; two are the least where nobody said. */
export function coats(material: Material | null): string {
  const n = coatsOf(material)
  return `${words[n] ?? `${n} coats`}${(material?.coats ?? null) === null ? ' or more' : ''}`
}

import type { Material, MaterialKind } from '../model/material.ts'

/** Kinds that have no face of their own. */
const ALIKE: readonly MaterialKind[] = [
  'insole board',
  'non-woven board',
  'cork',
  'foam',
  'rubber',
  'crepe',
  'stiffener sheet',
  'woven tape',
]

/** Which side of a material lies up when it is cut, in words: what was said of it in the stores, or what is usual for its kind. */
export function faceUp({ kind, face }: Pick<Material, 'kind' | 'face'>): string {
  if (face === 'both sides alike' || (face === null && ALIKE.includes(kind))) return 'either side up'
  if (face === 'suede') return 'suede up'
  return face === 'grain' || kind.endsWith('leather') ? 'grain up' : 'right side up'
}

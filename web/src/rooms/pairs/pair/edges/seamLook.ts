import type { SeamSection } from '@gentle-awl/core'
import { hatchOf, tintOf } from '../../../../drawing/layerLook.ts'

/** The leathers of a seam are of one family: told apart by tint and hatch, in the order in which they meet. */
const looks = {
  outside: [
    { tint: '#7fa7b8', hatch: 'back' },
    { tint: '#b9d4dc', hatch: '' },
    { tint: '#5f8796', hatch: 'fine' },
  ],
  foot: [
    { tint: '#d8b98a', hatch: 'fine' },
    { tint: '#f3e6cf', hatch: '' },
    { tint: '#c9a878', hatch: 'back' },
  ],
} as const

/** Tint and hatch of what lies in a seam's section. */
export function seamLook({ pieces, seen }: Pick<SeamSection, 'pieces' | 'seen'>, part: string) {
  const own = pieces.indexOf(part)
  return own < 0 ? { tint: tintOf(part), hatch: hatchOf(part) } : looks[seen][own % looks[seen].length]!
}

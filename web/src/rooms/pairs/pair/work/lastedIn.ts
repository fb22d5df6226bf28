import { traitsOf, type ConstructionName, type LastedStrip } from '@gentle-awl/core'

/** What is tacked in a step; null where nothing is. */
export function lastedIn(key: string, construction: ConstructionName): LastedStrip['id'] | null {
  switch (key) {
    case 'last-back':
      return traitsOf(construction).outwards ? 'lining' : 'upper'
    case 'last-toe':
    case 'last-upper':
    case 'draft-upper':
    case 'trim-margin':
      return 'upper'
    case 'last-lining':
    case 'last-lining-toe':
    case 'trim-lining':
      return 'lining'
    case 'set-puff':
    case 'form-puff':
      return 'puff'
    case 'set-side-linings':
      return 'sideLining'
    case 'paste-stiffener':
      return 'stiffener'
    default:
      return null
  }
}

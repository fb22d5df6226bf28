import type { DrawnUpper } from '../style.ts'

/** What an upper that is open behind does not have: a back line, a lacing, a seam between front and back. */
export const openBehind = {
  backLine: null,
  backBefore: null,
  facings: null,
  front: null,
  foot: null,
  halfGap: 0,
  seams: [],
  zip: null,
} satisfies Partial<DrawnUpper>

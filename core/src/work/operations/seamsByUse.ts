import { feet } from '../../trade/foot.ts'
import { recordOfPiece } from '../../trade/recordName.ts'
import { piecesOf, type Facts, type SeamFacts } from '../facts.ts'

export const linings = [
  'lining',
  'vampLining',
  'quarterLining',
  'heelGrip',
  'frontStrapLining',
  'instepStrapLining',
  'heelStrapLining',
] as const
const EDGE_KINDS: readonly SeamFacts['kind'][] = ['fold', 'bead', 'trimmed', 'bound']

export const isTongue = (id: string) => /^tongue\b/.test(id)
/** The seam that holds the tongue; it is sewn last of all. */
export const holdsTongue = (s: SeamFacts) => s.seen === 'outside' && s.kind === 'lap' && s.pieces.some(isTongue)
/** Rows along the opening, sewn when lining and outside are joined. */
export const alongOpening = (s: SeamFacts) => EDGE_KINDS.includes(s.kind) && !s.zip
export const ofOutside = (s: SeamFacts) =>
  s.seen === 'outside' && s.sewnWith !== 'sole' && !EDGE_KINDS.includes(s.kind) && !holdsTongue(s)
export const ofLining = (s: SeamFacts) => s.seen === 'foot' && s.sewnWith !== 'sole' && !EDGE_KINDS.includes(s.kind)

export const seamsOf = (f: Facts, which: (s: SeamFacts) => boolean) =>
  feet.flatMap((foot) => f.shoes[foot].seams.filter(which))
export const idsOf = (seams: readonly SeamFacts[]) => [...new Set(seams.map((s) => s.id))]
export const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** A seam's name without its side: "Quarter over vamp"; of one that closes two edges, "the back seam of the quarter". */
export function nameOf({ first }: { first: SeamFacts }): string {
  const name = first.name.replace(/, (lateral|medial)$/, '')
  const [whole, ...where] = name.split(', ')
  const place = where.at(-1)
  if (first.kind !== 'closed' || place === undefined) return lower(name)
  if (place.endsWith('seam')) return `the ${place} of the ${lower(whole!)}`
  return place.includes(' ') ? `the seam of the ${lower(whole!)} ${place}` : `the ${place} seam of the ${lower(whole!)}`
}

/** Pieces of the outside, the tongue aside, which is sewn in last. */
export const outsideRecords = (f: Facts) =>
  piecesOf(f)
    .filter((p) => !isTongue(p.id))
    .map((p) => recordOfPiece(p.id))

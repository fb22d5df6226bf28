import {
  areaOf,
  boxOf,
  laidPiece,
  matesApart,
  signedArea,
  whereLaid,
  type LaidPlace,
  type LayGround,
  type Misplaced,
  type ToLay,
} from '@gentle-awl/core'
import { showArea, showFigure, showLength } from '../../../../app/settings.ts'

/** Pieces that have no place: said as such only once the search is over. */
function placeless(left: number, busy: boolean, on: string): string {
  const pieces = left === 1 ? 'one piece' : `${left} pieces`
  return busy ? `For ${pieces} no place is found yet.` : `For ${pieces} no place was found on ${on}.`
}

export interface Standing {
  pieces: readonly ToLay[]
  places: readonly LaidPlace[]
  /** Pieces that lie nowhere. */
  left: number
  grounds: readonly LayGround[]
  /** It is a straight sheet, cut off behind the last piece. */
  straight: boolean
  busy: boolean
}

/** Area of what is laid, mm2. */
export const laidArea = (pieces: readonly ToLay[], places: readonly LaidPlace[]): number =>
  places.reduce((sum, p) => sum + Math.abs(signedArea(laidPiece(pieces, p)?.cut.outline ?? [])), 0)

/** How far to the right anything on the first ground reaches, mm; 0 where nothing lies there. */
export function reachOf(pieces: readonly ToLay[], places: readonly LaidPlace[]): number {
  return places.reduce((most, p) => {
    const found = p.on === 0 ? laidPiece(pieces, p) : null
    return found ? Math.max(most, boxOf(whereLaid(found.cut.outline, p)).maxX) : most
  }, 0)
}

/** What a layout comes to: how much of the sheet or the hides it takes; while it is looked for nothing is said to have no place. */
export function layoutVerdict({ pieces, places, left, grounds, straight, busy }: Standing): string {
  const several = grounds.length > 1
  if (left > 0) return placeless(left, busy, straight ? 'this sheet' : several ? 'these hides' : 'this hide')
  const area = laidArea(pieces, places)
  if (straight) {
    const { minY, maxY } = boxOf(grounds[0]!.outline)
    const reach = reachOf(pieces, places)
    const used = reach * (maxY - minY)
    const share = Math.round((100 * area) / used)
    return `All of it from ${showLength(reach, 0)} of the sheet: ${showArea(used)}, of which the pieces cover ${share} %.`
  }
  const used = new Set(places.map((p) => p.on))
  const whole = grounds.reduce(
    (sum, { outline, flaws }, on) =>
      used.has(on) ? sum + areaOf({ outline, holes: flaws.map((f) => f.outline) }) : sum,
    0,
  )
  const on = used.size > 1 ? `on ${used.size} hides` : 'on the hide'
  return `All of it lies ${on}: ${showArea(area)} of ${showArea(whole)}, ${Math.round((100 * area) / whole)} %.`
}

/** Middles of two pieces that lie side by side are no farther apart than this, mm. */
const NEIGHBOURS = 250

/** Which right and left lie farthest apart; nothing where they lie as near as neighbours do. */
export function matesSentence(pieces: readonly ToLay[], places: readonly LaidPlace[]): string {
  const mates = matesApart(pieces, places)
  if (!mates || (mates.apart !== null && mates.apart < NEIGHBOURS)) return ''
  const far = mates.apart === null ? 'on two hides' : `${showLength(mates.apart, 0)} apart`
  return `Right and left of “${mates.name}” lie ${far}: side by side they match best.`
}

const FLAW: Record<string, string> = { hole: 'a hole', scar: 'a scar', thin: 'a thin place', stain: 'a stain' }

/** What is wrong with where a piece lies, as a sentence; `name` says which piece a place is of. */
export function wrongSentence(wrong: Misplaced, name: (at: number) => string, gap: number): string {
  const it = name(wrong.at)
  switch (wrong.kind) {
    case 'overlap':
      return `${it} and ${name(wrong.other)} lie over each other: ${showFigure(Math.round(wrong.area), 'mm²')} twice.`
    case 'near':
      return `${it} and ${name(wrong.other)} lie ${showLength(wrong.apart)} apart; the knife asks for ${showLength(gap)}.`
    case 'edge':
      return `${it} lies over the edge.`
    case 'flaw':
      return `${it} lies on ${FLAW[wrong.flaw] ?? 'a flaw'}.`
    case 'grade':
      return `${it} lies on a part that is too poor for it.`
    case 'turn':
      return `${it} lies ${Math.round(wrong.off)}° off the tight direction.`
  }
}

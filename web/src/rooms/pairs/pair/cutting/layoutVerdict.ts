import { showArea, showLength } from '../../../../app/settings.ts'
import type { NestNews } from '../../../../workers/nest/nestWorker.ts'

/** Pieces that have no place: said as such only once the search is over. */
function placeless(left: number, busy: boolean, on: string): string {
  const pieces = left === 1 ? 'one piece' : `${left} pieces`
  return busy ? `For ${pieces} no place is found yet.` : `For ${pieces} no place was found on ${on}.`
}

/** What a layout on a hide comes to, whose sound part is so large (mm2). */
export function hideVerdict({ left, area }: NestNews, whole: number, busy: boolean): string {
  if (left > 0) return placeless(left, busy, 'this hide')
  return `All of it lies on the hide: ${showArea(area)} of ${showArea(whole)}, ${Math.round((100 * area) / whole)} %.`
}

/** What a layout on a sheet of some width (mm) comes to; while it is still looked for nothing is said to have no place. */
export function layoutVerdict({ left, reach, area }: NestNews, width: number, busy: boolean): string {
  if (left > 0) {
    return placeless(left, busy, 'this sheet')
  }
  // Cut off behind the last piece.
  const used = reach * width
  const share = Math.round((100 * area) / used)
  return `All of it from ${showLength(reach, 0)} of the sheet: ${showArea(used)}, of which the pieces cover ${share} %.`
}

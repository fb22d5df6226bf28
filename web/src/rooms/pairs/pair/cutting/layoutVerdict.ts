import { showArea, showLength } from '../../../../app/settings.ts'
import type { NestNews } from '../../../../workers/nest/nestWorker.ts'

/** What a layout on a sheet of some width (mm) comes to; while it is still looked for nothing is said to have no place. */
export function layoutVerdict({ left, reach, area }: NestNews, width: number, busy: boolean): string {
  if (left > 0) {
    const pieces = left === 1 ? 'one piece' : `${left} pieces`
    return busy ? `For ${pieces} no place is found yet.` : `For ${pieces} no place was found on this sheet.`
  }
  // Cut off behind the last piece.
  const used = reach * width
  const share = Math.round((100 * area) / used)
  return `All of it from ${showLength(reach, 0)} of the sheet: ${showArea(used)}, of which the pieces cover ${share} %.`
}

import type { LastedStrip } from './needs.ts'

/** In which order the tacks of a strip are driven, in words: from the toe to the seat, as far as it goes. */
export function tackOrder({ tacks }: Pick<LastedStrip, 'tacks'>): string {
  const has = (place: 'toe' | 'seat') => tacks.some((t) => t.anchor === place)
  const from = has('toe') ? 'from the toe' : 'from the front'
  const to = has('seat')
    ? ' to the seat, with one more at the back of the top line that holds its height'
    : ' to the rear edge'
  return `The large ones first, ${from}${to}; then between them, medial and lateral in turn, so that nothing is drawn askew.`
}

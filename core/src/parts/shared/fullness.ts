import type { Because } from '../../trade/because.ts'
import { mm, say } from '../../units/sentence.ts'

/** How much longer the flat feather line is than the edge it is worked down to: what the wet leather has to shrink. */
export function fullness(flat: number, onLast: number, part: string): Because {
  const more = flat - onLast
  return {
    id: 'fullness',
    quantity: 'Fullness to work in at the feather line',
    value: more,
    unit: 'mm',
    sentence: say`The flat feather line is ${mm(flat, 0)}, the edge it goes to ${mm(onLast, 0)}: the wall is curved two ways, and the wet ${part} takes up the rest when it is worked down.`,
    inputs: [
      { name: 'Flat', value: flat, unit: 'mm' },
      { name: 'On the last', value: onLast, unit: 'mm' },
    ],
    origin: 'measured on the last',
  }
}

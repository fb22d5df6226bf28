import type { Because } from '../../trade/because.ts'

/** How much longer the flat feather line is than the edge it is worked down to: what the wet leather has to shrink. */
export function fullness(flat: number, onLast: number, part: string): Because {
  const more = flat - onLast
  return {
    quantity: 'Fullness to work in at the feather line',
    value: more,
    unit: 'mm',
    sentence:
      `The flat feather line is ${flat.toFixed(0)} mm, the edge it goes to ${onLast.toFixed(0)} mm: ` +
      `the wall is curved two ways, and the wet ${part} takes up the rest when it is worked down.`,
    inputs: [
      { name: 'Flat', value: flat, unit: 'mm' },
      { name: 'On the last', value: onLast, unit: 'mm' },
    ],
    origin: 'measured on the last',
  }
}

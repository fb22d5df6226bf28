import type { LegendLine } from './legendLine.ts'

/** The line language of a part on the drawing table. */
export const partLegend: readonly LegendLine[] = [
  { name: 'Cut, inside of the line', stroke: '#eef2ee', width: 2 },
  { name: 'Feather line of the last', stroke: '#a9bac0', width: 3, double: true },
  { name: 'Fold', stroke: '#eef2ee', width: 1.5, dash: '16 6' },
  { name: 'Stitch line, a tick at every hole', stroke: '#eef2ee', width: 9, dash: '1.8 9' },
  { name: 'Crease line, joint to joint', stroke: '#ffd48a', width: 1.8, dash: '2 5' },
  { name: 'Centre line', stroke: '#a9bac0', width: 1.1, dash: '9 5' },
  { name: 'Another part, to compare', stroke: '#8fa3aa', width: 1.2, dash: '3 3' },
  { name: 'Skive, width to scale', stroke: '#ad7c1a', width: 0, sign: 'M0 0H56V14H0Z', filled: true },
  { name: 'Notch: medial side, ends of the centre line', stroke: '#eef2ee', width: 2, sign: 'M0 4H22L28 13 34 4H56' },
  {
    name: 'Grain, tight direction',
    stroke: '#eef2ee',
    width: 1,
    sign: 'M0 6.5H44V2L54 7 44 12V7.5H0Z',
    filled: true,
  },
]

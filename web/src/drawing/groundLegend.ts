import type { LegendLine } from './legendLine.ts'

/** What is drawn on a hide. */
export const groundLegend: LegendLine[] = [
  { name: 'Good, not best', stroke: '#c9d6a3', width: 1.4, dash: '9 5' },
  { name: 'Lesser part', stroke: '#c98a1b', width: 1.4, dash: '3 4' },
  { name: 'Flaw', stroke: '#e58a92', width: 2 },
  { name: 'Gives least this way', stroke: '#eef2ee', width: 1.6 },
]

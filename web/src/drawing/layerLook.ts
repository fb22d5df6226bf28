import { familyOf, type PartFamily } from '@gentle-awl/core'

/** Tint and hatch of what lies in a section: leathers are told apart by both, never by colour alone. */
interface LayerLook {
  tint: string
  hatch: '' | 'fine' | 'wide' | 'cross' | 'dots' | 'back'
}

const looks: Record<PartFamily, LayerLook> = {
  upper: { tint: '#7fa7b8', hatch: 'back' },
  insole: { tint: '#cda873', hatch: 'wide' },
  lining: { tint: '#ece0cc', hatch: '' },
  sock: { tint: '#ece0cc', hatch: '' },
  foam: { tint: '#d8dbe6', hatch: 'dots' },
  padding: { tint: '#d8dbe6', hatch: 'dots' },
  stiffener: { tint: '#a9835a', hatch: 'cross' },
  puff: { tint: '#b58f68', hatch: 'cross' },
  reinforcement: { tint: '#f3f6f4', hatch: 'fine' },
  edging: { tint: '#93a5c4', hatch: 'wide' },
  backer: { tint: '#d3ccbc', hatch: 'fine' },
  filler: { tint: '#c2a58a', hatch: 'dots' },
  shank: { tint: '#5e646b', hatch: 'back' },
  midsole: { tint: '#c08f55', hatch: 'fine' },
  'bought sole': { tint: '#e3e6e1', hatch: 'dots' },
  welt: { tint: '#d9b98a', hatch: 'wide' },
  outsole: { tint: '#8f6a43', hatch: 'back' },
  wedge: { tint: '#b07f4c', hatch: 'fine' },
  lift: { tint: '#9c7044', hatch: 'back' },
  'top piece': { tint: '#5e646b', hatch: 'cross' },
}

export const tintOf = (part: string): string => looks[familyOf(part)].tint
export const hatchOf = (part: string): LayerLook['hatch'] => looks[familyOf(part)].hatch

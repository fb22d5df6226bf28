/** Tint and hatch of what lies in a section: leathers are told apart by both, never by colour alone. */
interface LayerLook {
  tint: string
  hatch: '' | 'fine' | 'wide' | 'cross' | 'dots' | 'back'
}

const looks: readonly [RegExp, LayerLook][] = [
  [/^insole/, { tint: '#cda873', hatch: 'wide' }],
  [/lining|grip|tongueLining/i, { tint: '#ece0cc', hatch: '' }],
  [/foam/i, { tint: '#d8dbe6', hatch: 'dots' }],
  [/^stiffener/, { tint: '#a9835a', hatch: 'cross' }],
  [/^puff/, { tint: '#b58f68', hatch: 'cross' }],
  [/tape|patch|stay/i, { tint: '#f3f6f4', hatch: 'fine' }],
  [/^filler/, { tint: '#c2a58a', hatch: 'dots' }],
  [/^midsole/, { tint: '#c08f55', hatch: 'fine' }],
  [/^cup/, { tint: '#e3e6e1', hatch: 'dots' }],
  [/^(welt|rand)/, { tint: '#d9b98a', hatch: 'wide' }],
  [/^outsole/, { tint: '#8f6a43', hatch: 'back' }],
  [/wedge/i, { tint: '#b07f4c', hatch: 'fine' }],
  [/lift/i, { tint: '#9c7044', hatch: 'back' }],
  [/topPiece/, { tint: '#5e646b', hatch: 'cross' }],
]
/** Everything else is the upper's own leather. */
const UPPER: LayerLook = { tint: '#7fa7b8', hatch: 'back' }

const lookOf = (part: string): LayerLook => looks.find(([pattern]) => pattern.test(part))?.[1] ?? UPPER

export const tintOf = (part: string): string => lookOf(part).tint
export const hatchOf = (part: string): LayerLook['hatch'] => lookOf(part).hatch

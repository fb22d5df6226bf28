/** What a part is made for. Whatever is shown or sorted by it is a record over these, so that the compiler asks for a new one. */
export type PartFamily =
  | 'upper'
  | 'lining'
  | 'foam'
  | 'reinforcement'
  | 'edging'
  | 'backer'
  | 'stiffener'
  | 'puff'
  | 'insole'
  | 'sock'
  | 'padding'
  | 'welt'
  | 'shank'
  | 'filler'
  | 'midsole'
  | 'bought sole'
  | 'outsole'
  | 'wedge'
  | 'lift'
  | 'top piece'

/** The family of every kind of part, by the first word of its id: `quarterLining.lateral` is a quarterLining. */
const families = {
  vamp: 'upper',
  quarter: 'upper',
  tongue: 'upper',
  cap: 'upper',
  counter: 'upper',
  collar: 'upper',
  stay: 'upper',
  shaft: 'upper',
  shaftFront: 'upper',
  shaftBack: 'upper',
  backTab: 'upper',
  backStrip: 'upper',
  pullLoop: 'upper',
  frontStrap: 'upper',
  instepStrap: 'upper',
  heelStrap: 'upper',
  buckleLoop: 'upper',
  upper: 'upper',
  heelSection: 'upper',
  heelCover: 'upper',
  vampLining: 'lining',
  quarterLining: 'lining',
  tongueLining: 'lining',
  heelGrip: 'lining',
  frontStrapLining: 'lining',
  instepStrapLining: 'lining',
  heelStrapLining: 'lining',
  sideLining: 'lining',
  lining: 'lining',
  tongueFoam: 'foam',
  collarFoam: 'foam',
  facingTape: 'reinforcement',
  cornerPatch: 'reinforcement',
  backStay: 'reinforcement',
  topTape: 'reinforcement',
  bead: 'edging',
  binding: 'edging',
  backer: 'backer',
  stiffener: 'stiffener',
  puff: 'puff',
  insole: 'insole',
  insoleFoam: 'foam',
  insoleCover: 'insole',
  sock: 'sock',
  padding: 'padding',
  welt: 'welt',
  rand: 'welt',
  shank: 'shank',
  filler: 'filler',
  midsole: 'midsole',
  cup: 'bought sole',
  unit: 'bought sole',
  outsole: 'outsole',
  heelWedge: 'wedge',
  wedge: 'wedge',
  heelLift: 'lift',
  lift: 'lift',
  topPiece: 'top piece',
} as const satisfies Record<string, PartFamily>

export type PartKind = keyof typeof families

const isKind = (word: string): word is PartKind => Object.hasOwn(families, word)

/** What an id stands for, whichever side it is on; null for a piece that the maker named. */
export function kindOf(id: string): PartKind | null {
  const [word = ''] = id.split('.', 1)
  return isKind(word) ? word : null
}

/** Id of the backer of a piece of the upper. */
export const backerOf = (piece: string): string => `backer.${piece}`

/** A piece that the maker named is of the upper. */
export function familyOf(id: string): PartFamily {
  const kind = kindOf(id)
  return kind === null ? 'upper' : families[kind]
}

import type { SoleForm } from './cupSole.ts'

export const constructions = ['welted', 'cemented', 'stitch-down', 'cup sole', 'flat unit'] as const
export type ConstructionName = (typeof constructions)[number]

/** What a way of fixing upper and sole means for the parts of the bottom; all else is read off these. */
export interface Construction {
  /** What holds the sole: a seam through a welt, a seam through the turned-out upper, or cement alone. */
  held: 'through a welt' | 'through the upper' | 'by cement'
  /** Where the upper's bottom edge goes. */
  margin: 'under' | 'out'
  /** Midsole, outsole and heel are cut here, or come as one bought cup or flat unit. */
  sole: 'cut' | SoleForm
  sentence: string
}

/** Adding a way is one entry here; parts and steps ask for its traits, never for its name. */
export const constructionOf: Record<ConstructionName, Construction> = {
  welted: {
    held: 'through a welt',
    margin: 'under',
    sole: 'cut',
    sentence:
      'Upper, lining and welt are sewn to a holdfast carved in the insole, the sole to the welt: the insole must be leather.',
  },
  cemented: {
    held: 'by cement',
    margin: 'under',
    sole: 'cut',
    sentence: 'The upper is cemented round the insole and the sole is cemented on: an insole of board will do.',
  },
  'stitch-down': {
    held: 'through the upper',
    margin: 'out',
    sole: 'cut',
    sentence:
      'The lining is cemented under the insole, the upper turned outwards and sewn down on the midsole: the upper must be cut for it.',
  },
  'cup sole': {
    held: 'by cement',
    margin: 'under',
    sole: 'cup',
    sentence: 'The lasted shoe is cemented into a bought cup sole: no midsole, outsole or heel are cut.',
  },
  'flat unit': {
    held: 'by cement',
    margin: 'under',
    sole: 'unit',
    sentence:
      'The lasted shoe is cemented on a bought unit of rubber or crepe, trimmed to the shoe. Glue alone holds it: badly roughened, toes come loose first.',
  },
}

/** What parts, checks and steps ask of a way. A new kind of hold, margin or sole must answer all of it before this compiles. */
export interface Traits {
  /** A welt is sewn to a holdfast of the insole. */
  welted: boolean
  /** The turned-out upper is sewn down on the midsole. */
  sewnDown: boolean
  /** The turned margin itself is what the sole is cemented to. */
  onMargin: boolean
  /** A seam goes through the edge of the midsole, and needs room there. */
  sewn: boolean
  /** The upper's bottom edge goes outwards, and only lining, stiffener and puff are turned under. */
  outwards: boolean
  /** Midsole, outsole and heel are cut here. */
  cutsSoles: boolean
  /** The form of the sole that comes from the stores; null where soles are cut here. */
  bought: SoleForm | null
  /** The shoe goes into a cup, whose wall it is held by. */
  inCup: boolean
  /** What lies under the waist has to be stiffened by a shank of its own. */
  takesShank: boolean
}
const ofHold: Record<Construction['held'], Pick<Traits, 'welted' | 'sewnDown' | 'onMargin' | 'sewn'>> = {
  'through a welt': { welted: true, sewnDown: false, onMargin: false, sewn: true },
  'through the upper': { welted: false, sewnDown: true, onMargin: false, sewn: true },
  'by cement': { welted: false, sewnDown: false, onMargin: true, sewn: false },
}
const ofMargin: Record<Construction['margin'], Pick<Traits, 'outwards'>> = {
  under: { outwards: false },
  out: { outwards: true },
}
const ofSole: Record<Construction['sole'], Pick<Traits, 'cutsSoles' | 'bought' | 'inCup' | 'takesShank'>> = {
  cut: { cutsSoles: true, bought: null, inCup: false, takesShank: true },
  cup: { cutsSoles: false, bought: 'cup', inCup: true, takesShank: false },
  unit: { cutsSoles: false, bought: 'unit', inCup: false, takesShank: true },
}

export function traitsOf(name: ConstructionName): Traits {
  const { held, margin, sole } = constructionOf[name]
  return { ...ofHold[held], ...ofMargin[margin], ...ofSole[sole] }
}

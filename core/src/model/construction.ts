export const constructions = ['welted', 'cemented', 'stitch-down', 'cup sole'] as const
export type ConstructionName = (typeof constructions)[number]

/** What a way of fixing upper and sole means for the parts of the bottom; all else is read off these. */
export interface Construction {
  /** What holds the sole: a seam through a welt, a seam through the turned-out upper, or cement alone. */
  sewn: 'through a welt' | 'through the upper' | null
  /** Where the upper's bottom edge goes. */
  margin: 'under' | 'out'
  /** Midsole, outsole and heel are cut here, or come as one bought cup. */
  sole: 'cut' | 'cup'
  sentence: string
}

/** Adding a way is one entry here; parts and steps ask for its traits, never for its name. */
export const constructionOf: Record<ConstructionName, Construction> = {
  welted: {
    sewn: 'through a welt',
    margin: 'under',
    sole: 'cut',
    sentence:
      'Upper, lining and welt are sewn to a holdfast carved in the insole, the sole to the welt: the insole must be leather.',
  },
  cemented: {
    sewn: null,
    margin: 'under',
    sole: 'cut',
    sentence: 'The upper is cemented round the insole and the sole is cemented on: an insole of board will do.',
  },
  'stitch-down': {
    sewn: 'through the upper',
    margin: 'out',
    sole: 'cut',
    sentence:
      'The lining is cemented under the insole, the upper turned outwards and sewn down on the midsole: the upper must be cut for it.',
  },
  'cup sole': {
    sewn: null,
    margin: 'under',
    sole: 'cup',
    sentence: 'The lasted shoe is cemented into a bought cup sole: no midsole, outsole or heel are cut.',
  },
}

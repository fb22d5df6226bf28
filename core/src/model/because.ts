/** Units that figures carry; lengths are turned into inches only at the edge of the screen. */
export type Unit = 'mm' | 'mm²' | 'cm³' | 'g' | 'min' | 'share' | 'count' | '%' | 'mm per 10 mm'

export interface Input {
  name: string
  value: number
  unit: Unit
}

/** Where a rule's figure came from. */
export type Origin =
  'house rule' | 'this workshop' | 'this pair' | 'set by hand' | 'measured on the last' | 'from the material'

/** Figures that the maker may set by hand instead of leaving them to the rule: paths into the decisions. */
export const handDecisions = [
  'stiffener.backHeight',
  'stiffener.lateralEnd',
  'stiffener.medialEnd',
  'puff.length',
  'midsole.room',
  'heel.lifts',
] as const
export type HandDecision = (typeof handDecisions)[number]

/** What can be set by hand, what the rule would make it, and how far it may be moved. */
export interface HandFigure {
  decision: HandDecision
  byRule: number
  min: number
  max: number
}

/** A derived number with its reason, in a sentence a shoemaker would say. */
export interface Because {
  quantity: string
  value: number
  unit: Unit
  sentence: string
  inputs: Input[]
  origin: Origin
  /** Key of the house rule behind it, when one can be changed. */
  rule?: string
  hand?: HandFigure
}

export type Level = 'fine' | 'watch' | 'stop'

/** A check that was made: where, measured against a limit, and what to do about it. */
export interface Finding {
  id: string
  level: Level
  where: string
  sentence: string
  measured: number
  limit: number
  unit: Unit
  /** What to do; empty when all is well. */
  mend: string
  /** A house rule of this pair that mends it at a press, where one does. */
  byRule?: { key: string; value: number }
}

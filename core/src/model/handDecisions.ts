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
export const handNames: Record<HandDecision, string> = {
  'stiffener.backHeight': 'height of the stiffener at the back',
  'stiffener.lateralEnd': 'stiffener’s lateral end, from the heel back',
  'stiffener.medialEnd': 'stiffener’s medial end, from the heel back',
  'puff.length': 'length of the puff',
  'midsole.room': 'room of the midsole',
  'heel.lifts': 'lifts',
}

/** Stretches of a shoe's bottom from heel to toe, as they are spoken of. */
export const bottomZones = ['seat', 'waist', 'joint', 'toe'] as const
export type BottomZone = (typeof bottomZones)[number]

/** Which one lies at a share of the length from the heel back. */
export const bottomZone = (share: number): BottomZone =>
  share < 0.3 ? 'seat' : share < 0.55 ? 'waist' : share < 0.8 ? 'joint' : 'toe'

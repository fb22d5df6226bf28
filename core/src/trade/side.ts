/** Work on last and upper is done per side. */
export type Side = 'lateral' | 'medial'
export const wallSides: readonly Side[] = ['lateral', 'medial']

/** The two feet, as they are chosen on screen. */
export type Foot = 'left' | 'right'
export const feet: readonly { value: Foot; name: string }[] = [
  { value: 'left', name: 'Left' },
  { value: 'right', name: 'Right' },
]

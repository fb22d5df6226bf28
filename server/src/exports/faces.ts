import type { Foot } from '@gentle-awl/core'
import { z } from 'zod'

/** The side of the stuff that a print or drawing is laid on. */
export const FaceOption = z.enum(['face', 'flesh']).default('face')
export type Face = z.infer<typeof FaceOption>

/** As which foot's an outline is drawn: traced on the flesh side, a piece for one foot looks like the other's. */
export const drawnAs = (foot: Foot, face: Face): Foot => (face === 'face' ? foot : foot === 'right' ? 'left' : 'right')

/** What stands on the piece. */
export const faceWords: Record<Face, string> = { face: 'face side up', flesh: 'flesh side up, mirrored' }

/** What a file's name says of it. */
export const faceEnding = (face: Face): string => (face === 'flesh' ? '-flesh-side' : '')

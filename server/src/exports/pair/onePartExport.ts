import { partsOfPair } from '@gentle-awl/core'
import { z } from 'zod'
import { Problem } from '../../http/problem.ts'
import { faceEnding, FaceOption } from '../faces.ts'
import { pairExport } from '../pairExport.ts'
import { partSvg } from '../partsSvg.ts'

/** One part of one foot. */
export const onePartExport = pairExport({
  id: 'part.svg',
  title: 'One part (SVG, in mm)',
  group: 'drawing',
  type: 'image/svg+xml',
  options: z.object({ part: z.string().max(60), foot: z.enum(['right', 'left']).default('right'), face: FaceOption }),
  named: (_revision, { part, foot, face }) => `${part}-${foot}${faceEnding(face)}`,
  shows: (_file, plan, { part: id, foot }) =>
    partsOfPair(plan)
      .filter((p) => p.id === id)
      .map((p) => ({ ...p, feet: p.feet.filter((f) => f.foot === foot) }))
      .filter((p) => p.feet.length > 0),
  make: (_file, _plan, parts, { face }) => {
    const [one] = parts.flatMap((p) => p.feet)
    if (!one) throw new Problem(404, 'Not here', 'This pair has no such part.')
    return partSvg(one.part, one.foot, face)
  },
})

import { partsOfPair } from '@gentle-awl/core'
import { z } from 'zod'
import { faceEnding, FaceOption } from '../faces.ts'
import { pairExport } from '../pairExport.ts'
import { pairSvg } from '../partsSvg.ts'

export const partsSvgExport = pairExport({
  id: 'parts.svg',
  title: 'Parts (SVG, in mm)',
  group: 'drawing',
  type: 'image/svg+xml',
  options: z.object({ face: FaceOption }),
  named: (revision, { face }) => `${revision}${faceEnding(face)}`,
  shows: (_file, plan) => partsOfPair(plan),
  make: (file, _plan, parts, { face }) => pairSvg(file, parts, face),
})

import { piecesOfPair } from '@gentle-awl/core'
import { z } from 'zod'
import { faceEnding, FaceOption } from '../faces.ts'
import { pairExport } from '../pairExport.ts'
import { pairSvg } from '../partsSvg.ts'

export const upperSvgExport = pairExport({
  id: 'upper.svg',
  title: 'Upper (SVG, in mm)',
  group: 'drawing',
  type: 'image/svg+xml',
  options: z.object({ face: FaceOption }),
  named: (revision, { face }) => `upper-${revision}${faceEnding(face)}`,
  shows: piecesOfPair,
  make: (file, _plan, pieces, { face }) => pairSvg(file, pieces, face),
})

import { piecesOfPair } from '@gentle-awl/core'
import { z } from 'zod'
import { faceEnding, FaceOption } from '../faces.ts'
import { pairExport } from '../pairExport.ts'
import { upperDxf } from '../upperDxf.ts'

export const upperDxfExport = pairExport({
  id: 'upper.dxf',
  title: 'Upper (DXF, in mm)',
  group: 'drawing',
  type: 'image/vnd.dxf',
  options: z.object({ face: FaceOption }),
  named: (revision, { face }) => `upper-${revision}${faceEnding(face)}`,
  shows: piecesOfPair,
  make: (_file, _plan, pieces, { face }) => upperDxf(pieces, face),
})

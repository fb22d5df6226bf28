import { piecesOfPair } from '@gentle-awl/core'
import { z } from 'zod'
import { faceEnding, FaceOption } from '../faces.ts'
import { PaperOption, pairExport } from '../pairExport.ts'
import { partsPdf } from '../partsPdf.ts'

export const upperPdfExport = pairExport({
  id: 'upper.pdf',
  title: 'Upper (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption, face: FaceOption }),
  named: (revision, { face }) => `upper-${revision}${faceEnding(face)}`,
  shows: piecesOfPair,
  make: (file, plan, pieces, { paper, face }) => partsPdf(file, plan, paper, pieces, face),
})

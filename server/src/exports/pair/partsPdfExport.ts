import { partsOfPair } from '@gentle-awl/core'
import { z } from 'zod'
import { faceEnding, FaceOption } from '../faces.ts'
import { PaperOption, pairExport } from '../pairExport.ts'
import { partsPdf } from '../partsPdf.ts'

export const partsPdfExport = pairExport({
  id: 'parts.pdf',
  title: 'Parts (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption, face: FaceOption }),
  named: (revision, { paper, face }) => `${revision}-${paper}${faceEnding(face)}`,
  shows: (_file, plan) => partsOfPair(plan),
  make: (file, plan, parts, { paper, face }) => partsPdf(file, plan, paper, parts, face),
})

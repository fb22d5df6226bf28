import { partsOfPair, piecesOfPair } from '@gentle-awl/core'
import { z } from 'zod'
import { faceEnding, FaceOption } from '../faces.ts'
import { PaperOption, pairExport } from '../pairExport.ts'
import { partsPdf } from '../partsPdf.ts'

/** Upper and parts in one print, with one list of what to cut from what. */
export const wholePdfExport = pairExport({
  id: 'pair.pdf',
  title: 'The whole pair (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption, face: FaceOption }),
  named: (revision, { paper, face }) => `whole-${revision}-${paper}${faceEnding(face)}`,
  shows: (file, plan) => [...(plan.upper.pieces.length > 0 ? piecesOfPair(file, plan) : []), ...partsOfPair(plan)],
  make: (file, plan, parts, { paper, face }) => partsPdf(file, plan, paper, parts, face),
})

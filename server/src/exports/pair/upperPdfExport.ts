import { z } from 'zod'
import { PaperOption, pairExport } from '../pairExport.ts'
import { piecesOfPair } from '../pairParts.ts'
import { partsPdf } from '../partsPdf.ts'

export const upperPdfExport = pairExport({
  id: 'upper.pdf',
  title: 'Upper (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption }),
  named: (revision) => `upper-${revision}`,
  shows: piecesOfPair,
  make: (file, plan, pieces, { paper }) => partsPdf(file, plan, paper, pieces),
})

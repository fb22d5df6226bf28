import { z } from 'zod'
import { PaperOption, pairExport } from '../pairExport.ts'
import { partsOfPair } from '../pairParts.ts'
import { partsPdf } from '../partsPdf.ts'

export const partsPdfExport = pairExport({
  id: 'parts.pdf',
  title: 'Parts (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption }),
  named: (revision, { paper }) => `${revision}-${paper}`,
  shows: (_file, plan) => partsOfPair(plan),
  make: (file, plan, parts, { paper }) => partsPdf(file, plan, paper, parts),
})

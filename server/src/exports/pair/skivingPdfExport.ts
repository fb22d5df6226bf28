import { z } from 'zod'
import { PaperOption, pairExport } from '../pairExport.ts'
import { skivingPdf } from '../skivingPdf.ts'

/** What is skived how, for the bench. It shows no outline, so that nothing is cut or put on record by it. */
export const skivingPdfExport = pairExport({
  id: 'skiving.pdf',
  title: 'Skiving list (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption }),
  named: (revision) => `skiving-${revision}`,
  shows: () => [],
  make: (file, plan, _, { paper }) => skivingPdf(file, plan, paper),
})

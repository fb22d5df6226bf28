import { z } from 'zod'
import { cuttingPdf } from '../cuttingPdf.ts'
import { PaperOption, pairExport } from '../pairExport.ts'

/** What is cut of what, for the bench. It shows no outline, so that nothing is put on record by it. */
export const cuttingPdfExport = pairExport({
  id: 'cutting.pdf',
  title: 'Cutting list (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption }),
  named: (revision) => `cutting-${revision}`,
  shows: () => [],
  make: (file, plan, _, { paper }) => cuttingPdf(file, plan, paper),
})

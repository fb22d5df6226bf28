import { z } from 'zod'
import { jobCardPdf } from '../jobCardPdf.ts'
import { PaperOption, pairExport } from '../pairExport.ts'

/** What goes through the workshop with the pair. It shows no outline, so that nothing is cut or put on record by it. */
export const jobCardExport = pairExport({
  id: 'job-card.pdf',
  title: 'Job card (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption }),
  named: (revision) => `job-${revision}`,
  shows: () => [],
  make: (file, plan, _, { paper }) => jobCardPdf(file, plan, paper),
})

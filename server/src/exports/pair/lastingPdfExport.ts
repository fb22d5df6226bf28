import { z } from 'zod'
import { lastingPdf } from '../lastingPdf.ts'
import { PaperOption, pairExport } from '../pairExport.ts'

/** Where the tacks stand, for the bench. Nothing is cut by it, so that nothing is put on record. */
export const lastingPdfExport = pairExport({
  id: 'lasting.pdf',
  title: 'Tack plan (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption }),
  named: (revision) => `tacks-${revision}`,
  shows: () => [],
  make: (file, plan, _, { paper }) => lastingPdf(file, plan, paper),
})

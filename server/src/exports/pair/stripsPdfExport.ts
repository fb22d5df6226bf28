import { partsOfPair } from '@gentle-awl/core'
import { z } from 'zod'
import { PaperOption, pairExport } from '../pairExport.ts'
import { stripsPdf } from '../stripsPdf.ts'

/** Strips that are cut by measure, and punching strips of the seams that are sewn by hand. */
export const stripsPdfExport = pairExport({
  id: 'strips.pdf',
  title: 'Strips (PDF)',
  group: 'print',
  type: 'application/pdf',
  options: z.object({ paper: PaperOption }),
  named: (revision) => `strips-${revision}`,
  shows: (_file, plan) =>
    partsOfPair(plan)
      .map((p) => ({ ...p, feet: p.feet.filter((f) => f.part.strip) }))
      .filter((p) => p.feet.length > 0),
  make: (file, plan, parts, { paper }) => stripsPdf(file, plan, paper, parts),
})

import { z } from 'zod'
import { pairExport } from '../pairExport.ts'
import { partsOfPair } from '../pairParts.ts'
import { pairSvg } from '../partsSvg.ts'

export const partsSvgExport = pairExport({
  id: 'parts.svg',
  title: 'Parts (SVG, in mm)',
  group: 'drawing',
  type: 'image/svg+xml',
  options: z.object({}),
  named: (revision) => revision,
  shows: (_file, plan) => partsOfPair(plan),
  make: (file, _plan, parts) => pairSvg(file, parts),
})

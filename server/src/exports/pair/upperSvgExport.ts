import { z } from 'zod'
import { pairExport } from '../pairExport.ts'
import { piecesOfPair } from '../pairParts.ts'
import { pairSvg } from '../partsSvg.ts'

export const upperSvgExport = pairExport({
  id: 'upper.svg',
  title: 'Upper (SVG, in mm)',
  group: 'drawing',
  type: 'image/svg+xml',
  options: z.object({}),
  named: (revision) => `upper-${revision}`,
  shows: piecesOfPair,
  make: (file, _plan, pieces) => pairSvg(file, pieces),
})

import { z } from 'zod'
import { pairExport } from '../pairExport.ts'
import { piecesOfPair } from '../pairParts.ts'
import { upperDxf } from '../upperDxf.ts'

export const upperDxfExport = pairExport({
  id: 'upper.dxf',
  title: 'Upper (DXF, in mm)',
  group: 'drawing',
  type: 'image/vnd.dxf',
  options: z.object({}),
  named: (revision) => `upper-${revision}`,
  shows: piecesOfPair,
  make: (_file, _plan, pieces) => upperDxf(pieces),
})

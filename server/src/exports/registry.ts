import { cuttingPdfExport } from './pair/cuttingPdfExport.ts'
import { jobCardExport } from './pair/jobCardExport.ts'
import { lastingPdfExport } from './pair/lastingPdfExport.ts'
import { partsPdfExport } from './pair/partsPdfExport.ts'
import { partsSvgExport } from './pair/partsSvgExport.ts'
import { skivingPdfExport } from './pair/skivingPdfExport.ts'
import { stripsPdfExport } from './pair/stripsPdfExport.ts'
import { upperDxfExport } from './pair/upperDxfExport.ts'
import { upperPdfExport } from './pair/upperPdfExport.ts'
import { upperSvgExport } from './pair/upperSvgExport.ts'
import { wholePdfExport } from './pair/wholePdfExport.ts'
import { onePartExport } from './pair/onePartExport.ts'
import type { PairExport } from './pairExport.ts'

/** Every file that can be had of a pair, in the order in which they are offered: a new one is its file and a line here. */
export const pairExports: readonly PairExport[] = [
  wholePdfExport,
  partsPdfExport,
  upperPdfExport,
  stripsPdfExport,
  skivingPdfExport,
  cuttingPdfExport,
  lastingPdfExport,
  jobCardExport,
  partsSvgExport,
  upperSvgExport,
  upperDxfExport,
  onePartExport,
]

/** Throws when there is none: which exports there are, the routes say. */
export function exportOf(id: string): PairExport {
  const found = pairExports.find((e) => e.id === id)
  if (!found) throw new Error(`There is no export ${id}.`)
  return found
}

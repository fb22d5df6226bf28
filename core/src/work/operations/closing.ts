import type { Facts } from '../facts.ts'
import type { Operation } from '../operation.ts'
import { bound, holes, joined, tongue } from './joining.ts'
import { liningSeams } from './liningSeams.ts'
import { buckleHoles, buckles, pullLoops } from './loops.ts'
import { flatOutside, outsideSeams, sideLinings, zip } from './outside.ts'

/** From loose pieces to a closed upper. */
export const closingWork = (f: Facts): Operation[] => [
  ...liningSeams(f),
  ...zip(f),
  ...pullLoops(f),
  ...buckles(f),
  ...outsideSeams(f),
  ...flatOutside(f),
  ...sideLinings(f),
  ...joined(f),
  ...bound(f),
  ...holes(f),
  ...buckleHoles(f),
  ...tongue(f),
]

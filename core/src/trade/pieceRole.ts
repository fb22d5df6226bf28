import type { MaterialRole } from '../model/material.ts'
import { familyOf, kindOf, type PartFamily } from './partCatalogue.ts'

/** Several pieces of a pair serve as these, and each may be cut from something of its own. */
const familyRoles: Partial<Record<PartFamily, MaterialRole>> = {
  upper: 'upper',
  lining: 'lining',
  foam: 'foam',
  reinforcement: 'stay',
  edging: 'upper',
  backer: 'backer',
}

/**
 * What a piece serves as where it may be cut from another material than its like; null for parts that are alone in
 * their role, whose material is the pair's.
 */
export function pieceRole(id: string): MaterialRole | null {
  switch (kindOf(id)) {
    case 'insoleCover':
      return 'lining'
    // The lifts of a heel are one pile, cut from one leather.
    case 'heelWedge':
    case 'heelLift':
      return 'heel'
    // Its thickness is a rule of the insole.
    case 'insoleFoam':
      return null
    default:
      return familyRoles[familyOf(id)] ?? null
  }
}

import { mayServe, roleNames, type Material, type MaterialRole } from '../model/material.ts'
import type { PlanInput } from '../model/pair.ts'
import { PlanError } from './planError.ts'
import type { StageCache } from './stageCache.ts'

/** The material chosen for a role. Throws PlanError when it is missing or cannot serve there. */
function materialFor(input: PlanInput, role: MaterialRole): Material {
  const id = input.decisions.materials[role]
  const found = input.materials.find((m) => m.id === id)
  if (!found) {
    throw new PlanError(
      `materials.${role}`,
      `${roleNames[role]}: the chosen material is not among the pair's materials.`,
    )
  }
  if (!mayServe(role, found.kind)) {
    throw new PlanError(
      `materials.${role}`,
      `${roleNames[role]}: ${found.name} is ${found.kind}, which cannot serve here.`,
    )
  }
  return found
}

/**
 * Every material of a pair by what it serves as, each the very object it was when last seen with the same figures, so
 * that stages may name it as an input. Throws PlanError naming the decision to change.
 */
export function materialsOf(input: PlanInput, cache: StageCache) {
  const { sock, materials } = input.decisions
  if (sock.padding !== 'none' && !materials.padding) {
    throw new PlanError('materials.padding', 'Choose a material for the padding, or plan the pair without padding.')
  }
  const known = (role: MaterialRole) => cache.same('material', materialFor(input, role))
  /** A material that may be left to the house rule. */
  const chosen = (role: MaterialRole) => (materials[role] === null ? null : known(role))
  return {
    upper: known('upper'),
    lining: known('lining'),
    insole: known('insole'),
    stiffener: known('stiffener'),
    puff: known('puff'),
    sock: known('sock'),
    midsole: known('midsole'),
    padding: sock.padding === 'none' ? null : known('padding'),
    foam: chosen('foam'),
    outsole: chosen('outsole'),
    heel: chosen('heel'),
    topPiece: chosen('topPiece'),
  }
}
export type PairMaterials = ReturnType<typeof materialsOf>

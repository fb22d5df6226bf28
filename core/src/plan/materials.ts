import { mayServe, roleNames, type Material, type MaterialRole } from '../model/material.ts'
import type { PlanInput } from '../model/pair.ts'
import { PlanError } from './planError.ts'

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

/** A material that may be left to the house rule. */
const chosen = (input: PlanInput, role: MaterialRole): Material | null =>
  input.decisions.materials[role] === null ? null : materialFor(input, role)

/** Every material of a pair by what it serves as. Throws PlanError naming the decision to change. */
export function materialsOf(input: PlanInput) {
  const { sock, materials } = input.decisions
  if (sock.padding !== 'none' && !materials.padding) {
    throw new PlanError('materials.padding', 'Choose a material for the padding, or plan the pair without padding.')
  }
  return {
    upper: materialFor(input, 'upper'),
    lining: materialFor(input, 'lining'),
    insole: materialFor(input, 'insole'),
    stiffener: materialFor(input, 'stiffener'),
    puff: materialFor(input, 'puff'),
    sock: materialFor(input, 'sock'),
    midsole: materialFor(input, 'midsole'),
    padding: sock.padding === 'none' ? null : materialFor(input, 'padding'),
    foam: chosen(input, 'foam'),
    outsole: chosen(input, 'outsole'),
    heel: chosen(input, 'heel'),
    topPiece: chosen(input, 'topPiece'),
  }
}
export type PairMaterials = ReturnType<typeof materialsOf>

/** A material as a stage depends on it. */
export const stampOf = (m: Material | null): string =>
  m ? `${m.name}|${m.kind}|${m.thickness}|${JSON.stringify(m.foamTest)}` : ''

import {
  materialRoles,
  styleBook,
  traitsOf,
  type ConstructionName,
  type MaterialRole,
  type PatternKind,
} from '@gentle-awl/core'

const roles = Object.keys(materialRoles) as MaterialRole[]

/** What a pair of a style, made in a way, needs a material for. */
export function rolesIn(style: PatternKind, way: ConstructionName): MaterialRole[] {
  const { welted, cutsSoles } = traitsOf(way)
  const needed: Partial<Record<MaterialRole, boolean>> = {
    welt: welted,
    shank: cutsSoles,
    outsole: cutsSoles,
    heel: cutsSoles,
    topPiece: cutsSoles,
    foam: style !== 'own pattern' && styleBook[style].padded,
  }
  return roles.filter((role) => needed[role] ?? true)
}

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
  const { welted, cutsSoles, takesShank } = traitsOf(way)
  const styled = style === 'own pattern' ? null : styleBook[style]
  const without = styled?.without ?? []
  const needed: Partial<Record<MaterialRole, boolean>> = {
    welt: welted,
    shank: takesShank,
    outsole: cutsSoles,
    heel: cutsSoles,
    topPiece: cutsSoles,
    stiffener: !without.includes('stiffener'),
    puff: !without.includes('puff'),
    foam: styled?.padded ?? false,
  }
  return roles.filter((role) => needed[role] ?? true)
}

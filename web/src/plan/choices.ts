import { materialRoles, type Material, type MaterialRole } from '@gentle-awl/core'

/** Materials that may serve in a role, the likeliest kind first. */
export function choicesFor<T extends Material>(role: MaterialRole, materials: readonly T[]): T[] {
  const kinds: readonly string[] = materialRoles[role]
  return materials.filter((m) => kinds.includes(m.kind)).sort((a, b) => kinds.indexOf(a.kind) - kinds.indexOf(b.kind))
}

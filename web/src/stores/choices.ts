import { foamRecovery, materialRoles, type Material, type MaterialRole } from '@gentle-awl/core'

/** Materials that may serve in a role, the likeliest kind first; foam that comes back by less than `recovery` percent last. */
export function choicesFor<T extends Material>(role: MaterialRole, materials: readonly T[], recovery: number): T[] {
  const kinds: readonly string[] = materialRoles[role]
  const flat = (m: Material) => {
    const back = m.foamTest && foamRecovery(m.foamTest)
    return back !== null && back.afterTen < recovery
  }
  return materials
    .filter((m) => kinds.includes(m.kind))
    .sort((a, b) => Number(flat(a)) - Number(flat(b)) || kinds.indexOf(a.kind) - kinds.indexOf(b.kind))
}

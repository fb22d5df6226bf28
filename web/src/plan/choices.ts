import { foamRecovery, materialRoles, type Material, type MaterialRole } from '@gentle-awl/core'

/** A foam that comes back by less than this is never the first choice, percent; the house rule judges it. */
const FLAT = 85

/** Materials that may serve in a role, the likeliest kind first; foam that stays flat last. */
export function choicesFor<T extends Material>(role: MaterialRole, materials: readonly T[]): T[] {
  const kinds: readonly string[] = materialRoles[role]
  const flat = (m: Material) => {
    const back = m.foamTest && foamRecovery(m.foamTest)
    return back !== null && back.afterTen < FLAT
  }
  return materials
    .filter((m) => kinds.includes(m.kind))
    .sort((a, b) => Number(flat(a)) - Number(flat(b)) || kinds.indexOf(a.kind) - kinds.indexOf(b.kind))
}

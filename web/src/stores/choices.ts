import { foamRecovery, materialRoles, mayServe, type Material, type MaterialRole } from '@gentle-awl/core'

/**
 * Materials that may serve in a role, the likeliest kind first and what only its maker says serves there behind them;
 * foam that comes back by less than `recovery` percent last.
 */
export function choicesFor<T extends Material>(role: MaterialRole, materials: readonly T[], recovery: number): T[] {
  const kinds: readonly string[] = materialRoles[role]
  const flat = (m: Material) => {
    const back = m.foamTest && foamRecovery(m.foamTest)
    return back !== null && back.afterTen < recovery
  }
  const place = ({ kind }: Material) => (kinds.includes(kind) ? kinds.indexOf(kind) : kinds.length)
  return materials
    .filter((m) => mayServe(role, m))
    .sort((a, b) => Number(flat(a)) - Number(flat(b)) || place(a) - place(b))
}

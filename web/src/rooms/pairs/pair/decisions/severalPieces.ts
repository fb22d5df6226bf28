import { backerOf, pieceRole, roleNames, type MaterialRole, type Plan } from '@gentle-awl/core'

/** Pieces that serve as the same, each of which may be cut from something of its own. */
export interface SeveralPieces {
  role: MaterialRole
  name: string
  pieces: { id: string; name: string }[]
}

/** Every piece of a pair that has its like, on either foot, by what it serves as. */
export function severalPieces(plan: Plan): SeveralPieces[] {
  const groups = new Map<MaterialRole, Map<string, string>>()
  for (const foot of [plan, ...(plan.left ? [plan.left] : [])]) {
    const { pieces } = foot.upper
    // A piece may have a backer though the others have none.
    const backers = pieces.map(({ id, name }) => ({ id: backerOf(id), name }))
    for (const { id, name } of [...pieces, ...foot.parts.filter((p) => p.role !== 'backer'), ...backers]) {
      const role = pieceRole(id)
      if (role !== null) groups.set(role, (groups.get(role) ?? new Map<string, string>()).set(id, name))
    }
  }
  return [...groups].map(([role, pieces]) => ({
    role,
    name: roleNames[role],
    pieces: [...pieces].map(([id, name]) => ({ id, name })),
  }))
}

import type { MaterialRole, PairDecisions } from '@gentle-awl/core'

/** The decisions with another material in a role, or none: without a material for it there is no padding in either shoe. */
export function setMaterial(decisions: PairDecisions, role: MaterialRole, id: string | null): PairDecisions {
  const next = { ...decisions, materials: { ...decisions.materials, [role]: id } }
  if (role !== 'padding' || id !== null) return next
  return {
    ...next,
    sock: { ...next.sock, padding: 'none' },
    left: next.left && { ...next.left, padding: null },
  }
}

/** The decisions with one piece cut from something of its own, or again from what its like are cut from. */
export function setPieceMaterial(decisions: PairDecisions, piece: string, id: string | null): PairDecisions {
  const { [piece]: _was, ...others } = decisions.pieceMaterials
  return { ...decisions, pieceMaterials: id === null ? others : { ...others, [piece]: id } }
}

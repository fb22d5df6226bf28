import { mayServe, roleNames, type Material, type MaterialRole } from '../model/material.ts'
import type { PairDecisions } from '../model/pair.ts'
import { pieceRole } from './pieceRole.ts'

/** A material that was chosen for something in a pair. */
export interface MaterialChoice {
  id: string
  /** What it has to serve as; null for a piece that has no choice of its own. */
  role: MaterialRole | null
  /** Path of the decision. */
  field: string
  /** What it is for, to begin a sentence with. */
  name: string
  /** The one piece that it is for; none where it is for all that serve so. */
  piece?: string
}
type Chosen = Pick<PairDecisions, 'materials' | 'pieceMaterials'>

/** What was chosen piece by piece. */
export const pieceChoices = ({
  pieceMaterials,
}: Pick<Chosen, 'pieceMaterials'>): (MaterialChoice & { piece: string })[] =>
  Object.entries(pieceMaterials).map(([piece, id]) => {
    const role = pieceRole(piece)
    const name = role === null ? piece : `${roleNames[role]}, piece ${piece}`
    return { piece, id, role, field: `pieceMaterials.${piece}`, name }
  })

/** Everything that a material was chosen for: for all of a role, then piece by piece. */
export const materialChoices = (decisions: Chosen): MaterialChoice[] => [
  ...(Object.entries(decisions.materials) as [MaterialRole, string | null][]).flatMap(([role, id]) =>
    id === null ? [] : [{ id, role, field: `materials.${role}`, name: roleNames[role] }],
  ),
  ...pieceChoices(decisions),
]

/** Ids of all materials that a pair is cut from. */
export const materialsUsed = (decisions: Chosen): string[] => [
  ...new Set(materialChoices(decisions).map(({ id }) => id)),
]

/** The same choices, each material by another id. */
export function withMaterials(decisions: Chosen, other: (id: string) => string): Chosen {
  const moved = <T extends Record<string, string | null>>(choices: T) =>
    Object.fromEntries(Object.entries(choices).map(([what, id]) => [what, id === null ? null : other(id)])) as T
  return { materials: moved(decisions.materials), pieceMaterials: moved(decisions.pieceMaterials) }
}

/** Why a material cannot be what it was chosen for; null where it can. */
export function cannotServe({ role, name }: MaterialChoice, material: Material): string | null {
  if (role === null) return `${name} is alone in what it serves as: choose its material among the pair's.`
  if (mayServe(role, material)) return null
  return `${name}: ${material.name} is ${material.kind}, which ${material.serves ? 'by your stores does not' : 'cannot'} serve here.`
}

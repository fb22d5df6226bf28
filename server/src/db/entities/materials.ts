import { cannotServe, Material, materialChoices, materialsUsed } from '@gentle-awl/core'
import { eq } from 'drizzle-orm'
import { hides, materials } from '../schema.ts'
import { entity } from './entity.ts'
import { pairWith, shownRevisions } from './pairWith.ts'

export const materialEntity = entity({
  what: 'material',
  table: materials,
  fields: Material.omit({ id: true }),
  order: materials.name,
  usedBy: async (tx, id) => {
    const pair = await pairWith(tx, (d) => materialsUsed(d).includes(id))
    if (pair) return `The pair "${pair}" is or was planned with this material, so it stays in the stores.`
    const [hide] = await tx.select({ name: hides.name }).from(hides).where(eq(hides.materialId, id)).limit(1)
    return hide ? `"${hide.name}" in the stores is of this material: take it out first.` : null
  },
  // A pair that is cut from it needs it to serve there, or nothing of that pair could be planned any more.
  breaks: async (tx, id, fields) => {
    for (const { pair, decisions } of await shownRevisions(tx)) {
      const choice = materialChoices(decisions).find((c) => c.id === id && cannotServe(c, { ...fields, id }) !== null)
      if (choice) {
        return `The pair "${pair}" uses it as ${choice.name.toLowerCase()}, where it would not serve any more. Choose another material there first. Nothing was changed.`
      }
    }
    return null
  },
})

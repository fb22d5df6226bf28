import { Material, materialsUsed } from '@gentle-awl/core'
import { materials } from '../schema.ts'
import { entity } from './entity.ts'
import { pairWith } from './pairWith.ts'

export const materialEntity = entity({
  what: 'material',
  table: materials,
  fields: Material.omit({ id: true }),
  order: materials.name,
  usedBy: async (tx, id) => {
    const pair = await pairWith(tx, (d) => materialsUsed(d).includes(id))
    return pair && `The pair "${pair}" is or was planned with this material, so it stays in the stores.`
  },
})

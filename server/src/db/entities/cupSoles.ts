import { CupSoleFields } from '@gentle-awl/core'
import { cupSoles } from '../schema.ts'
import { entity } from './entity.ts'
import { pairWith } from './pairWith.ts'

export const cupSoleEntity = entity({
  what: 'cup sole',
  table: cupSoles,
  fields: CupSoleFields,
  order: cupSoles.name,
  usedBy: async (tx, id) => {
    const pair = await pairWith(tx, (d) => d.cupSoleId === id)
    return pair && `The pair "${pair}" is or was planned in this cup sole, so it stays in the stores.`
  },
})

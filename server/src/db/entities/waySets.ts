import { WaySetFields } from '@gentle-awl/core'
import { waySets } from '../schema.ts'
import { entity } from './entity.ts'

export const waySetEntity = entity({
  what: 'way of working',
  table: waySets,
  fields: WaySetFields,
  order: waySets.name,
})

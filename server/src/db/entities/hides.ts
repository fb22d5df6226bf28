import { HideFields } from '@gentle-awl/core'
import { hides } from '../schema.ts'
import { entity } from './entity.ts'
import { materialEntity } from './materials.ts'

export const hideEntity = entity({
  what: 'hide',
  table: hides,
  fields: HideFields,
  order: hides.name,
  lacks: async (tx, { materialId }) =>
    materialId === null || (await materialEntity.has(tx, materialId))
      ? null
      : 'What this is to be of is not in the stores any more. Choose another material.',
})

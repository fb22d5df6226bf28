import { HowToFields } from '@gentle-awl/core'
import { howTos } from '../schema.ts'
import { entity } from './entity.ts'

export const howToEntity = entity({ what: 'card', table: howTos, fields: HowToFields, order: howTos.name })

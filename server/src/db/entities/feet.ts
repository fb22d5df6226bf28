import { FeetFields } from '@gentle-awl/core'
import { feet } from '../schema.ts'
import { entity } from './entity.ts'

export const feetEntity = entity({ what: 'set of feet', table: feet, fields: FeetFields, order: feet.order })

import { OwnFaultFields } from '@gentle-awl/core'
import { ownFaults } from '../schema.ts'
import { entity } from './entity.ts'

export const ownFaultEntity = entity({ what: 'fault', table: ownFaults, fields: OwnFaultFields, order: ownFaults.name })

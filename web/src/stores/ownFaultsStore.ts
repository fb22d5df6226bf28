import type { OwnFaultFields } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import type { Stored } from '../api/ask.ts'
import { learnedApi } from '../api/learned.ts'
import { keptShelf } from './keptShelf.ts'

export type OwnFault = Stored<OwnFaultFields & { id: string }>

/** Faults and causes that the workshop wrote down itself. */
export const useOwnFaults = defineStore('own-faults', () => keptShelf(learnedApi.faults))

import { defineStore } from 'pinia'
import { api } from '../api/client.ts'
import { keptShelf } from './keptShelf.ts'

/** Cards of technique that the workshop wrote. */
export const useHowTos = defineStore('how-tos', () => keptShelf(api.howTos))

import type { HowToFields } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { api, type Stored } from '../api/client.ts'

type Kept = Stored<HowToFields & { id: string }>

/** Cards of technique that the workshop wrote. */
export const useHowTos = defineStore('how-tos', () => {
  const list = shallowRef<Kept[]>([])
  /** Throws ApiError. */
  async function load(): Promise<void> {
    list.value = await api.howTos.list()
  }
  /** Keeps a card that was written or changed. Throws ApiError. */
  async function keep(fields: HowToFields, of: Kept | null): Promise<void> {
    await (of ? api.howTos.change(of.id, of.version, fields) : api.howTos.add(fields))
    await load()
  }
  /** Throws ApiError. */
  async function remove(of: Kept): Promise<void> {
    await api.howTos.remove(of.id, of.version)
    await load()
  }
  return { list, load, keep, remove }
})

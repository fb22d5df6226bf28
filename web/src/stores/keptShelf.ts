import { shallowRef, type ShallowRef } from 'vue'
import type { Stored } from '../api/ask.ts'

interface Shelf<F, T extends { id: string }> {
  list: () => Promise<Stored<T>[]>
  add: (fields: F) => Promise<unknown>
  change: (id: string, version: number, fields: F) => Promise<unknown>
  remove: (id: string, version: number) => Promise<unknown>
}

/** Documents of one kind that the workshop keeps: read, written, changed, deleted. All but the list throw ApiError. */
export interface KeptShelf<F, T> {
  list: ShallowRef<Stored<T>[]>
  load: () => Promise<void>
  /** Keeps one that was written, or the one that was changed. */
  keep: (fields: F, of: Stored<T> | null) => Promise<void>
  remove: (of: Stored<T>) => Promise<void>
}

export function keptShelf<F, T extends { id: string }>(shelf: Shelf<F, T>): KeptShelf<F, T> {
  const list = shallowRef<Stored<T>[]>([])
  async function load(): Promise<void> {
    list.value = await shelf.list()
  }
  return {
    list,
    load,
    keep: async (fields, of) => {
      await (of ? shelf.change(of.id, of.version, fields) : shelf.add(fields))
      await load()
    },
    remove: async ({ id, version }) => {
      await shelf.remove(id, version)
      await load()
    },
  }
}

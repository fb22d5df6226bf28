import { type FeetFields, FootMeasures, type Feet } from '@gentle-awl/core'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { z } from 'zod'
import { type Stored } from '../api/ask.ts'
import { api } from '../api/client.ts'

/** Feet as they stand in the fields: not every label is written yet, and they may not be kept. */
const Typed = z.object({
  order: z.string(),
  trade: z.string(),
  note: z.string(),
  right: FootMeasures,
  left: FootMeasures,
})
export type TypedFeet = z.infer<typeof Typed>
const Draft = z.object({ version: z.number().nullable(), typed: Typed })
type Drafts = Record<string, z.infer<typeof Draft>>

/** A customer whose feet are not kept yet. */
export const NEW_FEET = 'new'

/** Drafts from before this page was opened; what cannot be one is dropped. */
function readDrafts(text: string): Drafts {
  try {
    const read = z.record(z.string(), z.unknown()).safeParse(JSON.parse(text))
    const drafts = Object.entries(read.data ?? {}).map(([id, draft]) => [id, Draft.safeParse(draft).data] as const)
    return Object.fromEntries(drafts.filter((d): d is [string, Drafts[string]] => d[1] !== undefined))
  } catch (error) {
    if (error instanceof SyntaxError) return {}
    throw error
  }
}

/** The feet of the customers, and what was typed of them and is not kept: it stays here, and in this browser, until it is. */
export const useFeet = defineStore('feet', () => {
  const list = shallowRef<Stored<Feet>[] | null>(null)
  const drafts = useLocalStorage<Drafts>(
    'gentle-awl.feet',
    {},
    { serializer: { read: readDrafts, write: JSON.stringify } },
  )

  async function load(): Promise<void> {
    list.value = await api.feet.list()
  }
  const rowOf = (id: string) => list.value?.find((f) => f.id === id)
  function typedOf(id: string): TypedFeet {
    const draft = drafts.value[id]
    if (draft) return draft.typed
    const row = rowOf(id)
    const blank = FootMeasures.parse({})
    return row
      ? { order: row.order, trade: row.trade, note: row.note, right: row.right, left: row.left }
      : { order: '', trade: '', note: '', right: blank, left: blank }
  }
  const isDraft = (id: string) => drafts.value[id] !== undefined
  /** Was what is kept changed since the draft was begun? */
  const isStale = (id: string) => isDraft(id) && (rowOf(id)?.version ?? null) !== drafts.value[id]!.version

  function change(id: string, change: Partial<TypedFeet>): void {
    const version = drafts.value[id]?.version ?? rowOf(id)?.version ?? null
    drafts.value = { ...drafts.value, [id]: { version, typed: { ...typedOf(id), ...change } } }
  }
  function drop(id: string): void {
    drafts.value = Object.fromEntries(Object.entries(drafts.value).filter(([of]) => of !== id))
  }
  /** Keeps what is in the fields, which must read as feet, and gives the row it has become. Throws ApiError. */
  async function keep(id: string, fields: FeetFields): Promise<Stored<Feet>> {
    const row = rowOf(id)
    const kept = row ? await api.feet.change(row.id, row.version, fields) : await api.feet.add(fields)
    drop(id)
    await load()
    return kept
  }
  return { list, load, typedOf, isDraft, isStale, change, drop, keep }
})

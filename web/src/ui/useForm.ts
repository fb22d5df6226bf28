import { nextTick, reactive, ref, type Ref } from 'vue'
import type { z } from 'zod'
import { unread } from './unread.ts'

interface Form<T> {
  /** What is wrong, by the path of the field in the document (`label.order`); nothing where all is well. */
  wrong: Record<string, string>
  /**
   * Reads what was filled in as the document it becomes. Undefined when it does not: then every message stands at its
   * field, the first of them has the focus, and nothing is to be sent.
   */
  read: (filled: unknown) => Promise<T | undefined>
  /** For a field by its path: what it says when it is wrong, and that it is no longer once it is changed. */
  at: (field: string) => { wrong: string | undefined; 'onUpdate:value': () => void }
  /** What is wrong where there is no field on the page: the form says it for them. Nothing where all of it stands at a field. */
  elsewhere: Ref<string>
  /** A field that was put right is no longer marked; what the rest of the form still needs stays marked. */
  mended: (field: string) => void
  /** No field is marked. */
  clear: () => void
}

/**
 * A form is checked by the schema of the very document that is stored. `says` gives the sentence for fields whose schema
 * speaks of data and not to a person, by the beginning of their path.
 */
export function useForm<S extends z.ZodType>(
  schema: S,
  root: Readonly<Ref<Element | null | undefined>>,
  says: Readonly<Record<string, string>> = {},
): Form<z.output<S>> {
  const wrong = reactive<Record<string, string>>({})
  const elsewhere = ref('')
  /** Fields that the page has, as it was drawn last. */
  const shown = new Set<string>()
  const mended = (field: string) => {
    delete wrong[field]
  }
  const clear = () => {
    for (const field of Object.keys(wrong)) delete wrong[field]
    elsewhere.value = ''
  }
  return {
    wrong,
    clear,
    mended,
    at: (field) => {
      shown.add(field)
      return { wrong: wrong[field], 'onUpdate:value': () => mended(field) }
    },
    elsewhere,
    async read(filled) {
      const result = schema.safeParse(filled)
      clear()
      shown.clear()
      for (const { path, message } of result.error?.issues ?? []) {
        const field = path.join('.')
        const own = Object.keys(says).find((begin) => field === begin || field.startsWith(`${begin}.`))
        wrong[field] ??= own === undefined ? message : says[own]!
      }
      // Once the page says so: the first of them has the focus, or a figure that cannot be read, which says so itself.
      await nextTick()
      elsewhere.value = Object.entries(wrong).find(([field]) => !shown.has(field))?.[1] ?? ''
      return unread(root.value) || !result.success ? undefined : result.data
    },
  }
}

import { nextTick, reactive, type Ref } from 'vue'
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
  /** What is wrong where none of these fields is: the form says it for them. Nothing where all of it stands at a field. */
  elsewhere: (...fields: string[]) => string
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
  const clear = () => {
    for (const field of Object.keys(wrong)) delete wrong[field]
  }
  return {
    wrong,
    clear,
    mended: (field) => delete wrong[field],
    elsewhere: (...fields) => Object.entries(wrong).find(([field]) => !fields.includes(field))?.[1] ?? '',
    async read(filled) {
      const result = schema.safeParse(filled)
      clear()
      for (const { path, message } of result.error?.issues ?? []) {
        const field = path.join('.')
        const own = Object.keys(says).find((begin) => field === begin || field.startsWith(`${begin}.`))
        wrong[field] ??= own === undefined ? message : says[own]!
      }
      // Once the page says so: the first of them has the focus, or a figure that cannot be read, which says so itself.
      await nextTick()
      return unread(root.value) || !result.success ? undefined : result.data
    },
  }
}

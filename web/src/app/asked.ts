import { nextTick, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/**
 * A link may ask for something in the room it leads to (`?at=last`): `show` is given it once the room stands, and the
 * address forgets it again, so that the same link works a second time.
 */
export function useAsked(key: string, show: (asked: string) => void | Promise<void>): void {
  const route = useRoute()
  const router = useRouter()
  watch(
    () => route.query[key],
    async (asked) => {
      if (typeof asked !== 'string') return
      await nextTick()
      await show(asked)
      await router.replace({ path: route.path })
    },
    { immediate: true },
  )
}

/** Brings a field of the room into view, by its name, and the focus to it. */
export function goToField(name: string): void {
  const field = document.querySelector<HTMLElement>(`#work [name="${CSS.escape(name)}"]`)
  field?.scrollIntoView({ block: 'center' })
  field?.focus({ preventScroll: true })
}

import { HideFields, type Hide } from '@gentle-awl/core'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { type Stored } from '../../../api/ask.ts'
import { api } from '../../../api/client.ts'
import { say } from '../../../app/say.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import { straight } from './hideFigures.ts'

const blank = (): HideFields => ({
  ...HideFields.parse({ name: '-', outline: straight(1000, 600), form: 'sheet' }),
  name: '',
})

/** One hide as it is changed: what is not kept yet stays in this browser, so that a reload loses nothing. */
export function useHide(id: () => string) {
  const router = useRouter()
  const kept = ref<Stored<Hide> | null>(null)
  const fields = ref<HideFields | null>(null)
  const { problem: cannotLoad, attempt: attemptLoad } = useAttempt()
  const { problem: refused, attempt } = useAttempt()
  const draft = useLocalStorage<{ version: number; fields: HideFields } | null>(
    () => `gentle-awl.hide-draft.${id()}`,
    null,
    {
      serializer: StorageSerializers.object,
    },
  )
  const changed = computed(() => draft.value !== null)
  /** Somebody else has kept it since this was begun. */
  const overtaken = computed(
    () => draft.value !== null && kept.value !== null && draft.value.version !== kept.value.version,
  )

  async function load(): Promise<void> {
    kept.value = null
    fields.value = null
    if (id() === 'new') {
      fields.value = draft.value?.fields ?? blank()
      return
    }
    await attemptLoad(async () => {
      const found = await api.hides.one(id())
      kept.value = found
      fields.value = draft.value?.fields ?? HideFields.parse(found)
    })
  }
  watch(id, () => void load(), { immediate: true })

  function set(some: Partial<HideFields>): void {
    if (!fields.value) return
    fields.value = { ...fields.value, ...some }
    draft.value = { version: draft.value?.version ?? kept.value?.version ?? 0, fields: fields.value }
  }
  function giveUp(): void {
    draft.value = null
    fields.value = kept.value ? HideFields.parse(kept.value) : blank()
    refused.value = ''
  }
  async function keep(): Promise<void> {
    const read = HideFields.safeParse(fields.value)
    if (!read.success) {
      refused.value = read.error.issues[0]?.message ?? 'Something of it cannot be read.'
      return
    }
    const before = kept.value
    const work = async () => {
      const { version } = kept.value ?? { version: 0 }
      const done = kept.value
        ? await api.hides.change(kept.value.id, version, read.data)
        : await api.hides.add(read.data)
      draft.value = null
      await say(`${done.name} is in the stores.`)
      if (id() === 'new') await router.replace(`/stores/hides/${done.id}`)
      else await load()
    }
    await attempt(work, async (refusal) => {
      refused.value = refusal.message
      // What stands there now is what the next press is about; what was changed here stays on the screen.
      if (before) await attemptLoad(async () => void (kept.value = await api.hides.one(before.id)))
    })
  }
  async function remove(): Promise<void> {
    const target = kept.value
    if (!target) return
    await attempt(async () => {
      await api.hides.remove(target.id, target.version)
      draft.value = null
      await say(`${target.name} is out of the stores.`)
      await router.push('/stores/hides')
    })
  }
  return { kept, fields, changed, overtaken, cannotLoad, refused, load, set, giveUp, keep, remove }
}

import type { LastedStrip } from '@gentle-awl/core'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'

/** Tacks are where they were, to a millimetre: then what was ticked still means the same ones. */
const signOf = ({ tacks }: LastedStrip): string =>
  tacks.map(({ at }) => `${Math.round(at[0])},${Math.round(at[1])}`).join(' ')

/** Which tacks of a strip are in, ticked off at the bench and kept in this browser; other tacks begin anew. */
export function useDriven(pairId: () => string, foot: () => string, strip: () => LastedStrip | null) {
  /** By shoe and strip. */
  const kept = useLocalStorage<Record<string, { sign: string; numbers: number[] }>>(
    () => `gentle-awl.tacks.${pairId()}`,
    {},
    { serializer: StorageSerializers.object },
  )
  const driven = computed<ReadonlySet<number>>(() => {
    const s = strip()
    const known = s && kept.value[`${foot()} ${s.id}`]
    return new Set(known?.sign === (s && signOf(s)) ? known?.numbers : [])
  })
  /** The next one in the order of driving; null when all are in. */
  const next = computed(() => strip()?.tacks.find((t) => !driven.value.has(t.number)) ?? null)
  function set(numbers: readonly number[]): void {
    const s = strip()
    if (s) kept.value = { ...kept.value, [`${foot()} ${s.id}`]: { sign: signOf(s), numbers: [...numbers] } }
  }
  const tick = (number: number) =>
    set(driven.value.has(number) ? [...driven.value].filter((n) => n !== number) : [...driven.value, number])
  /** Takes back what was ticked last. */
  const back = () => set([...driven.value].slice(0, -1))
  const clear = () => set([])
  return { driven, next, tick, back, clear }
}

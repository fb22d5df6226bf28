import type { LastedStrip } from '@gentle-awl/core'
import { computed } from 'vue'
import { usePair } from '../../../../stores/pairStore.ts'
import { useDriven } from './useDriven.ts'

const words: Readonly<Record<string, string>> = {
  toe: 'the middle of the toe',
  'toe side': 'the side of the toe',
  joint: 'the joint',
  waist: 'the waist',
  seat: 'the middle of the seat',
  end: 'its end',
}

/** What is drawn and said of the tacks of a strip of the shoe that is looked at, and which of them are in. */
export function useStripTacks(strip: () => LastedStrip | null) {
  const pair = usePair()
  const ticks = useDriven(
    () => pair.view?.id ?? '',
    () => pair.foot,
    strip,
  )
  /** The feather line, laid flat: the insole's own edge. */
  const feather = computed(() => pair.plan?.parts.find((p) => p.id === 'insole')?.outline ?? [])
  const depth = computed(() => {
    const deepest = Math.max(...(strip()?.zones.map((z) => z.flat) ?? [0]))
    return Math.max(1, Math.min(pair.plan?.lasting.flat ?? 6, deepest))
  })
  const said = computed(() => {
    const t = ticks.next.value
    if (!t) return 'All tacks are in.'
    const where = t.anchor ? words[t.anchor] : 'between its neighbours'
    const side = t.anchor === 'toe' || t.anchor === 'seat' ? '' : `, ${t.side} side`
    return `Next: tack ${t.number}, ${where}${side}.`
  })
  return { ...ticks, feather, depth, said }
}

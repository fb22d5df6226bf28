import { describe, expect, it } from 'vitest'
import { computed, ref, watchEffect } from 'vue'
import { asBefore } from './asBefore.ts'

describe('the value of before', () => {
  it('stays while the one of now has the same content, and makes way for another', () => {
    const before = { style: 'oxford', points: [] as number[] }
    expect(asBefore(before, { style: 'oxford', points: [] })).toBe(before)
    const now = { style: 'oxford', points: [1] }
    expect(asBefore(before, now)).toBe(now)
    expect(asBefore(undefined, now)).toBe(now)
    expect(asBefore<object | null>(before, null)).toBeNull()
  })
  it('lets whoever looks at it rest', () => {
    const upper = ref({ style: 'oxford', ankle: 1 })
    const style = computed<{ style: string }>((before) => asBefore(before, { style: upper.value.style }))
    const seen: string[] = []
    watchEffect(() => seen.push(style.value.style), { flush: 'sync' })
    upper.value = { style: 'oxford', ankle: 2 }
    upper.value = { style: 'derby', ankle: 2 }
    expect(seen).toEqual(['oxford', 'derby'])
  })
})

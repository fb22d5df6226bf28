import { planPair } from '@gentle-awl/core'
import { expect, it } from 'vitest'
import { keptCache } from '../../../core/test/keptCache.ts'
import { pairOfEachStyle } from '../../../core/test/warmAndCold.ts'
import { rolesIn } from './rolesIn.ts'

const cache = keptCache()
it.each(Object.entries(pairOfEachStyle))(
  'asks for what the parts of the pair are cut from, and for no welt, sole or foam that is not in it: %s',
  (_, input) => {
    const { decisions } = input
    const asked = rolesIn(decisions.upper.style, decisions.construction)
    const parts = new Set(planPair(input, cache).parts.flatMap((p) => (p.role ? [p.role] : [])))
    expect([...parts].filter((role) => !asked.includes(role))).toEqual([])
    // Padding is a choice of its own; a midsole is asked for though a bought sole has none; not every upper has stays.
    const may = ['upper', 'padding', 'backer', 'midsole', 'stay']
    expect(asked.filter((role) => !parts.has(role) && !may.includes(role))).toEqual([])
  },
)

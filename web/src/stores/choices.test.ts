import { expect, it } from 'vitest'
import { materials } from '../../test/pair.ts'
import { choicesFor } from './choices.ts'

it('offers only what may serve, the likeliest kind first', () => {
  expect(choicesFor('stiffener', materials, 85).map((m) => m.name)).toEqual(['Belly, firm', 'Bend leather'])
  expect(choicesFor('insole', materials, 85).map((m) => m.name)).toEqual(['Insole shoulder', 'Fibre board'])
  expect(choicesFor('padding', materials, 85).map((m) => m.name)).toEqual(['Cork sheet'])
})

it('puts foam last that stays flatter than the workshop allows: its own figure, not the book’s', () => {
  const foam = (name: string, afterTen: number) => ({
    ...materials[0]!,
    id: name,
    name,
    kind: 'foam' as const,
    foamTest: { before: 10, pressed: 4, afterOne: 5, afterTen },
  })
  const stores = [foam('slow', 8.8), foam('quick', 9.6)]
  const order = (recovery: number) => choicesFor('padding', stores, recovery).map((m) => m.name)
  // 80 and 93 percent come back.
  expect(order(75)).toEqual(['slow', 'quick'])
  expect(order(85)).toEqual(['quick', 'slow'])
})

it('offers what only its maker says serves, behind the usual kinds, and not what the maker says does not', () => {
  const [belly, bend] = [
    materials.find((m) => m.kind === 'puff leather')!,
    materials.find((m) => m.kind === 'sole leather')!,
  ]
  const stores = [{ ...belly, serves: ['midsole' as const] }, bend, { ...bend, id: 'x', name: 'Offcuts', serves: [] }]
  expect(choicesFor('midsole', stores, 85).map((m) => m.name)).toEqual([bend.name, belly.name])
  expect(choicesFor('puff', stores, 85)).toEqual([])
})

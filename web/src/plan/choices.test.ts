import { expect, it } from 'vitest'
import { materials } from '../../test/pair.ts'
import { choicesFor } from './choices.ts'

it('offers only what may serve, the likeliest kind first', () => {
  expect(choicesFor('stiffener', materials).map((m) => m.name)).toEqual(['Belly, firm', 'Bend leather'])
  expect(choicesFor('insole', materials).map((m) => m.name)).toEqual(['Insole shoulder', 'Fibre board'])
  expect(choicesFor('padding', materials).map((m) => m.name)).toEqual(['Cork sheet'])
})

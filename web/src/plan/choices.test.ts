import { expect, it } from 'vitest'
import { materials } from '../../test/pair.ts'
import { choicesFor } from './choices.ts'

it('offers only what may serve, the likeliest kind first', () => {
  expect(choicesFor('stiffener', materials).map((m) => m.name)).toEqual(['Belly', 'Bend'])
  expect(choicesFor('insole', materials).map((m) => m.name)).toEqual(['Shoulder', 'Board'])
  expect(choicesFor('padding', materials).map((m) => m.name)).toEqual(['Cork'])
})

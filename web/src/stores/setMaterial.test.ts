import { LeftShoe } from '@gentle-awl/core'
import { expect, it } from 'vitest'
import { decisions } from '../../test/pair.ts'
import { setMaterial, setPieceMaterial } from './setMaterial.ts'

const id = '01930000-0002-7000-8000-0000000000aa'

it('a material taken away from the padding takes the padding out of both shoes, and nothing else', () => {
  const padded = {
    ...setMaterial(decisions, 'padding', id),
    sock: { extent: 'half' as const, padding: 'half' as const },
    left: LeftShoe.parse({ padding: 'full', figures: { 'puff.length': 50 } }),
  }
  const bare = setMaterial(padded, 'padding', null)
  expect(bare.sock).toEqual({ extent: 'half', padding: 'none' })
  expect(bare.left).toEqual({ ...padded.left, padding: null })
  expect(bare.materials).toEqual({ ...padded.materials, padding: null })
  expect(setMaterial(padded, 'outsole', null)).toEqual({ ...padded, materials: { ...padded.materials, outsole: null } })
})

it('a piece is cut from something of its own until it is given back, and no other with it', () => {
  const cap = setPieceMaterial(setPieceMaterial(decisions, 'tongue', 'b'), 'cap', id)
  expect(cap).toEqual({ ...decisions, pieceMaterials: { tongue: 'b', cap: id } })
  expect(setPieceMaterial(cap, 'cap', null)).toEqual({ ...decisions, pieceMaterials: { tongue: 'b' } })
})

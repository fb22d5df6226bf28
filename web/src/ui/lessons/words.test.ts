import { expect, it } from 'vitest'
import { sharedWords } from './words.ts'

it('what is shared reads as half a sentence', () => {
  expect(sharedWords(['last'])).toBe('the same last')
  expect(sharedWords(['style', 'last'])).toBe('the same style and the same last')
  expect(sharedWords(['style', 'last', 'material'])).toBe('the same style, the same last and the same leather')
  expect(sharedWords([])).toBe('')
})

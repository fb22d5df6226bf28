import { GeometryError, PlanError } from '@gentle-awl/core'
import { expect, it } from 'vitest'
import { OutlineError } from '../formats/outlineError.ts'
import { answered, answeredLater, sentenceOf } from './answer.ts'

const known = [new GeometryError('Too flat.'), new PlanError('lastId', 'No last.'), new OutlineError('Not closed.')]
const thrown = (error: Error) => () => {
  throw error
}

it('a refusal in words becomes an answer, of work that is done at once and of work that waits', async () => {
  for (const error of known) {
    expect(answered(thrown(error))).toEqual({ value: null, problem: error.message })
    expect(await answeredLater(async () => thrown(error)())).toEqual({ value: null, problem: error.message })
  }
  expect(answered(() => 7)).toEqual({ value: 7, problem: null })
  expect(await answeredLater(async () => 7)).toEqual({ value: 7, problem: null })
})

it('what is a fault of ours goes on as it is: it is never shown as if the user had done something wrong', async () => {
  const fault = new TypeError('x is undefined')
  expect(() => answered(thrown(fault))).toThrow(fault)
  await expect(answeredLater(async () => thrown(fault)())).rejects.toBe(fault)
  expect(() => sentenceOf('text')).toThrow('text')
})

import { expect, it } from 'vitest'
import { ApiError } from '../api/ask.ts'
import { OutlineError } from '../formats/outlineError.ts'
import { useAttempt } from './useAttempt.ts'

it('gives what the work gave, and is busy just as long', async () => {
  const { busy, problem, attempt } = useAttempt()
  let finish = (_: number): void => undefined
  const given = attempt(() => new Promise<number>((resolve) => (finish = resolve)))
  expect(busy.value).toBe(true)
  finish(5)
  expect(await given).toBe(5)
  expect([busy.value, problem.value]).toEqual([false, ''])
})

it.each([new ApiError(409, 'Changed meanwhile.'), new OutlineError('Not closed.')])(
  'tells a refusal, goes on, and forgets it at the next attempt: $message',
  async (refusal) => {
    const { busy, problem, attempt } = useAttempt()
    expect(await attempt(() => Promise.reject(refusal))).toBeUndefined()
    expect([busy.value, problem.value]).toEqual([false, refusal.message])
    await attempt(async () => undefined)
    expect(problem.value).toBe('')
    let told: unknown = null
    await attempt(
      () => Promise.reject(refusal),
      (r) => void (told = r),
    )
    expect([told, problem.value]).toEqual([refusal, ''])
  },
)

it('never hides a fault of ours', async () => {
  const { busy, attempt } = useAttempt()
  const fault = new TypeError('x is undefined')
  await expect(attempt(() => Promise.reject(fault))).rejects.toBe(fault)
  expect(busy.value).toBe(false)
})

import { expose } from 'comlink'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { answered, type Answer } from './answer.ts'
import { Channel } from './channel.ts'

interface Bench {
  double: (n: number) => Answer<number>
  whoAmI: () => number
}
let started = 0
const ended: number[] = []
/** A thread as far as the page can tell: a real message port with a real worker behind it. */
function thread(): Worker {
  const { port1, port2 } = new MessageChannel()
  const number = ++started
  const bench: Bench = { double: (n) => answered(() => 2 * n), whoAmI: () => number }
  expose(bench, port2)
  port1.start()
  return Object.assign(port1, {
    terminate: () => {
      ended.push(number)
      port1.close()
    },
  }) as unknown as Worker
}
let channel: Channel<Bench>
beforeEach(() => {
  started = 0
  ended.length = 0
  channel = new Channel<Bench>(thread)
})
afterEach(() => channel.end())

it('begins its thread when something is first asked, and asks the same one from then on', async () => {
  expect(started).toBe(0)
  expect(await channel.ask.double(21)).toEqual({ value: 42, problem: null })
  expect([await channel.ask.whoAmI(), await channel.ask.whoAmI(), started]).toEqual([1, 1, 1])
})

it('knows its thread, ends it, and begins another when it is asked again', async () => {
  const first = channel.ask
  expect(channel.is(first)).toBe(true)
  channel.end()
  expect([ended, channel.is(first)]).toEqual([[1], false])
  expect(await channel.ask.whoAmI()).toBe(2)
  expect(channel.is(first)).toBe(false)
  expect(channel.is(channel.ask)).toBe(true)
})

it('ending what never began does nothing', () => {
  const start = vi.fn(thread)
  new Channel<Bench>(start).end()
  expect(start).not.toHaveBeenCalled()
})

import type { LaidSoFar, LayOrder } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { layInThreads, LayRefusal } from './layInThreads.ts'

const order: LayOrder = { pieces: [], grounds: [], gap: 2, turn: 'along', hidesFlaws: false, there: [] }
/** A thread that does what is written here. */
const doing = (text: string) =>
  new URL(
    `data:text/javascript,${encodeURIComponent(`import { parentPort, workerData } from 'node:worker_threads'; ${text}`)}`,
  )
const found = (left: string) =>
  `parentPort.postMessage({ kind: 'found', found: { places: [], left: ${left}, on: 0, reach: 100, apart: 0 } });`

async function lay(text: string, stop = new AbortController()) {
  const heard: LaidSoFar[] = []
  const all = layInThreads(
    order,
    { seconds: 60, signal: stop.signal, found: (better) => void heard.push(better) },
    doing(text),
  )
  return {
    heard,
    error: await all.then(
      () => null,
      (error: unknown) => error,
    ),
  }
}

describe('threads that lay', () => {
  it('go ways of their own, and only what is better than all before is heard', async () => {
    // Each begins worse than where the other may be already.
    const { heard, error } = await lay([9, 5, 7, 3].map((n) => found(`${n} + workerData.seed`)).join(''))
    expect(error).toBeNull()
    const left = heard.map((h) => h.left)
    expect(left).toEqual([...left].sort((a, b) => b - a))
    expect(new Set(left).size).toBe(left.length)
    expect(left.at(-1)).toBe(4)
  })
  it('say why it cannot be done, and what they die of', async () => {
    const refused = await lay(
      "parentPort.postMessage({ kind: 'refused', why: 'It has no area.' }); setInterval(() => 0, 1000)",
    )
    expect(refused.error).toEqual(new LayRefusal('It has no area.'))
    const dead = await lay(`${found('1')} throw new TypeError('broken')`)
    expect(dead.error).toMatchObject({ name: 'TypeError', message: 'broken' })
  })
  it('end at once when they are told to, and nothing is heard of them any more', async () => {
    const stop = new AbortController()
    const running = lay(`setInterval(() => { ${found('--globalThis.n')} }, 5); globalThis.n = 1000`, stop)
    setTimeout(() => stop.abort(), 300)
    const { heard, error } = await running
    const then = heard.length
    await new Promise((resolve) => setTimeout(resolve, 100))
    expect([error, heard.length]).toEqual([null, then])
    expect((await lay(found('1'), stop)).heard).toEqual([])
  })
})

import { describe, expect, it } from 'vitest'
import { Problem } from '../http/problem.ts'
import { JobQueue, ThreadEnded, type Rank } from './jobQueue.ts'
import { Left } from './left.ts'

/** A queue whose jobs end when the test says so. */
function bench(threads = 2, timeLimit?: number) {
  const begun: string[] = []
  const ends = new Map<string, { finish: () => void; fail: (e: Error) => void }>()
  const queue = new JobQueue<string, string>({
    threads,
    timeLimit,
    run: (job, signal) =>
      new Promise((resolve, reject) => {
        begun.push(job)
        ends.set(job, { finish: () => resolve(`${job} done`), fail: reject })
        signal.addEventListener('abort', () => reject(new Error('stopped')))
      }),
  })
  return {
    queue,
    begun,
    finish: (job: string) => ends.get(job)?.finish(),
    fail: (job: string, e: Error) => ends.get(job)?.fail(e),
  }
}
const settled = () => new Promise((resolve) => setTimeout(resolve, 0))

describe('the queue of heavy work', () => {
  it('lets a hand at the bench go before two hundred scans, and keeps a thread for it', async () => {
    const { queue, begun, finish } = bench()
    const scans = Array.from({ length: 200 }, (_, i) => queue.run(`scan ${i}`, 'long').catch((e: unknown) => e))
    expect(begun).toEqual(['scan 0'])
    void queue.run('step', 'hand')
    expect(begun).toEqual(['scan 0', 'step'])
    // Those past the limit were told at once to come back, with a time.
    await settled()
    const turned = await Promise.race([scans[199], settled()])
    expect(turned).toBeInstanceOf(Problem)
    expect(turned).toMatchObject({ status: 503, retryAfter: expect.any(Number) as number })
    expect((turned as Problem).detail).toMatch(/try again in \d+ seconds/)
    finish('step')
  })
  it('goes by rank, and first come first served within one', async () => {
    const { queue, begun, finish } = bench(1)
    const order: [string, Rank][] = [
      ['card', 'background'],
      ['scan', 'long'],
      ['print', 'print'],
      ['plan a', 'hand'],
      ['plan b', 'hand'],
    ]
    void queue.run('first', 'hand')
    for (const [job, rank] of order) void queue.run(job, rank)
    for (const job of ['first', 'plan a', 'plan b', 'print', 'scan', 'card']) {
      expect(begun[begun.length - 1]).toBe(job)
      finish(job)
      await settled()
    }
    expect(queue.load).toEqual({ waiting: 0, running: 0 })
  })
  it('does not begin what nobody waits for any more, and stops a scan whose asker left', async () => {
    const { queue, begun, finish } = bench(1)
    const left = new AbortController()
    void queue.run('first', 'hand')
    const queued = queue.run('second', 'hand', left.signal)
    left.abort()
    await expect(queued).rejects.toBeInstanceOf(Left)
    finish('first')
    await settled()
    expect(begun).toEqual(['first'])
    const gone = new AbortController()
    const scan = queue.run('scan', 'long', gone.signal)
    gone.abort()
    await expect(scan).rejects.toBeInstanceOf(Left)
    expect(queue.load).toEqual({ waiting: 0, running: 0 })
    await expect(queue.run('late', 'hand', gone.signal)).rejects.toBeInstanceOf(Left)
  })
  it('runs a job again whose thread ended, once, before others', async () => {
    const { queue, begun, finish, fail } = bench(1)
    const job = queue.run('plan', 'hand')
    void queue.run('other', 'hand')
    fail('plan', new ThreadEnded('out of memory'))
    await settled()
    expect(begun).toEqual(['plan', 'plan'])
    finish('plan')
    await expect(job).resolves.toBe('plan done')
    await settled()
    finish('other')
    const cursed = queue.run('cursed', 'hand')
    await settled()
    fail('cursed', new ThreadEnded('again'))
    await settled()
    fail('cursed', new ThreadEnded('and again'))
    await expect(cursed).rejects.toThrow('and again')
  })
  it('an error of the job is its own, and what takes too long is stopped with a sentence', async () => {
    const { queue, fail } = bench(1, 20)
    const bad = queue.run('bad', 'hand')
    fail('bad', new Error('no leather'))
    await expect(bad).rejects.toThrow('no leather')
    await expect(queue.run('endless', 'hand')).rejects.toThrow('took too long')
  })
})

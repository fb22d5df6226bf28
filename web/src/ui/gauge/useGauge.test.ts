import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { ApiError } from '../../api/ask.ts'
import { api } from '../../api/client.ts'
import { useGauge } from './useGauge.ts'

let told: { paths: () => readonly string[]; changed: () => void }[] = []
vi.mock('../../app/news.ts', () => ({
  useNews: (paths: () => readonly string[], changed: () => void) => told.push({ paths, changed }),
}))
/** The server's news reach whoever listens to their path. */
const news = async () => {
  for (const t of told) if (t.paths().some((p) => '/gauge/readings'.startsWith(p))) t.changed()
  await flushPromises()
}
let scopes: EffectScope[] = []
function field() {
  const scope = effectScope()
  scopes.push(scope)
  const taken: number[] = []
  const gauge = scope.run(() => useGauge((mm) => taken.push(mm)))!
  return { gauge, taken, scope }
}
/** What the server remembers. */
let heard: { id: number; thickness: number | null; problem: string }[] = []
beforeEach(() => {
  told = []
  heard = [{ id: 1, thickness: 9, problem: '' }]
  vi.spyOn(api.gauge, 'readings').mockImplementation((after) =>
    Promise.resolve({ last: heard.length, heard: heard.filter((h) => h.id > after) }),
  )
})
afterEach(() => {
  scopes.forEach((s) => s.stop())
  scopes = []
  vi.restoreAllMocks()
})
const reads = async (thickness: number | null, problem = '') => {
  heard.push({ id: heard.length + 1, thickness, problem })
  await news()
}

describe('a field that waits for the gauge', () => {
  it('takes what comes, once, and nothing of what was before or after', async () => {
    const { gauge, taken } = field()
    await reads(1.2)
    await gauge.begin()
    await news()
    expect(taken).toEqual([])
    await reads(1.43)
    await news()
    await reads(1.5)
    expect(taken).toEqual([1.43, 1.5])
    gauge.end()
    await reads(2)
    expect(taken).toEqual([1.43, 1.5])
  })
  it('gives way to another that begins to wait, and leaves with its page', async () => {
    const [one, two] = [field(), field()]
    await one.gauge.begin()
    await two.gauge.begin()
    expect([one.gauge.waits.value, two.gauge.waits.value]).toEqual([false, true])
    await reads(1.1)
    two.scope.stop()
    await reads(1.2)
    expect([one.taken, two.taken]).toEqual([[], [1.1]])
  })
  it('says what could not be read, and goes on waiting', async () => {
    const { gauge, taken } = field()
    await gauge.begin()
    await reads(null, 'The gauge sent something that cannot be read: press it again.')
    expect(gauge.problem.value).toMatch(/press it again/)
    expect(gauge.waits.value).toBe(true)
    await reads(1.3)
    expect([taken, gauge.problem.value]).toEqual([[1.3], ''])
  })
  it('does not wait where the server does not answer', async () => {
    vi.mocked(api.gauge.readings).mockRejectedValue(new ApiError(0, 'The workshop server does not answer.'))
    const { gauge } = field()
    await gauge.begin()
    expect(gauge.waits.value).toBe(false)
    expect(gauge.problem.value).toBe('The workshop server does not answer.')
  })
})

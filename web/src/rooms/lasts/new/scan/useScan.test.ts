import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { useScan } from './useScan.ts'

/** Calls that wait in the pretended worker until the test answers them. */
interface Waiting {
  call: 'open' | 'bring'
  args: unknown[]
  answer: (value: unknown) => void
}
const calls: Waiting[] = []
let ended = 0
vi.mock('comlink', () => ({
  proxy: (f: unknown) => f,
  wrap: () => {
    const held =
      (call: Waiting['call']) =>
      (...args: unknown[]) =>
        new Promise((answer) => calls.push({ call, args, answer }))
    return { open: held('open'), bring: held('bring'), forget: async () => undefined }
  },
}))

beforeEach(() => {
  calls.length = 0
  ended = 0
  vi.stubGlobal(
    'Worker',
    class {
      terminate() {
        ended++
      }
    },
  )
})

function scanning() {
  let scan!: ReturnType<typeof useScan>
  const page = mount(
    defineComponent({
      setup() {
        scan = useScan()
        return () => h('div')
      },
    }),
  )
  return { scan, page }
}
const opened = { value: { triangles: 5000, extent: 310, unit: 'mm' }, problem: null }
const shown = (length: number) => ({ value: { length, notes: [] }, problem: null })

describe('a scan on its way', () => {
  it('is read, and brought in at once when its unit is plain', async () => {
    const { scan } = scanning()
    void scan.open(new ArrayBuffer(8), 'a.stl')
    expect(scan.progress).toMatchObject({ running: true, doing: 'Reading a.stl' })
    calls[0]!.answer(opened)
    await flushPromises()
    expect(calls[1]!.call).toBe('bring')
    expect(calls[1]!.args.slice(0, 2)).toMatchObject(['mm', { dragged: {}, heelHeight: null }])
    const tell = calls[1]!.args[2] as (share: number, doing: string) => void
    tell(0.5, 'Cutting')
    expect(scan.progress).toMatchObject({ share: 0.5, doing: 'Cutting' })
    calls[1]!.answer(shown(288))
    await flushPromises()
    expect(scan.shown.value?.length).toBe(288)
    expect(scan.progress.running).toBe(false)
  })
  it('waits for a person when no unit makes a last of it', async () => {
    const { scan } = scanning()
    void scan.open(new ArrayBuffer(8), 'a.stl')
    calls[0]!.answer({ value: { triangles: 5000, extent: 5, unit: null }, problem: null })
    await flushPromises()
    expect(calls).toHaveLength(1)
    expect(scan.opened.value?.unit).toBeNull()
  })
  it('stopped: the worker is ended, nothing is shown, and its late answer is not heard', async () => {
    const { scan } = scanning()
    void scan.open(new ArrayBuffer(8), 'a.stl')
    scan.stop()
    expect(ended).toBe(1)
    expect(scan.progress.running).toBe(false)
    calls[0]!.answer(opened)
    await flushPromises()
    expect(scan.opened.value).toBeNull()
    expect(calls).toHaveLength(1)
  })
  it('drags while it works are gathered: the newest of each mark goes next, once', async () => {
    const { scan } = scanning()
    void scan.open(new ArrayBuffer(8), 'a.stl')
    calls[0]!.answer(opened)
    await flushPromises()
    void scan.bring({ toeTip: [1, 0, 0] })
    void scan.bring({ toeTip: [2, 0, 0] })
    void scan.bring({ jointMedial: [3, 0, 0] })
    expect(calls).toHaveLength(2)
    calls[1]!.answer(shown(288))
    await flushPromises()
    expect(calls).toHaveLength(3)
    expect(calls[2]!.args[1]).toMatchObject({ dragged: { toeTip: [2, 0, 0], jointMedial: [3, 0, 0] } })
  })
  it('that cannot be keeps what was there and says why; leaving the page ends the worker', async () => {
    const { scan, page } = scanning()
    void scan.open(new ArrayBuffer(8), 'a.stl')
    calls[0]!.answer(opened)
    await flushPromises()
    calls[1]!.answer(shown(288))
    await flushPromises()
    void scan.bring({ jointMedial: [9, 0, 0] })
    calls[2]!.answer({ value: null, problem: 'The medial joint lies 9 mm from the heel back.' })
    await flushPromises()
    expect(scan.problem.value).toContain('medial joint')
    expect(scan.shown.value?.length).toBe(288)
    page.unmount()
    expect(ended).toBe(1)
  })
  it('too large a file is not even read', async () => {
    const { scan } = scanning()
    await scan.open({ byteLength: 500_000_000 } as ArrayBuffer, 'huge.stl')
    expect(scan.problem.value).toMatch(/larger than 400 MB/)
    expect(calls).toHaveLength(0)
  })
})

import type { PlanInput } from '@gentle-awl/core'
import { expect, it, vi } from 'vitest'
import { decisions, last, materials } from '../../../test/pair.ts'
import type { Answer } from '../answer.ts'
import { Receiver, type Parcel } from '../parcel.ts'

const asked: number[] = []
const inputs = new Receiver<PlanInput>()
let release: (() => void)[] = []
vi.stubGlobal(
  'Worker',
  class {
    readonly kind = 'stand-in'
  },
)
vi.mock('comlink', () => ({
  wrap: () => ({
    plan: (parcel: Parcel) =>
      new Promise<Answer<Parcel>>((resolve) => {
        const input = inputs.receive(structuredClone(parcel))
        asked.push(input.decisions.puff.length ?? 0)
        release.push(() => resolve({ value: null, problem: `planned ${input.decisions.puff.length}` }))
      }),
  }),
}))

it('while one plan is being made only the newest request waits; those between never cost anything', async () => {
  const { planLatest } = await import('./planner.ts')
  const input = (length: number): PlanInput => ({
    decisions: { ...decisions, puff: { length } },
    last,
    materials,
    houseRules: {},
  })
  const next = async () => {
    await vi.waitFor(() => expect(release.length).toBe(1))
    const [go] = release
    release = []
    go?.()
  }
  const answers = [51, 52, 53, 54].map((mm) => planLatest(input(mm)))
  await next()
  expect(await answers[0]).toMatchObject({ problem: 'planned 51' })
  expect(await answers[1]).toBeNull()
  expect(await answers[2]).toBeNull()
  await next()
  expect(await answers[3]).toMatchObject({ problem: 'planned 54' })
  expect(asked).toEqual([51, 54])
  // And it starts again when all was quiet.
  const later = planLatest(input(60))
  await next()
  expect(await later).toMatchObject({ problem: 'planned 60' })
})

import type { Plan, PlanInput } from '@gentle-awl/core'
import { expect, it, vi } from 'vitest'
import { decisions, last, materials } from '../../../test/pair.ts'
import type { Answer } from '../answer.ts'
import { Receiver, Sender, type Parcel } from '../parcel.ts'

const asked: number[] = []
const inputs = new Receiver<PlanInput>()
const plans = new Sender<Plan>()
/** Of this length there is a plan; of others it is only said which they were. */
const PLANNED = 70
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
        release.push(() =>
          resolve(
            input.decisions.puff.length === PLANNED
              ? { value: plans.send({ worst: 'fine' } as Plan), problem: null }
              : { value: null, problem: `planned ${input.decisions.puff.length}` },
          ),
        )
      }),
  }),
}))

const input = (length: number): PlanInput => ({
  decisions: { ...decisions, puff: { length } },
  last,
  materials,
  houseRules: {},
})

it('while one plan is being made only the newest request waits; those between never cost anything', async () => {
  const { planLatest } = await import('./planner.ts')
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

it('a plan that has come is put together in one task of the page and shown in the next', async () => {
  const { planInTurn } = await import('./planner.ts')
  let shown: unknown = null
  const answer = planInTurn(input(PLANNED)).then((a) => (shown = a))
  await vi.waitFor(() => expect(release.length).toBe(1))
  release.pop()!()
  // All that is promised in this task is kept before the next one begins.
  for (let k = 0; k < 50; k++) await Promise.resolve()
  expect(shown).toBeNull()
  await answer
  expect(shown).toEqual({ value: { worst: 'fine' }, problem: null })
})

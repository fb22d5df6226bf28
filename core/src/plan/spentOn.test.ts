import { expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { signedArea } from '../geometry/path.ts'
import type { Made } from '../model/made.ts'
import type { StepEvent } from '../model/pair.ts'
import { cuttingList } from './cuttingList.ts'
import { planPair } from './planPair.ts'
import { spentOn } from './spentOn.ts'
import { takenBy } from './takenBy.ts'

const input = samplePair()
const priced = {
  ...input,
  materials: input.materials.map((m) =>
    m.kind === 'insole leather' ? { ...m, price: { amount: 1.5, per: 'dm²' as const } } : m,
  ),
}
const plan = planPair(priced, keptCache())
const insole = Math.abs(signedArea(plan.parts.find((p) => p.id === 'insole')!.outline)) / 10_000
const cut = (part: string, minute: number): Made => ({
  part,
  name: part,
  how: 'cut',
  print: 'x',
  revision: 1,
  at: new Date(minute * 60_000).toISOString(),
})
const event = (step: string, what: StepEvent['what'], minute: number): StepEvent => ({
  step,
  what,
  at: new Date(minute * 60_000).toISOString(),
})

it('counts every time that something was cut, each foot for itself, at the price of its stuff', () => {
  const spent = spentOn(priced, plan, [], [cut('insole', 0), cut('left.insole', 9), cut('puff', 1)])
  const leather = spent.stuffs.find((s) => s.name === 'Insole shoulder')!
  // Two insoles, and the left one again.
  expect(leather.area).toBeCloseTo(3 * insole, 6)
  expect(leather.worth).toBeCloseTo(4.5 * insole, 6)
  expect(spent.stuffs.find((s) => s.name === 'Belly, soft')!.worth).toBeNull()
  expect(spentOn(priced, plan, [], [{ ...cut('insole', 0), how: 'printed' }]).stuffs).toEqual([])
})
it('counts work that was done again, and leaves out pauses and what nobody told', () => {
  const log = [
    event('cut-insole', 'started', 0),
    event('cut-insole', 'finished', 12),
    event('cut-insole', 'sent back', 20),
    event('cut-insole', 'started', 30),
    event('cut-insole', 'paused', 35),
    event('cut-insole', 'resumed', 90),
    event('cut-insole', 'finished', 95),
    event('cut-puff', 'finished', 99),
  ]
  expect(spentOn(priced, plan, log, []).minutes).toBe(22)
})
it('takes, as it is planned, what is spent on it once all is cut and done as planned; a batch so many times that', () => {
  const log = plan.steps.flatMap((s, i) => [
    event(s.id, 'started', 1000 * i),
    event(s.id, 'finished', 1000 * i + s.minutes.value),
  ])
  // By its record each: of what is alike one record counts for both feet.
  const records = [...new Set(cuttingList(priced, plan).flatMap((g) => g.pieces.map((p) => p.record)))]
  const spent = spentOn(priced, plan, log, records.map(cut))
  const taken = takenBy(priced, plan)
  expect(taken.minutes).toBe(spent.minutes)
  for (const { name, area, worth } of spent.stuffs) {
    const planned = taken.stuffs.find((s) => s.name === name)!
    expect(planned.area).toBeCloseTo(area, 6)
    if (worth === null) expect(planned.worth).toBeNull()
    else expect(planned.worth).toBeCloseTo(worth, 6)
  }
  const batch = takenBy(priced, plan, 12)
  expect(batch.minutes / taken.minutes).toBeCloseTo(12, 3)
  expect(batch.stuffs.map((s) => s.area / 12)).toEqual(taken.stuffs.map((s) => expect.closeTo(s.area, 6) as number))
})

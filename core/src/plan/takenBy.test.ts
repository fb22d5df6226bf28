import { expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { planPair } from './planPair.ts'
import { takenBy } from './takenBy.ts'

const input = samplePair()
const stiffenerOf = ({ decisions, materials }: typeof input): string =>
  materials.find((m) => m.id === decisions.materials.stiffener)!.name

it('shows what a long stiffener costs over a short one: more of its leather, and more time with knife and skiver', () => {
  const belly = {
    ...input,
    materials: input.materials.map((m) => ({ ...m, price: { amount: 2, per: 'dm²' as const } })),
  }
  const of = (front: 'short' | 'long both') => {
    const pair = { ...belly, decisions: { ...belly.decisions, stiffener: { ...belly.decisions.stiffener, front } } }
    return { taken: takenBy(pair, planPair(pair, keptCache())), name: stiffenerOf(pair) }
  }
  const [short, long] = [of('short'), of('long both')]
  const worth = ({ taken, name }: typeof short) => taken.stuffs.find((s) => s.name === name)!.worth!
  expect(worth(long)).toBeGreaterThan(1.3 * worth(short))
  expect(long.taken.minutes).toBeGreaterThan(short.taken.minutes)
})

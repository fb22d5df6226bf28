import type { CardStep } from '../src/model/pairCard.ts'

/** A step of ten minutes that nothing is known about; change what the test is about. */
export const plainStep = (id: string, change: Partial<CardStep> = {}): CardStep => ({
  id,
  key: id,
  name: id,
  foot: null,
  group: 'close',
  minutes: 10,
  formerly: [],
  after: [],
  wait: null,
  wears: null,
  machines: [],
  ...change,
})

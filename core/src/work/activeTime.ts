import type { Step } from './step.ts'

/** A time at the bench as a figure with its reason: whole minutes, one at least. */
export const activeTime = (
  value: number,
  sentence: Step['minutes']['sentence'],
  origin: Step['minutes']['origin'],
): Step['minutes'] => ({
  id: 'time',
  quantity: 'Active time',
  value: Math.max(1, Math.round(value)),
  unit: 'min',
  sentence,
  inputs: [],
  origin,
})

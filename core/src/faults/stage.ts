/** How far a shoe is: what still helps depends on it. */
export const stages = ['pattern', 'closing', 'lasting', 'lasted', 'soled', 'finished'] as const
export type FaultStage = (typeof stages)[number]
export const stageNames: Record<FaultStage, string> = {
  pattern: 'Nothing is sewn yet',
  closing: 'The upper is being closed',
  lasting: 'It is being pulled over the last',
  lasted: 'It is lasted, the sole is not on',
  soled: 'The sole is on',
  finished: 'It is off the last',
}

export const stageIndex = (stage: FaultStage): number => stages.indexOf(stage)

import type { UpperDecisions } from '../model/upper.ts'

/** Whether the finish of the top line runs on down the facings: as decided, else where the style's option has it so. */
export const runsDownFacings = (
  { finishOnFacings, options }: Pick<UpperDecisions, 'finishOnFacings' | 'options'>,
  finishedBy: string | null,
): boolean => finishOnFacings ?? (finishedBy !== null && (options[finishedBy] ?? false))

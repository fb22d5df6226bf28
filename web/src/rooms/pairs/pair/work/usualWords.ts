import { usualMinutes, type Pace, type Step } from '@gentle-awl/core'
import { showMinutes } from '../../../../app/settings.ts'

/** What a step takes here, where that is known and differs from the plan; else nothing. */
export function usualWords(step: Pick<Step, 'key' | 'minutes'>, pace: Pace | null): string {
  if (!pace) return ''
  const usual = usualMinutes(step, { [step.key]: pace })
  if (usual === step.minutes.value) return ''
  return `Here it usually takes ${showMinutes(usual)}: done ${pace.times === 1 ? 'once' : `${pace.times} times`}.`
}

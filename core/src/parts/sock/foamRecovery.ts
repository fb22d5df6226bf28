import type { Finding } from '../../trade/because.ts'
import type { Material } from '../../model/material.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'

export const foamRules = {
  recovery: {
    key: 'foam.recovery',
    name: 'Foam comes back after ten minutes by at least',
    value: 85,
    min: 50,
    max: 100,
    unit: '%',
    why: 'What does not come back to its shape is flat after a week under the foot, and the shoe is too wide again.',
  },
} satisfies Record<string, Rule>

/** How much of what pressing took comes back after one and after ten minutes, percent. */
export interface FoamRecovery {
  afterOne: number
  afterTen: number
}

/**
 * Recovery of a foam that was pressed and let go: what came back, as a share of what was pressed away. Null when nothing
 * was pressed away, so that nothing can be said.
 */
export function foamRecovery(test: NonNullable<Material['foamTest']>): FoamRecovery | null {
  const pressed = test.before - test.pressed
  if (pressed <= 0) return null
  const share = (thickness: number) => Math.min(100, Math.max(0, (100 * (thickness - test.pressed)) / pressed))
  return { afterOne: share(test.afterOne), afterTen: share(test.afterTen) }
}

/** Is a padding's foam one that comes back? What was never tested is said to be so. */
export function foamFinding(id: string, material: Material, book: RuleBook): Finding[] {
  if (material.kind !== 'foam') return []
  const limit = book.value(foamRules.recovery)
  const back = material.foamTest ? foamRecovery(material.foamTest) : null
  if (!back) {
    return [
      {
        id,
        level: 'watch',
        where: 'foam',
        sentence: `${material.name} has not been tested: press a piece, let go, and measure what comes back.`,
        measured: 0,
        limit,
        unit: '%',
        mend: 'Record the test in the stores, at this material.',
        remedy: { kind: 'open', control: { room: 'stores' } },
      },
    ]
  }
  const fine = back.afterTen >= limit
  return [
    {
      id,
      level: fine ? 'fine' : 'stop',
      where: 'foam',
      sentence: fine
        ? `${material.name} comes back by ${back.afterTen.toFixed(0)} % in ten minutes.`
        : `${material.name} comes back by only ${back.afterTen.toFixed(0)} % in ten minutes; ${limit} % are wanted.`,
      measured: back.afterTen,
      limit,
      unit: '%',
      mend: fine ? '' : 'Take another foam, or cork.',
      remedy: fine ? undefined : { kind: 'open', control: { room: 'decisions', at: 'padding' } },
    },
  ]
}

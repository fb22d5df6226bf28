import type { FootPlan, Level } from '@gentle-awl/core'

/** The stages of a pair in working order; `path` is the last bit of the address. */
export const stages = [
  { path: 'decisions', name: 'Decisions' },
  { path: 'last', name: 'Last' },
  { path: 'upper', name: 'Upper' },
  { path: 'parts', name: 'Parts' },
  { path: 'work', name: 'Work' },
] as const
export type StagePath = (typeof stages)[number]['path']

export const worstOf = (levels: readonly Level[]): Level =>
  levels.includes('stop') ? 'stop' : levels.includes('watch') ? 'watch' : 'fine'

/** The gravest finding of a stage on one foot: the mark it carries in the strip. */
export function stageLevel(plan: FootPlan, stage: StagePath): Level {
  switch (stage) {
    case 'decisions':
      return worstOf(plan.findings.filter((f) => f.id.startsWith('pair.')).map((f) => f.level))
    case 'last':
      return worstOf(plan.findings.filter((f) => f.id.startsWith('last.')).map((f) => f.level))
    case 'upper':
      return plan.upper.worst
    case 'parts':
      return worstOf(
        [...plan.layers.findings, ...plan.bottom.findings, ...plan.parts.flatMap((p) => p.findings)].map(
          (f) => f.level,
        ),
      )
    case 'work':
      return 'fine'
  }
}

export const partLevel = (part: FootPlan['parts'][number]): Level => worstOf(part.findings.map((f) => f.level))

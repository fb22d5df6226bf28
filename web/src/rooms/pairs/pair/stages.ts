import type { Check, Finding, FootPlan, Level, Verdict } from '@gentle-awl/core'
import type { Foot } from '../../../ui/feet.ts'
import { tell } from '../../../app/settings.ts'

/** The stages of a pair in working order; `path` is the last bit of the address. */
export const stages = [
  { path: 'decisions', name: 'Decisions' },
  { path: 'last', name: 'Last' },
  { path: 'upper', name: 'Upper' },
  { path: 'parts', name: 'Parts' },
  { path: 'edges', name: 'Edges' },
  { path: 'stitching', name: 'Stitching' },
  { path: 'cutting', name: 'Cutting' },
  { path: 'lasting', name: 'Lasting' },
  { path: 'work', name: 'Work' },
  { path: 'checks', name: 'Checks' },
] as const
export type StagePath = (typeof stages)[number]['path']

/** Which stage an address is in: what stands behind the pair's own part of it, whatever a seam or a part there is called. */
export const stageAt = (path: string): number => {
  const [, , , stage] = path.split('/')
  return stages.findIndex((s) => s.path === stage)
}

export const worstOf = (levels: readonly Level[]): Level =>
  levels.includes('stop') ? 'stop' : levels.includes('watch') ? 'watch' : 'fine'

/** A finding that is not fine, with all that says where to look: shoe, part and reason. */
export interface Flag {
  id: string
  foot: Foot | null
  part: string
  level: Level
  reason: string
}

/** What a stage has to say about one shoe, by the part or the drawing it is about. */
function findingsOf(plan: FootPlan, stage: StagePath): { part: string; finding: Finding }[] {
  const of = (part: string, findings: readonly Finding[]) => findings.map((finding) => ({ part, finding }))
  const named = (part: string, start: string) =>
    of(
      part,
      plan.findings.filter((f) => f.id.startsWith(start)),
    )
  switch (stage) {
    case 'decisions':
      return named('Decisions', 'pair.')
    case 'last':
      return named('Last', 'last.')
    case 'upper':
      return of('Upper', plan.upper.findings)
    case 'parts':
      return [
        ...of('Layers', plan.layers.findings),
        ...of('Bottom', plan.bottom.findings),
        ...plan.parts.flatMap((p) => of(p.name, p.findings)),
      ]
    case 'edges':
      return of('Edges', plan.edges.findings)
    case 'stitching':
      return of('Stitching', plan.stitching.findings)
    case 'lasting':
      return of('Lasting', plan.lasting.findings)
    case 'cutting':
    case 'work':
    case 'checks':
      return []
  }
}

/** Every flag of a stage on both shoes, the gravest first; without a left shoe of its own no foot is named. */
export function stageFlags(plan: FootPlan & { left: FootPlan | null }, stage: StagePath): Flag[] {
  const shoes: [Foot | null, FootPlan][] = plan.left
    ? [
        ['right', plan],
        ['left', plan.left],
      ]
    : [[null, plan]]
  return shoes
    .flatMap(([foot, shoe]) =>
      findingsOf(shoe, stage)
        .filter(({ finding }) => finding.level !== 'fine')
        .map(({ part, finding }): Flag => ({
          id: `${foot ?? 'both'}.${part}.${finding.id}`,
          foot,
          part,
          level: finding.level,
          reason: tell(finding.sentence),
        })),
    )
    .sort((x, y) => Number(y.level === 'stop') - Number(x.level === 'stop'))
}

/** What was measured otherwise than planned, as flags of the checks. */
export const checkFlags = (checks: readonly Pick<Check, 'id' | 'name'>[], verdicts: readonly Verdict[]): Flag[] =>
  verdicts
    .filter((v) => v.level !== 'fine')
    .map((v): Flag => ({
      id: `${v.foot ?? 'both'}.${v.check}`,
      foot: v.foot,
      part: checks.find((c) => c.id === v.check)?.name ?? v.check,
      level: v.level,
      reason: tell(v.sentence),
    }))

/** A flag as a sentence: which shoe, which part, and why. */
export const said = ({ foot, part, reason }: Flag): string =>
  `${foot ? `${foot === 'left' ? 'Left' : 'Right'} shoe, ` : ''}${part}: ${reason}`

export const partLevel = (part: FootPlan['parts'][number]): Level => worstOf(part.findings.map((f) => f.level))

import { hausdorffDistance } from '../geometry/hausdorff.ts'
import type { Path } from '../geometry/path.ts'
import type { Level } from '../model/level.ts'
import type { Because, Finding, Unit } from '../trade/because.ts'
import type { FootPlan, Plan } from './plan.ts'
import type { Sentence } from '../units/sentence.ts'

/** What a change does to a pair, before it is kept: plain data. */
export interface Consequences {
  /** Figures that become others. */
  figures: { where: string; quantity: string; from: number; to: number; unit: Unit }[]
  /** Checks that come out differently. */
  findings: { where: string; from: Level | null; to: Level | null; sentence: Sentence }[]
  /** Parts whose outline moves, and by how much at most, mm. */
  shapes: { part: string; most: number }[]
  appeared: string[]
  gone: string[]
  /** Active minutes for the pair, before and after. */
  minutes: { from: number; to: number }
}

/** Less than this is not worth a line: figures in their own unit, outlines in mm. */
const SMALL = 0.05

interface Carrier {
  id: string
  name: string
  becauses: readonly Because[]
  findings: readonly Finding[]
  outline: Path | null
}

/** Everything of one shoe that carries reasons and checks, under the name of what it belongs to. */
function ofFoot(plan: FootPlan): Carrier[] {
  return [
    { id: 'pair', name: 'Pair', becauses: [], findings: plan.findings, outline: null },
    { id: 'upper', name: 'Upper', becauses: plan.upper.becauses, findings: plan.upper.findings, outline: null },
    ...plan.upper.pieces.map((p) => ({
      id: `upper.${p.id}`,
      name: p.name,
      becauses: p.becauses,
      findings: [],
      outline: p.outline,
    })),
    { id: 'layers', name: 'Layers', becauses: [], findings: plan.layers.findings, outline: null },
    { id: 'edges', name: 'Edges', becauses: [], findings: plan.edges.findings, outline: null },
    { id: 'stitching', name: 'Stitching', becauses: [], findings: plan.stitching.findings, outline: null },
    {
      id: 'lasting',
      name: 'Lasting',
      becauses: plan.lasting.strips.flatMap((s) => s.becauses.map((b) => ({ ...b, id: `${s.id}.${b.id}` }))),
      findings: plan.lasting.findings,
      outline: null,
    },
    { id: 'bottom', name: 'Bottom', becauses: [], findings: plan.bottom.findings, outline: null },
    ...plan.parts,
  ]
}

function carriers(plan: Plan): Carrier[] {
  const left = plan.left ? ofFoot(plan.left).map((c) => ({ ...c, id: `left.${c.id}`, name: `${c.name}, left` })) : []
  const both = { id: 'feet', name: 'Left against right', becauses: [], findings: plan.feetFindings, outline: null }
  return [...ofFoot(plan), ...left, both]
}

/** Every check of a plan, under the name of what it belongs to. */
export const findingsOfPlan = (plan: Plan): { where: string; finding: Finding }[] =>
  carriers(plan).flatMap(({ name, findings }) => findings.map((finding) => ({ where: name, finding })))

const minutesOf = (plan: Plan) => plan.steps.reduce((sum, o) => sum + o.minutes.value, 0)

/** What differs between two plans of one pair: figures, checks, shapes, parts and time. */
export function consequences(before: Plan, after: Plan): Consequences {
  const then = new Map(carriers(before).map((c) => [c.id, c]))
  const now = new Map(carriers(after).map((c) => [c.id, c]))
  const out: Consequences = {
    figures: [],
    findings: [],
    shapes: [],
    appeared: [...now.values()].filter((c) => !then.has(c.id)).map((c) => c.name),
    gone: [...then.values()].filter((c) => !now.has(c.id)).map((c) => c.name),
    minutes: { from: minutesOf(before), to: minutesOf(after) },
  }
  for (const [id, a] of now) {
    const b = then.get(id)
    if (!b) continue
    for (const because of a.becauses) {
      const was = b.becauses.find((x) => x.id === because.id)
      if (was && Math.abs(was.value - because.value) > SMALL * (because.unit === 'share' ? 0.02 : 1)) {
        out.figures.push({
          where: a.name,
          quantity: because.quantity,
          from: was.value,
          to: because.value,
          unit: because.unit,
        })
      }
    }
    const ids = new Set([...a.findings, ...b.findings].map((f) => f.id))
    for (const finding of ids) {
      const [f, g] = [a.findings.find((x) => x.id === finding), b.findings.find((x) => x.id === finding)]
      if (f?.level === g?.level) continue
      out.findings.push({
        where: a.name,
        from: g?.level ?? null,
        to: f?.level ?? null,
        sentence: f?.sentence ?? g?.sentence ?? '',
      })
    }
    if (a.outline && b.outline) {
      const most = hausdorffDistance(a.outline, b.outline)
      if (most > SMALL) out.shapes.push({ part: a.name, most })
    }
  }
  out.shapes.sort((a, b) => b.most - a.most)
  return out
}

import type { Setback } from '../model/check.ts'
import type { Made, Making } from '../model/made.ts'
import type { FootPlan, Plan } from './plan.ts'
import type { Part } from '../trade/part.ts'
import { shapePrint } from '../work/shapePrint.ts'
import { partOfMade, recordOfPiece } from '../trade/recordName.ts'

/**
 * Something that is printed, cut or punched, with the fingerprint of its shape. `insole` stands for both feet's;
 * `left.insole` and `right.insole` for one foot's, where the two differ.
 */
export interface Makeable {
  part: string
  name: string
  print: string
}

/** What no longer matches the plan: how it was made, and the latest time it was. */
export interface Remake {
  part: string
  name: string
  how: Making[]
  revision: number
  /** It is not in the plan any more: nothing to make, but nothing to use either. */
  gone: boolean
  /** Why it was found unfit; empty where only the plan has changed. */
  spoilt: string
}

/** Parts that are built up or pared to a height: the same outline of another height is another part. */
const BUILT_UP: ReadonlySet<string> = new Set(['filler', 'heelWedge', 'topPiece'])
/** Between the print of an outline and the heights of what was built to it. */
const THICK = '~'

/** What such a part is high, at its thickest and where it is pared, in tenths of a millimetre. */
const heights = ({ thickness, skives }: Pick<Part, 'thickness' | 'skives'>): string =>
  [thickness, ...skives.flatMap((s) => s.profile.map(([, t]) => t))].map((t) => Math.round(10 * t)).join('.')

/** Is what was made still what is planned? Paper has no height, and older records know of none. */
function stillSo(planned: string, made: Made): boolean {
  if (made.how === 'printed' || !made.print.includes(THICK)) {
    return planned.split(THICK)[0] === made.print.split(THICK)[0]
  }
  return planned === made.print
}

const feet = ['right', 'left'] as const

/** As `Makeable`; its print is worked out when somebody asks for it. */
interface Shaped extends Pick<Makeable, 'part' | 'name'> {
  print: () => string
}

/** Prints of shapes that were asked for before: results of a plan are never changed, so that an object keeps its print. */
const prints = new WeakMap<object, string>()
function printOnce(of: object, make: () => string): string {
  const known = prints.get(of) ?? make()
  prints.set(of, known)
  return known
}

/** Everything of one foot that can be printed, cut or punched. Pieces of the upper are named `upper.` and their id. */
function ofFoot(plan: FootPlan): Shaped[] {
  return [
    ...plan.upper.pieces.map((p) => {
      // A piece without holes for a hand seam keeps the print it always had.
      const sewn = (plan.stitching.rows[p.id] ?? []).flatMap((row) => (row.holes ? [row.holes] : []))
      const print = () =>
        shapePrint(
          p.outline,
          p.holes.map((h) => h.at),
          p.slits.map((s) => s.to),
          ...sewn,
        )
      return {
        part: recordOfPiece(p.id),
        name: p.name,
        print: () => (sewn.length > 0 ? print() : printOnce(p, print)),
      }
    }),
    ...plan.parts.map((p) => ({
      part: p.id,
      name: p.name,
      print: () =>
        printOnce(
          p,
          () =>
            `${shapePrint(p.outline, ...p.lines.map((l) => l.holes ?? []))}${BUILT_UP.has(p.id) ? `${THICK}${heights(p)}` : ''}`,
        ),
    })),
  ]
}

const forFoot = (m: Makeable, foot: (typeof feet)[number]): Makeable => ({
  ...m,
  part: `${foot}.${m.part}`,
  name: `${m.name}, ${foot}`,
})

/** Everything of a plan that can be printed, cut or punched: one entry for both feet where they are true mirrors. */
export function makeables(plan: Plan): Makeable[] {
  const printed = (foot: FootPlan): Makeable[] => ofFoot(foot).map((m) => ({ ...m, print: m.print() }))
  const right = printed(plan)
  if (!plan.left) return right
  const left = new Map(printed(plan.left).map((m) => [m.part, m]))
  const out = right.flatMap((m) => {
    const other = left.get(m.part)
    left.delete(m.part)
    if (other?.print === m.print) return [m]
    return [forFoot(m, 'right'), ...(other ? [forFoot(other, 'left')] : [])]
  })
  return [...out, ...[...left.values()].map((m) => forFoot(m, 'left'))]
}

/** Of what can be made of a plan, what some parts of some feet come to: one entry where both feet's are true mirrors. */
export function makeablesOf(plan: Plan, some: readonly { part: string; foot: 'right' | 'left' }[]): Makeable[] {
  const names = new Set(some.flatMap(({ part, foot }) => [part, `${foot}.${part}`]))
  return makeables(plan).filter((m) => names.has(m.part))
}

/** What a setback says of the parts that were found unfit. */
export type SpoiltParts = Pick<Setback, 'parts' | 'reason' | 'revision' | 'at'>

/**
 * What must be made again: of every part, foot and way of making, the latest record against the plan of now; and whatever
 * was found unfit and was not made since.
 */
export function remakeList(plan: Plan, made: readonly Made[], setbacks: readonly SpoiltParts[] = []): Remake[] {
  const stale = feet.map((foot) => {
    const there = ofFoot(foot === 'left' ? (plan.left ?? plan) : plan)
    return withSpoilt(staleOf(there, foot, made), there, foot, made, setbacks)
  })
  const [right, left] = stale
  const out: Remake[] = []
  for (const [part, entry] of right!) {
    const other = left!.get(part)
    left!.delete(part)
    if (!other) out.push({ ...entry, part: `right.${part}`, name: `${entry.name}, right` })
    else {
      const how = [...new Set([...entry.how, ...other.how])]
      out.push({
        ...entry,
        how,
        revision: Math.max(entry.revision, other.revision),
        spoilt: entry.spoilt === '' ? other.spoilt : entry.spoilt,
      })
    }
  }
  for (const [part, entry] of left!) out.push({ ...entry, part: `left.${part}`, name: `${entry.name}, left` })
  return out
}

/** What of one foot is out of date, by part. */
function staleOf(plan: readonly Shaped[], foot: (typeof feet)[number], made: readonly Made[]): Map<string, Remake> {
  const now = new Map(plan.map((m) => [m.part, m]))
  const latest = new Map<string, Made>()
  for (const m of made) {
    const part = partOfMade(m.part)
    if (!isOf(m.part, part, foot)) continue
    const key = `${part}|${m.how}`
    const before = latest.get(key)
    if (!before || before.at <= m.at) latest.set(key, m)
  }
  const out = new Map<string, Remake>()
  for (const m of latest.values()) {
    const part = partOfMade(m.part)
    const current = now.get(part)
    if (current && stillSo(current.print(), m)) continue
    const name = current?.name ?? m.name.replace(/, (right|left)$/, '')
    const entry = out.get(part) ?? { part, name, how: [], revision: m.revision, gone: !current, spoilt: '' }
    entry.how.push(m.how)
    entry.revision = Math.max(entry.revision, m.revision)
    out.set(part, entry)
  }
  return out
}

/** Whether a record is about a part on this foot: under the part's own name it is about both. */
const isOf = (record: string, part: string, foot: (typeof feet)[number]) =>
  record === part || record === `${foot}.${part}`

/** What was found unfit on one foot and was not cut or punched since; a part that left the plan meanwhile is not made again. */
function withSpoilt(
  stale: Map<string, Remake>,
  plan: readonly Shaped[],
  foot: (typeof feet)[number],
  made: readonly Made[],
  setbacks: readonly SpoiltParts[],
): Map<string, Remake> {
  for (const { part, name } of plan) {
    const hit = setbacks.filter((s) => s.parts.some((p) => isOf(p.part, part, foot))).at(-1)
    if (!hit) continue
    const again = made.some((m) => m.how !== 'printed' && isOf(m.part, part, foot) && m.at > hit.at)
    if (again) continue
    const entry = stale.get(part) ?? { part, name, how: [], revision: hit.revision, gone: false, spoilt: '' }
    stale.set(part, { ...entry, how: [...new Set<Making>([...entry.how, 'cut'])], spoilt: hit.reason })
  }
  return stale
}

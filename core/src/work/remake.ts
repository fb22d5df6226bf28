import type { Path } from '../geometry/path.ts'
import type { Made, Making } from '../model/made.ts'
import type { Plan } from '../plan/planPair.ts'

/** Something that is printed, cut or punched, with the fingerprint of its shape. */
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
}

/**
 * Fingerprint of outlines and holes, to a hundredth of a millimetre: FNV-1a over their numbers, twice with different
 * seeds. Equal shapes have equal prints on every machine.
 */
export function shapePrint(...paths: readonly Path[]): string {
  const run = (seed: number) => {
    let h = seed
    const eat = (v: number) => {
      for (let k = 0; k < 4; k++) {
        h ^= (v >> (8 * k)) & 0xff
        h = Math.imul(h, 0x01000193) >>> 0
      }
    }
    for (const path of paths) {
      eat(path.length)
      for (const [x, y] of path) {
        eat(Math.round(x * 100))
        eat(Math.round(y * 100))
      }
    }
    return h.toString(16).padStart(8, '0')
  }
  return run(0x811c9dc5) + run(0x1234567)
}

/** Everything of a plan that can be printed, cut or punched. Pieces of the upper are named `upper.` and their id. */
export function makeables(plan: Plan): Makeable[] {
  return [
    ...plan.upper.pieces.map((p) => ({
      part: `upper.${p.id}`,
      name: p.name,
      print: shapePrint(
        p.outline,
        p.holes.map((h) => h.at),
        p.slits.map((s) => s.to),
      ),
    })),
    ...plan.parts.map((p) => ({
      part: p.id,
      name: p.name,
      print: shapePrint(p.outline, ...p.lines.map((l) => l.holes ?? [])),
    })),
  ]
}

/** What must be made again: of every part and way of making, the latest record against the plan of now. */
export function remakeList(plan: Plan, made: readonly Made[]): Remake[] {
  const now = new Map(makeables(plan).map((m) => [m.part, m]))
  const latest = new Map<string, Made>()
  for (const m of made) {
    const key = `${m.part}|${m.how}`
    const before = latest.get(key)
    if (!before || before.at <= m.at) latest.set(key, m)
  }
  const out = new Map<string, Remake>()
  for (const m of latest.values()) {
    const current = now.get(m.part)
    if (current?.print === m.print) continue
    const entry = out.get(m.part) ?? {
      part: m.part,
      name: current?.name ?? m.name,
      how: [],
      revision: m.revision,
      gone: !current,
    }
    entry.how.push(m.how)
    entry.revision = Math.max(entry.revision, m.revision)
    out.set(m.part, entry)
  }
  return [...out.values()]
}

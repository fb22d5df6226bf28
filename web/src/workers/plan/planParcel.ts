import type { FootPlan, Plan, Upper } from '@gentle-awl/core'

/** Stands for an object that the other side has already, or that comes along. */
interface Ref {
  ref: number
}
/** A plan on its way between threads: only what the last one did not have is in it, all else is named. */
export interface Parcel {
  fresh: [number, object][]
  plan: PackedPlan
}
/** The uppers of both feet, sent ahead of the plan that they belong to. */
export interface Ahead {
  fresh: [number, object][]
  right: Ref
  left: Ref | null
}
export interface Uppers {
  right: Upper
  left: Upper | null
}
type PackedFoot = Omit<FootPlan, Heavy | 'parts'> & Record<Heavy, Ref> & { parts: Ref[] }
type PackedPlan = Omit<Plan, keyof FootPlan | 'left' | 'feet' | 'steps' | 'checks' | 'skiving'> &
  PackedFoot & { left: PackedFoot | null; feet: Ref; steps: Ref; checks: Ref; skiving: Ref }

/** Results of stages that are the very same objects while nothing they come from has changed. */
type Heavy = 'last' | 'upper' | 'layers' | 'edges' | 'stitching' | 'lasting' | 'bottom' | 'lasted'

/** The side that makes plans: knows what the other has of the last one. */
export class Packer {
  private readonly numbers = new WeakMap<object, number>()
  private next = 1
  private there = new Set<number>()

  /** Numbers objects, and notes which of them the other side has not got. */
  private refs(fresh: Parcel['fresh'], now: Set<number>): (value: object) => Ref {
    return (value) => {
      const number = this.numbers.get(value) ?? this.next++
      this.numbers.set(value, number)
      if (!this.there.has(number) && !now.has(number)) fresh.push([number, value])
      now.add(number)
      return { ref: number }
    }
  }

  /** The uppers before their plan: null when the other side has both. */
  ahead({ right, left }: Uppers): Ahead | null {
    const fresh: Parcel['fresh'] = []
    const now = new Set(this.there)
    const ref = this.refs(fresh, now)
    const ahead: Ahead = { fresh, right: ref(right), left: left && ref(left) }
    this.there = now
    return fresh.length === 0 ? null : ahead
  }

  pack(plan: Plan): Parcel {
    const fresh: Parcel['fresh'] = []
    const now = new Set<number>()
    const ref = this.refs(fresh, now)
    const foot = ({
      last,
      upper,
      layers,
      edges,
      stitching,
      lasting,
      bottom,
      lasted,
      parts,
      findings,
      worst,
    }: FootPlan): PackedFoot => ({
      last: ref(last),
      upper: ref(upper),
      layers: ref(layers),
      edges: ref(edges),
      stitching: ref(stitching),
      lasting: ref(lasting),
      bottom: ref(bottom),
      lasted: ref(lasted),
      parts: parts.map(ref),
      findings,
      worst,
    })
    const packed: PackedPlan = {
      ...foot(plan),
      left: plan.left && foot(plan.left),
      feet: ref(plan.feet),
      feetFindings: plan.feetFindings,
      steps: ref(plan.steps),
      checks: ref(plan.checks),
      asked: plan.asked,
      skiving: ref(plan.skiving),
    }
    this.there = now
    return { fresh, plan: packed }
  }
}

/** The side that shows them: puts a plan together from what came and what it has of the last one. */
export class Unpacker {
  private have = new Map<number, object>()

  ahead({ fresh, right, left }: Ahead): Uppers {
    for (const [number, value] of fresh) this.have.set(number, value)
    // The packer names uppers here and nothing else.
    const of = ({ ref }: Ref) => this.have.get(ref) as Upper
    return { right: of(right), left: left && of(left) }
  }

  unpack({ fresh, plan }: Parcel): Plan {
    const known = new Map([...this.have, ...fresh])
    const kept = new Map<number, object>()
    const of = <T>({ ref }: Ref): T => {
      const value = known.get(ref)
      if (value === undefined) throw new Error(`The plan names part ${ref}, which did not come.`)
      kept.set(ref, value)
      // The packer put in under this number what stood in this place.
      return value as T
    }
    const foot = ({
      last,
      upper,
      layers,
      edges,
      stitching,
      lasting,
      bottom,
      lasted,
      parts,
      findings,
      worst,
    }: PackedFoot): FootPlan => ({
      last: of(last),
      upper: of(upper),
      layers: of(layers),
      edges: of(edges),
      stitching: of(stitching),
      lasting: of(lasting),
      bottom: of(bottom),
      lasted: of(lasted),
      parts: parts.map((p) => of<Plan['parts'][number]>(p)),
      findings,
      worst,
    })
    const whole: Plan = {
      ...foot(plan),
      left: plan.left && foot(plan.left),
      feet: of(plan.feet),
      feetFindings: plan.feetFindings,
      steps: of(plan.steps),
      checks: of(plan.checks),
      asked: plan.asked,
      skiving: of(plan.skiving),
    }
    this.have = kept
    return whole
  }
}

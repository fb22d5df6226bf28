import { seeded } from '../src/geometry/random.ts'
import { ScheduleInstance } from '../src/scheduling/instance.ts'

interface Shop {
  pairs: number
  hands: number
  lasts: number
  seed: number
  objective?: 'tardiness' | 'makespan'
  /** Eight hours a day with an hour at noon, or all round the clock. */
  hours?: boolean
  /** How tight the due dates are: 1 as long as all hands need for all the work. */
  tight?: number
}

/**
 * Work as a shoe workshop has it: each pair cuts, closes and blocks side by side, is lasted on a last that it holds over
 * nights of drying, one shoe after the other, with glue that is tacky for so long; a press and a machine are shared.
 */
export function shoeShop({ pairs, hands, lasts, seed, objective = 'tardiness', hours = false, tight = 0.8 }: Shop) {
  const random = seeded(seed)
  const between = (low: number, high: number) => Math.round(low + random() * (high - low))
  const ops: { id: string; pair: string; duration: number; uses: string[] }[] = []
  const lags: { from: string; to: string; min: number; max: number | null }[] = []
  const holds: { resource: string; from: string; to: string }[] = []
  const resources = [
    { id: 'machine', capacity: 1 },
    { id: 'press', capacity: 1 },
    ...Array.from({ length: lasts }, (_, k) => ({ id: `last${k}`, capacity: 1 })),
  ]
  for (let p = 0; p < pairs; p++) {
    const pair = `p${p}`
    let count = 0
    const op = (low: number, high: number, ...uses: string[]) => {
      const id = `${pair}.${count++}`
      ops.push({ id, pair, duration: between(low, high), uses })
      return id
    }
    const lag = (from: string, to: string, min = 0, max: number | null = null) => lags.push({ from, to, min, max })
    const chain = (ids: readonly string[]) => ids.reduce((a, b) => (lag(a, b), b))
    // Closing the upper.
    const pattern = op(15, 50)
    const cuts = Array.from({ length: between(3, 5) }, () => op(10, 30))
    for (const c of cuts) lag(pattern, c)
    const skive = op(20, 40)
    for (const c of cuts) lag(c, skive)
    const closing = Array.from({ length: between(4, 8) }, (_, k) => op(8, 35, ...(k % 2 ? ['machine'] : [])))
    lag(skive, closing[0]!)
    const fold = op(10, 25)
    lag(closing[0]!, fold, 10, 40)
    const closed = chain(closing)
    // Blocking the insole, the stiffener soaked.
    const insole = op(15, 30)
    lag(pattern, insole)
    const soak = op(3, 6)
    lag(insole, soak)
    const block = op(10, 20)
    lag(soak, block, 20, 180)
    const stiffener = op(5, 10)
    lag(pattern, stiffener)
    const last = `last${Math.floor(random() * lasts)}`
    const ready: string[] = []
    const lasting: string[] = []
    for (const _ of [0, 1]) {
      const puff = op(5, 12)
      lag(stiffener, puff, 30, 720)
      lag(closed, puff)
      lag(fold, puff)
      lag(block, puff, between(300, 700))
      const pull = op(25, 60)
      lag(puff, pull, 0, 60)
      const glue = op(4, 8)
      lag(pull, glue, 600)
      const down = op(15, 30)
      lag(glue, down, 15, 40)
      const sole = op(5, 9)
      lag(down, sole, 30)
      const on = op(6, 12, 'press')
      lag(sole, on, 15, 40)
      lasting.push(puff)
      ready.push(on)
    }
    const heel = op(20, 40)
    const trim = op(20, 50, 'machine')
    for (const r of ready) lag(r, heel, 240)
    lag(heel, trim)
    const out = op(5, 10)
    lag(trim, out, 60)
    chain([out, op(10, 25), op(5, 15)])
    // The last is taken with the first shoe: both stand on one pair of lasts.
    const take = op(2, 4)
    for (const l of lasting) lag(take, l)
    holds.push({ resource: last, from: take, to: out })
  }
  const work = ops.reduce((sum, o) => sum + o.duration, 0)
  const span = (work / hands) * (hours ? 3 : 1) + 2500
  const due: Record<string, number> = {}
  const weights: Record<string, number> = {}
  for (let p = 0; p < pairs; p++) {
    due[`p${p}`] = Math.round(span * tight * (0.4 + 0.8 * random()))
    weights[`p${p}`] = between(1, 4)
  }
  const closed: [number, number][] = []
  // Minute 0 is a Monday at eight.
  for (let day = 0; hours && day < 400; day++) {
    const at = day * 1440
    if (day % 7 > 4) closed.push([at, at + 1440])
    else closed.push([at + 240, at + 300], [at + 540, at + 1440])
  }
  return ScheduleInstance.parse({ hands, resources, ops, lags, holds, due, weights, objective, closed })
}

import type { Grade, GradeName, LastBody, Plan, PlanInput, UpperDecisions, WallArea } from '@gentle-awl/core'
import { wrap, type Remote } from 'comlink'
import { Unpacker, type Uppers } from './planParcel.ts'
import type { PlanAnswer, PlanWorker } from './planWorker.ts'

let remote: Remote<PlanWorker> | null = null
const worker = (): Remote<PlanWorker> =>
  (remote ??= wrap<PlanWorker>(new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' })))

/** A plan, or the sentence that says why there is none. */
export type Planned = { plan: Plan; problem: null } | { plan: null; problem: string }

const unpacker = new Unpacker()
let running = false
let waiting: { input: PlanInput; first?: (uppers: Uppers) => void; answer: (a: Planned | null) => void } | null = null

/**
 * Plans in the worker. While it is busy only the newest request waits; an older one that never got its turn
 * resolves to null, so that dragging a slider never piles up work. `first` gets the uppers as soon as they are drawn,
 * when they are others than before.
 */
export function planLatest(input: PlanInput, first?: (uppers: Uppers) => void): Promise<Planned | null> {
  return new Promise((resolve, reject) => {
    waiting?.answer(null)
    waiting = { input, first, answer: resolve }
    if (!running) void drain().catch(reject)
  })
}

async function drain(): Promise<void> {
  running = true
  try {
    while (waiting) {
      const { input, first, answer } = waiting
      waiting = null
      answer(await planInTurn(input, first))
    }
  } finally {
    running = false
  }
}

/** Plans in the worker (which cannot take Pinia's proxies, hence the copy), one after the other; every request gets its answer. */
export async function planInTurn(input: PlanInput, first?: (uppers: Uppers) => void): Promise<Planned> {
  const copy = JSON.parse(JSON.stringify(input)) as PlanInput
  const answer = await (first ? withUppersAhead(copy, first) : worker().plan(copy))
  return answer.parcel === null
    ? { plan: null, problem: answer.problem }
    : { plan: unpacker.unpack(answer.parcel), problem: null }
}

/** Both are asked for at once, and answered in this order. */
async function withUppersAhead(input: PlanInput, first: (uppers: Uppers) => void): Promise<PlanAnswer> {
  const [ahead, rest] = [worker().ahead(input), worker().rest()]
  const uppers = await ahead
  if (uppers) first(unpacker.ahead(uppers))
  return rest
}

/** The surface of a last, from the worker that plans with it. */
export const surfaceOf = ({ shape, buildUps }: LastBody) =>
  worker().surface(JSON.parse(JSON.stringify({ shape, buildUps })) as LastBody)

/** Last and forme, from the worker that plans with them. */
export const formeOf = ({ shape, buildUps }: LastBody, how: UpperDecisions['forme']) =>
  worker().forme(
    JSON.parse(JSON.stringify({ shape, buildUps })) as LastBody,
    JSON.parse(JSON.stringify(how)) as UpperDecisions['forme'],
  )

/** Thickness of the layers at every point of the last. */
export const thicknessOnLast = (
  { shape, buildUps }: LastBody,
  how: UpperDecisions['forme'],
  areas: readonly WallArea[],
) =>
  worker().thickness(
    JSON.parse(JSON.stringify({ shape, buildUps })) as LastBody,
    JSON.parse(JSON.stringify(how)) as UpperDecisions['forme'],
    areas,
  )

/** The upper in another size. */
export const gradedOf = (input: PlanInput, sizes: number, name: GradeName, heel: Grade['heel']) =>
  worker().graded(JSON.parse(JSON.stringify(input)) as PlanInput, sizes, name, heel)

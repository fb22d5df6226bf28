import type { Grade, GradeName, LastBody, Plan, PlanInput, Side, UpperDecisions, WallArea } from '@gentle-awl/core'
import type { Answer } from '../answer.ts'
import { Channel } from '../channel.ts'
import { Receiver, Sender, type Parcel } from '../parcel.ts'
import { uppersOf, type Uppers } from './planSender.ts'
import type { PlanWorker } from './planWorker.ts'

const channel = new Channel<PlanWorker>(
  () => new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' }),
)

/** What is planned from goes over as what has changed of it, and so does the plan that comes back. */
const inputs = new Sender<PlanInput>()
const plans = new Receiver<Plan>()
let running = false
let waiting: {
  input: PlanInput
  first?: (uppers: Uppers) => void
  answer: (a: Answer<Plan> | null) => void
} | null = null

/**
 * Plans in the worker. While it is busy only the newest request waits; an older one that never got its turn
 * resolves to null, so that dragging a slider never piles up work. `first` gets the uppers as soon as they are drawn,
 * when they are others than before.
 */
export function planLatest(input: PlanInput, first?: (uppers: Uppers) => void): Promise<Answer<Plan> | null> {
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

/** What has come is put together in one task of the page and shown in the next: both in one would hold up the hand. */
const inNextTask = <T>(value: T): Promise<T> => new Promise((resolve) => setTimeout(() => resolve(value), 0))

/** Plans in the worker, one after the other; every request gets its answer. */
export async function planInTurn(input: PlanInput, first?: (uppers: Uppers) => void): Promise<Answer<Plan>> {
  const answer = await (first ? withUppersAhead(input, first) : channel.ask.plan(inputs.send(input)))
  return answer.problem === null ? { value: await inNextTask(plans.receive(answer.value)), problem: null } : answer
}

/** Both are asked for at once, and answered in this order. */
async function withUppersAhead(input: PlanInput, first: (uppers: Uppers) => void): Promise<Answer<Parcel>> {
  const [ahead, rest] = [channel.ask.ahead(inputs.send(input)), channel.ask.rest()]
  const parcel = await ahead
  if (parcel) first(await inNextTask(uppersOf(plans.receive(parcel))))
  return rest
}

const bodyOf = ({ shape, buildUps }: LastBody): LastBody => ({ shape, buildUps })

/** The surface of a last, from the worker that plans with it. */
export const surfaceOf = (last: LastBody) => channel.ask.surface(bodyOf(last))

/** Last and forme, from the worker that plans with them. */
export const formeOf = (last: LastBody, how: UpperDecisions['forme']) => channel.ask.forme(bodyOf(last), how)

/** Thickness of the layers at every point of the last. */
export const thicknessOnLast = (last: LastBody, how: UpperDecisions['forme'], areas: readonly WallArea[]) =>
  channel.ask.thickness(bodyOf(last), how, areas)

/** Thickness of the layers all over one side of the forme. */
export const thicknessOnForme = (
  last: LastBody,
  how: UpperDecisions['forme'],
  areas: readonly WallArea[],
  side: Side,
) => channel.ask.raster(bodyOf(last), how, areas, side)

/** The upper in another size. */
export const gradedOf = (input: PlanInput, sizes: number, name: GradeName, heel: Grade['heel']) =>
  channel.ask.graded(input, sizes, name, heel)

/** How a pair would look, and what would stand against it. */
export const sketchOfPair = (input: PlanInput) => channel.ask.sketch(input)

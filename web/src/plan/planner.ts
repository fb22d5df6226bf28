import type { Grade, GradeName, LastBody, PlanInput, UpperDecisions, WallArea } from '@gentle-awl/core'
import { wrap, type Remote } from 'comlink'
import type { PlanAnswer, PlanWorker } from './planWorker.ts'

let remote: Remote<PlanWorker> | null = null
const worker = (): Remote<PlanWorker> =>
  (remote ??= wrap<PlanWorker>(new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' })))

let running = false
let waiting: { input: PlanInput; answer: (a: PlanAnswer | null) => void } | null = null

/**
 * Plans in the worker. While it is busy only the newest request waits; an older one that never got its turn
 * resolves to null, so that dragging a slider never piles up work.
 */
export function planLatest(input: PlanInput): Promise<PlanAnswer | null> {
  return new Promise((resolve, reject) => {
    waiting?.answer(null)
    waiting = { input, answer: resolve }
    if (!running) void drain().catch(reject)
  })
}

async function drain(): Promise<void> {
  running = true
  try {
    while (waiting) {
      const { input, answer } = waiting
      waiting = null
      answer(await planInTurn(input))
    }
  } finally {
    running = false
  }
}

/** Plans in the worker (which cannot take Pinia's proxies, hence the copy), one after the other; every request gets its answer. */
export const planInTurn = (input: PlanInput) => worker().plan(JSON.parse(JSON.stringify(input)) as PlanInput)

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

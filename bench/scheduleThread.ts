import { parentPort, workerData } from 'node:worker_threads'
import { seeded } from '../core/src/geometry/random.ts'
import { type ScheduleInstance, problemOfInstance } from '../core/src/scheduling/instance.ts'
import { search, type Schedule } from '../core/src/scheduling/search.ts'

/** What one thread searches, until when. */
export interface ScheduleTask {
  instance: ScheduleInstance
  /** When it was asked for, ms since 1970, and how long it may take, seconds. */
  from: number
  seconds: number
  seed: number
}

const { instance, from, seconds, seed } = workerData as ScheduleTask
const { problem } = problemOfInstance(instance)
let best: Schedule | null = null
const progress = () => (performance.timeOrigin + performance.now() - from) / (1000 * seconds)
for (const _ of search(problem, { random: seeded(seed), progress, tell: (found) => (best = found) })) {
  // The time is asked for in the search itself.
}
parentPort?.postMessage(best)

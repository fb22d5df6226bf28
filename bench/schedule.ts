import { once } from 'node:events'
import { writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import { build } from 'esbuild'
import { leastMakespan } from '../core/src/scheduling/bound.ts'
import { graphOf } from '../core/src/scheduling/graph.ts'
import { InstanceError, problemOfInstance, ScheduleInstance } from '../core/src/scheduling/instance.ts'
import { whyNone } from '../core/src/scheduling/whyNone.ts'
import type { Schedule } from '../core/src/scheduling/search.ts'
import { fail, readJson, searchArguments } from './command.ts'
import type { ScheduleTask } from './scheduleThread.ts'

/**
 * `npx tsx bench/schedule.ts INSTANCE.json OUT.json [--seconds S] [--seed N]`: schedules operations and prints one JSON line
 * of figures. Exits with 1 and a sentence when the instance cannot be used or no schedule keeps all its waits; then no file is
 * written.
 */
const { from, to, seconds, seed } = searchArguments('schedule', 'schedule', 2)

const read = ScheduleInstance.safeParse(readJson(from))
if (!read.success) {
  const issue = read.error.issues[0]!
  fail(`${from} cannot be scheduled: ${issue.path.join('.') || 'the whole'}: ${issue.message}`)
}
const instance = read.data
const began = performance.timeOrigin + performance.now()
const gone = () => (performance.timeOrigin + performance.now() - began) / 1000

try {
  const { problem, lags } = problemOfInstance(instance)
  const name = (lag: number) => {
    const { from: a, to: b, min, max } = instance.lags[lag]!
    return `${a} to ${b} (${min}${max === null ? ' or more' : ` to ${max}`})`
  }
  const why = whyNone(problem, lags)
  const clash = why.lags.map(name).join(', ')
  if (!graphOf(problem)) fail(`No schedule keeps all waits: these go round in a circle: ${clash}.`)
  if (clash) fail(`No schedule keeps all waits: these clash: ${clash}.`)
  if (!why.found) fail('No schedule gives back all that is held: look at who waits for what while holding something.')
  const best = await bestOf(availableParallelism())
  if (!best) fail('No schedule was found that keeps all waits. Give it longer, or ease a greatest wait or a hold.')
  const starts = Object.fromEntries(instance.ops.map((o, i) => [o.id, best.start[i]!]))
  writeFileSync(to, `${JSON.stringify({ starts })}\n`)
  const graph = graphOf(problem)
  console.log(
    JSON.stringify({
      makespan: best.makespan,
      tardiness: best.tardiness,
      lowerBound: graph ? leastMakespan(problem, graph) : 0,
      seconds: Number(gone().toFixed(3)),
      feasible: true,
    }),
  )
} catch (error) {
  if (error instanceof InstanceError) fail(`${from} cannot be scheduled: ${error.message}`)
  throw error
}

/** Threads know nothing of the loader that the command was started with: they are given one plain script. */
async function bestOf(threads: number): Promise<Schedule | null> {
  const { outputFiles } = await build({
    entryPoints: [fileURLToPath(new URL('scheduleThread.ts', import.meta.url))],
    bundle: true,
    format: 'cjs',
    platform: 'node',
    write: false,
  })
  const script = outputFiles[0]!.text
  const found = await Promise.all(
    Array.from({ length: threads }, async (_, k) => {
      const task: ScheduleTask = { instance, from: began, seconds, seed: seed + 1000 * k }
      const worker = new Worker(script, { eval: true, workerData: task })
      const [best] = (await once(worker, 'message')) as [Schedule | null]
      await worker.terminate()
      return best
    }),
  )
  return found.reduce<Schedule | null>((best, s) => (s && (!best || s.cost < best.cost) ? s : best), null)
}

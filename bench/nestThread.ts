import { parentPort } from 'node:worker_threads'
import { seeded } from '../core/src/geometry/random.ts'
import { Contacts } from '../core/src/nesting/contacts.ts'
import type { NestInstance } from '../core/src/nesting/instance.ts'
import { areaOf, searchSheet } from '../core/src/nesting/nest.ts'
import { sharedExchange, type SharedMemory } from '../core/src/nesting/sharedExchange.ts'
import type { Stock } from '../core/src/nesting/shapes.ts'

/** What is laid, and on what, until another is sent. */
export interface NestWork {
  kind: 'work'
  stock: Stock
  bin: NestInstance['bin']
}

/** One bin to be laid; its answer is an empty message when the time is gone, the layout lies in the memory. */
export interface NestTask {
  kind: 'task'
  among: readonly number[]
  memory: SharedMemory
  /** When it was asked for, ms since 1970, and how long it may take, seconds. */
  from: number
  seconds: number
  seed: number
}

let work: { contacts: Contacts; sheetArea: number } | null = null

function search({ among, memory, from, seconds, seed }: NestTask): void {
  if (!work) throw new Error('A thread was asked for a layout before it knew of what.')
  const exchange = sharedExchange(memory)
  const progress = () => (performance.timeOrigin + performance.now() - from) / (1000 * seconds)
  // A first layout is worth waiting for: without it there is no answer at all.
  for (const _ of searchSheet({ ...work, among, random: seeded(seed), progress, exchange })) {
    if (progress() >= 1 && exchange.best()) break
  }
  parentPort?.postMessage(null)
}

parentPort?.on('message', (message: NestWork | NestTask) => {
  if (message.kind === 'task') search(message)
  else work = { contacts: new Contacts(message.stock, message.bin), sheetArea: areaOf(message.bin) }
})

import { writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { NestInstance, type Placement } from '../core/src/nesting/instance.ts'
import { areaOf, placementsOf } from '../core/src/nesting/nest.ts'
import { stockOf } from '../core/src/nesting/shapes.ts'
import { boxOf } from '../core/src/geometry/path.ts'
import { SaidError } from '../core/src/units/saidError.ts'
import { NestThreads } from './nestThreads.ts'
import { fail, readJson, searchArguments } from './command.ts'

/**
 * `npx tsx bench/nest.ts INSTANCE.json OUT.json [--seconds S] [--seed N]`: lays pieces on bins, one bin after the other,
 * and prints one JSON line of figures. Exits with 1 and a sentence when the instance cannot be used; then no file is
 * written.
 */
const { from, to, seconds, seed } = searchArguments('nest', 'layout', 10)

const read = NestInstance.safeParse(readJson(from))
if (!read.success) {
  const issue = read.error.issues[0]!
  fail(`${from} cannot be laid: ${issue.path.join('.') || 'the whole'}: ${issue.message}`)
}
const instance = read.data
const began = performance.now()
const gone = () => (performance.now() - began) / 1000

const threads = await NestThreads.begun(availableParallelism())
try {
  const stock = stockOf(instance.pieces, instance.gap)
  threads.begin(stock, instance.bin)
  let left = stock.items.map((_, i) => i)
  const placements: Placement[] = []
  const begins = boxOf(instance.bin.outline).minX
  const sheetArea = areaOf(instance.bin)
  let [bins, area, usedLength] = [0, 0, 0]
  while (bins < instance.max_bins && left.length > 0) {
    const wanted = left.reduce((sum, i) => sum + stock.items[i]!.area, 0)
    // As many bins as what is left may still take share the time that is left.
    const share = Math.min(instance.max_bins - bins, Math.max(1, Math.ceil(wanted / (0.8 * sheetArea))))
    const best = await threads.search(left, { seconds: (seconds - gone()) / share, seed: seed + 1000 * bins })
    if (!best?.places.laid.includes(1)) break
    placements.push(...placementsOf(stock, best.places, bins))
    left = left.filter((i) => !best.places.laid[i])
    area += best.area
    usedLength = best.reach - begins
    bins++
  }
  writeFileSync(to, `${JSON.stringify({ placements })}\n`)
  console.log(
    JSON.stringify({
      placed: placements.length,
      unplaced: left.length,
      bins,
      utilisation: bins === 0 ? 0 : Number((area / (bins * sheetArea)).toFixed(5)),
      usedLength: Number(usedLength.toFixed(3)),
      seconds: Number(gone().toFixed(3)),
    }),
  )
} catch (error) {
  if (error instanceof SaidError) fail(error.message)
  throw error
} finally {
  await threads.end()
}

import { signedArea } from '../../geometry/path.ts'
import type { Foot } from '../../trade/foot.ts'
import { workRules } from '../effort.ts'
import { sumOfParts, type Facts } from '../facts.ts'
import { cementOf, grams, stuffRules } from '../glues.ts'
import type { Stuff } from '../step.ts'
import type { ToolId } from '../tools.ts'
import { threadFor } from './seamWork.ts'

/** Thread of one foot's seam through the sole. */
export const threadOf = (f: Facts, foot: Foot, id: string): Stuff[] =>
  threadFor(
    f,
    f.shoes[foot].seams.filter((s) => s.id === id),
  )

/** Glue for faces of so much area, on one foot. */
export const glueFor = (f: Facts, foot: Foot, kind: string): Stuff =>
  grams(
    f.book,
    stuffRules.cement,
    sumOfParts(f, [foot], [kind], (p) => Math.abs(signedArea(p.outline))),
    2,
    cementOf(f).name,
  )
/** Time to coat both faces of a part of one foot. */
export const glueMinutes = (f: Facts, foot: Foot, kind: string) => {
  const area = sumOfParts(f, [foot], [kind], (p) => Math.abs(signedArea(p.outline))) / 10_000
  const rate = f.book.value(workRules.gluedArea)
  return {
    minutes: 3 + (2 * area) / rate,
    sentence: `${(2 * area).toFixed(1)} dm² on both faces at ${rate} a minute, and 3 minutes for the edges. Unglued layers squeak.`,
  }
}
/** What soles are pressed with; heat wakes some glues. */
export const pressedWith = (f: Facts): ToolId[] => [
  'press',
  'hammer',
  ...(f.work.ways.cement === 'heat-set glue' ? (['warm'] as const) : []),
]

import type { LastReadings } from '../last/readings.ts'
import type { Finding } from '../model/because.ts'
import type { PlanInput } from '../model/pair.ts'
import { lastFromSize, sizeFromLast, sizeSystemNames } from '../units/sizes.ts'

/** A last may differ from the length its size asks for by about a half size before it is another size, mm. */
const SIZE_SLACK = 5

/** Checks on the pair as a whole, before any part of it. */
export function pairFindings(input: PlanInput, readings: LastReadings): Finding[] {
  const { size } = input.decisions
  const length = readings.length
  const wanted = lastFromSize(size.system, size.value)
  const off = length - wanted
  const fits = Math.abs(off) <= SIZE_SLACK
  const reads = sizeFromLast(size.system, length)
  return [
    {
      id: 'pair.size',
      level: fits ? 'fine' : 'watch',
      where: 'size and last',
      sentence: fits
        ? `${sizeSystemNames[size.system]} ${size.value} asks for a last of about ${wanted.toFixed(0)} mm; this one is ${length} mm.`
        : `${sizeSystemNames[size.system]} ${size.value} asks for a last of about ${wanted.toFixed(0)} mm, but this one is ${length} mm, which reads ${reads.toFixed(1)}.`,
      measured: length,
      limit: wanted,
      unit: 'mm',
      mend: fits ? '' : 'Choose another last, or correct the size.',
    },
    ...readings.findings,
  ]
}

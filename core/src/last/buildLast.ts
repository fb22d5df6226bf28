import type { Last, LastMeasures, LastShape } from '../model/last.ts'
import { withBuildUps } from './buildUp.ts'
import { generateLast, tracedLength } from './generate.ts'
import { unpackSurface } from './packed.ts'
import { GeometryError } from '../geometry/path.ts'
import { landmarks } from './landmarks.ts'
import { lastReadings, type LastReadings } from './readings.ts'
import type { LastSurface } from './surface.ts'
import { readTracing } from './tracing.ts'
import { mm, say } from '../units/sentence.ts'

/** The measures of a traced last: its length and widths are those of the tracing, the rest are as given. */
export function tracedMeasures(shape: Extract<LastShape, { kind: 'traced' }>): LastMeasures {
  const { bottom, widths } = readTracing(shape.tracing, shape.measures)
  const m: LastMeasures = {
    ...shape.measures,
    seatWidth: widths.seat,
    waistWidth: widths.waist,
    jointWidth: widths.joint,
  }
  return { ...m, length: tracedLength(m, bottom) }
}

function bareSurface(shape: LastShape): LastSurface {
  switch (shape.kind) {
    case 'measures':
      return generateLast(shape.measures)
    case 'traced':
      return generateLast(tracedMeasures(shape), readTracing(shape.tracing, shape.measures).bottom)
    case 'kept':
      return unpackSurface(shape.surface)
  }
}

/** What makes a last's surface; name, note and stock do not. */
export type LastBody = Pick<Last, 'shape' | 'buildUps'>

/**
 * The canonical surface of a last, whatever it is made from, with its build-ups on. Throws GeometryError with a
 * sentence when it cannot be.
 */
export function buildLast({ shape, buildUps }: LastBody): LastSurface {
  return withBuildUps(bareSurface(shape), buildUps)
}

/** A last that was built and read: every tape goes round and every figure is one. Throws GeometryError when not. */
export function checkedLast(body: LastBody): { surface: LastSurface; readings: LastReadings } {
  const surface = buildLast(body)
  const readings = lastReadings(surface, landmarks(surface))
  const figures: [string, number][] = [
    ['length', readings.length],
    ...Object.entries(readings.girths).map(([name, v]): [string, number] => [`${name} girth`, v]),
    ...Object.entries(readings.widths).map(([name, v]): [string, number] => [`${name} width`, v]),
  ]
  const wrong = figures.find(([, v]) => !Number.isFinite(v) || v < 20)
  if (wrong) {
    throw new GeometryError(say`This surface is no last: its ${wrong[0]} cannot be read (${mm(Number(wrong[1]), 1)}).`)
  }
  return { surface, readings }
}

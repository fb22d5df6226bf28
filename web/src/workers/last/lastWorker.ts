import {
  bottomView,
  buildLast,
  buildUpFor,
  checkedLast,
  compareLasts,
  tapeAlong,
  type TapeAlong,
  cupFit,
  unitFit,
  featherLine,
  GeometryError,
  girth,
  girthPlanes,
  gradeOf,
  landmarks,
  lastedShoe,
  lastReadings,
  packSurface,
  readTracing,
  ridgeAndToe,
  backCurve,
  RuleBook,
  sideView,
  sizeRun,
  tracedMeasures,
  wallPoint,
  type BuildUp,
  type CupFit,
  type UnitFit,
  type CupSoleFields,
  type GirthStation,
  type Grade,
  type GradeName,
  type LaidTogether,
  type LastBody,
  type LastDifference,
  type LastMeasures,
  type LastReadings,
  type LastShape,
  type LastSurface,
  type LastView,
  type PackedSurface,
  type Path,
  type PlannedLayers,
  type Point,
  type ReadTracing,
  type Sentence,
  type RuleFigures,
} from '@gentle-awl/core'
import { expose } from 'comlink'
import { answered, type Answer } from '../answer.ts'

export interface BuiltLast {
  surface: LastSurface
  readings: LastReadings
  side: LastView
  bottom: LastView
}

/** One size of a run, ready to be drawn over the others. */
export interface DrawnSize {
  sizes: number
  problem: Sentence | null
  length: number
  jointGirth: number
  waistGirth: number
  instepGirth: number
  jointWidth: number
  bottom: Path
  profile: Path
}

/** A tracing read with what the pencil would have done had nobody taken it off. */
export interface TracedBottomView {
  read: ReadTracing
  measures: LastMeasures
  pencil: { length: number; width: number; jointGirth: number }
}

function built(last: LastBody): BuiltLast {
  const { surface, readings } = checkedLast(last)
  return { surface, readings, side: sideView(surface, readings), bottom: bottomView(surface, readings) }
}

const outlineOf = (s: LastSurface): Path =>
  [...featherLine(s, 'lateral'), ...featherLine(s, 'medial').reverse().slice(1, -1)].map((p): Point => [p[0], p[1]])

function profileOf(s: LastSurface): Path {
  const rim = Array.from({ length: s.coneColumn + 1 }, (_, i) => wallPoint(s, 'lateral', i, s.rows - 1))
  return [...backCurve(s), ...rim, ...ridgeAndToe(s), ...featherLine(s, 'lateral').reverse()].map((p): Point => [
    p[0],
    p[2],
  ])
}

/** What a last is graded from: its measures where it was made to measure, its surface otherwise. */
function gradeBase(last: LastBody): { measures: LastMeasures | null; surface: LastSurface } {
  const plain = last.shape.kind === 'measures' && last.buildUps.length === 0
  return {
    measures: plain && last.shape.kind === 'measures' ? last.shape.measures : null,
    surface: buildLast(last),
  }
}

function run(last: LastBody, name: GradeName, heel: Grade['heel'], steps: readonly number[], rules: RuleFigures) {
  return sizeRun(gradeBase(last), steps, gradeOf(name, heel, new RuleBook(rules, {})))
}

const worker = {
  build: (last: LastBody): Answer<BuiltLast> => answered(() => built(last)),

  compare: (
    first: LastBody,
    second: LastBody,
    at: LaidTogether,
  ): Answer<{
    first: LastSurface
    second: LastSurface
    difference: LastDifference
    /** Tape along each, the second's places as it is laid to the first. */
    tape: { first: TapeAlong; second: TapeAlong }
  }> =>
    answered(() => {
      const [a, b] = [buildLast(first), buildLast(second)]
      const difference = compareLasts(a, b, at)
      const { girth, at: places } = tapeAlong(b)
      const moved = { at: places.map((x) => x + difference.shift), girth }
      return { first: a, second: b, difference, tape: { first: tapeAlong(a), second: moved } }
    }),

  buildUpFor: (
    last: LastBody,
    station: GirthStation,
    place: BuildUp['place'],
    wanted: number,
    reach: number,
  ): Answer<BuildUp> => answered(() => buildUpFor(buildLast(last), station, place, wanted, reach)),

  /** The tape round a last along its length. */
  tape: (last: LastBody): Answer<TapeAlong> => answered(() => tapeAlong(buildLast(last))),

  sizes: (
    last: LastBody,
    name: GradeName,
    heel: Grade['heel'],
    steps: readonly number[],
    rules: RuleFigures,
  ): Answer<DrawnSize[]> =>
    answered(() =>
      run(last, name, heel, steps, rules).map((size): DrawnSize => {
        if ('problem' in size) {
          const { sizes, problem } = size
          return {
            sizes,
            problem,
            length: 0,
            jointGirth: 0,
            waistGirth: 0,
            instepGirth: 0,
            jointWidth: 0,
            bottom: [],
            profile: [],
          }
        }
        const r = lastReadings(size.surface, landmarks(size.surface))
        return {
          sizes: size.sizes,
          problem: null,
          length: r.length,
          jointGirth: r.girths.joint,
          waistGirth: r.girths.waist,
          instepGirth: r.girths.instep,
          jointWidth: r.widths.joint,
          bottom: outlineOf(size.surface),
          profile: profileOf(size.surface),
        }
      }),
    ),

  /** The shape of one graded size, to be put on the shelf as a last of its own. */
  gradedShape: (
    last: LastBody,
    from: string,
    name: GradeName,
    heel: Grade['heel'],
    sizes: number,
    rules: RuleFigures,
  ): Answer<LastShape> =>
    answered(() => {
      const size = run(last, name, heel, [sizes], rules)[0]!
      if ('problem' in size) throw new GeometryError(size.problem)
      if (size.measures) return { kind: 'measures', measures: size.measures }
      const surface: PackedSurface = packSurface(size.surface)
      return {
        kind: 'kept',
        surface,
        origin: { from: 'graded', name: from, foot: 'right', triangles: 0, within: null },
      }
    }),

  /** The shoe's outline with these layers on the last, at the height of the cup's wall. */
  lasted: (last: LastBody, layers: PlannedLayers, rules: RuleFigures): Answer<Path> =>
    answered(() => lastedShoe(buildLast(last), layers, new RuleBook(rules, {})).outline),

  /** How a shoe of this outline sits in a cup, or stands on a flat unit. */
  boughtSole: (
    lasted: Path,
    sole: Pick<CupSoleFields, 'form' | 'outline' | 'turned' | 'flipped'>,
    rules: RuleFigures,
    own: RuleFigures,
  ): Answer<CupFit | UnitFit> =>
    answered(() => {
      const book = new RuleBook(rules, own)
      return sole.form === 'cup' ? cupFit(lasted, sole, book) : unitFit(lasted, sole, book)
    }),

  tracing: (shape: Extract<LastShape, { kind: 'traced' }>): Answer<TracedBottomView> =>
    answered(() => {
      const read = readTracing(shape.tracing, shape.measures)
      const measures = tracedMeasures(shape)
      // The same walls on the outline as it was digitised: what the pencil alone would have added.
      const surface = buildLast({ shape, buildUps: [] })
      const plane = girthPlanes(landmarks(surface)).joint
      const wider = { ...surface, walls: { ...surface.walls }, bottom: surface.bottom }
      const k = 1 + (2 * read.pencilOff) / read.widths.joint
      const spread = (part: Float64Array) => part.map((v, i) => (i % 3 === 1 ? v * k : v))
      wider.walls = { lateral: spread(surface.walls.lateral), medial: spread(surface.walls.medial) }
      wider.bottom = spread(surface.bottom)
      return {
        read,
        measures,
        pencil: {
          length: 2 * read.pencilOff,
          width: 2 * read.pencilOff,
          jointGirth: girth(wider, plane) - girth(surface, plane),
        },
      }
    }),
}
export type LastWorker = typeof worker
expose(worker)

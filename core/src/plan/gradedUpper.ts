import { gradeOf, sizeRun, type Grade, type GradeName } from '../last/grade.ts'
import type { Path } from '../geometry/path.ts'
import { landmarks } from '../last/landmarks.ts'
import { lastReadings } from '../last/readings.ts'
import type { PlanInput } from '../model/pair.ts'
import { RuleBook } from '../trade/rules.ts'
import type { StageCache } from './stageCache.ts'
import { materialsOf } from './materials.ts'
import { formeStage, lastStage, upperLayers } from './planPair.ts'
import { deriveUpper } from '../upper/upper.ts'
import type { Sentence } from '../units/sentence.ts'

/** The pieces of one size, in the frame that all sizes share; or why that size cannot be. */
export type GradedUpper =
  | { sizes: number; length: number; pieces: { id: string; name: string; outline: Path; net: Path }[]; problem: null }
  | { sizes: number; problem: Sentence }

/**
 * The whole upper in another size: the last is graded, laid flat, and the design derived anew on it, so that rules,
 * moved points and checks hold in every size. A forme from tape is the base size's alone; others are computed. Allowances
 * and punches stay what they are. A size that cannot be is no error: it says why.
 */
export function gradedUpper(
  input: PlanInput,
  sizes: number,
  name: GradeName,
  heel: Grade['heel'],
  cache: StageCache,
): GradedUpper {
  const { last, decisions } = input
  const book = new RuleBook(input.houseRules, decisions.rules)
  const surface = lastStage(last, cache)
  const measures = last.shape.kind === 'measures' && last.buildUps.length === 0 ? last.shape.measures : null
  const size = cache.ruled(
    'graded last',
    { surface, measures: cache.same('measures', measures), sizes, name, heel },
    book,
    (i, rules) => sizeRun({ measures: i.measures, surface: i.surface }, [i.sizes], gradeOf(i.name, i.heel, rules))[0],
  )
  if ('problem' in size!) return size
  const how = decisions.upper.forme
  const map = formeStage(size!.surface, { ...how, tapings: sizes === 0 ? how.tapings : null }, cache)
  try {
    const readings = lastReadings(size!.surface, landmarks(size!.surface))
    const upper = deriveUpper({
      map,
      decisions: decisions.upper,
      book,
      heelHeight: readings.heelHeight,
      heelGirth: readings.girths.heel,
      layers: upperLayers(materialsOf(input, cache), cache),
    })
    return {
      sizes,
      length: size!.surface.length,
      pieces: upper.pieces.map(({ id, name: piece, outline, net }) => ({ id, name: piece, outline, net })),
      problem: null,
    }
  } catch (error) {
    if (!(error instanceof Error) || error.name !== 'GeometryError') throw error
    return { sizes, problem: error.message }
  }
}

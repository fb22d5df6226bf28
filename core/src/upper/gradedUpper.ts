import { gradeOf, sizeRun, type Grade, type GradeName } from '../fit/grade.ts'
import { makeForme } from '../forme/forme.ts'
import { FormeMap } from '../forme/formeMap.ts'
import type { Path } from '../geometry/path.ts'
import { landmarks } from '../last/landmarks.ts'
import { lastReadings } from '../last/readings.ts'
import type { PlanInput } from '../model/pair.ts'
import { RuleBook } from '../model/rules.ts'
import type { StageCache } from '../plan/stageCache.ts'
import { lastStage } from '../plan/planPair.ts'
import { deriveUpper } from './upper.ts'

/** The pieces of one size, in the frame that all sizes share; or why that size cannot be. */
export type GradedUpper =
  | { sizes: number; length: number; pieces: { id: string; name: string; outline: Path; net: Path }[]; problem: null }
  | { sizes: number; problem: string }

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
  const { last, decisions, materials } = input
  const book = new RuleBook(input.houseRules, decisions.rules)
  const surface = lastStage(last, cache)
  const measures = last.shape.kind === 'made' && last.buildUps.length === 0 ? last.shape.measures : null
  const [size] = sizeRun({ measures, surface }, [sizes], gradeOf(name, heel, book))
  if ('problem' in size) return size
  const thickness = (id: string) => materials.find((m) => m.id === id)?.thickness ?? 0
  const how = decisions.upper.forme
  const map = cache.stage(
    'graded forme',
    [
      surface,
      sizes,
      name,
      heel,
      how.kind,
      how.match,
      how.feather,
      size.surface.length,
      how.tapings && JSON.stringify(how.tapings),
    ],
    () =>
      new FormeMap(
        size.surface,
        makeForme(size.surface, how.kind, how.match, sizes === 0 ? how.tapings : null),
        how.feather,
      ),
  )
  try {
    const readings = lastReadings(size.surface, landmarks(size.surface))
    const upper = deriveUpper({
      map,
      decisions: decisions.upper,
      book,
      heelHeight: readings.heelHeight,
      heelGirth: readings.girths.heel,
      layers: {
        upper: thickness(decisions.materials.upper),
        lining: thickness(decisions.materials.lining),
        stiffener: thickness(decisions.materials.stiffener),
      },
    })
    return {
      sizes,
      length: size.surface.length,
      pieces: upper.pieces.map(({ id, name: piece, outline, net }) => ({ id, name: piece, outline, net })),
      problem: null,
    }
  } catch (error) {
    if (!(error instanceof Error) || error.name !== 'GeometryError') throw error
    return { sizes, problem: error.message }
  }
}

import { makeForme } from '../forme/forme.ts'
import { FormeMap } from '../forme/formeMap.ts'
import { developBottom } from '../last/developedBottom.ts'
import { buildLast, type LastBody } from '../last/buildLast.ts'
import { landmarks } from '../last/landmarks.ts'
import { lastReadings, type LastReadings } from '../last/readings.ts'
import type { LastSurface } from '../last/surface.ts'
import type { Layers } from '../layers/layers.ts'
import type { Path } from '../geometry/path.ts'
import type { Finding, Level } from '../model/because.ts'
import type { PlanInput } from '../model/pair.ts'
import { RuleBook } from '../model/rules.ts'
import type { UpperDecisions } from '../model/upper.ts'
import type { Part } from '../parts/part.ts'
import { topLineRules } from '../parts/topLine.ts'
import { deriveUpper, drawBase, type Upper } from '../upper/upper.ts'
import { upperRules } from '../upper/upperRules.ts'
import type { Operation } from '../work/operation.ts'
import { operations } from '../work/operations.ts'
import { workRules } from '../work/step.ts'
import { waitRules } from '../work/waits.ts'
import { bottomParts, type Bottom } from './bottomParts.ts'
import { materialsOf, stampOf } from './materials.ts'
import { pairFindings } from './pairFindings.ts'
import { checkRuleFigures } from './ruleRegistry.ts'
import { StageCache } from './stageCache.ts'
import { wallParts } from './wallParts.ts'

/** Everything that follows from a pair's decisions. Plain data: it can be stored, sent or printed. */
export interface Plan {
  last: LastReadings
  /** The base pattern: pieces, points, lines and checks of the upper. */
  upper: Upper
  parts: Part[]
  /** What lies on what, and what comes of it. */
  layers: Layers
  /** The bottom in side section, with the heel under it. */
  bottom: Bottom
  /** The lasted shoe's edge on the bottom laid flat: what a midsole is cut from and a cup sole must hold. */
  lasted: Path
  /** Findings on the pair as a whole; those on a part stand with the part. */
  findings: Finding[]
  operations: Operation[]
  worst: Level
}

/** The canonical surface of a last: the pipeline's first stage, also used by the 3D view. */
export function lastStage({ shape, buildUps }: LastBody, cache: StageCache): LastSurface {
  return cache.stage('last', [JSON.stringify([shape, buildUps])], () => buildLast({ shape, buildUps }))
}

/** Both sides of the last laid flat and on each other, as a map between the forme and the last. */
export function formeStage(surface: LastSurface, how: UpperDecisions['forme'], cache: StageCache): FormeMap {
  const forme = cache.stage('forme', [surface, how.kind, how.match, how.tapings && JSON.stringify(how.tapings)], () =>
    makeForme(surface, how.kind, how.match, how.tapings),
  )
  return cache.stage('formeMap', [forme, how.feather], () => new FormeMap(surface, forme, how.feather))
}

/**
 * The pipeline, in the order in which a shoemaker works: last, bottom, top line, wall sheets, stiffener and puff,
 * layers, parts under the foot, findings, steps. Pure: equal input gives an equal plan, and moving one decision
 * computes only what follows from it. Throws PlanError, RuleError or GeometryError with a sentence for a person.
 */
export function planPair(input: PlanInput, cache: StageCache = new StageCache()): Plan {
  const { decisions: d, last } = input
  checkRuleFigures(input.houseRules)
  checkRuleFigures(d.rules)
  const book = new RuleBook(input.houseRules, d.rules)
  const material = materialsOf(input)

  const surface = lastStage(last, cache)
  const marks = cache.stage('landmarks', [surface], () => landmarks(surface))
  const readings = cache.stage('readings', [surface, marks], () => lastReadings(surface, marks))
  const map = formeStage(surface, d.upper.forme, cache)
  const drawing = { map, decisions: d.upper, book }
  const drawingKeys = [map, JSON.stringify(d.upper), book.stamp(upperRules), book.stamp(topLineRules)]
  const base = cache.stage('base', drawingKeys, () => drawBase(drawing))
  const upper = cache.stage(
    'upper',
    [
      ...drawingKeys,
      readings.heelHeight,
      readings.girths.heel,
      stampOf(material.upper),
      stampOf(material.lining),
      stampOf(material.stiffener),
    ],
    () =>
      deriveUpper(
        {
          ...drawing,
          heelHeight: readings.heelHeight,
          heelGirth: readings.girths.heel,
          layers: {
            upper: material.upper.thickness,
            lining: material.lining.thickness,
            stiffener: material.stiffener.thickness,
          },
        },
        base,
      ),
  )
  const bottom = cache.stage('bottom', [surface, marks], () => developBottom(surface, marks))
  const wall = wallParts({ surface, marks, map, base, upper, bottom, decisions: d, material, book }, cache)
  const under = bottomParts({ surface, marks, bottom, wall, decisions: d, material, book }, cache)

  const parts = [...wall.parts, ...under.parts]
  const findings = pairFindings(input, readings)
  const steps = cache.stage(
    'operations',
    [...parts, d.construction, d.sock.padding, stampOf(material.upper), book.stamp(workRules), book.stamp(waitRules)],
    () =>
      operations({
        construction: d.construction,
        parts: new Map(parts.map((p) => [p.id, p])),
        materials: material,
        padding: d.sock.padding,
        book,
      }),
  )
  const levels = [
    ...findings,
    ...upper.findings,
    ...wall.layers.findings,
    ...under.bottom.findings,
    ...parts.flatMap((p) => p.findings),
  ].map((f) => f.level)
  return {
    last: readings,
    upper,
    parts,
    layers: wall.layers,
    bottom: under.bottom,
    lasted: under.lasted.outline,
    findings,
    operations: steps,
    worst: levels.includes('stop') ? 'stop' : levels.includes('watch') ? 'watch' : 'fine',
  }
}

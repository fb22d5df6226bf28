import { makeForme } from '../forme/forme.ts'
import { FormeMap } from '../forme/formeMap.ts'
import { heelPatch } from '../forme/heelPatch.ts'
import { toePatch } from '../forme/toePatch.ts'
import { developBottom } from '../last/developedBottom.ts'
import { buildLast, type LastBody } from '../last/buildLast.ts'
import type { Side } from '../last/frame.ts'
import { landmarks } from '../last/landmarks.ts'
import { lastReadings, type LastReadings } from '../last/readings.ts'
import type { LastSurface } from '../last/surface.ts'
import { lastedOutline } from '../layers/lastedOutline.ts'
import type { Path } from '../geometry/path.ts'
import type { Finding, Level } from '../model/because.ts'
import { mayServe, roleNames, type Material, type MaterialRole } from '../model/material.ts'
import type { PlanInput } from '../model/pair.ts'
import { RuleBook } from '../model/rules.ts'
import type { UpperDecisions } from '../model/upper.ts'
import { insole, insoleRules } from '../parts/insole.ts'
import { midsole, midsoleRules } from '../parts/midsole.ts'
import { paddingLoss } from '../parts/paddingLoss.ts'
import type { Part } from '../parts/part.ts'
import { padding, sockLiner, sockRules } from '../parts/sockLiner.ts'
import { BEYOND_JOINT, stiffener, stiffenerEnds } from '../parts/stiffener.ts'
import { stiffenerRules } from '../parts/stiffenerRules.ts'
import { topLine, topLineRules } from '../parts/topLine.ts'
import { puffBackAtFeather, puffRules, toePuff } from '../parts/toePuff.ts'
import { deriveUpper, type Upper } from '../upper/upper.ts'
import { upperRules } from '../upper/upperRules.ts'
import type { Operation } from '../work/operation.ts'
import { operations } from '../work/operations.ts'
import { workRules } from '../work/step.ts'
import { waitRules } from '../work/waits.ts'
import { pairFindings } from './pairFindings.ts'
import { checkRuleFigures } from './ruleRegistry.ts'
import { StageCache } from './stageCache.ts'

/** Everything that follows from a pair's decisions. Plain data: it can be stored, sent or printed. */
export interface Plan {
  last: LastReadings
  /** The base pattern: pieces, points, lines and checks of the upper. */
  upper: Upper
  parts: Part[]
  /** The lasted shoe's edge on the bottom laid flat: what a midsole is cut from and a cup sole must hold. */
  lasted: Path
  /** Findings on the pair as a whole; those on a part stand with the part. */
  findings: Finding[]
  operations: Operation[]
  worst: Level
}

/** Thrown when a pair's decisions cannot be planned at all; `field` is the decision to change. */
export class PlanError extends Error {
  override readonly name = 'PlanError'
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message)
  }
}

function materialFor(input: PlanInput, role: MaterialRole): Material {
  const id = input.decisions.materials[role]
  const found = input.materials.find((m) => m.id === id)
  if (!found) {
    throw new PlanError(
      `materials.${role}`,
      `${roleNames[role]}: the chosen material is not among the pair's materials.`,
    )
  }
  if (!mayServe(role, found.kind)) {
    throw new PlanError(
      `materials.${role}`,
      `${roleNames[role]}: ${found.name} is ${found.kind}, which cannot serve here.`,
    )
  }
  return found
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

/** The toe sheet starts this far behind what lies on it, mm. */
const BEHIND = 14
/** The heel sheet of short stiffeners reaches at least this share of L, so that the front can be moved without laying it out anew. */
const SHORT_REACH = 0.36

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
  const material = {
    upper: materialFor(input, 'upper'),
    lining: materialFor(input, 'lining'),
    insole: materialFor(input, 'insole'),
    stiffener: materialFor(input, 'stiffener'),
    puff: materialFor(input, 'puff'),
    sock: materialFor(input, 'sock'),
    midsole: materialFor(input, 'midsole'),
  }
  if (d.sock.padding !== 'none' && !d.materials.padding) {
    throw new PlanError('materials.padding', 'Choose a material for the padding, or plan the pair without padding.')
  }
  const paddingMaterial = d.sock.padding === 'none' ? null : materialFor(input, 'padding')
  const stamp = (m: Material) => `${m.name}|${m.kind}|${m.thickness}`

  const surface = lastStage(last, cache)
  const L = surface.length
  const marks = cache.stage('landmarks', [surface], () => landmarks(surface))
  const readings = cache.stage('readings', [surface, marks], () => lastReadings(surface, marks))
  const map = formeStage(surface, d.upper.forme, cache)
  const upper = cache.stage(
    'upper',
    [
      map,
      JSON.stringify(d.upper),
      readings.heelHeight,
      readings.girths.heel,
      book.stamp(upperRules),
      book.stamp(topLineRules),
      stamp(material.upper),
      stamp(material.lining),
      stamp(material.stiffener),
    ],
    () =>
      deriveUpper({
        map,
        decisions: d.upper,
        book,
        heelHeight: readings.heelHeight,
        heelGirth: readings.girths.heel,
        layers: {
          upper: material.upper.thickness,
          lining: material.lining.thickness,
          stiffener: material.stiffener.thickness,
        },
      }),
  )
  const bottom = cache.stage('bottom', [surface, marks], () => developBottom(surface, marks))
  const joint: Record<Side, number> = surface.joints
  const top = cache.stage('topLine', [L, book.stamp(topLineRules)], () => topLine(L, book))

  const ends = stiffenerEnds(L, joint, d.stiffener, book)
  const reach: Record<Side, number> = {
    lateral: reachOf(ends.lateral, joint.lateral, L),
    medial: reachOf(ends.medial, joint.medial, L),
  }
  const liningT = material.lining.thickness
  const heelSheet = cache.stage(
    'heelSheet',
    [surface, top, reach.lateral, reach.medial, liningT, material.stiffener.thickness],
    () =>
      heelPatch(
        surface,
        reach,
        (side, station) => Math.max(top.back + 6, top.height(side, station)),
        liningT + material.stiffener.thickness / 2,
      ),
  )
  const stiffenerPart = cache.stage(
    'stiffener',
    [heelSheet, JSON.stringify(d.stiffener), stamp(material.stiffener), book.stamp(stiffenerRules)],
    () =>
      stiffener({
        patch: heelSheet,
        topLine: top,
        length: L,
        joint,
        decisions: d.stiffener,
        material: material.stiffener,
        book,
      }),
  )

  // The sheet starts behind the crease line so that it can be drawn, and further back for a puff that passes it.
  const puffBack = puffBackAtFeather(L, d.puff, book)
  const toeFrom = Math.min(joint.lateral, puffBack) - BEHIND
  const toeStart = Math.floor(toeFrom / 10) * 10
  const toeSheet = cache.stage('toeSheet', [surface, toeStart, liningT, material.puff.thickness], () =>
    toePatch(surface, toeStart, liningT + material.puff.thickness / 2),
  )
  const puffPart = cache.stage(
    'puff',
    [toeSheet, JSON.stringify(d.puff), stamp(material.puff), book.stamp(puffRules)],
    () =>
      toePuff({
        patch: toeSheet,
        length: L,
        joint,
        ridgeJoint: marks.ridgeJoint[0],
        decisions: d.puff,
        material: material.puff,
        book,
      }),
  )

  const layers = {
    upper: material.upper.thickness,
    lining: liningT,
    stiffener: material.stiffener.thickness,
    puff: material.puff.thickness,
    stiffenerEnd: { lateral: ends.lateral, medial: ends.medial },
    stiffenerSkive: book.value(stiffenerRules.topSkive),
    puffBack,
    puffSkive: book.value(puffRules.backSkive),
  }
  const lasted = cache.stage('lasted', [bottom, JSON.stringify(layers)], () => lastedOutline(bottom, layers))

  const insolePart = cache.stage(
    'insole',
    [bottom, d.construction, stamp(material.insole), book.stamp(insoleRules)],
    () => insole({ bottom, length: L, construction: d.construction, material: material.insole, book }),
  )
  const sockNeeds = { bottom, length: L, lining: liningT, book }
  const sockPart = cache.stage('sock', [bottom, liningT, stamp(material.sock)], () =>
    sockLiner({ ...sockNeeds, material: material.sock }),
  )
  const extent = d.sock.padding
  const paddingPart =
    extent === 'none' || !paddingMaterial
      ? null
      : cache.stage('padding', [bottom, liningT, extent, stamp(paddingMaterial), book.stamp(sockRules)], () =>
          padding({
            ...sockNeeds,
            material: paddingMaterial,
            extent,
            loss: paddingLoss(
              surface,
              marks,
              paddingMaterial.thickness,
              extent,
              book.value(sockRules.halfShare) * L,
              book.value(sockRules.frontSkive),
            ),
          }),
        )
  const midsolePart = cache.stage(
    'midsole',
    [bottom, lasted, d.construction, d.midsole.room, stamp(material.midsole), book.stamp(midsoleRules)],
    () =>
      midsole({
        bottom,
        lasted,
        length: L,
        construction: d.construction,
        decisions: d.midsole,
        material: material.midsole,
        book,
      }),
  )

  const parts = [insolePart, stiffenerPart, puffPart, sockPart, ...(paddingPart ? [paddingPart] : []), midsolePart]
  const findings = pairFindings(input, readings)
  const steps = cache.stage(
    'operations',
    [...parts, d.construction, extent, stamp(material.upper), book.stamp(workRules), book.stamp(waitRules)],
    () =>
      operations({
        construction: d.construction,
        parts: new Map(parts.map((p) => [p.id, p])),
        materials: material,
        padding: extent,
        book,
      }),
  )
  const levels = [...findings, ...upper.findings, ...parts.flatMap((p) => p.findings)].map((f) => f.level)
  return {
    last: readings,
    upper,
    parts,
    lasted: lasted.outline,
    findings,
    operations: steps,
    worst: levels.includes('stop') ? 'stop' : levels.includes('watch') ? 'watch' : 'fine',
  }
}

/** How far the heel sheet is laid out, in steps, so that moving the front a little does not lay it out anew. */
function reachOf(end: number, joint: number, length: number): number {
  const most = Math.min(joint + BEYOND_JOINT, 0.78 * length)
  return end <= SHORT_REACH * length ? SHORT_REACH * length : Math.max(end, most)
}

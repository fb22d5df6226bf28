import type { FootPlan, Plan } from './plan.ts'
import { checksOf } from '../checks/checks.ts'
import { makeForme } from '../forme/forme.ts'
import { FormeMap } from '../forme/formeMap.ts'
import { developBottom } from '../last/developedBottom.ts'
import { buildLast, type LastBody } from '../last/buildLast.ts'
import { landmarks } from '../last/landmarks.ts'
import { lastReadings } from '../last/readings.ts'
import { deriveLasting } from '../lasting/lasting.ts'
import type { LastSurface } from '../last/surface.ts'
import { GeometryError } from '../geometry/path.ts'
import type { Level } from '../model/level.ts'
import { traitsOf } from '../model/construction.ts'
import type { CupSole } from '../model/cupSole.ts'
import type { PairDecisions, PlanInput } from '../model/pair.ts'
import { RuleBook, type Rule } from '../trade/rules.ts'
import type { UpperDecisions } from '../model/upper.ts'
import type { UpperLayers } from '../upper/needs.ts'
import { deriveUpper, drawBase, type Upper } from '../upper/upper.ts'
import { bothFeet } from './bothFeet.ts'
import { bottomParts } from './bottomParts.ts'
import { checkFigures } from './checkFigures.ts'
import { edgesStage, skivingOf } from './edgesStage.ts'
import { findingsOfBoth } from './feetFindings.ts'
import { leftInput } from './leftShoe.ts'
import { materialFindings } from './materialFindings.ts'
import type { Material } from '../model/material.ts'
import { pieceRole } from '../trade/pieceRole.ts'
import { materialsOf, type PairMaterials } from './materials.ts'
import { pairFindings } from './pairFindings.ts'
import { PlanError } from './planError.ts'
import { checkRuleFigures } from './ruleRegistry.ts'
import { StageCache } from './stageCache.ts'
import { stitchingStage, withRows } from './stitchingStage.ts'
import { wallParts } from './wallParts.ts'
import { workStage } from './workStage.ts'

/** The canonical surface of a last: the pipeline's first stage, also used by the 3D view. */
export function lastStage({ shape, buildUps }: LastBody, cache: StageCache): LastSurface {
  return cache.dear('last', { body: cache.same('last', { shape, buildUps }) }, ({ body }) => buildLast(body))
}

/** Both sides of the last laid flat and on each other, as a map between the forme and the last. */
export function formeStage(surface: LastSurface, how: UpperDecisions['forme'], cache: StageCache): FormeMap {
  const forme = cache.dear(
    'forme',
    { surface, kind: how.kind, match: how.match, tapings: cache.same('tapings', how.tapings) },
    (i) => makeForme(i.surface, i.kind, i.match, i.tapings),
  )
  return cache.stage(
    'formeMap',
    { surface, forme, feather: how.feather },
    (i) => new FormeMap(i.surface, i.forme, i.feather),
  )
}

/**
 * The pipeline, in the order in which a shoemaker works: last, bottom, top line, wall sheets, stiffener and puff,
 * layers, parts under the foot, findings, for each foot that differs; then the steps. Pure: equal input gives an equal
 * plan, and moving one decision computes only what follows from it. Throws PlanError, RuleError or GeometryError with
 * a sentence for a person. `hear` is told of every rule the plan rests on, as often as it is read.
 */
export function planPair(input: PlanInput, cache: StageCache = new StageCache(), hear?: (rule: Rule) => void): Plan {
  const { decisions: d } = input
  checkRuleFigures(input.houseRules)
  checkRuleFigures(d.rules)
  const book = new RuleBook(input.houseRules, d.rules, hear)
  const right = planFoot(input, cache, 'right', hear)
  const leftOf = leftInput(input)
  const left = leftOf && ofLeftShoe(() => planFoot(leftOf, cache, 'left', hear))
  const material = materialsOf(input, cache)
  const paddings = { right: d.sock.padding, left: leftOf?.decisions.sock.padding ?? d.sock.padding }
  const rightParts = cache.list('parts of the right', right.parts)
  const leftParts = cache.list('parts of the left', (left ?? right).parts)
  const feet = cache.stage(
    'feet',
    {
      upper: right.upper,
      stitching: right.stitching,
      parts: rightParts,
      leftUpper: left?.upper ?? null,
      leftStitching: left?.stitching ?? null,
      leftParts,
    },
    ({ leftUpper, leftStitching, leftParts: others, ...shoe }) =>
      bothFeet(shoe, leftUpper && leftStitching && { upper: leftUpper, stitching: leftStitching, parts: others }),
  )
  const { steps, asked } = workStage(
    { right, left: left ?? right, rightParts, leftParts, feet, paddings, decisions: d, material, book },
    cache,
  )
  const checks = cache.ruled(
    'checks',
    {
      steps,
      right: cache.same('figures of a shoe', checkFigures(right, d.construction)),
      left: cache.same('figures of a shoe', checkFigures(left ?? right, d.construction)),
      mirrored: left === null,
    },
    book,
    checksOf,
  )
  const skiving = cache.stage(
    'skiving',
    {
      upper: right.upper,
      edges: right.edges,
      parts: rightParts,
      leftUpper: left?.upper ?? null,
      leftEdges: left?.edges ?? null,
      leftParts,
      own: material.own,
      leather: material.upper,
    },
    ({ leftUpper, leftEdges, leftParts: others, own, leather, ...shoe }) =>
      skivingOf(shoe, leftUpper && leftEdges && { upper: leftUpper, edges: leftEdges, parts: others }, {
        own,
        upper: leather,
      }),
  )
  const feetFindings = left ? findingsOfBoth(right, left, book) : []
  return {
    ...right,
    left,
    feet,
    feetFindings,
    skiving,
    steps,
    checks,
    asked,
    worst: gravest([right.worst, left?.worst ?? 'fine', ...feetFindings.map((f) => f.level)]),
  }
}

/** Throws PlanError when the bought sole that was chosen is not with the pair. */
function cupSoleOf({ decisions, cupSole }: PlanInput): CupSole | null {
  if (decisions.cupSoleId === null || !traitsOf(decisions.construction).bought) return null
  if (cupSole?.id !== decisions.cupSoleId) {
    throw new PlanError('cupSoleId', 'The bought sole that was chosen is not with the pair. Choose it again.')
  }
  return cupSole
}

const gravest = (levels: readonly Level[]): Level =>
  levels.includes('stop') ? 'stop' : levels.includes('watch') ? 'watch' : 'fine'

/** What goes wrong with the left shoe alone says so. */
function ofLeftShoe<T>(plan: () => T): T {
  try {
    return plan()
  } catch (error) {
    if (error instanceof PlanError) throw new PlanError(error.field, `Left shoe: ${error.message}`)
    if (error instanceof GeometryError) throw new GeometryError(`Left shoe: ${error.message}`)
    throw error
  }
}

/** Decisions whose groups are the very objects they were when they last said the same: what stages may name as inputs. */
function knownDecisions(decisions: PairDecisions, cache: StageCache): PairDecisions {
  return {
    ...decisions,
    stiffener: cache.same('stiffener', decisions.stiffener),
    lining: cache.same('lining', decisions.lining),
    stitching: cache.same('stitching', decisions.stitching),
    puff: cache.same('puff', decisions.puff),
    sock: cache.same('sock', decisions.sock),
    midsole: cache.same('midsole', decisions.midsole),
    lasted: cache.same('lasted', decisions.lasted),
    heel: cache.same('heel', decisions.heel),
    outsole: cache.same('outsole', decisions.outsole),
    upper: cache.same('upper', decisions.upper),
  }
}

/** What the upper's checks have to reckon with. */
export const upperLayers = (material: PairMaterials, cache: StageCache): UpperLayers =>
  cache.same('layers of the upper', {
    upper: material.upper.thickness,
    own: material.thick,
    backer: material.backer?.thickness ?? 0,
    heelLining: material.liningsAt.heel,
    lining: material.liningsAt.most,
    stiffener: material.stiffener.thickness,
    gives: { usual: givesOf(material.upper), own: givesOfPieces(material) },
  })

const givesOf = ({ name, stretch }: Material) => stretch && { name, share: stretch.loose / 100 }

const givesOfPieces = ({ own }: PairMaterials) =>
  Object.fromEntries(
    Object.entries(own)
      .filter(([id]) => pieceRole(id) === 'upper')
      .map(([id, material]) => [id, givesOf(material)]),
  )

/** What a shoe's upper comes to, with all that the parts inside and under it read. */
function upperStage(input: PlanInput, cache: StageCache, hear?: (rule: Rule) => void) {
  const d = knownDecisions(input.decisions, cache)
  const book = new RuleBook(input.houseRules, d.rules, hear)
  const material = materialsOf(input, cache)
  const surface = lastStage(input.last, cache)
  const marks = cache.stage('landmarks', { surface }, (i) => landmarks(i.surface))
  const readings = cache.stage('readings', { surface, marks }, (i) => lastReadings(i.surface, i.marks))
  const map = formeStage(surface, d.upper.forme, cache)
  const drawing = { map, decisions: d.upper, heelGirth: readings.girths.heel }
  const base = cache.ruled('base', drawing, book, (i, rules) => drawBase({ ...i, book: rules }))
  const upper = cache.ruled(
    'upper',
    {
      ...drawing,
      base,
      heelHeight: readings.heelHeight,
      layers: upperLayers(material, cache),
    },
    book,
    ({ base: drawn, ...i }, rules) => deriveUpper({ ...i, book: rules }, drawn),
  )
  return { decisions: d, book, material, surface, marks, readings, map, base, upper }
}

/**
 * The uppers alone, the first thing that follows from a moved point: what is under the hand can be shown before the
 * rest is made, and planPair finds it done. Throws as planPair does.
 */
export function planUppers(input: PlanInput, cache: StageCache): { right: Upper; left: Upper | null } {
  checkRuleFigures(input.houseRules)
  checkRuleFigures(input.decisions.rules)
  const leftOf = leftInput(input)
  return {
    right: upperStage(input, cache).upper,
    left: leftOf && ofLeftShoe(() => upperStage(leftOf, cache).upper),
  }
}

/** One shoe, as a right one, from its last to its findings. */
function planFoot(input: PlanInput, cache: StageCache, foot: 'right' | 'left', hear?: (rule: Rule) => void): FootPlan {
  const { decisions: d, book, material, surface, marks, readings, map, base, upper } = upperStage(input, cache, hear)
  const bottom = cache.stage('bottom', { surface, marks }, (i) => developBottom(i.surface, i.marks))
  const wall = wallParts({ surface, marks, map, base, upper, bottom, decisions: d, material, book }, cache)
  const cupSole = cache.same('cup sole', cupSoleOf(input))
  const under = bottomParts({ surface, marks, bottom, wall, decisions: d, cupSole, material, book }, cache)

  const edges = edgesStage({ upper, wall, material, book }, cache)
  const stitching = stitchingStage(
    { upper, wall, edges, under: under.parts, feathers: map.feathers, decisions: d, material, book },
    cache,
  )
  const lasting = cache.ruled(
    'lasting',
    {
      bottom,
      turned: wall.turned,
      insole: material.insole.thickness,
      length: surface.length,
      heights: wall.heights,
      liningFirst: d.work.ways.lasting === 'lining first',
      byHand: d.work.ways.pull === 'by hand',
    },
    book,
    (i, rules) => deriveLasting({ ...i, book: rules }),
  )
  const parts = [...wall.parts, ...under.parts].map((part) => withRows(part, stitching, cache))
  // The size is the pair's: it is read off the right last, and a left foot may well be shorter.
  const findings =
    foot === 'right'
      ? [...pairFindings(input, readings, upper), ...materialFindings(input, upper.pieces, parts, book)]
      : readings.findings
  const levels = [
    ...findings,
    ...upper.findings,
    ...wall.layers.findings,
    ...edges.findings,
    ...stitching.findings,
    ...lasting.findings,
    ...under.bottom.findings,
    ...parts.flatMap((p) => p.findings),
  ].map((f) => f.level)
  return {
    last: readings,
    upper,
    parts,
    layers: wall.layers,
    edges,
    stitching,
    lasting,
    bottom: under.bottom,
    lasted: under.lasted.outline,
    findings,
    worst: gravest(levels),
  }
}

import type { CupFit } from '../parts/cup/cupFit.ts'
import { boxOf, type Path } from '../geometry/path.ts'
import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { Side } from '../trade/side.ts'
import type { Landmarks } from '../last/landmarks.ts'
import type { LastSurface } from '../last/surface.ts'
import type { LastedOutline } from '../layers/lastedOutline.ts'
import { thicknessOf } from '../layers/turnedStack.ts'
import type { Finding } from '../trade/because.ts'
import type { Traits } from '../model/construction.ts'
import type { CupSole } from '../model/cupSole.ts'
import type { PairDecisions } from '../model/pair.ts'
import type { RuleBook } from '../trade/rules.ts'
import { bottomRules } from '../parts/sole/bottomRules.ts'
import { cupOf } from '../parts/cup/cupBottom.ts'
import { heelStands } from '../parts/shared/heelStands.ts'
import { measured, stoodOn } from '../parts/shared/stoodOn.ts'
import { onUnit, unitOf } from '../parts/unit/unitBottom.ts'
import type { UnitFit } from '../parts/unit/unitFit.ts'
import { heelBuild, type HeelBuild } from '../parts/heel/heelBuild.ts'
import { heelFinding } from '../parts/heel/heelFinding.ts'
import { heelParts, heelSeat, liftOutlines } from '../parts/heel/heelParts.ts'
import { filler, fillerBed, shank } from '../parts/sole/insideBottom.ts'
import {
  edgeStrips,
  sideProfile,
  type ProfileStrip,
  type BottomLayer,
  type SideProfile,
} from '../parts/sole/sideProfile.ts'
import { outsole, rand, welt } from '../parts/sole/soleParts.ts'
import { stockOf } from '../parts/sole/stock.ts'
import { insoleRules } from '../parts/insole/insole.ts'
import { midsole, midsoleRules } from '../parts/midsole/midsole.ts'
import type { Part } from '../trade/part.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import type { PairMaterials } from './materials.ts'
import type { StageCache } from './stageCache.ts'
import type { Wall } from './wallParts.ts'
import { mm, say } from '../units/sentence.ts'

export interface SoleNeeds {
  surface: LastSurface
  marks: Landmarks
  bottom: DevelopedBottom
  wall: Pick<Wall, 'turned' | 'liesUnder'>
  decisions: Pick<PairDecisions, 'construction' | 'midsole' | 'heel' | 'outsole'>
  /** The bought sole of a pair that is set in or on one. */
  cupSole: CupSole | null
  material: Pick<PairMaterials, 'insole' | 'midsole' | 'welt' | 'shank' | 'outsole' | 'wedge' | 'lift' | 'topPiece'>
  book: RuleBook
}

/** What lies under the last in side section: plain data. */
export interface SoleSection {
  profile: SideProfile
  /** Null where the sole is bought with its heel. */
  heel: HeelBuild | null
  /** Welt and rand where the section cuts them. */
  strips: ProfileStrip[]
  /** The bought cup round the lasted shoe, where there is one. */
  cup: CupFit | null
  /** The bought unit under the lasted shoe, where there is one. */
  unit: UnitFit | null
  findings: Finding[]
}

export interface Soles {
  parts: Part[]
  bottom: SoleSection
}

/** Where the margin is read for the filler's depth: this far inside the edge of what lies under, mm. */
const INSIDE_MARGIN = 2
/** The margin's thickness is read this far apart, mm, and a filler levelled over so many places each way. */
const LEVEL_STEP = 3.5
const LEVEL_OVER = 8
/** The filler of a welted shoe ends this far inside the holdfast, mm. */
const INSIDE_HOLDFAST = 4

const weltStock = ({ welt: leather }: Pick<PairMaterials, 'welt'>, book: RuleBook) =>
  stockOf(leather, bottomRules.weltThickness, 'welt leather', book)

/** Thickness of the turned margin along the last, and its mean over some places: the bottom is filled and rasped level. */
function levelOf({ marks, wall, material, book }: SoleNeeds, welted: boolean): (x: number) => number {
  // A lap in the margin does not show as a step in the filled bottom.
  const [from, to] = [marks.heelFeather[0] + 2, marks.toeFeather[0] - 2]
  const places = Math.ceil((to - from) / LEVEL_STEP)
  const weltT = welted ? weltStock(material, book).thickness : 0
  // At a welted shoe it is filled level with the seam; elsewhere with the edge of what lies under.
  const seam = welted ? book.value(insoleRules.holdfast) : Infinity
  const inwards = (side: Side, x: number) =>
    Math.max(0, Math.min(seam, wall.turned.reachUnder(side, x) - INSIDE_MARGIN))
  const margin = Array.from({ length: places + 1 }, (_, k) => {
    const x = from + ((to - from) * k) / places
    const of = (side: Side) => thicknessOf(wall.turned.at(side, x, inwards(side, x)))
    return (of('lateral') + of('medial')) / 2 + weltT
  })
  return (x) => {
    const middle = ((x - from) / (to - from)) * places
    let sum = 0
    for (let k = -LEVEL_OVER; k <= LEVEL_OVER; k++) {
      sum += margin[Math.min(places, Math.max(0, Math.round(middle + k)))]!
    }
    return sum / (2 * LEVEL_OVER + 1)
  }
}

const even = (t: number) => () => t
const levelNames: Record<'welt' | 'under' | 'out', string> = {
  welt: 'Filler, level with welt and rand',
  under: 'Filler, level with the margin',
  out: 'Filler, level with the lining’s margin',
}

/** Filler, shank, welt, soles and heel, or what was bought in their place, by how upper and sole are fixed. */
export function solesOf(needs: SoleNeeds, lasted: LastedOutline, way: Traits, cache: StageCache): Soles {
  const { surface, marks, bottom, wall, material, book } = needs
  const { welted } = way
  const levelled = levelOf(needs, welted)
  const inset = welted ? book.value(insoleRules.holdfast) + INSIDE_HOLDFAST : wall.liesUnder
  const inside: BottomLayer[] = [
    { id: 'insole', name: 'Insole', thickness: even(material.insole.thickness), past: { heel: 0, toe: 0 } },
    {
      id: 'filler',
      name: levelNames[welted ? 'welt' : way.outwards ? 'out' : 'under'],
      thickness: levelled,
      past: { heel: -inset, toe: -inset },
    },
  ]
  const xOf = (flat: number) => (flat / bottom.length) * (marks.toeFeather[0] - marks.heelFeather[0])
  const depth = (flat: number) => levelled(marks.heelFeather[0] + xOf(flat))
  const bed = cache.stage('fillerBed', { bottom, inset }, (i) => fillerBed(i.bottom, i.inset))
  const filled = (shankVolume: number) => filler(bottom, surface.length, bed, depth, shankVolume, book)
  switch (way.bought) {
    case 'cup':
      return inACup(needs, lasted, inside, filled, cache)
    case 'unit':
      return onAUnit(needs, lasted, inside, filled, cache)
    case null:
      return onCutSoles(needs, lasted, way, inside, filled, cache)
  }
}

/** In a cup only the shoe's own bottom is filled level. */
function inACup(
  { surface, marks, cupSole, book }: SoleNeeds,
  lasted: LastedOutline,
  inside: BottomLayer[],
  filled: (shankVolume: number) => Part,
  cache: StageCache,
): Soles {
  const { fit, finding } = cache.ruled('cup', { lasted, cupSole }, book, (i, rules) =>
    cupOf(i.lasted.outline, i.cupSole, rules),
  )
  const bare = sideProfile(surface, marks, inside)
  const cup = measured(cupSole)
  const profile = cup ? stoodOn(bare, cup, { id: 'cup', name: 'Bottom of the cup' }) : bare
  return {
    parts: [filled(0)],
    bottom: {
      profile,
      heel: null,
      strips: [],
      cup: fit,
      unit: null,
      findings: [finding, ...(cup ? [heelStands(profile, 'cup', book), springFinding(profile, book)] : [])],
    },
  }
}

/** A flat unit bends to the bottom it is pressed on: a shank keeps the waist up, the unit's edge is trimmed to the shoe. */
function onAUnit(
  needs: SoleNeeds,
  lasted: LastedOutline,
  inside: BottomLayer[],
  filled: (shankVolume: number) => Part,
  cache: StageCache,
): Soles {
  const { surface, marks, bottom, cupSole, book } = needs
  const L = surface.length
  const { fit, part, finding } = cache.ruled('unit', { lasted, cupSole, bottom, L }, book, (i, rules) =>
    unitOf(i.lasted.outline, i.cupSole, i.bottom, i.L, rules),
  )
  const laid = (layers: readonly BottomLayer[]) => sideProfile(surface, marks, layers)
  const profile = part && cupSole ? onUnit(cupSole, (layer) => laid([...inside, layer]), book) : laid(inside)
  return {
    parts: [...stiffened(needs, profile, filled), ...(part ? [part] : [])],
    bottom: {
      profile,
      heel: null,
      strips: [],
      cup: null,
      unit: fit,
      findings: [finding, ...(part ? [heelStands(profile, 'unit', book), springFinding(profile, book)] : [])],
    },
  }
}

/** The shank under the waist, and the filler beside it. */
function stiffened(
  { surface, bottom, material, book }: SoleNeeds,
  profile: SideProfile,
  filled: (shankVolume: number) => Part,
): Part[] {
  const spring = stockOf(material.shank, bottomRules.shankThickness, 'spring steel or wood', book)
  const part = shank(bottom, surface.length, profile, spring, book)
  return [part, filled(part.thickness * book.value(bottomRules.shankWidth) * part.dimensions[0]!.value)]
}

/** Midsole, outsole and heel cut here, with welt and rand where it is welted. */
function onCutSoles(
  needs: SoleNeeds,
  lasted: LastedOutline,
  way: Traits,
  inside: BottomLayer[],
  filled: (shankVolume: number) => Part,
  cache: StageCache,
): Soles {
  const { surface, marks, bottom, decisions: d, material, book } = needs
  const L = surface.length
  const { welted } = way
  const holdfast = book.value(insoleRules.holdfast)
  const breastX = book.value(insoleRules.breast) * L
  const breast = bottom.flatX(breastX)
  const outsoleOf = stockOf(material.outsole, bottomRules.outsoleThickness, 'sole leather', book)
  const wedge = stockOf(material.wedge, bottomRules.liftThickness, 'sole leather', book)
  const lift = stockOf(material.lift, bottomRules.liftThickness, 'sole leather', book)
  const top = stockOf(material.topPiece, bottomRules.topPieceThickness, 'rubber', book)
  const midsolePart = midsole({
    bottom,
    lasted,
    length: L,
    construction: d.construction,
    decisions: d.midsole,
    turnedOut: book.value(edgeRules.turnedOut),
    material: material.midsole,
    book,
  })
  const edge = boxOf(midsolePart.outline)
  const past = { heel: -edge.minX, toe: edge.maxX - bottom.length }
  const profile = sideProfile(surface, marks, [
    ...inside,
    { id: 'midsole', name: 'Midsole', thickness: even(material.midsole.thickness), past },
    { id: 'outsole', name: 'Outsole', thickness: even(outsoleOf.thickness), past },
  ])
  const under = profile.layers[inside.length]
  const heelRoom = way.sewnDown
    ? book.value(midsoleRules.sewDown) + book.value(midsoleRules.sewDownEdge)
    : book.value(bottomRules.heelRoom)
  const seat = heelSeatOf(lasted, breast, heelRoom, book, cache)
  const heel = heelBuild(
    profile,
    marks.heelFeather[0] + boxOf(seat).minX,
    breastX,
    {
      lift: lift.thickness,
      topPiece: top.thickness,
      taper: book.value(bottomRules.taper),
      thinnest: book.value(bottomRules.thinnestHeel),
    },
    d.heel,
  )
  const stack = Math.max(0, heel.bodies.length - 1)
  const taper = book.value(bottomRules.taper)
  const outlines = cache.stage('liftOutlines', { seat, stack, taper }, (i) => liftOutlines(i.seat, i.stack, i.taper))
  const soles = {
    bottom,
    lasted,
    midsole: midsolePart.outline,
    length: L,
    breast,
    heelRoom,
    construction: d.construction,
    decisions: d.midsole,
    book,
  }
  const weltOf = weltStock(material, book)
  return {
    parts: [
      ...(welted ? [welt(soles, weltOf), rand(soles, weltOf)] : []),
      ...stiffened(needs, profile, filled),
      midsolePart,
      outsole(soles, outsoleOf, welted, d.outsole.channel),
      ...heelParts(soles, outlines, heel, { wedge, lift, top }, d.heel),
    ],
    bottom: {
      profile,
      heel,
      strips: welted ? edgeStrips(under!, marks, holdfast, weltOf.thickness) : [],
      cup: null,
      unit: null,
      findings: [heelFinding(heel, d.heel.wedge, book), springFinding(profile, book)],
    },
  }
}

/** Past the breast by so much the outline no longer touches the heel, mm. */
const PAST_BREAST = 30

/** The heel's outline, drawn anew only when the lasted outline behind the breast is another: most changes are in front of it. */
function heelSeatOf(lasted: LastedOutline, breast: number, heelRoom: number, book: RuleBook, cache: StageCache): Path {
  const { outline } = lasted
  const n = outline.length
  const first = outline.findIndex(
    (p, i) => p[0] < breast + PAST_BREAST && outline[(i + n - 1) % n]![0] >= breast + PAST_BREAST,
  )
  const rear = [...outline.slice(first), ...outline.slice(0, first)].filter((p) => p[0] < breast + PAST_BREAST)
  return cache.ruled('heelSeat', { lasted: cache.same('rear', rear), breast, heelRoom }, book, (i, rules) =>
    heelSeat({ ...i, book: rules }),
  )
}

/** What toe spring is left? */
function springFinding(profile: SideProfile, book: RuleBook): Finding {
  const spring = book.value(bottomRules.spring)
  const springs = profile.spring >= spring
  return {
    id: 'bottom.spring',
    level: springs ? 'fine' : 'watch',
    where: 'toe',
    sentence: springs
      ? say`The finished sole stands ${mm(profile.spring, 1)} over the ground at its tip; the last alone has a toe spring of ${mm(profile.lastSpring, 1)}.`
      : say`Only ${mm(profile.spring, 1)} of toe spring are left at the tip of the finished sole (the last alone has ${mm(profile.lastSpring, 1)}); ${mm(spring)} keep the tip off the ground.`,
    measured: profile.spring,
    limit: spring,
    unit: 'mm',
    mend: springs ? '' : 'Thin the sole towards the toe, or take a last with more spring.',
    remedy: springs ? undefined : { kind: 'open', control: { room: 'decisions', at: 'last' } },
  }
}

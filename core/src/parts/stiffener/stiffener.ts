import type { StiffenerEnds, StiffenerNeeds } from './needs.ts'
import { stiffenerFindings } from './findings.ts'
import { skivedFace } from '../../layers/pieceSkives.ts'
import { bandAlong } from '../../geometry/polygonClip.ts'
import { wallPath } from '../../forme/wallPath.ts'
import { lerp, smoothstep } from '../../geometry/interpolate.ts'
import { boxOf, GeometryError, pathLength, type Path, type Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import { DEPTHS, type WallArea } from '../../trade/wallArea.ts'
import type { Because } from '../../trade/because.ts'
import type { PairDecisions } from '../../model/pair.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { perSide } from '../../upper/styles/lines.ts'
import { grainAlong } from '../../trade/grain.ts'
import { notchNear } from '../shared/notch.ts'
import type { Part, Skive } from '../../trade/part.ts'
import { stiffenerRules } from './rules.ts'
import { fullness } from '../shared/fullness.ts'
import { withTurnedEdge } from '../shared/turnedEdge.ts'
import { turnedUnder } from '../shared/turnedUnder.ts'
import { mm, say } from '../../units/sentence.ts'
import { SAME } from '../../geometry/tolerance.ts'

/** Height of a long wing under the arch, share of L: it lies low so that it clears the facing. */
const WING_SHARE = 0.095

/** How far past the joint a front may be set, so that its finding can be seen, mm. */
export const BEYOND_JOINT = 14

/** Length of a long wing's rounded nose, share of the distance from the back to its front. */
const LONG_NOSE = 0.42

export function stiffenerEnds(
  length: number,
  joint: Record<Side, number>,
  decisions: PairDecisions['stiffener'],
  book: RuleBook,
): StiffenerEnds {
  const short = book.inForce(stiffenerRules.shortShare)
  const behind = book.inForce(stiffenerRules.behindJoint)
  const hand: Record<Side, number | null> = { lateral: decisions.lateralEnd, medial: decisions.medialEnd }
  const of = (side: Side) => {
    const long = isLong(decisions.front, side)
    return {
      end: hand[side] ?? (long ? joint[side] - behind.value : short.value * length),
      origin: hand[side] !== null ? ('set by hand' as const) : long ? behind.origin : short.origin,
    }
  }
  const [lateral, medial] = [of('lateral'), of('medial')]
  return {
    lateral: lateral.end,
    medial: medial.end,
    origin: { lateral: lateral.origin, medial: medial.origin },
  }
}

/** Does a stiffener of this kind reach forward under the arch on a side? */
export const isLong = (front: PairDecisions['stiffener']['front'], side: Side): boolean =>
  front === 'long both' || (front === 'long medial' && side === 'medial')

/**
 * Height of the stiffener's upper edge over the feather, mm. A short wing falls from the back as a superellipse
 * under the top line; a long one eases down to a low strip and ends in a rounded nose.
 */
function upperEdge(needs: StiffenerNeeds, side: Side, end: number, back: number): (station: number) => number {
  const { topLine, length } = needs
  const drop = topLine.back - back
  const follow = (station: number) => topLine.height(side, station) - drop
  if (end <= 0.4 * length) {
    return (station) => {
      const into = Math.min(1, station / end)
      return softMin(follow(station), back * (1 + ROUND) * (1 - into ** 1.9) ** 0.68, back * SHOULDER)
    }
  }
  const low = WING_SHARE * length
  const nose = end * LONG_NOSE
  return (station) => {
    const body = lerp(follow(station), Math.min(follow(station), low), smoothstep(0.1 * length, 0.42 * length, station))
    const into = Math.min(1, Math.max(0, (station - (end - nose)) / nose))
    return body * Math.sqrt(1 - into ** 2.1)
  }
}

/** How far the superellipse stands over the top line at the back, and how roundly it leaves it at the shoulder; shares of the back height. */
const ROUND = 0.06
const SHOULDER = 0.2

/** The lesser of two heights, the corner rounded where they differ by less than `round`; never above either. */
function softMin(a: number, b: number, round: number): number {
  const h = Math.max(round - Math.abs(a - b), 0)
  return Math.max(0, Math.min(a, b) - (h * h) / (4 * round))
}

/** The stiffener: the shell round the heel between lining and upper, one piece for both sides. */
export function stiffener(needs: StiffenerNeeds): Part {
  const { patch, topLine, over, length, joint, decisions, material, book } = needs
  const gap = book.inForce(stiffenerRules.topGap)
  const turn = book.inForce(stiffenerRules.turnUnder)
  const ends = stiffenerEnds(length, joint, decisions, book)
  const back = decisions.backHeight ?? topLine.back - gap.value
  for (const side of ['lateral', 'medial'] as const) {
    if (ends[side] > patch.reach[side] + SAME) {
      throw new GeometryError(
        say`A stiffener that ends ${mm(ends[side], 0)} from the heel back on the ${side} side passes the joint at ${mm(joint[side], 0)} by too much to be drawn. Set a smaller figure.`,
      )
    }
  }
  const edges = {
    lateral: upperEdge(needs, 'lateral', ends.lateral, back),
    medial: upperEdge(needs, 'medial', ends.medial, back),
  }
  const tops = perSide((side) => onForme(needs, side, ends[side], edges[side]))
  const run = (side: Side): number[] => {
    const n = Math.max(24, Math.round(ends[side] / 3))
    return Array.from({ length: n }, (_, i) => ends[side] * Math.sin(((i + 1) / n) * (Math.PI / 2)))
  }
  const along = (side: Side, height: (station: number) => number): Point[] =>
    run(side).map((s) => patch.place(side, s, height(s)))
  const backFoot = patch.place('lateral', 0, 0)
  const backTop = patch.place('lateral', 0, edges.lateral(0))
  const feather: Path = [...along('medial', () => 0).reverse(), backFoot, ...along('lateral', () => 0)]
  const upper: Path = [...along('lateral', edges.lateral).reverse(), backTop, ...along('medial', edges.medial)]
  const wall: Path = [...feather, ...upper.slice(1, -1)]
  const { outline, below } = withTurnedEdge(wall, feather, turn.value, 2, 'the stiffener')

  const becauses: Because[] = [
    {
      id: 'backHeight',
      quantity: 'Height at the back',
      value: back,
      unit: 'mm',
      sentence:
        decisions.backHeight !== null
          ? say`Set by hand; by rule it would be ${mm(topLine.back - gap.value, 1)}, ${mm(gap.value)} below the top line.`
          : say`The top line at ${mm(topLine.back, 1)} less ${mm(gap.value)}, so that it is neither felt nor seen.`,
      inputs: [
        { name: 'Top line at the back', value: topLine.back, unit: 'mm' },
        { name: 'Below the top line', value: gap.value, unit: 'mm' },
      ],
      origin: decisions.backHeight !== null ? 'set by hand' : gap.origin,
      rule: stiffenerRules.topGap.key,
      hand: {
        decision: 'stiffener.backHeight',
        byRule: topLine.back - gap.value,
        min: Math.round(topLine.back * 0.5),
        max: Math.floor(topLine.back + 6),
      },
    },
    ...(['lateral', 'medial'] as const).map((side): Because => endBecause(side, ends, needs)),
    turnedUnder(stiffenerRules.turnUnder, over, material.thickness, book),
    fullness(pathLength(feather), patch.featherRun(ends.medial, ends.lateral), 'stiffener'),
    ...topLine.becauses,
  ]
  const skives = stiffenerSkives(needs, wall, upper, feather, below)
  const box = boxOf(outline)
  return {
    id: 'stiffener',
    place: 'wall',
    name: 'Stiffener',
    role: 'stiffener',
    materialName: material.name,
    thickness: material.thickness,
    count: 2,
    outline,
    lines: [
      { name: 'feather line', kind: 'feather', path: feather, closed: false },
      { name: 'back fold', kind: 'fold', path: [backFoot, backTop], closed: false },
    ],
    skives,
    notches: [
      notchNear(outline, patch.place('medial', ends.medial * 0.6, edges.medial(ends.medial * 0.6)), 'medial'),
      notchNear(outline, backTop, 'centre'),
      notchNear(outline, [backFoot[0], backFoot[1] - turn.value], 'centre'),
    ],
    dimensions: [
      { name: 'height', from: backFoot, to: backTop, value: back },
      {
        name: 'over all',
        from: [box.minX, box.minY - 8],
        to: [box.maxX, box.minY - 8],
        value: box.maxX - box.minX,
      },
    ],
    // Round the heel, from the medial front to the lateral one.
    grain: grainAlong(outline, [1, 0], [feather]),
    becauses,
    findings: stiffenerFindings(needs, ends, back, edges, tops),
    areas: wallSides.map((side) => wallArea(needs, side, ends[side], tops[side])),
  }
}

/** How many places of the upper edge are carried over to the forme. */
const ON_FORME = 24

/** The upper edge from its front back to the heel, as it lies on the forme. */
function onForme(needs: StiffenerNeeds, side: Side, end: number, edge: (station: number) => number): Path {
  const stations = Array.from({ length: ON_FORME + 1 }, (_, i) => end * Math.cos((i / ON_FORME) * (Math.PI / 2)))
  return wallPath(
    needs.map,
    side,
    stations.map((station) => ({ station, height: edge(station) })),
  )
}

/** Where the stiffener lies on one wall, thinned along its upper edge. */
function wallArea(needs: StiffenerNeeds, side: Side, end: number, top: Path): WallArea {
  const { material, book } = needs
  const width = book.value(stiffenerRules.topSkive)
  const feather = Array.from({ length: ON_FORME }, (_, i) => ({ station: (end * i) / ON_FORME, height: 0 }))
  return {
    part: 'stiffener',
    name: 'Stiffener',
    side,
    depth: DEPTHS.inside,
    thickness: material.thickness,
    area: [...wallPath(needs.map, side, feather), ...top],
    thinned: [
      {
        edge: top,
        profile: [
          [0, 0],
          [width, material.thickness],
        ],
        widthRule: stiffenerRules.topSkive,
      },
    ],
  }
}

function endBecause(side: Side, ends: StiffenerEnds, needs: StiffenerNeeds): Because {
  const { length, joint, decisions, book } = needs
  const hand = decisions[`${side}End`] !== null
  const long = isLong(decisions.front, side)
  const share = book.value(stiffenerRules.shortShare)
  const behind = book.value(stiffenerRules.behindJoint)
  return {
    id: `front.${side}`,
    quantity: `Front on the ${side} side, from the heel back`,
    value: ends[side],
    unit: 'mm',
    sentence: hand
      ? 'Set by hand.'
      : long
        ? say`Reaches forward under the arch to ${mm(behind)} behind the joint, which lies at ${mm(joint[side], 0)}.`
        : `${share} of the last length: it holds the heel and leaves the waist supple.`,
    inputs: [
      { name: 'Last length', value: length, unit: 'mm' },
      { name: `${side === 'medial' ? 'Medial' : 'Lateral'} joint`, value: joint[side], unit: 'mm' },
    ],
    origin: ends.origin[side],
    rule: long ? stiffenerRules.behindJoint.key : stiffenerRules.shortShare.key,
    hand: {
      decision: `stiffener.${side}End`,
      byRule: long ? joint[side] - behind : share * length,
      min: Math.ceil(0.16 * length),
      max: Math.floor(joint[side] + BEYOND_JOINT),
    },
  }
}

function stiffenerSkives(needs: StiffenerNeeds, wall: Path, upper: Path, feather: Path, below: Path): Skive[] {
  const { material, book } = needs
  const width = book.value(stiffenerRules.topSkive)
  const turn = book.value(stiffenerRules.turnUnder)
  const t = material.thickness
  return [
    {
      name: 'top edge and fronts',
      edge: upper,
      band: bandAlong(upper, width, wall),
      profile: [
        [0, 0],
        [width, t],
      ],
      shape: 'to nothing',
      face: skivedFace(material),
      sentence: say`Straight to nothing over ${mm(width)}.`,
    },
    {
      name: 'turned edge',
      edge: below,
      band: [...below, ...[...feather].reverse()],
      profile: [
        [0, 0.8],
        [turn * 0.7, 1],
        [turn, t],
      ],
      shape: 'cupped',
      face: skivedFace(material),
      sentence: say`Full ${mm(t)} at the feather line, dropping fast to a thin flat for bonding.`,
    },
  ]
}

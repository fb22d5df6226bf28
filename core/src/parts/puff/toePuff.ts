import { thicknessFinding } from '../shared/thicknessFinding.ts'
import { subpathBetween } from '../../geometry/subpath.ts'
import { nearest } from '../../geometry/polyline.ts'
import { skivedFace } from '../../layers/pieceSkives.ts'
import { bandAlong } from '../../geometry/polygonClip.ts'
import { boxOf, distance, GeometryError, pathLength, type Path, type Point } from '../../geometry/path.ts'
import type { ToePatch } from '../../forme/toePatch.ts'
import type { FormeMap } from '../../forme/formeMap.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import { atX, wallPoint, type LastSurface } from '../../last/surface.ts'
import { toeTape, type ToeTape } from '../../last/toeTape.ts'
import { DEPTHS, type WallArea } from '../../trade/wallArea.ts'
import type { Finding, Origin } from '../../trade/because.ts'
import type { Material } from '../../model/material.ts'
import type { PairDecisions } from '../../model/pair.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { toeToHeel } from '../../trade/grain.ts'
import { notchNear } from '../shared/notch.ts'
import type { Part } from '../../trade/part.ts'
import { fullness } from '../shared/fullness.ts'
import { withTurnedEdge } from '../shared/turnedEdge.ts'
import { turnedUnder, type TurnedOver } from '../shared/turnedUnder.ts'
import { mm, mmTo, say, bare } from '../../units/sentence.ts'
import { ROUNDING } from '../../geometry/tolerance.ts'

export const puffRules = {
  base: {
    key: 'puff.base',
    name: 'Puff length at the centre for a 250 mm last',
    value: 52,
    min: 35,
    max: 75,
    unit: 'mm',
    why: 'Read with a tape over the toe box from the foremost point of the toe: it has to hold the box and end before the toes bend.',
  },
  growth: {
    key: 'puff.growth',
    name: 'Puff length for every 10 mm more of last length',
    value: 1.8,
    min: 0.5,
    max: 4,
    unit: 'mm per 10 mm',
    why: 'The toes lengthen with the foot, so the puff grows with the last.',
  },
  sweep: {
    key: 'puff.sweep',
    name: 'Back edge swept back at the feather',
    value: 4,
    min: 0,
    max: 15,
    unit: 'mm',
    why: 'A back edge that runs a little backwards at the sides sits quietly under the vamp.',
  },
  turnUnder: {
    key: 'puff.turnUnder',
    name: 'Puff turned under the feather line',
    value: 9,
    min: 6,
    max: 14,
    unit: 'mm',
    why: say`${mmTo(8, 10)} under the feather keep it from creeping back when the upper is pulled down.`,
  },
  clearJoint: {
    key: 'puff.clearJoint',
    name: 'Puff clear of the crease line',
    value: 10,
    min: 5,
    max: 25,
    unit: 'mm',
    why: 'If the shoe creases on the puff, its edge cuts into the big toe.',
  },
  tooShort: {
    key: 'puff.tooShort',
    name: 'Puff shorter than the rule by at most',
    value: 8,
    min: 2,
    max: 20,
    unit: 'mm',
    why: 'A short puff is the lesser evil, but past this the toe box is not held.',
  },
  backSkive: {
    key: 'puff.backSkive',
    name: 'Straight skive along the back edge',
    value: 15,
    min: 8,
    max: 30,
    unit: 'mm',
    why: 'Tapered to nothing, the back edge leaves no ridge through the upper.',
  },
  thinnest: {
    key: 'puff.thinnest',
    name: 'Thinnest puff leather',
    value: 1.9,
    min: 0.8,
    max: 2.4,
    unit: 'mm',
    why: 'Thinner leather does not keep the shape of the toe.',
  },
  thickest: {
    key: 'puff.thickest',
    name: 'Thickest puff leather',
    value: 2.5,
    min: 2,
    max: 4,
    unit: 'mm',
    why: 'Thicker leather makes the toe clumsy.',
  },
} satisfies Record<string, Rule>

export interface PuffNeeds {
  map: FormeMap
  patch: ToePatch
  over: TurnedOver
  /** The tape over the toe of this last, by which the puff's length is read. */
  tape: ToeTape
  length: number
  joint: Record<Side, number>
  ridgeJoint: number
  decisions: PairDecisions['puff']
  material: Material
  book: RuleBook
}

/** Puff length by rule, mm by tape over the toe box from the foremost point of the toe. */
export function puffLengthByRule(length: number, book: RuleBook): number {
  return book.value(puffRules.base) + (book.value(puffRules.growth) * (length - 250)) / 10
}

/** Where the puff's back edge meets the feather line, mm from the heel back (both sides alike). */
export function puffBackAtFeather(surface: LastSurface, decisions: PairDecisions['puff'], book: RuleBook): number {
  const puff = decisions.length ?? puffLengthByRule(surface.length, book)
  return toeTape(surface).placeOf(puff) - book.value(puffRules.sweep)
}

/** The toe puff: keeps the toe box, ends before the shoe bends. One piece over the toe, both sides. */
export function toePuff(needs: PuffNeeds): Part {
  const { patch, tape, over, length, joint, ridgeJoint, decisions, material, book } = needs
  const byRule = puffLengthByRule(length, book)
  const puff = decisions.length ?? byRule
  const sweep = book.inForce(puffRules.sweep)
  const turn = book.inForce(puffRules.turnUnder)
  // Shorter, and its back edge would lie on the toe's front face; longer, and it would be half a vamp.
  const [shortest, longest] = [Math.ceil(tape.readingAt(0.89 * length)), Math.floor(tape.readingAt(0.58 * length))]
  if (puff < shortest - ROUNDING || puff > longest + ROUNDING) {
    throw new GeometryError(
      say`A toe puff of ${mm(puff, 1)} cannot be drawn on a last of ${mm(length)}. Set it between ${bare(shortest)} and ${mm(longest)}.`,
    )
  }
  const backX = tape.placeOf(puff)
  // Down the wall the edge runs back as the square of the way, so that it leaves the ridge squarely.
  const back = patch.lineAcross((_, down) => backX - sweep.value * down * down)
  const atFeather = backX - sweep.value
  const feather = patch.feather(atFeather, atFeather)
  const wall: Path = [...feather, ...[...back].reverse().slice(1, -1)]
  const { outline, below } = withTurnedEdge(wall, feather, turn.value, 1.5, 'the toe puff')
  const crease = patch.lineAcross((side, down) => ridgeJoint + (joint[side] - ridgeJoint) * down)
  const centreBack = back[(back.length - 1) / 2]
  const toe: Point = [0, 0]
  const rule = book.inForce(puffRules.base)
  const origin: Origin = decisions.length !== null ? 'set by hand' : rule.origin
  const box = boxOf(outline)
  const skiveWidth = book.value(puffRules.backSkive)
  const t = material.thickness
  return {
    id: 'puff',
    place: 'wall',
    name: 'Toe puff',
    role: 'puff',
    materialName: material.name,
    thickness: t,
    count: 2,
    outline,
    lines: [
      { name: 'feather line', kind: 'feather', path: feather, closed: false },
      { name: 'crease line', kind: 'crease', path: crease, closed: false },
      { name: 'centre line', kind: 'mark', path: [centreBack!, toe], closed: false },
    ],
    skives: [
      {
        name: 'back edge',
        edge: back,
        band: bandAlong(back, skiveWidth, wall),
        profile: [
          [0, 0],
          [skiveWidth, t],
        ],
        shape: 'to nothing',
        face: skivedFace(material),
        sentence: say`Straight to nothing over ${mm(skiveWidth)}, so that no ridge shows.`,
      },
      {
        name: 'turned edge',
        edge: below,
        band: [...below, ...[...feather].reverse()],
        profile: [
          [0, 0.85],
          [turn.value * 0.7, 1],
          [turn.value, t],
        ],
        shape: 'cupped',
        face: skivedFace(material),
        sentence: say`Full ${mm(t)} at the feather line, then about ${bare(1, 1)}, then ${mmTo(0.8, 0.9)}.`,
      },
    ],
    notches: [
      notchNear(outline, back[back.length - 5]!, 'medial'),
      notchNear(outline, centreBack!, 'centre'),
      notchNear(outline, [turn.value, 0], 'centre'),
    ],
    dimensions: [
      { name: 'across', from: back[0]!, to: back[back.length - 1]!, value: distance(back[0]!, back[back.length - 1]!) },
      {
        name: 'over all',
        from: [box.minX, box.minY - 8],
        to: [box.maxX, box.minY - 8],
        value: box.maxX - box.minX,
      },
    ],
    grain: toeToHeel(outline, [[centreBack!, toe]]),
    becauses: [
      {
        id: 'length',
        quantity: 'Back edge behind the toe tip, by tape over the toe box',
        value: puff,
        unit: 'mm',
        sentence:
          decisions.length !== null
            ? say`Set by hand; by rule it would be ${mm(byRule, 1)}.`
            : say`${mm(rule.value)} for a ${mm(250)} last and ${mm(book.value(puffRules.growth))} for every ${mm(10)} more; this last is ${mm(length)}. It lies ${mm(length - backX, 1)} behind the toe tip along the last.`,
        inputs: [
          { name: 'Last length', value: length, unit: 'mm' },
          { name: 'At 250 mm', value: rule.value, unit: 'mm' },
        ],
        origin,
        rule: puffRules.base.key,
        hand: { decision: 'puff.length', byRule, min: shortest, max: longest },
      },
      {
        id: 'sweep',
        quantity: 'Swept back at the feather',
        value: sweep.value,
        unit: 'mm',
        sentence: say`The back edge runs ${mm(sweep.value)} further back at the feather than at the centre.`,
        inputs: [],
        origin: sweep.origin,
        rule: puffRules.sweep.key,
      },
      turnedUnder(puffRules.turnUnder, over, t, book),
      fullness(pathLength(feather), pathLength(feather) / patch.featherStretch(), 'puff'),
    ],
    findings: puffFindings(needs, puff, backX, byRule, back, crease),
    areas: wallSides.map((side) => wallArea(needs, side, (down) => backX - sweep.value * down * down)),
  }
}

/** Where the puff lies on one wall, thinned along its back edge; `at` gives its x from the ridge (0) to the feather (1). */
function wallArea({ map, material, book }: PuffNeeds, side: Side, at: (down: number) => number): WallArea {
  const { surface } = map
  const top = surface.rows - 1
  const line = Array.from({ length: surface.rows }, (_, j): Point => {
    const row = Array.from({ length: surface.columns }, (_, i) => wallPoint(surface, side, i, j))
    return map.fromLast(side, atX(row.slice(Math.floor(surface.coneColumn * 0.8)), at(1 - j / top)))
  })
  const width = book.value(puffRules.backSkive)
  return {
    part: 'puff',
    name: 'Toe puff',
    side,
    depth: DEPTHS.inside,
    thickness: material.thickness,
    area: [
      ...line,
      ...subpathBetween(map.centre, line[top]!, map.centre[map.centre.length - 1]!).slice(1),
      ...subpathBetween(map.feathers[side], map.feathers[side][map.feathers[side].length - 1]!, line[0]!).slice(1, -1),
    ],
    thinned: [
      {
        edge: line,
        profile: [
          [0, 0],
          [width, material.thickness],
        ],
        widthRule: puffRules.backSkive,
      },
    ],
  }
}

function puffFindings(
  needs: PuffNeeds,
  puff: number,
  backX: number,
  byRule: number,
  back: Path,
  crease: Path,
): Finding[] {
  const { tape, joint, material, book } = needs
  const wanted = book.value(puffRules.clearJoint)
  const sweep = book.value(puffRules.sweep)
  // The edge may have passed the crease line: then the distance counts against it.
  const passed = backX - sweep < joint.medial || backX < needs.ridgeJoint
  const apart = Math.min(...back.map((p) => nearest(crease, p).away))
  const clear = passed ? -apart : apart
  const longest = tape.readingAt(joint.medial + sweep + wanted)
  const shorter = Math.floor(Math.min(longest, byRule))
  const short = byRule - puff
  const most = book.value(puffRules.tooShort)
  return [
    {
      id: 'puff.crease',
      level: clear >= wanted ? 'fine' : 'stop',
      where: 'back edge at the crease line',
      sentence: passed
        ? `The back edge lies behind the crease line: the shoe would crease on the puff, over the big toe.`
        : clear >= wanted
          ? say`The back edge keeps ${mm(clear, 1)} clear of the crease line; ${mm(wanted)} are wanted.`
          : say`The back edge comes within ${mm(clear, 1)} of the crease line; ${mm(wanted)} are wanted, or it cuts into the big toe.`,
      measured: clear,
      limit: wanted,
      unit: 'mm',
      mend: clear >= wanted ? '' : say`Shorten the puff to ${mm(shorter)}.`,
      remedy: clear >= wanted ? undefined : { kind: 'hand', decision: 'puff.length', value: shorter },
    },
    {
      id: 'puff.short',
      level: short <= most ? 'fine' : 'watch',
      where: 'toe box',
      sentence:
        short <= most
          ? 'Long enough to hold the toe box.'
          : say`${mm(short, 1)} shorter than the rule: the toe box is not held.`,
      measured: puff,
      limit: byRule - most,
      unit: 'mm',
      mend: short <= most ? '' : say`Lengthen it to ${mm(Math.ceil(byRule - most))} or more.`,
      remedy: short <= most ? undefined : { kind: 'hand', decision: 'puff.length', value: Math.ceil(byRule - most) },
    },
    thicknessFinding(
      'puff.thickness',
      material,
      [book.value(puffRules.thinnest), book.value(puffRules.thickest)],
      'serve as a puff',
      { thin: 'Take thicker leather.', thick: 'Split it down first, or take thinner leather.' },
      'puff',
    ),
  ]
}

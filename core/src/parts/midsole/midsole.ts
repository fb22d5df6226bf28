import { nearest, resample } from '../../geometry/polyline.ts'
import { offset } from '../../geometry/polygonClip.ts'
import { boxOf, contains, pathLength, type Path } from '../../geometry/path.ts'
import type { DevelopedBottom } from '../../last/developedBottom.ts'
import type { LastedOutline } from '../../layers/lastedOutline.ts'
import type { Because, Finding } from '../../trade/because.ts'
import { traitsOf } from '../../model/construction.ts'
import type { Material } from '../../model/material.ts'
import type { PairDecisions } from '../../model/pair.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { edgeRules } from '../../upper/edgeRules.ts'
import { alongBottom, creaseOf } from '../shared/alongBottom.ts'
import type { Part, PartLine } from '../../trade/part.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { mm, mmTo, say } from '../../units/sentence.ts'

export const midsoleRules = {
  roomSewn: {
    key: 'midsole.roomSewn',
    name: 'Stitch room of a sewn sole',
    value: 10,
    min: 5,
    max: 15,
    unit: 'mm',
    why: 'Room for the seam and the awl outside the upper; it is trimmed back afterwards.',
  },
  roomCemented: {
    key: 'midsole.roomCemented',
    name: 'Room of a cemented sole',
    value: 5,
    min: 3,
    max: 10,
    unit: 'mm',
    why: 'No seam runs here, so a close edge is enough to trim and sand.',
  },
  leastSewn: {
    key: 'midsole.leastSewn',
    name: 'Least room of a sewn sole',
    value: 5,
    min: 3,
    max: 8,
    unit: 'mm',
    why: 'Closer than this the awl cuts the upper.',
  },
  leastCemented: {
    key: 'midsole.leastCemented',
    name: 'Least room of a cemented sole',
    value: 2,
    min: 1,
    max: 5,
    unit: 'mm',
    why: 'A little must stand out all round to be sanded flush.',
  },
  sewDown: {
    key: 'midsole.sewDown',
    name: 'Stitch-down seam outside the lasted shoe',
    value: 5,
    min: 3,
    max: 9,
    unit: 'mm',
    why: 'Nearer the awl cuts the wall; further out the upper gapes between wall and seam.',
  },
  sewDownPitch: {
    key: 'midsole.sewDownPitch',
    name: 'Stitch of the upper to the midsole',
    value: 9,
    min: 4,
    max: 12,
    unit: 'mm',
    why: say`${mmTo(8, 10)} with thick thread; closer holes weaken the turned edge.`,
  },
  sewDownEdge: {
    key: 'midsole.sewDownEdge',
    name: 'Turned-out leather outside the seam, at least',
    value: 3,
    min: 2,
    max: 8,
    unit: 'mm',
    why: 'A stitch nearer to the edge tears out of it.',
  },
} satisfies Record<string, Rule>

/** A midsole may be given so much room by hand, mm. */
const MOST_ROOM = 20

export interface MidsoleNeeds {
  bottom: DevelopedBottom
  lasted: LastedOutline
  length: number
  construction: PairDecisions['construction']
  decisions: PairDecisions['midsole']
  /** How wide the upper is cut to be turned outwards, mm; read only where it is sewn down. */
  turnedOut: number
  material: Material
  book: RuleBook
}

/** The seam that holds a turned-out upper down, all round, with its holes and their pitch, mm. */
function sewnDown({ lasted, book }: MidsoleNeeds): { line: PartLine; pitch: number } {
  const path = offset(lasted.outline, book.value(midsoleRules.sewDown), 'the seam of the upper')
  const length = pathLength(path, true)
  const holes = Math.max(8, Math.round(length / book.value(midsoleRules.sewDownPitch)))
  return {
    line: { name: 'stitch-down seam', kind: 'stitch', path, closed: true, holes: resample(path, holes, true) },
    pitch: length / holes,
  }
}

/** The midsole: the lasted outline and room for the seam all round, trimmed later. Two mirrored pieces. */
export function midsole(needs: MidsoleNeeds): Part {
  const { bottom, lasted, length, construction, decisions, material, book } = needs
  const { sewn, sewnDown: toMidsole } = traitsOf(construction)
  const down = toMidsole ? sewnDown(needs) : null
  const rule = roomRule(construction)
  const inForce = book.inForce(rule)
  const room = decisions.room ?? inForce.value
  const outline = offset(lasted.outline, room, 'the midsole')
  const box = boxOf(outline)
  const layers: Because = {
    id: 'thickestLayers',
    quantity: 'Layers outside the last, thickest',
    value: lasted.thickest,
    unit: 'mm',
    sentence: say`Upper and lining all round, with the stiffener at the heel or the puff at the toe; ${mm(lasted.thinnest, 1)} at the waist where neither lies.`,
    inputs: [{ name: 'Thinnest', value: lasted.thinnest, unit: 'mm' }],
    origin: 'from the material',
  }
  return {
    id: 'midsole',
    place: 'under',
    areas: [],
    name: 'Midsole',
    role: 'midsole',
    materialName: material.name,
    thickness: material.thickness,
    count: 2,
    outline,
    lines: [
      { name: 'lasted outline', kind: 'neighbour', path: lasted.outline, closed: true },
      { name: 'feather line of the last', kind: 'feather', path: bottom.outline, closed: true },
      ...(down ? [down.line] : []),
      creaseOf(bottom),
    ],
    skives: [],
    ...alongBottom(outline, bottom, length),
    becauses: [
      {
        id: 'length',
        quantity: 'Length of the midsole',
        value: box.maxX - box.minX,
        unit: 'mm',
        sentence: say`The feather line (${mm(bottom.length, 1)} long) pushed out by the layers at heel and toe, and ${mm(room)} of room at each end.`,
        inputs: [
          { name: 'Bottom of the last', value: bottom.length, unit: 'mm' },
          { name: 'Room', value: room, unit: 'mm' },
        ],
        origin: 'measured on the last',
      },
      layers,
      {
        id: 'room',
        quantity: sewn ? 'Stitch room' : 'Room to trim',
        value: room,
        unit: 'mm',
        sentence:
          decisions.room !== null
            ? say`Set by hand; the rule says ${mm(inForce.value)} for a ${sewn ? 'sewn' : 'cemented'} sole.`
            : rule.why,
        inputs: [],
        origin: decisions.room !== null ? 'set by hand' : inForce.origin,
        rule: rule.key,
        hand: { decision: 'midsole.room', byRule: inForce.value, min: 0, max: MOST_ROOM },
      },
      ...(down
        ? [
            becauseOfRule('Seam outside the lasted shoe', midsoleRules.sewDown, book),
            {
              id: 'sewDownStitch',
              quantity: 'Stitch of the upper to the midsole',
              value: down.pitch,
              unit: 'mm' as const,
              sentence: say`${down.line.holes?.length ?? 0} holes a foot, evenly all round, as near to ${mm(book.value(midsoleRules.sewDownPitch))} as comes out whole. Punch them through midsole and upper together, once the upper is cemented down.`,
              inputs: [{ name: 'Seam', value: pathLength(down.line.path, true), unit: 'mm' as const }],
              origin: book.inForce(midsoleRules.sewDownPitch).origin,
              rule: midsoleRules.sewDownPitch.key,
            },
          ]
        : []),
    ],
    findings: midsoleFindings(needs, outline),
  }
}

/** The rule for the room that a midsole of this construction is given. */
const roomRule = (construction: MidsoleNeeds['construction']) =>
  traitsOf(construction).sewn ? midsoleRules.roomSewn : midsoleRules.roomCemented

/** The room set larger by so much, mm. */
export function moreRoom(
  { construction, decisions, book }: Pick<MidsoleNeeds, 'construction' | 'decisions' | 'book'>,
  by: number,
): Pick<Finding, 'mend' | 'remedy'> {
  const value = Math.ceil(2 * ((decisions.room ?? book.value(roomRule(construction))) + by)) / 2
  return value <= MOST_ROOM
    ? {
        mend: say`Set the room of the midsole to ${mm(value)}.`,
        remedy: { kind: 'hand', decision: 'midsole.room', value },
      }
    : { mend: say`No room up to ${mm(MOST_ROOM)} does it: sew nearer to the shoe.` }
}

/** The room is measured on the finished outlines, not taken from the figure asked for. */
export function leastRoom(inner: Path, outer: Path): { least: number; most: number } {
  let least = Infinity
  let most = 0
  for (const p of inner) {
    const away = nearest(outer, p, true).away
    const room = contains(outer, p) ? away : -away
    least = Math.min(least, room)
    most = Math.max(most, room)
  }
  return { least, most }
}

function midsoleFindings(needs: MidsoleNeeds, outline: Path): Finding[] {
  const { lasted, construction, book } = needs
  const { sewn } = traitsOf(construction)
  const wanted = book.value(sewn ? midsoleRules.leastSewn : midsoleRules.leastCemented)
  const { least } = leastRoom(lasted.outline, outline)
  const enough = least >= wanted - 0.05
  return [
    {
      id: 'midsole.room',
      level: enough ? 'fine' : least >= wanted / 2 ? 'watch' : 'stop',
      where: 'all round',
      sentence: enough
        ? say`At least ${mm(least, 1)} stand out past the lasted shoe everywhere; ${mm(wanted)} are the least for ${sewn ? 'sewing' : 'trimming'}.`
        : say`Only ${mm(least, 1)} stand out past the lasted shoe at the nearest; ${mm(wanted)} are the least for ${sewn ? 'sewing: the awl would cut the upper' : 'trimming'}.`,
      measured: least,
      limit: wanted,
      unit: 'mm',
      ...(enough ? { mend: '' } : moreRoom(needs, wanted - least)),
    },
    ...(traitsOf(construction).sewnDown ? turnedOutFindings(needs, least) : []),
  ]
}

/** The seam must catch the turned-out leather, and midsole under it. */
function turnedOutFindings(needs: MidsoleNeeds, least: number): Finding[] {
  const { turnedOut, book } = needs
  const wanted = book.value(midsoleRules.sewDown) + book.value(midsoleRules.sewDownEdge)
  const caught = turnedOut >= wanted - 0.05
  const borne = least >= wanted - 0.05
  return [
    {
      id: 'midsole.turnedOut',
      level: caught ? 'fine' : 'stop',
      where: 'turned-out margin of the upper',
      sentence: caught
        ? say`${mm(turnedOut)} are turned out; the seam needs ${mm(wanted)}, and what stands past the midsole is trimmed.`
        : say`Only ${mm(turnedOut)} are turned out; the seam needs ${mm(wanted)}, or it tears out of the edge.`,
      measured: turnedOut,
      limit: wanted,
      unit: 'mm',
      mend: caught ? '' : say`Cut the turned-out margin ${mm(wanted)} wide, or sew nearer to the shoe.`,
      remedy:
        caught || wanted > edgeRules.turnedOut.max
          ? undefined
          : { kind: 'rule', key: edgeRules.turnedOut.key, value: wanted },
    },
    {
      id: 'midsole.sewDown',
      level: borne ? 'fine' : 'stop',
      where: 'midsole under the seam',
      sentence: borne
        ? say`The seam runs on the midsole everywhere, ${mm(least - wanted, 1)} or more inside where its edge must be.`
        : say`The midsole stands out ${mm(least, 1)} at the nearest; seam and edge need ${mm(wanted)}.`,
      measured: least,
      limit: wanted,
      unit: 'mm',
      ...(borne ? { mend: '' } : moreRoom(needs, wanted - least)),
    },
  ]
}

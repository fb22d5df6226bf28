import { difference, offset } from '../../geometry/polygonClip.ts'
import { pathLength, type Path } from '../../geometry/path.ts'
import type { DevelopedBottom } from '../../last/developedBottom.ts'
import type { LastedOutline } from '../../layers/lastedOutline.ts'
import type { Finding } from '../../trade/because.ts'
import type { PairDecisions } from '../../model/pair.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { alongBottom, creaseOf } from '../shared/alongBottom.ts'
import { behind } from '../shared/behind.ts'
import { grainAlong } from '../../trade/grain.ts'
import { inFrontOf } from '../shared/inFront.ts'
import { evenHoles } from '../insole/insole.ts'
import { leastRoom, moreRoom } from '../midsole/midsole.ts'
import type { Part, PartLine } from '../../trade/part.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { bottomRules } from './bottomRules.ts'
import { seatFigures } from '../heel/seatFigures.ts'
import type { Stock } from './stock.ts'
import { mm, say } from '../../units/sentence.ts'

export interface SoleNeeds {
  bottom: DevelopedBottom
  lasted: LastedOutline
  /** Cut edge of the midsole. */
  midsole: Path
  length: number
  /** Flat X of the heel breast. */
  breast: number
  /** How far the heel stands out past the lasted seat, mm. */
  heelRoom: number
  construction: PairDecisions['construction']
  /** What was decided about the midsole. */
  decisions: PairDecisions['midsole']
  book: RuleBook
}

const under = { place: 'under', areas: [], skives: [], lines: [] } as const

/** The seam that holds sole and midsole to the welt, as it is called on the outsole. */
export const SOLE_SEAM = 'outsole seam'

/** The seam outside the lasted shoe, from breast to breast, with its holes and their pitch, mm. */
function soleSeam({ lasted, breast, book }: SoleNeeds, recess: number): { line: PartLine; pitch: number } {
  const all = offset(lasted.outline, book.value(bottomRules.soleSeam), 'the outsole seam')
  const path = inFrontOf(all, breast)
  const { holes, pitch } = evenHoles(path, book.value(bottomRules.solePitch))
  return {
    line: { name: SOLE_SEAM, kind: 'stitch', path, closed: false, holes, ...(recess > 0 ? { recess } : {}) },
    pitch,
  }
}

/** The outsole: the midsole and a little more all round, trimmed with it. */
export function outsole(needs: SoleNeeds, stock: Stock, sewn: boolean, channel: boolean): Part {
  const { bottom, midsole, length, book } = needs
  const outline = offset(midsole, book.value(bottomRules.outsoleGrowth), 'the outsole')
  const recess = sewn && channel ? book.value(bottomRules.channelDepth) : 0
  const seam = sewn ? soleSeam(needs, recess) : null
  const stitches = (seam?.line.holes?.length ?? 1) - 1
  return {
    ...under,
    id: 'outsole',
    name: 'Outsole',
    role: 'outsole',
    materialName: stock.name,
    thickness: stock.thickness,
    count: 2,
    outline,
    lines: [
      { name: 'midsole', kind: 'neighbour', path: midsole, closed: true },
      ...(seam ? [seam.line] : []),
      ...(seam && recess > 0 ? [{ name: 'channel', kind: 'mark' as const, path: seam.line.path, closed: false }] : []),
      creaseOf(bottom),
    ],
    ...alongBottom(outline, bottom, length),
    becauses: [
      becauseOfRule('Larger than the midsole', bottomRules.outsoleGrowth, book),
      ...(stock.byRule ? [becauseOfRule('Thickness', bottomRules.outsoleThickness, book)] : []),
      ...(seam
        ? [
            becauseOfRule('Seam outside the lasted shoe', bottomRules.soleSeam, book),
            ...(recess > 0 ? [becauseOfRule('Depth of the channel', bottomRules.channelDepth, book)] : []),
            {
              id: 'outsoleStitch',
              quantity: 'Outsole stitch',
              value: seam.pitch,
              unit: 'mm' as const,
              sentence: say`${stitches} stitches a foot along the seam, evenly from heel breast to heel breast, as near to ${mm(book.value(bottomRules.solePitch))} as comes out whole.`,
              inputs: [{ name: 'Seam', value: pathLength(seam.line.path), unit: 'mm' as const }],
              origin: book.inForce(bottomRules.solePitch).origin,
              rule: bottomRules.solePitch.key,
            },
          ]
        : []),
    ],
    findings: seam
      ? [seamFinding(seam.line.path, needs), ...(recess > 0 ? [channelFinding(stock.thickness, recess, book)] : [])]
      : [],
  }
}

/** What is left under a channel has to hold the stitches. */
function channelFinding(thickness: number, depth: number, book: RuleBook): Finding {
  const left = thickness - depth
  const wanted = book.value(bottomRules.underChannel)
  const holds = left >= wanted - 0.01
  return {
    id: 'outsole.channel',
    level: holds ? 'fine' : 'stop',
    where: 'channel of the sole',
    sentence: holds
      ? say`Under the channel ${mm(left, 1)} of the outsole are left to hold the stitches.`
      : say`Under the channel only ${mm(left, 1)} of the outsole are left; ${mm(wanted)} are wanted, or the thread cuts through.`,
    measured: left,
    limit: wanted,
    unit: 'mm',
    mend: holds ? '' : 'Leave the stitches open, or take a thicker outsole.',
    remedy: holds
      ? undefined
      : { kind: 'choice', name: 'stitches on the face of the sole', decisions: { outsole: { channel: false } } },
  }
}

/** The seam has to run on the midsole, with something left outside it. */
function seamFinding(seam: Path, needs: SoleNeeds): Finding {
  const { midsole, book } = needs
  const wanted = book.value(bottomRules.soleEdge)
  const { least } = leastRoom(seam, midsole)
  const held = least >= wanted - 0.05
  return {
    id: 'outsole.seam',
    level: held ? 'fine' : 'stop',
    where: 'seam of the sole',
    sentence: held
      ? say`The seam runs ${mm(least, 1)} or more inside the midsole's edge.`
      : say`The seam comes within ${mm(least, 1)} of the midsole's edge; ${mm(wanted)} are wanted, or it tears out.`,
    measured: least,
    limit: wanted,
    unit: 'mm',
    ...(held ? { mend: '' } : moreRoom(needs, wanted - least)),
  }
}

/** The welt: a strip as long as the lasted shoe's edge from breast to breast, with something to hold at both ends. */
export function welt({ lasted, breast, book }: SoleNeeds, stock: Stock): Part {
  const way = pathLength(inFrontOf(lasted.outline, breast))
  const spare = book.value(bottomRules.weltSpare)
  const [length, width] = [way + spare, book.value(bottomRules.weltWidth)]
  const outline: Path = [
    [0, 0],
    [length, 0],
    [length, width],
    [0, width],
  ]
  return {
    ...under,
    id: 'welt',
    name: 'Welt',
    role: 'welt',
    materialName: stock.name,
    thickness: stock.thickness,
    count: 2,
    strip: true,
    outline,
    notches: [],
    dimensions: [
      { name: 'length', from: [0, -8], to: [length, -8], value: length },
      { name: 'width', from: [-6, 0], to: [-6, width], value: width },
    ],
    grain: grainAlong(outline, [1, 0]),
    becauses: [
      {
        id: 'length',
        quantity: 'Length of the welt',
        value: length,
        unit: 'mm',
        sentence: say`The lasted shoe’s edge from heel breast round the toe to heel breast is ${mm(way, 0)}; ${mm(spare)} more are held while it is sewn.`,
        inputs: [
          { name: 'Way round', value: way, unit: 'mm' },
          { name: 'Spare', value: spare, unit: 'mm' },
        ],
        origin: 'measured on the last',
      },
      becauseOfRule('Width', bottomRules.weltWidth, book),
      ...(stock.byRule ? [becauseOfRule('Thickness', bottomRules.weltThickness, book)] : []),
    ],
    findings: [],
  }
}

/** The rand: a horseshoe that levels the seat behind the ends of the welt. */
export function rand({ lasted, breast, heelRoom, book }: SoleNeeds, stock: Stock): Part {
  const width = book.value(bottomRules.randWidth)
  const outer = behind(offset(lasted.outline, heelRoom, 'the rand'), breast, 'the rand')
  const inner = behind(offset(lasted.outline, heelRoom - width, 'the rand'), breast + 1, 'the rand')
  const outline = difference(outer, inner, 'the rand')
  return {
    ...under,
    id: 'rand',
    name: 'Rand',
    role: 'welt',
    materialName: stock.name,
    thickness: stock.thickness,
    count: 2,
    outline,
    lines: [{ name: 'lasted outline', kind: 'neighbour', path: lasted.outline, closed: true }],
    ...seatFigures(outline),
    becauses: [
      becauseOfRule('Width', bottomRules.randWidth, book),
      {
        id: 'past',
        quantity: 'Stands out past the lasted seat',
        value: heelRoom,
        unit: 'mm',
        sentence:
          'As far as the heel, with which it is trimmed; the rest of its width lies under the shoe and is pegged.',
        inputs: [],
        origin: book.inForce(bottomRules.heelRoom).origin,
        rule: bottomRules.heelRoom.key,
      },
      {
        id: 'thickness',
        quantity: 'Thickness',
        value: stock.thickness,
        unit: 'mm',
        sentence: 'As thick as the welt, whose ends it meets, so that the bottom is level all round.',
        inputs: [],
        ...(stock.byRule
          ? { origin: book.inForce(bottomRules.weltThickness).origin, rule: bottomRules.weltThickness.key }
          : { origin: 'from the material' as const }),
      },
    ],
    findings: [],
  }
}

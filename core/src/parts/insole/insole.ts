import { resample } from '../../geometry/polyline.ts'
import { offset } from '../../geometry/polygonClip.ts'
import { boxOf, pathLength, type Path } from '../../geometry/path.ts'
import { thicknessFinding } from '../shared/thicknessFinding.ts'
import type { DevelopedBottom } from '../../last/developedBottom.ts'
import type { Finding } from '../../trade/because.ts'
import { traitsOf } from '../../model/construction.ts'
import { isBoard, type Material } from '../../model/material.ts'
import type { PairDecisions } from '../../model/pair.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { alongBottom, creaseOf } from '../shared/alongBottom.ts'
import { inFrontOf } from '../shared/inFront.ts'
import type { Part, PartLine } from '../../trade/part.ts'
import { mm, mmTo, say } from '../../units/sentence.ts'

export const insoleRules = {
  holdfast: {
    key: 'insole.holdfast',
    name: 'Holdfast set in from the insole edge',
    value: 5,
    min: 4,
    max: 6,
    unit: 'mm',
    why: 'Nearer the edge it tears out; further in the welt is drawn under the shoe.',
  },
  weltPitch: {
    key: 'insole.weltPitch',
    name: 'Welt stitch',
    value: 7,
    min: 5,
    max: 10,
    unit: 'mm',
    why: say`${mmTo(6, 8)}: closer weakens the holdfast, wider lets the welt gape.`,
  },
  channel: {
    key: 'insole.channel',
    name: 'Channel behind the holdfast',
    value: 5,
    min: 3,
    max: 8,
    unit: 'mm',
    why: 'What stands between the carved feather and the channel is the holdfast: thinner than this it tears.',
  },
  breast: {
    key: 'insole.breast',
    name: 'Welt seam starts in front of the heel back, share of the last length',
    value: 0.25,
    min: 0.18,
    max: 0.32,
    unit: 'share',
    why: 'The welt runs from heel breast to heel breast; behind it a rand is pegged.',
  },
  leatherThin: {
    key: 'insole.leatherThin',
    name: 'Thinnest insole leather',
    value: 3,
    min: 2,
    max: 4,
    unit: 'mm',
    why: 'Thinner leather curls and will not hold a stitch.',
  },
  leatherThick: {
    key: 'insole.leatherThick',
    name: 'Thickest insole leather',
    value: 5,
    min: 4,
    max: 7,
    unit: 'mm',
    why: 'Thicker leather does not bed in under the foot.',
  },
  boardThin: {
    key: 'insole.boardThin',
    name: 'Thinnest insole board',
    value: 1.5,
    min: 1,
    max: 2,
    unit: 'mm',
    why: 'Thinner board buckles when the upper is pulled over.',
  },
  boardThick: {
    key: 'insole.boardThick',
    name: 'Thickest insole board',
    value: 2.5,
    min: 2,
    max: 4,
    unit: 'mm',
    why: 'Thicker board will not bend with the foot.',
  },
} satisfies Record<string, Rule>

export interface InsoleNeeds {
  bottom: DevelopedBottom
  length: number
  construction: PairDecisions['construction']
  material: Material
  book: RuleBook
}

/** The insole: the bottom of the last at the feather line, rolled out flat. */
export function insole(needs: InsoleNeeds): Part {
  const { bottom, length, construction, material, book } = needs
  const outline = bottom.outline
  const { welted } = traitsOf(construction)
  const lines: PartLine[] = [creaseOf(bottom)]
  const inset = book.inForce(insoleRules.holdfast)
  const breast = bottom.flatX(book.value(insoleRules.breast) * length)
  const pitch = book.inForce(insoleRules.weltPitch)
  const holdfast = welted ? inFrontOf(offset(outline, -inset.value, 'the insole'), breast) : []
  const seam = welted ? evenHoles(holdfast, pitch.value) : { holes: [], pitch: 0 }
  if (welted) lines.push({ name: 'holdfast', kind: 'stitch', path: holdfast, closed: false, holes: seam.holes })
  if (welted && !isBoard(material)) {
    const inside = offset(outline, -inset.value - book.value(insoleRules.channel), 'the channel')
    lines.push({ name: 'channel', kind: 'mark', path: inFrontOf(inside, breast), closed: false })
  }
  const box = boxOf(outline)
  return {
    id: 'insole',
    place: 'under',
    areas: [],
    name: 'Insole',
    role: 'insole',
    materialName: material.name,
    thickness: material.thickness,
    count: 2,
    outline,
    lines,
    skives: [],
    ...alongBottom(outline, bottom, length),
    becauses: [
      {
        id: 'length',
        quantity: 'Length of the insole',
        value: box.maxX - box.minX,
        unit: 'mm',
        sentence: say`The bottom of the last from feather to feather, measured along its rise to the heel. The last is ${mm(length)} long because its walls stand out beyond the feather at heel and toe.`,
        inputs: [{ name: 'Last length', value: length, unit: 'mm' }],
        origin: 'measured on the last',
      },
      ...(welted
        ? [
            {
              id: 'holdfast',
              quantity: 'Holdfast set in',
              value: inset.value,
              unit: 'mm' as const,
              sentence: say`${mm(inset.value)} from the edge, from heel breast to heel breast: strong enough to hold the welt, and the seam stays hidden.`,
              inputs: [],
              origin: inset.origin,
              rule: insoleRules.holdfast.key,
            },
            {
              id: 'weltStitch',
              quantity: 'Welt stitch',
              value: seam.pitch,
              unit: 'mm' as const,
              sentence: say`${seam.holes.length} holes a foot for ${seam.holes.length - 1} stitches, evenly from breast to breast, as near to ${mm(pitch.value)} as comes out whole.`,
              inputs: [{ name: 'Holdfast', value: pathLength(holdfast), unit: 'mm' as const }],
              origin: pitch.origin,
              rule: insoleRules.weltPitch.key,
            },
          ]
        : []),
    ],
    findings: insoleFindings(needs),
  }
}

/** Holes at both ends and evenly between, with the pitch (mm) nearest to the one asked for that comes out whole. */
export function evenHoles(line: Path, wanted: number): { holes: Path; pitch: number } {
  const length = pathLength(line)
  const gaps = Math.max(1, Math.round(length / wanted))
  return { holes: resample(line, gaps + 1), pitch: length / gaps }
}

function insoleFindings(needs: InsoleNeeds): Finding[] {
  const { construction, material, book } = needs
  const findings: Finding[] = []
  const board = isBoard(material)
  const inset = book.value(insoleRules.holdfast)
  if (traitsOf(construction).welted) {
    const least = book.value(insoleRules.leatherThin)
    findings.push({
      id: 'insole.holdfast',
      level: board || material.thickness < least ? 'stop' : 'fine',
      where: 'holdfast',
      sentence: board
        ? 'A holdfast cannot be carved in board: a welted shoe wants leather here.'
        : material.thickness < least
          ? say`${mm(material.thickness)} is too thin to carve a holdfast; ${mm(least)} are wanted.`
          : say`${mm(material.thickness)} of leather carry a carved holdfast ${mm(inset)} from the edge.`,
      measured: material.thickness,
      limit: least,
      unit: 'mm',
      mend:
        board || material.thickness < least
          ? say`Choose insole leather of ${mmTo(3, 5)}, or make the pair another way.`
          : '',
      remedy:
        board || material.thickness < least
          ? { kind: 'open', control: { room: 'decisions', at: 'insole' } }
          : undefined,
    })
  }
  findings.push(
    thicknessFinding(
      'insole.thickness',
      material,
      board
        ? [book.value(insoleRules.boardThin), book.value(insoleRules.boardThick)]
        : [book.value(insoleRules.leatherThin), book.value(insoleRules.leatherThick)],
      board ? 'serve as board' : 'serve as a leather insole',
      { thin: 'Take a thicker piece.', thick: 'Split it down first, or take a thinner piece.' },
      'insole',
    ),
  )
  return findings
}

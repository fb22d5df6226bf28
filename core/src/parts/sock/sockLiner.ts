import { bandAlong, offset } from '../../geometry/polygonClip.ts'
import { boxOf, type Path } from '../../geometry/path.ts'
import { foamFinding } from './foamRecovery.ts'
import type { DevelopedBottom } from '../../last/developedBottom.ts'
import type { Finding } from '../../trade/because.ts'
import type { Material } from '../../model/material.ts'
import type { PairDecisions } from '../../model/pair.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { alongBottom, creaseOf } from '../shared/alongBottom.ts'
import { behind } from '../shared/behind.ts'
import type { Part, Skive } from '../../trade/part.ts'
import { girthFindings, type GirthLoss } from './paddingLoss.ts'
import { mm, mmTo, say, bare } from '../../units/sentence.ts'

export const sockRules = {
  paddingGrowth: {
    key: 'sock.paddingGrowth',
    name: 'Full padding larger than the sock',
    value: 7,
    min: 4,
    max: 10,
    unit: 'mm',
    why: say`It is trimmed to the leather after gluing; over ${mm(10)} it folds up at the walls.`,
  },
  halfShare: {
    key: 'sock.halfShare',
    name: 'Front of a half padding, share of the last length',
    value: 0.45,
    min: 0.35,
    max: 0.55,
    unit: 'share',
    why: 'From the heel to the instep line: it lifts the heel and leaves the forefoot its room.',
  },
  heelShare: {
    key: 'sock.heelShare',
    name: 'Front of a heel pad, share of the last length',
    value: 0.27,
    min: 0.2,
    max: 0.35,
    unit: 'share',
    why: 'It cushions the heel bone and ends before the arch.',
  },
  halfSock: {
    key: 'sock.halfSock',
    name: 'Front of a half sock, share of the last length',
    value: 0.58,
    min: 0.45,
    max: 0.62,
    unit: 'share',
    why: 'It covers waist and seat and ends behind the joint, where an edge would be walked on.',
  },
  heelSock: {
    key: 'sock.heelSock',
    name: 'Front of a heel sock, share of the last length',
    value: 0.34,
    min: 0.25,
    max: 0.42,
    unit: 'share',
    why: 'It covers the tacks of the heel and ends before the arch.',
  },
  sockSkive: {
    key: 'sock.sockSkive',
    name: 'Skive at the front of a half or heel sock',
    value: 8,
    min: 5,
    max: 15,
    unit: 'mm',
    why: 'The foot slides over an edge that runs out to nothing.',
  },
  frontSkive: {
    key: 'sock.frontSkive',
    name: 'Skive at the front of a half padding',
    value: 13,
    min: 12,
    max: 15,
    unit: 'mm',
    why: say`Tapered over ${mmTo(12, 15)} no step is felt under the foot.`,
  },
  allowedLoss: {
    key: 'sock.allowedLoss',
    name: 'Girth at joint and waist that padding may take',
    value: 3,
    min: 0,
    max: 10,
    unit: 'mm',
    why: 'More than this and the shoe is a fitting tighter than it was measured for.',
  },
  allowedInstepLoss: {
    key: 'sock.allowedInstepLoss',
    name: 'Girth at the instep that padding may take',
    value: 6,
    min: 0,
    max: 15,
    unit: 'mm',
    why: 'Over the instep the lacing lets out this much; a slip-on shoe wants a smaller figure.',
  },
} satisfies Record<string, Rule>

export interface SockNeeds {
  bottom: DevelopedBottom
  length: number
  lining: number
  material: Material
  book: RuleBook
}

/** The sock outline: the insole's less the lining at the walls. */
export function sockOutline(bottom: DevelopedBottom, lining: number): Path {
  return offset(bottom.outline, -lining, 'the sock liner')
}

type SockExtent = PairDecisions['sock']['extent']
const sockNames: Record<SockExtent, string> = { full: 'Sock liner', half: 'Half sock liner', heel: 'Heel sock liner' }

/** Where a sock that ends under the foot has its front edge, mm from the heel back; null for a full one. */
export function sockFront(extent: SockExtent, length: number, book: RuleBook): number | null {
  if (extent === 'full') return null
  return book.value(extent === 'half' ? sockRules.halfSock : sockRules.heelSock) * length
}

/** The sock liner: rests on the insole, touches the foot; full, half or under the heel alone. */
export function sockLiner(needs: SockNeeds & { extent: SockExtent; loss: GirthLoss | null }): Part {
  const { bottom, length, lining, material, extent, loss, book } = needs
  const whole = sockOutline(bottom, lining)
  const front = sockFront(extent, length, book)
  const outline = front === null ? whole : behind(whole, bottom.flatX(front), 'the sock liner')
  const rule = extent === 'half' ? sockRules.halfSock : sockRules.heelSock
  const box = boxOf(outline)
  return {
    id: 'sock',
    place: 'foot',
    areas: [],
    name: sockNames[extent],
    role: 'sock',
    materialName: material.name,
    thickness: material.thickness,
    count: 2,
    outline,
    lines: [{ name: 'insole outline', kind: 'neighbour', path: bottom.outline, closed: true }, creaseOf(bottom)],
    skives:
      front === null
        ? []
        : [frontSkive(outline, bottom.flatX(front), book.value(sockRules.sockSkive), material.thickness)],
    ...alongBottom(outline, bottom, length),
    becauses: [
      {
        id: 'length',
        quantity: 'Length of the sock liner',
        value: box.maxX - box.minX,
        unit: 'mm',
        sentence:
          front === null
            ? say`The insole's ${mm(bottom.length, 1)} less the lining at heel and toe.`
            : say`From the heel, less the lining, to ${mm(front, 0)} from the heel back. ${rule.why}`,
        inputs: [
          { name: 'Insole', value: bottom.length, unit: 'mm' },
          { name: 'Lining', value: lining, unit: 'mm' },
        ],
        origin: 'measured on the last',
      },
      {
        id: 'clearance',
        quantity: 'Smaller than the insole all round',
        value: lining,
        unit: 'mm',
        sentence: say`The lining stands ${mm(lining)} thick at the walls; the sock has to lie flat between them.`,
        inputs: [{ name: 'Lining', value: lining, unit: 'mm' }],
        origin: 'from the material',
      },
      ...(front === null
        ? []
        : [
            {
              id: 'front',
              quantity: 'Front edge from the heel back',
              value: front,
              unit: 'mm' as const,
              sentence: `${book.value(rule)} of the last length. ${rule.why}`,
              inputs: [{ name: 'Last length', value: length, unit: 'mm' as const }],
              origin: book.inForce(rule).origin,
              rule: rule.key,
            },
          ]),
      ...(loss?.becauses ?? []),
    ],
    findings: loss ? lossFindings(loss, false, book) : [],
  }
}

/** Checks of the girth that is left, of the part that shows them: the uppermost that is not the last's own. */
export const lossFindings = (loss: GirthLoss, whole: boolean, book: RuleBook): Finding[] =>
  girthFindings(loss, whole, {
    joint: book.value(sockRules.allowedLoss),
    waist: book.value(sockRules.allowedLoss),
    instep: book.value(sockRules.allowedInstepLoss),
  })

export interface PaddingNeeds extends SockNeeds {
  extent: Extent
  /** How far the sock over it reaches; null under a covered insole, where there is none. */
  sock: SockExtent | null
  loss: GirthLoss
}

type Extent = Exclude<PairDecisions['sock']['padding'], 'none'>
const names: Record<Extent, string> = { 'heel pad': 'Heel pad', half: 'Half padding', full: 'Full padding' }

/** Where a padding that ends under the foot has its front edge, mm from the heel back. */
export const paddedTo = (extent: Extent, length: number, book: RuleBook): number =>
  book.value(extent === 'heel pad' ? sockRules.heelShare : sockRules.halfShare) * length

/** Padding under the sock liner, full, half or under the heel alone, drawn oversize and trimmed to the sock after gluing. */
export function padding(needs: PaddingNeeds): Part {
  const { bottom, length, lining, material, book, extent, loss } = needs
  const growth = book.inForce(sockRules.paddingGrowth)
  const sock = sockOutline(bottom, lining)
  const full = offset(sock, growth.value, 'the padding')
  const rule = extent === 'heel pad' ? sockRules.heelShare : sockRules.halfShare
  const share = book.inForce(rule)
  const part = extent !== 'full'
  const front = bottom.flatX(share.value * length)
  const skiveWidth = book.value(sockRules.frontSkive)
  const outline = part ? behind(full, front, 'the padding') : full
  const box = boxOf(outline)
  const skives: Skive[] = part ? [frontSkive(outline, front, skiveWidth, material.thickness)] : []
  const ground = alongBottom(outline, bottom, length)
  return {
    id: 'padding',
    place: 'foot',
    areas: [],
    name: names[extent],
    role: 'padding',
    materialName: material.name,
    thickness: material.thickness,
    count: 2,
    outline,
    lines: [{ name: 'sock liner', kind: 'neighbour', path: sock, closed: true }],
    skives,
    ...ground,
    becauses: [
      {
        id: 'growth',
        quantity: 'Larger than the sock',
        value: growth.value,
        unit: 'mm',
        sentence: say`${mm(growth.value)} all round, trimmed to the leather after gluing; never over ${bare(10)}.`,
        inputs: [],
        origin: growth.origin,
        rule: sockRules.paddingGrowth.key,
      },
      ...(part
        ? [
            {
              id: 'front',
              quantity: 'Front edge from the heel back',
              value: share.value * length,
              unit: 'mm' as const,
              sentence: `${share.value} of the last length: ${extent === 'heel pad' ? 'in front of the heel bone' : 'at the instep line'}, marked on the flesh side of the sock.`,
              inputs: [{ name: 'Last length', value: length, unit: 'mm' as const }],
              origin: share.origin,
              rule: rule.key,
            },
            {
              id: 'length',
              quantity: 'Length of the padding',
              value: box.maxX - box.minX,
              unit: 'mm' as const,
              sentence: 'From the oversize heel to the front edge, measured flat.',
              inputs: [],
              origin: 'measured on the last' as const,
            },
          ]
        : []),
      ...loss.becauses,
    ],
    findings: [
      ...coveredFinding(needs),
      ...foamFinding('padding.foam', material, book),
      ...lossFindings(loss, extent === 'full', book),
    ],
  }
}

/** Padding that no sock covers is walked to pieces. */
function coveredFinding({ sock, extent, length, book }: PaddingNeeds): Finding[] {
  if (sock === null) return []
  const front = sockFront(sock, length, book)
  if (front === null) return []
  const reach = extent === 'full' ? length : paddedTo(extent, length, book)
  const covered = reach <= front - 2
  return [
    {
      id: 'padding.covered',
      level: covered ? 'fine' : 'stop',
      where: 'front edge of the padding',
      sentence: covered
        ? say`The ${sockNames[sock].toLowerCase()} reaches ${mm(front - reach, 0)} past the padding.`
        : say`The padding reaches ${mm(reach, 0)} from the heel back, the ${sockNames[sock].toLowerCase()} only ${mm(front, 0)}: its edge lies bare under the foot.`,
      measured: reach,
      limit: front,
      unit: 'mm',
      mend: covered ? '' : 'Take a longer sock liner, or less padding.',
      remedy: covered ? undefined : { kind: 'choice', name: 'whole sock', decisions: { sock: { extent: 'full' } } },
    },
  ]
}

function frontSkive(outline: Path, front: number, width: number, thickness: number): Skive {
  const ys = outline.filter((p) => p[0] > front - 0.01).map((p) => p[1])
  const edge: Path = [
    [front, Math.min(...ys)],
    [front, Math.max(...ys)],
  ]
  return {
    name: 'front edge',
    edge,
    band: bandAlong(edge, width, outline),
    profile: [
      [0, 0],
      [width, thickness],
    ],
    shape: 'to nothing',
    face: 'under',
    sentence: say`Straight to nothing over ${mm(width)}, so that no step is felt.`,
  }
}

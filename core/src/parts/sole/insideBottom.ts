import { offset } from '../../geometry/polygonClip.ts'
import { nearest, outwardNormals } from '../../geometry/polyline.ts'
import { boxOf, distance, signedArea, type Path, type Point } from '../../geometry/path.ts'
import type { DevelopedBottom } from '../../last/developedBottom.ts'
import type { Finding } from '../../trade/because.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { alongBottom } from '../shared/alongBottom.ts'
import { widthAt } from '../../geometry/callipers.ts'
import type { Part } from '../../trade/part.ts'
import { toeToHeel } from '../../trade/grain.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { bottomRules } from './bottomRules.ts'
import type { Stock } from './stock.ts'
import type { SideProfile } from './sideProfile.ts'
import { mm, say } from '../../units/sentence.ts'

const under = { place: 'under', areas: [], skives: [], lines: [], role: null } as const
const ROUND = 10
const STRIPS = 200

/** Middle of the bottom at X, half-way between both feather lines. */
function middleAt(outline: Path, x: number): Point {
  const w = widthAt(outline, x)
  return [x, w ? (w.from[1] + w.to[1]) / 2 : 0]
}

/** Flat X at which the joint line crosses the middle of the bottom. */
function jointAt(bottom: DevelopedBottom): number {
  const [a, b] = [bottom.jointLateral, bottom.jointMedial]
  let x = (a[0] + b[0]) / 2
  for (let k = 0; k < 6; k++) {
    const y = middleAt(bottom.outline, x)[1]
    x = a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])
  }
  return x
}

/** The shank: a spring along the middle of the waist, from under the heel to behind the joint line. */
export function shank(
  bottom: DevelopedBottom,
  length: number,
  profile: SideProfile,
  stock: Stock,
  book: RuleBook,
): Part {
  const start = bottom.flatX(book.value(bottomRules.shankStart) * length)
  const joint = jointAt(bottom)
  const wanted = book.value(bottomRules.shankBehind)
  const half = book.value(bottomRules.shankWidth) / 2
  const n = 24
  const jointLine: Path = [bottom.jointLateral, bottom.jointMedial]
  // The joint line runs slantwise: the rounded end is drawn back until its nearest point is clear of it.
  let end = joint - wanted - half
  for (let k = 0; k < 6; k++) end -= wanted + half - nearest(jointLine, middleAt(bottom.outline, end)).away
  const line = Array.from({ length: n + 1 }, (_, k) => middleAt(bottom.outline, start + ((end - start) * k) / n))
  const normals = outwardNormals(line, false)
  const side = (sign: number): Path =>
    line.map(([x, y], i): Point => [x + sign * normals[i]![0] * half, y + sign * normals[i]![1] * half])
  const cap = (centre: Point, from: number): Path =>
    Array.from({ length: ROUND - 1 }, (_, k): Point => {
      const a = from + (Math.PI * (k + 1)) / ROUND
      return [centre[0] + half * Math.cos(a), centre[1] + half * Math.sin(a)]
    })
  const raw: Path = [
    ...side(1),
    ...cap(line[n]!, -Math.PI / 2),
    ...[...side(-1)].reverse(),
    ...cap(line[0]!, Math.PI / 2),
  ]
  const outline = signedArea(raw) > 0 ? raw : [...raw].reverse()
  const clear = Math.min(...outline.map((p) => nearest(jointLine, p).away))
  const run = line.slice(1).reduce((sum, p, i) => sum + distance(line[i]!, p), 0)
  const finding: Finding = {
    id: 'shank.joint',
    level: clear >= wanted - 0.5 ? 'fine' : 'stop',
    where: 'front end at the joint line',
    sentence: say`Its end keeps ${mm(clear, 0)} from the joint line at the nearest.`,
    measured: clear,
    limit: wanted,
    unit: 'mm',
    mend: clear >= wanted - 0.5 ? '' : 'Shorten it at the front.',
  }
  return {
    ...under,
    id: 'shank',
    name: 'Shank',
    role: 'shank',
    materialName: stock.name,
    thickness: stock.thickness,
    count: 2,
    outline,
    lines: [
      { name: 'joint line', kind: 'crease', path: jointLine, closed: false },
      { name: 'feather line of the last', kind: 'feather', path: bottom.outline, closed: true },
    ],
    notches: [],
    dimensions: [{ name: 'length', from: [start - half, 0], to: [end + half, 0], value: run + 2 * half }],
    grain: toeToHeel(outline),
    becauses: [
      {
        id: 'length',
        quantity: 'Length of the shank',
        value: run + 2 * half,
        unit: 'mm',
        sentence: say`From under the heel to ${mm(wanted)} behind the joint line, along the middle of the waist.`,
        inputs: [],
        origin: 'measured on the last',
      },
      {
        id: 'bend',
        quantity: 'Bent by',
        value: archRise(profile, start, end),
        unit: 'mm',
        sentence:
          'How far the bottom of the last rises over the straight line between its ends: bend it to this before it is fixed.',
        inputs: [],
        origin: 'measured on the last',
      },
      becauseOfRule('Starts, share of the last length', bottomRules.shankStart, book),
      becauseOfRule('Ends behind the joint line', bottomRules.shankBehind, book),
      becauseOfRule('Width', bottomRules.shankWidth, book),
      ...(stock.byRule ? [becauseOfRule('Thickness', bottomRules.shankThickness, book)] : []),
    ],
    findings: [finding],
  }
}

/** How far the last's bottom leaves the straight line between two of its places, mm. */
function archRise(profile: SideProfile, start: number, end: number): number {
  const part = profile.last.filter((p) => p[0] >= start && p[0] <= end)
  if (part.length < 3) return 0
  const [a, b] = [part[0]!, part[part.length - 1]!]
  const l = distance(a, b)
  return part.reduce(
    (most, p) => Math.max(most, Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) / l),
    0,
  )
}

/** Where the filler lies: inside the margins, `inset` mm from the feather line. */
export interface FillerBed {
  outline: Path
  inset: number
}
export const fillerBed = (bottom: DevelopedBottom, inset: number): FillerBed => ({
  outline: offset(bottom.outline, -inset, 'the filler'),
  inset,
})

/** The filler: what lies level with the margins between them, with its volume and mass. */
export function filler(
  bottom: DevelopedBottom,
  length: number,
  { outline, inset }: FillerBed,
  depthAt: (flatX: number) => number,
  shankVolume: number,
  book: RuleBook,
): Part {
  const box = boxOf(outline)
  const step = (box.maxX - box.minX) / STRIPS
  let [volume, least, most] = [0, Infinity, 0]
  for (let k = 0; k < STRIPS; k++) {
    const x = box.minX + (k + 0.5) * step
    const depth = depthAt(x)
    volume += (widthAt(outline, x)?.value ?? 0) * depth * step
    least = Math.min(least, depth)
    most = Math.max(most, depth)
  }
  const filled = Math.max(0, volume - shankVolume)
  const area = signedArea(outline)
  const density = book.value(bottomRules.fillerDensity)
  return {
    ...under,
    id: 'filler',
    name: 'Filler',
    materialName: 'cork and glue',
    thickness: Number(most.toFixed(1)),
    count: 2,
    outline,
    lines: [{ name: 'feather line of the last', kind: 'feather', path: bottom.outline, closed: true }],
    ...alongBottom(outline, bottom, length),
    becauses: [
      {
        id: 'depth',
        quantity: 'Depth at its deepest',
        value: most,
        unit: 'mm',
        sentence: say`As deep as the margins round it are thick: ${mm(least, 1)} where they are thinnest, ${mm(most, 1)} where they are thickest.`,
        inputs: [{ name: 'Thinnest', value: least, unit: 'mm' }],
        origin: 'from the material',
      },
      {
        id: 'area',
        quantity: 'Area',
        value: area,
        unit: 'mm²',
        sentence: say`Inside the margin or seam, which lies ${mm(inset, 0)} from the feather line.`,
        inputs: [],
        origin: 'measured on the last',
      },
      {
        id: 'volume',
        quantity: 'Filler for one shoe',
        value: filled / 1000,
        unit: 'cm³',
        sentence: 'Area times depth, strip by strip, less the shank.',
        inputs: [{ name: 'Shank', value: shankVolume / 1000, unit: 'cm³' }],
        origin: 'measured on the last',
      },
      {
        id: 'mass',
        quantity: 'Mass for the pair',
        value: (2 * filled * density) / 1000,
        unit: 'g',
        sentence: `At ${density} g for each cubic centimetre of cork and glue.`,
        inputs: [{ name: 'Filler of a shoe', value: filled / 1000, unit: 'cm³' }],
        origin: book.inForce(bottomRules.fillerDensity).origin,
        rule: bottomRules.fillerDensity.key,
      },
    ],
    findings: [],
  }
}

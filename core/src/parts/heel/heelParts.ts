import { offset } from '../../geometry/polygonClip.ts'
import { boxOf, type Path, type Point } from '../../geometry/path.ts'
import type { Because } from '../../trade/because.ts'
import type { PairDecisions } from '../../model/pair.ts'
import { behind } from '../shared/behind.ts'
import type { Part } from '../../trade/part.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { bottomRules } from '../sole/bottomRules.ts'
import { hasWedge, type HeelBuild } from './heelBuild.ts'
import { seatFigures } from './seatFigures.ts'
import type { SoleNeeds } from '../sole/soleParts.ts'
import type { Stock } from '../sole/stock.ts'
import { mm, say } from '../../units/sentence.ts'
import { SAME } from '../../geometry/tolerance.ts'

/**
 * Outline of the heel where it meets the sole: the lasted seat and a little to trim, cut off at the hollowed breast.
 * `lasted` is the lasted outline, or its part behind the breast and a little more;
 * `heelRoom` is how far it stands out past the seat, mm: a seam that runs outside the seat stands on the heel too.
 */
export function heelSeat({
  lasted,
  breast,
  heelRoom,
  book,
}: Pick<SoleNeeds, 'breast' | 'heelRoom' | 'book'> & { lasted: Path }): Path {
  const grown = offset(lasted, heelRoom, 'the heel')
  return behind(grown, breast, 'the heel', book.value(bottomRules.breastHollow))
}

/** Outlines of the heel from the seat down: `count` of them after the first, each smaller than the one above by the taper. */
export const liftOutlines = (seat: Path, count: number, taper: number): Path[] =>
  Array.from({ length: count + 1 }, (_, k) => (k * taper > 0.01 ? offset(seat, -k * taper, 'the heel') : seat))

/** What the parts of a heel are cut from. */
export interface HeelStock {
  wedge: Stock
  lift: Stock
  top: Stock
}

/** The parts of the heel: wedge, lifts (each smaller than the one above) and top piece; `outlines` from the seat down. */
export function heelParts(
  needs: SoleNeeds,
  outlines: readonly Path[],
  build: HeelBuild,
  { wedge: wedgeOf, lift, top }: HeelStock,
  { lifts: set }: PairDecisions['heel'],
): Part[] {
  const byHand = set !== null
  const { book } = needs
  const [seat] = outlines
  const step = (k: number): Path => outlines[k]!
  // Where the sole itself stands on the ground there is no heel to cut.
  if (build.bodies.length === 0) return []
  const wedge = hasWedge(build)
  const stack = build.bodies.length - 1
  const base = { place: 'under', areas: [], skives: [], lines: [], count: 2, findings: [] } as const
  const height: Because = {
    id: 'height',
    quantity: 'Height under the seat at the back',
    value: build.needed.back,
    unit: 'mm',
    sentence: say`The sole’s underside stands ${mm(build.needed.back, 1)} over the ground at the back of the heel and ${mm(build.needed.breast, 1)} at the breast: heel height of the last, less the bottom at the seat, and the bottom at the tread.`,
    inputs: [
      { name: 'At the back', value: build.needed.back, unit: 'mm' },
      { name: 'At the breast', value: build.needed.breast, unit: 'mm' },
    ],
    origin: 'measured on the last',
  }
  /** A wedge thicker than the leather is laid up of several pieces. */
  const pieces = Math.ceil(build.wedge.back / wedgeOf.thickness - SAME)
  const room = Math.max(0, Math.min(build.needed.back, build.needed.breast) - build.topPiece)
  const liftCount: Because = {
    id: 'lifts',
    quantity: 'Lifts',
    value: build.lifts,
    unit: 'count',
    sentence: byHand
      ? say`Set by hand; by rule ${build.byRule} go into the ${mm(room, 1)} that the top piece leaves at the lower end.`
      : say`What the top piece leaves at the lower end (${mm(room, 1)}), divided by lifts of ${mm(lift.thickness)}.`,
    inputs: [{ name: 'Lift', value: lift.thickness, unit: 'mm' }],
    origin: byHand ? 'set by hand' : 'measured on the last',
    hand: { decision: 'heel.lifts', byRule: build.byRule, min: 0, max: build.byRule + 6 },
  }
  const lifts: Part[] =
    build.lifts > 0
      ? [
          {
            ...base,
            id: 'heelLift',
            name: build.lifts === 1 ? 'Heel lift' : `Heel lifts, ${build.lifts} a foot`,
            role: 'heel',
            materialName: lift.name,
            thickness: lift.thickness,
            count: 2 * build.lifts,
            outline: step(wedge ? 1 : 0),
            lines: Array.from({ length: build.lifts - 1 }, (_, k) => ({
              name: `lift ${k + 2}`,
              kind: 'neighbour' as const,
              path: step(k + 1 + (wedge ? 1 : 0)),
              closed: true,
            })),
            ...seatFigures(step(wedge ? 1 : 0)),
            becauses: [
              height,
              liftCount,
              becauseOfRule('Each lift smaller all round', bottomRules.taper, book),
              ...(lift.byRule ? [becauseOfRule('Thickness', bottomRules.liftThickness, book)] : []),
            ],
          },
        ]
      : []
  return [
    ...(wedge
      ? [
          {
            ...base,
            id: 'heelWedge',
            name: 'Heel wedge',
            role: 'heel' as const,
            materialName: wedgeOf.name,
            thickness: Number(Math.max(build.wedge.back, build.wedge.breast, 0).toFixed(1)),
            outline: seat!,
            ...seatFigures(seat!),
            skives: [pareSkive('from back to breast', seat!, build.wedge)],
            becauses: [
              height,
              {
                id: 'wedge',
                quantity: 'Wedge at the back',
                value: build.wedge.back,
                unit: 'mm' as const,
                sentence: say`What ${build.lifts} lift${build.lifts === 1 ? '' : 's'} and the top piece leave at the back; it falls to ${mm(build.wedge.breast, 1)} at the breast, so that the heel stands level.${pieces > 1 ? say` It is built of ${pieces} pieces of ${mm(wedgeOf.thickness)} each, pared.` : ''}`,
                inputs: [{ name: 'At the breast', value: build.wedge.breast, unit: 'mm' as const }],
                origin: 'measured on the last' as const,
              },
            ],
          },
        ]
      : []),
    ...lifts,
    {
      ...base,
      id: 'topPiece',
      name: 'Top piece',
      role: 'topPiece',
      materialName: top.name,
      thickness: top.thickness,
      outline: step(stack),
      ...seatFigures(step(stack)),
      skives: build.pared ? [pareSkive('to the height of the seat', step(stack), build.pared)] : [],
      becauses: [
        ...(build.pared ? [paredTo(build, build.pared)] : []),
        // With no lift left there is no other part that the slider could stand on.
        liftCount,
        largerThanSeat(needs),
        becauseOfRule('Each lift smaller all round', bottomRules.taper, book),
        becauseOfRule('Hollow of the breast', bottomRules.breastHollow, book),
        ...(top.byRule ? [becauseOfRule('Thickness', bottomRules.topPieceThickness, book)] : []),
      ],
    },
  ]
}

/** The rule's room where no seam runs outside the seat; else as far as seam and edge stand out. */
function largerThanSeat({ heelRoom, book }: SoleNeeds): Because {
  const byRule = becauseOfRule('Larger than the lasted seat', bottomRules.heelRoom, book)
  if (heelRoom === byRule.value) return byRule
  return {
    id: byRule.id,
    quantity: byRule.quantity,
    value: heelRoom,
    unit: 'mm',
    sentence: 'The upper is sewn down all round: the heel carries the seam and the edge outside it.',
    inputs: [],
    origin: 'house rule',
  }
}

/** A seat lower than the top piece is thick: how it is pared. */
const paredTo = (build: HeelBuild, pared: { back: number; breast: number }): Because => ({
  id: 'thickness',
  quantity: 'Top piece at the back',
  value: pared.back,
  unit: 'mm',
  sentence: say`The sole stands only ${mm(build.needed.back, 1)} over the ground at the back and ${mm(build.needed.breast, 1)} at the breast: the top piece is pared to that, and no lift goes in.`,
  inputs: [{ name: 'At the breast', value: pared.breast, unit: 'mm' }],
  origin: 'measured on the last',
})

/** A piece of the heel is thinned all the way from its back to its breast. */
function pareSkive(name: string, outline: Path, left: { back: number; breast: number }): Part['skives'][number] {
  const box = boxOf(outline)
  const front: Point[] = outline.filter((p) => p[0] > box.maxX - 8)
  const ys = front.map((p) => p[1])
  return {
    name,
    edge: [
      [box.maxX, Math.min(...ys)],
      [box.maxX, Math.max(...ys)],
    ],
    band: outline,
    profile: [
      [0, Math.max(0, left.breast)],
      [box.maxX - box.minX, Math.max(0, left.back)],
    ],
    shape: 'straight',
    face: 'under',
    sentence: say`From ${mm(left.back, 1)} at the back to ${mm(left.breast, 1)} at the breast.`,
  }
}

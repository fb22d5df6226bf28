import { z } from 'zod'

export const toeShapes = ['round', 'almond', 'soft square', 'blunt'] as const
export const ToeShape = z.enum(toeShapes)
export type ToeShape = z.infer<typeof ToeShape>

/** Plain number in a range: mm unless the field says otherwise. */
const mm = (min: number, max: number) => z.number().min(min).max(max)

/** The decisions that make a last: what a shoemaker can measure on one with a tape and a rule, mm. */
export const LastMeasures = z.object({
  /** Last length L: straight, heel back to toe tip. */
  length: mm(150, 350),
  /** Widths of the bottom at the feather line. */
  seatWidth: mm(30, 100),
  waistWidth: mm(30, 110),
  jointWidth: mm(45, 140),
  /** Tape readings. */
  jointGirth: mm(130, 380),
  waistGirth: mm(130, 380),
  instepGirth: mm(130, 400),
  /** Ground to seat at the heel back. */
  heelHeight: mm(0, 90),
  /** Ground to the bottom under the toe tip. */
  toeSpring: mm(0, 30),
  /** Bottom to ridge in the toe box. */
  toeBoxHeight: mm(14, 50),
  toeShape: ToeShape,
  /** Seat to cone cut, how far forward the cut ends (share of L), its width. */
  coneHeight: mm(45, 140),
  coneFront: mm(0.34, 0.44),
  coneWidth: mm(12, 50),
  /** Turn of the forepart to the lateral side, and hollow of the waist on the medial side (shares). */
  swing: mm(0, 0.1),
  arch: mm(0.05, 0.3),
  /** How far the back curve swells (mm at L = 290) and how far it comes in again at the top (share). */
  backBulge: mm(2, 7),
  backIn: mm(0.2, 0.4),
  /** How sharply the toe box falls to the feather: 0.06 upright, 0.18 sloping. */
  toeSlope: mm(0.02, 0.3),
})
export type LastMeasures = z.infer<typeof LastMeasures>

export const Last = z.object({
  id: z.uuid(),
  name: z.string().trim().min(1).max(80),
  note: z.string().max(500).default(''),
  measures: LastMeasures,
})
export type Last = z.infer<typeof Last>

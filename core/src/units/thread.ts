/** A thread by the figures that stand on its reel. */
export type ThreadSize =
  /** So many plies of a lea, as linen is sold. */
  | { kind: 'linen'; plies: number; lea: number }
  /** Three times the metres that weigh as many grams. */
  | { kind: 'ticket'; ticket: number }

/** tex is the weight of a kilometre in grams; of linen one ply of lea 1 has 1654. */
const LINEN = 1654
const TICKET = 3000
/** Of a thread as it lies twisted and waxed, g/cm3. */
const DENSITY = 0.9

/** Grams of a kilometre (docs/trade.md, "Units"): plies x 1654 / lea, or 3000 / ticket. texOf({ kind: 'ticket', ticket: 40 }) is 75. */
export const texOf = (size: ThreadSize): number =>
  size.kind === 'linen' ? (size.plies * LINEN) / size.lea : TICKET / size.ticket

/** Metric number: metres of a gram, 1000 / tex. */
export const metricNumber = (tex: number): number => 1000 / tex

/** How thick a thread is, mm: a round cylinder of its weight, area = tex / (1000 x density). Of 75 tex that is 0.33 mm. */
export const threadThickness = (tex: number): number => 2 * Math.sqrt(tex / (1000 * DENSITY) / Math.PI)

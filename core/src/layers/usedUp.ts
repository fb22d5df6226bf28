/**
 * How much of a margin is used up before it lies flat under the insole, mm: it runs down the insole's `edge`, then
 * round its corner. What lies nearer to the insole is `inside` mm thick, so the middle of a layer of its `own`
 * thickness goes round on a quarter circle of radius inside + own / 2: edge + (pi / 2) (inside + own / 2)
 * (docs/trade.md, "What lies under").
 */
export function usedUp(edge: number, inside: number, own: number): number {
  return edge + (Math.PI / 2) * (inside + own / 2)
}

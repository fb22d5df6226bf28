/** What a stroke of a figure shows; each has a look of its own. */
export type FigureInk = 'leather' | 'wood' | 'iron' | 'thread' | 'other thread' | 'line' | 'hidden' | 'arrow'
export interface FigureStroke {
  ink: FigureInk
  /** SVG path in a frame of 120 by 80. */
  d: string
}
export type HowToFigure = readonly FigureStroke[]

const leather = (x: number, y: number, w: number, h: number): FigureStroke => ({
  ink: 'leather',
  d: `M${x} ${y}h${w}v${h}h${-w}z`,
})
const stroke =
  (ink: FigureInk) =>
  (d: string): FigureStroke => ({ ink, d })
const [thread, other, iron, wood, line, hidden] = [
  stroke('thread'),
  stroke('other thread'),
  stroke('iron'),
  stroke('wood'),
  stroke('line'),
  stroke('hidden'),
]
/** An arrow from one point to another; its head is drawn out of two short lines. */
function arrow(x1: number, y1: number, x2: number, y2: number): FigureStroke {
  const a = Math.atan2(y2 - y1, x2 - x1)
  const barb = (turn: number) =>
    `M${x2} ${y2}L${(x2 - 5 * Math.cos(a + turn)).toFixed(1)} ${(y2 - 5 * Math.sin(a + turn)).toFixed(1)}`
  return { ink: 'arrow', d: `M${x1} ${y1}L${x2} ${y2}${barb(0.5)}${barb(-0.5)}` }
}
/** A needle from its eye to its point. */
const needle = (x1: number, y1: number, x2: number, y2: number): FigureStroke => iron(`M${x1} ${y1}L${x2} ${y2}`)
const circle = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`

/** Small drawings of ours for the cards that are looked up most, by the card's id. */
export const howToFigures: Readonly<Record<string, HowToFigure>> = {
  // Both threads through every hole, one above and one below by turns; a needle at either end.
  'two-needles': [
    leather(8, 36, 104, 9),
    leather(8, 45, 104, 9),
    thread(
      'M14 36C18 29 26 29 28 36V54C32 61 40 61 44 54V36C48 29 56 29 60 36V54C64 61 72 61 76 54V36C79 28 84 24 88 20',
    ),
    other(
      'M14 54C18 61 26 61 29.5 54V36C34 29 40 29 45.5 36V54C50 61 56 61 61.5 54V36C66 29 72 29 77.5 36V54C80 62 84 66 88 70',
    ),
    needle(88, 20, 108, 8),
    needle(88, 70, 108, 76),
    arrow(96, 30, 110, 22),
    arrow(96, 60, 110, 64),
  ],
  // The thread runs through the eye, and the point through the thread twice.
  'anchor-needle': [
    iron('M14 40L84 40L106 39'),
    line(circle(18, 40, 3)),
    thread('M18 40C24 26 34 26 40 40C46 54 56 54 62 40C66 30 60 22 50 20C34 17 22 22 6 22'),
    arrow(70, 56, 34, 56),
  ],
  // The row ends at the edge that goes under; its knot lies behind.
  knots: [
    leather(40, 6, 9, 58),
    leather(49, 6, 9, 58),
    thread('M40 14C34 18 34 22 40 26H58C64 30 64 34 58 38H40C34 42 34 46 40 50H58'),
    other('M58 14C64 18 64 22 58 26M40 26C34 30 34 34 40 38M58 38C64 42 64 46 58 50'),
    thread(circle(62, 52, 3)),
    hidden('M20 64H100'),
    line('M64 52C72 52 74 58 80 58'),
    arrow(96, 30, 68, 50),
  ],
  // One layer of the ring on the block, scrap between it and the wood.
  block: [
    wood('M34 78V42C34 28 86 28 86 42V78z'),
    leather(40, 27, 40, 5),
    line('M28 60C28 20 92 20 92 60'),
    line('M28 60C28 72 92 72 92 60'),
    iron('M57 6H63V20L60 25L57 20z'),
    arrow(76, 6, 76, 18),
  ],
  'back-punch': [
    wood('M10 66H110V76H10z'),
    leather(16, 54, 88, 12),
    leather(28, 44, 64, 8),
    iron('M55 4H65V32L62 43H58L55 32z'),
    line('M34 44v8M44 44v8'),
    arrow(78, 6, 78, 30),
  ],
  // In and out on the same side, a stitch further on.
  'one-side': [
    leather(8, 40, 104, 16),
    thread('M10 34C18 30 22 34 26 40C30 52 42 54 46 40C49 32 56 32 60 40C64 52 76 54 80 40'),
    iron('M80 40C86 28 96 20 108 18'),
    hidden('M8 66H112'),
    arrow(92, 36, 104, 30),
  ],
  // Pushed through, then its legs opened and turned down along the grain.
  'split-rivet': [
    leather(6, 36, 44, 12),
    iron('M18 30H38V36H31V64H29V36H27V64H25V36H18z'),
    leather(68, 36, 46, 12),
    iron('M80 30H102V36H93V48C98 48 106 50 108 56C102 55 92 54 91 52C90 54 80 55 74 56C76 50 84 48 89 48V36H80z'),
    arrow(52, 56, 64, 56),
  ],
  // Up, over, and round: the heel of the pliers presses down what was gained.
  pliers: [
    wood('M8 78V50C8 44 14 42 22 42H78V78z'),
    leather(12, 36, 64, 6),
    line('M80 78V40C80 32 74 30 68 30L60 28'),
    line('M84 78V38C84 27 75 26 68 25L60 24'),
    iron('M60 22L62 31L48 30L22 14L26 8z'),
    iron('M60 22L30 4'),
    { ink: 'arrow', d: 'M40 46C26 44 18 34 18 24M18 24L15 30M18 24L22.500 29' },
  ],
  // Leaning away from the pull, its head clear; drawn out in the line in which it went in.
  tack: [
    leather(8, 46, 104, 14),
    line('M8 42H112'),
    iron('M40 58L30 28M24 30L36 26'),
    arrow(48, 34, 66, 34),
    iron('M84 56L76 26M70 28L82 24'),
    arrow(74, 18, 70, 6),
  ],
  // The blade almost flat, moved slanting along the edge on stone or glass.
  skive: [
    { ink: 'wood', d: 'M6 56H114V68H6z' },
    { ink: 'leather', d: 'M6 46H72L104 55V56H6z' },
    iron('M52 26L110 48L112 53L50 34z'),
    arrow(40, 20, 66, 12),
    hidden('M72 46H104V56'),
  ],
  // Slits where the line is hollow, notches where it is round.
  'fold-curve': [
    { ink: 'leather', d: 'M6 74V40C24 22 40 22 58 40C74 56 92 56 114 34V74z' },
    hidden('M6 52C24 33 40 33 55 50C74 68 94 68 114 47'),
    line('M70 49L68 60M80 52.500L79.500 63M90 52L91 62'),
    line('M22 30.500L25 40L28 28.500M36 27L38 36L41.500 28.500'),
    arrow(60, 12, 34, 24),
    arrow(64, 12, 80, 44),
  ],
}

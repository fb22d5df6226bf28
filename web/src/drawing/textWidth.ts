import type { Measure } from './labels.ts'

/** Width of a letter, share of its size, where there is nothing to measure with. */
const LETTER = 0.5
let paper: CanvasRenderingContext2D | null | undefined
/** The page's own letters; asked once, since the page is styled for the answer each time. */
let letters: string | undefined
/** Width of a text as it is drawn, pixels. */
export const widthOf: Measure = (text, size) => {
  if (paper === undefined) paper = document.createElement('canvas').getContext('2d')
  if (!paper) return text.length * size * LETTER
  letters ??= getComputedStyle(document.body).fontFamily
  paper.font = `600 ${size}px ${letters}`
  return paper.measureText(text).width
}

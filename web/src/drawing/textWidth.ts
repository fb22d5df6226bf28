import type { Measure } from './labels.ts'

/** Width of a letter, share of its size, where there is nothing to measure with. */
const LETTER = 0.5
let paper: CanvasRenderingContext2D | null | undefined
/** Width of a text as it is drawn, pixels. */
export const widthOf: Measure = (text, size) => {
  if (paper === undefined) paper = document.createElement('canvas').getContext('2d')
  if (!paper) return text.length * size * LETTER
  paper.font = `600 ${size}px ${getComputedStyle(document.body).fontFamily}`
  return paper.measureText(text).width
}

import { z } from 'zod'

/** Characters that are no letter, figure or sign: printed they are nothing, in a drawing they break the file, and some end the text. */
const UNSEEN = /[\p{Cc}\p{Cs}\u2028\u2029\ufffe\uffff]/u
const UNSEEN_BUT_LINES = /(?![\n\r\t])[\p{Cc}\p{Cs}\ufffe\uffff]/u

const SAYS = 'There is a character in it that cannot be seen or printed. Type it anew.'

/** A name or a word in one line. */
export const line = (most: number) =>
  z
    .string()
    .trim()
    .max(most)
    .refine((text) => !UNSEEN.test(text), SAYS)

/** A note of several lines. */
export const note = (most: number) =>
  z
    .string()
    .max(most)
    .refine((text) => !UNSEEN_BUT_LINES.test(text), SAYS)

/** A name that must be given; `missing` says so. */
export const named = (most: number, missing: string) => line(most).min(1, missing)

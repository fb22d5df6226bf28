import { MM_PER_INCH } from './length.ts'

/** One ounce of leather is 1/64 inch thick: about 0.397 mm. */
export const MM_PER_OUNCE = MM_PER_INCH / 64

export const ouncesFromMm = (mm: number): number => mm / MM_PER_OUNCE
export const mmFromOunces = (ounces: number): number => ounces * MM_PER_OUNCE

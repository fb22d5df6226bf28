import { inches, MM_PER_INCH, readLength, spoken, type LengthUnit, type Sentence } from '@gentle-awl/core'
import { useLocalStorage } from '@vueuse/core'
import { computed, watchEffect } from 'vue'
import { paint } from './theme.ts'

/** What this screen shows lengths in, and by which light: kept per browser, not per pair. */
export const lengthUnit = useLocalStorage<LengthUnit>('gentle-awl.unit', 'mm')
export const theme = useLocalStorage<'light' | 'dark'>('gentle-awl.theme', 'light')
/** Screen pixels per millimetre, as measured by the person with a rule; null until then. */
export const pixelsPerMm = useLocalStorage<number | null>('gentle-awl.pixels-per-mm', null, {
  serializer: { read: (v) => (v === 'null' ? null : Number(v)), write: (v) => String(v) },
})

watchEffect(() => {
  document.documentElement.dataset.theme = theme.value
  paint(document.documentElement, theme.value)
})

/** What a label or a column's head calls the unit. */
export const lengthWord = computed(() => (lengthUnit.value === 'inch' ? 'inches' : 'mm'))

/** A length (mm) as a number of the screen's unit: what charts are drawn in. */
export const inUnit = (mm: number): number => (lengthUnit.value === 'inch' ? mm / MM_PER_INCH : mm)

/** A sentence with its lengths in the chosen unit. */
export const tell = (sentence: Sentence): string => spoken(sentence, lengthUnit.value)

/** A length (mm) in the chosen unit, with the unit. */
export function showLength(mm: number, digits = 1): string {
  return lengthUnit.value === 'inch' ? inches(mm) : `${mm.toFixed(digits)} mm`
}

/** Square millimetres as leather is sold: square decimetres, or square feet. */
export const showArea = (mm2: number): string =>
  lengthUnit.value === 'inch' ? `${(mm2 / (12 * MM_PER_INCH) ** 2).toFixed(2)} sq ft` : `${(mm2 / 1e4).toFixed(1)} dm²`

/** So much thread, as it comes off the reel: metres, or feet. */
export const showThread = (mm: number): string =>
  lengthUnit.value === 'inch' ? `${(mm / MM_PER_INCH / 12).toFixed(1)} ft` : `${(mm / 1000).toFixed(2)} m`

/** A length (mm) in the chosen unit for a column whose head says mm; inches keep their sign. */
export const bareLength = (mm: number): string => (lengthUnit.value === 'inch' ? inches(mm) : mm.toFixed(1))

const PLAIN: Record<string, string> = {
  share: '',
  count: '',
  min: ' min',
  '%': ' %',
  'mm²': ' mm²',
  'mm per 10 mm': ' mm per 10 mm',
}

/** Any figure with its unit, as it stands in a list. */
export function showFigure(value: number, unit: string): string {
  if (unit === 'mm') return showLength(value)
  if (unit === 'mm²' && lengthUnit.value === 'inch') return `${(value / MM_PER_INCH ** 2).toFixed(1)} in²`
  const digits = unit === 'share' ? 3 : Number.isInteger(value) ? 0 : 1
  return `${value.toFixed(digits)}${PLAIN[unit] ?? ` ${unit}`}`
}

/** A figure as exactly as it is kept, without its unit where that stands beside it: a length in inches where the screen has them. */
export const exactFigure = (value: number, unit: string): string =>
  unit === 'mm' && lengthUnit.value === 'inch' ? inches(value) : String(value)

/** A length typed by hand, mm: a bare number is one of the unit of the screen. Null when it cannot be read. */
export function readTypedLength(typed: string, unit: LengthUnit = lengthUnit.value): number | null {
  const length = readLength(unit === 'mm' || /[″"]|in|mm/.test(typed) ? typed : `${typed} in`)
  // No length is kept with the dust of its arithmetic: 9.525, not 9.524999999999999.
  return length === null ? null : Math.round(length * 1e6) / 1e6
}

/** The unit that stands beside such a figure. */
export const unitBeside = (unit: string): string =>
  unit === 'count' || unit === 'share' || (unit === 'mm' && lengthUnit.value === 'inch') ? '' : unit

/** Minutes as a person says them: 45 min, 2 h 5 min, 3 d 4 h. */
export function showMinutes(total: number): string {
  const minutes = Math.max(0, Math.round(total))
  if (minutes < 24 * 60) return showWork(minutes)
  const hours = Math.round((minutes % (24 * 60)) / 60)
  return `${Math.floor(minutes / (24 * 60))} d${hours ? ` ${hours} h` : ''}`
}

/** So many minutes of work: a day at the bench has no 24 hours, so that they are not counted in days. */
export function showWork(total: number): string {
  const minutes = Math.max(0, Math.round(total))
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${minutes % 60} min` : ''}`
}

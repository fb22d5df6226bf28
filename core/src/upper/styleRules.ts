import type { Rule } from '../trade/rules.ts'
import type { Sentence } from '../units/sentence.ts'

const share = (key: string, name: string, value: number, min: number, max: number, why: Sentence): Rule => ({
  key: `upper.${key}`,
  name,
  value,
  min,
  max,
  unit: 'share',
  why,
})

/** How much lower the back of a low-cut shoe ends than a laced one's. */
const lowBack: Rule = {
  key: 'upper.lowBack',
  name: 'Back of a low-cut shoe lower than of a laced one',
  value: 4,
  min: 0,
  max: 12,
  unit: 'mm',
  why: 'it holds by its top edge, and a high back would rub.',
}

/** Where the lines of the styles begin: shares of the last length, counted from the heel back. */
export const styleRules = {
  lowBack,
  facingTop: share(
    'facingTop',
    'Top of the facing',
    0.44,
    0.4,
    0.5,
    'High enough to hold the instep, clear of the bend of the ankle.',
  ),
  derbyTab: share(
    'derbyTab',
    'Front of the derby tabs',
    0.645,
    0.58,
    0.67,
    'The tabs end behind the crease line, or the shoe cannot bend.',
  ),
  derbyVamp: share(
    'derbyVamp',
    'Vamp point of the derby',
    0.6,
    0.54,
    0.64,
    'The tongue is sewn on here, covered by the tabs.',
  ),
  oxfordVamp: share(
    'oxfordVamp',
    'Vamp point of the oxford',
    0.615,
    0.56,
    0.66,
    'The lacing ends here; from here forward the vamp is one with itself and must bend.',
  ),
  courtThroat: share(
    'courtThroat',
    'Throat of a court',
    0.7,
    0.64,
    0.76,
    'Low enough to show the foot, with the toes still covered.',
  ),
  flatThroat: share('flatThroat', 'Throat of a flat', 0.715, 0.64, 0.78, 'A flat is cut out lower than a court.'),
  capLine: share(
    'capLine',
    'Toe-cap line',
    0.79,
    0.72,
    0.86,
    'In front of the joint, so that the seam does not bend with the shoe.',
  ),
  sideSeam: share(
    'sideSeam',
    'Side seam at the feather',
    0.5,
    0.4,
    0.6,
    'Behind the joint, where the waist is narrow and the seam lies still.',
  ),
  counterFront: share(
    'counterFront',
    'Front of the counter',
    0.27,
    0.2,
    0.36,
    'It follows the stiffener that it covers.',
  ),
  bootTop: share(
    'bootTop',
    'Height of the boot',
    0.44,
    0.36,
    0.6,
    'Above the ankle bones, below the swell of the calf.',
  ),
} satisfies Record<string, Rule>

export const styleGaps = {
  derby: {
    key: 'upper.derbyGap',
    name: 'Between derby facings when laced',
    value: 12,
    min: 0,
    max: 24,
    unit: 'mm',
    why: 'New leather gives; the lacing needs something left to draw in.',
  },
  oxford: {
    key: 'upper.oxfordGap',
    name: 'Between oxford facings when laced',
    value: 4,
    min: 0,
    max: 12,
    unit: 'mm',
    why: 'Closed lacing shuts almost wholly; a few millimetres are left for stretch.',
  },
} satisfies Record<string, Rule>

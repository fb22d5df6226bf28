import { lastRanges, toeShapes, type LastMeasures } from '@gentle-awl/core'
import { showFigure } from '../../../app/settings.ts'

/** A figure of a last by its measures: what it is called and in what steps it is moved. */
export interface MeasureField {
  key: Exclude<keyof LastMeasures, 'toeShape'>
  name: string
  step: number
  /** May be left empty: what then holds. */
  empty?: string
  unit: 'mm' | 'share'
  /** What the word means, where not every maker uses it. */
  says?: string
}

/** The figures in the order in which a shoemaker takes them. */
export const measureGroups: { name: string; fields: MeasureField[] }[] = [
  {
    name: 'Length and heights',
    fields: [
      { key: 'length', name: 'Length', step: 1, unit: 'mm' },
      { key: 'heelHeight', name: 'Heel height', step: 1, unit: 'mm' },
      {
        key: 'seatSlope',
        name: 'Slope of the seat, share of the mean',
        step: 0.05,
        empty: 'as first drawn',
        unit: 'share',
        says: 'How steep the heel’s platform is: 1 is as steep as from heel to tread on the whole, 0.5 half of that.',
      },
      {
        key: 'toeSpring',
        name: 'Toe spring',
        step: 0.5,
        unit: 'mm',
        says: 'From the ground up to the bottom under the toe, the last standing on its tread and heel.',
      },
      {
        key: 'coneHeight',
        name: 'Cone above the seat',
        step: 1,
        unit: 'mm',
        says: 'From the seat straight up to the cut top, at the back.',
      },
    ],
  },
  {
    name: 'Girths',
    fields: [
      { key: 'jointGirth', name: 'Joint girth', step: 1, unit: 'mm' },
      { key: 'waistGirth', name: 'Waist girth', step: 1, unit: 'mm' },
      { key: 'instepGirth', name: 'Instep girth', step: 1, unit: 'mm' },
      { key: 'heelGirth', name: 'Short heel girth', step: 1, empty: 'as it comes', unit: 'mm' },
    ],
  },
  {
    name: 'Widths of the bottom',
    fields: [
      { key: 'seatWidth', name: 'Seat width', step: 0.5, unit: 'mm' },
      { key: 'waistWidth', name: 'Waist width', step: 0.5, unit: 'mm' },
      { key: 'jointWidth', name: 'Joint width', step: 0.5, unit: 'mm' },
      { key: 'coneWidth', name: 'Cone width', step: 1, unit: 'mm', says: 'Across the cut top.' },
    ],
  },
  {
    name: 'Toe',
    fields: [
      {
        key: 'toeBoxHeight',
        name: 'Toe box height',
        step: 0.5,
        unit: 'mm',
        says: 'From the bottom up to the ridge, over the toes.',
      },
      {
        key: 'toeSlope',
        name: 'Slope of the toe box',
        step: 0.01,
        unit: 'share',
        says: '0.06 falls upright to the feather, 0.18 slopes.',
      },
    ],
  },
  {
    name: 'Shape',
    fields: [
      {
        key: 'swing',
        name: 'Swing',
        step: 0.005,
        unit: 'share',
        says: 'How far the forepart lies to the little toe’s side: so much of the joint’s width.',
      },
      {
        key: 'arch',
        name: 'Arch hollow',
        step: 0.01,
        unit: 'share',
        says: 'How hollow the waist is on the medial side: at 0.2 a tenth of its width is taken there and put outside.',
      },
      {
        key: 'backBulge',
        name: 'Swell of the back',
        step: 0.1,
        unit: 'mm',
        says: 'How full the back is: at 4.2 it stands out about 2 mm over its foot, 2 more is about 1.5 mm more.',
      },
      {
        key: 'backIn',
        name: 'Back comes in at the top',
        step: 0.01,
        unit: 'share',
        says: 'How close the back comes at the top: 0.1 more is about 0.7 mm closer.',
      },
      {
        key: 'coneFront',
        name: 'Cone front, share of length',
        step: 0.005,
        unit: 'share',
        says: 'How far from the back the cut top ends in front.',
      },
    ],
  },
]
const fields = measureGroups.flatMap((g) => g.fields)

/** A middling last to start from; its girths go together. */
export const START: LastMeasures = {
  length: 280,
  heelHeight: 25,
  seatSlope: 0.6,
  toeSpring: 10,
  jointGirth: 246,
  waistGirth: 241,
  instepGirth: 245,
  heelGirth: null,
  seatWidth: 60,
  waistWidth: 60,
  jointWidth: 86,
  toeBoxHeight: 29,
  coneHeight: 79,
  coneWidth: 27,
  coneFront: 0.4,
  swing: 0.045,
  arch: 0.2,
  backBulge: 4.2,
  backIn: 0.29,
  toeSlope: 0.18,
  toeShape: 'round',
}

/** What of a set of figures lies outside what a last can be; null when nothing does. */
export function outOfRange(m: LastMeasures): { problem: string; field: MeasureField['key'] } | null {
  for (const { key, name, unit } of fields) {
    const [min, max] = lastRanges[key]
    const value = m[key]
    if (value === null || (value >= min && value <= max)) continue
    const within = `from ${showFigure(min, unit)} to ${showFigure(max, unit)}`
    return { problem: `${name}: a last has ${within}, not ${showFigure(value, unit)}.`, field: key }
  }
  return null
}

export const toeShapeOptions = toeShapes.map((value) => ({ value, name: value }))

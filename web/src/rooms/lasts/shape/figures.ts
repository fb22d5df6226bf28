import { LastMeasures, readFigure, toeShapes, type ToeShape } from '@gentle-awl/core'

/** A figure of a last by its measures: what it is called and in what steps it is moved. */
export interface MeasureField {
  key: Exclude<keyof LastMeasures, 'toeShape'>
  name: string
  step: number
  /** May be left empty: what then holds. */
  empty?: string
  unit: 'mm' | 'share'
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
      },
      { key: 'toeSpring', name: 'Toe spring', step: 0.5, unit: 'mm' },
      { key: 'coneHeight', name: 'Cone above the seat', step: 1, unit: 'mm' },
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
      { key: 'coneWidth', name: 'Cone width', step: 1, unit: 'mm' },
    ],
  },
  {
    name: 'Toe',
    fields: [
      { key: 'toeBoxHeight', name: 'Toe box height', step: 0.5, unit: 'mm' },
      { key: 'toeSlope', name: 'Slope of the toe box', step: 0.01, unit: 'share' },
    ],
  },
  {
    name: 'Shape',
    fields: [
      { key: 'swing', name: 'Swing', step: 0.005, unit: 'share' },
      { key: 'arch', name: 'Arch hollow', step: 0.01, unit: 'share' },
      { key: 'backBulge', name: 'Swell of the back', step: 0.1, unit: 'mm' },
      { key: 'backIn', name: 'Back comes in at the top', step: 0.01, unit: 'share' },
      { key: 'coneFront', name: 'Cone front, share of length', step: 0.005, unit: 'share' },
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

/** What stands in the fields, as text: nothing is lost while it is being typed. */
export type TypedMeasures = Record<MeasureField['key'], string> & { toeShape: ToeShape }

export function typed(m: LastMeasures): TypedMeasures {
  const text = Object.fromEntries(fields.map((f) => [f.key, m[f.key] === null ? '' : String(m[f.key])]))
  return { ...(text as Record<MeasureField['key'], string>), toeShape: m.toeShape }
}

/** Reads the fields; a sentence and the field when one cannot be used. */
export function readTyped(
  t: TypedMeasures,
): { measures: LastMeasures } | { problem: string; field: MeasureField['key'] } {
  const raw: Record<string, number | string | null> = { toeShape: t.toeShape }
  for (const f of fields) {
    const text = String(t[f.key]).trim()
    if (text === '' && f.empty !== undefined) {
      raw[f.key] = null
      continue
    }
    const value = readFigure(text)
    if (value === null) {
      return {
        problem:
          text === '' ? `${f.name}: write a number.` : `${f.name}: “${text}” is no number. Write it like 2,5 or 2.5.`,
        field: f.key,
      }
    }
    raw[f.key] = value
  }
  const read = LastMeasures.safeParse(raw)
  if (read.success) return { measures: read.data }
  const issue = read.error.issues[0]!
  const field = fields.find((f) => f.key === issue.path[0]) ?? fields[0]
  const bound =
    issue.code === 'too_small'
      ? `at least ${issue.minimum}`
      : issue.code === 'too_big'
        ? `at most ${issue.maximum}`
        : issue.message
  return { problem: `${field!.name}: ${bound}${field!.unit === 'mm' ? ' mm' : ''}.`, field: field!.key }
}

export const toeShapeOptions = toeShapes.map((value) => ({ value, name: value }))

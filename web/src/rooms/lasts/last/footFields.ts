import { FeetFields, footRanges, type FootMeasures } from '@gentle-awl/core'
import { exactFigure, readTypedLength, showLength } from '../../../app/settings.ts'

export const footFields: { key: keyof FootMeasures; name: string }[] = [
  { key: 'length', name: 'Length' },
  { key: 'jointGirth', name: 'Joint girth' },
  { key: 'waistGirth', name: 'Waist girth' },
  { key: 'instepGirth', name: 'Instep girth' },
  { key: 'heelGirth', name: 'Short heel girth' },
  { key: 'jointWidth', name: 'Joint width' },
]
export type TypedFoot = Record<keyof FootMeasures, string>

/** A foot as it stands in the fields, in the unit of the screen. */
export const typedFoot = (foot: FootMeasures): TypedFoot =>
  Object.fromEntries(
    footFields.map(({ key }) => [key, foot[key] === null ? '' : exactFigure(foot[key], 'mm')]),
  ) as TypedFoot

/** Reads typed feet; the sentence says which foot and which figure cannot be used. */
export function readFeet(
  label: { order: string; trade: string; note: string },
  feet: { right: TypedFoot; left: TypedFoot },
): { fields: FeetFields } | { problem: string } {
  const read = (foot: TypedFoot) =>
    Object.fromEntries(
      footFields.map(({ key }) => {
        const text = foot[key].trim()
        return [key, text === '' ? null : (readTypedLength(text) ?? Number.NaN)]
      }),
    )
  for (const [side, foot] of Object.entries(feet)) {
    for (const { key, name } of footFields) {
      const text = foot[key].trim()
      const where = `${side === 'left' ? 'Left' : 'Right'} foot, ${name}`
      if (text === '') continue
      const value = readTypedLength(text)
      if (value === null) {
        return { problem: `${where}: “${text}” is no length. Write it like ${exactFigure(253.5, 'mm')}.` }
      }
      const [least, most] = footRanges[key]
      if (value < least || value > most) {
        return { problem: `${where}: from ${showLength(least, 0)} to ${showLength(most, 0)}.` }
      }
    }
  }
  const result = FeetFields.safeParse({ ...label, right: read(feet.right), left: read(feet.left) })
  if (result.success) return { fields: result.data }
  const issue = result.error.issues[0]!
  const [where, key] = issue.path.map(String)
  const field = footFields.find((f) => f.key === key)
  return {
    problem: field ? `${where === 'left' ? 'Left' : 'Right'} foot, ${field.name}: ${issue.message}` : issue.message,
  }
}

/** The same feet in another unit; what cannot be read stays as it was typed. */
export function retyped(foot: TypedFoot, from: 'mm' | 'inch'): TypedFoot {
  return Object.fromEntries(
    footFields.map(({ key }) => {
      const value = foot[key].trim() === '' ? null : readTypedLength(foot[key], from)
      return [key, value === null ? foot[key] : exactFigure(value, 'mm')]
    }),
  ) as TypedFoot
}

import { FeetFields, footRanges, readFigure, type FootMeasures } from '@gentle-awl/core'

export const footFields: { key: keyof FootMeasures; name: string }[] = [
  { key: 'length', name: 'Length' },
  { key: 'jointGirth', name: 'Joint girth' },
  { key: 'waistGirth', name: 'Waist girth' },
  { key: 'instepGirth', name: 'Instep girth' },
  { key: 'heelGirth', name: 'Short heel girth' },
  { key: 'jointWidth', name: 'Joint width' },
]
export type TypedFoot = Record<keyof FootMeasures, string>

export const typedFoot = (foot: FootMeasures): TypedFoot =>
  Object.fromEntries(footFields.map((f) => [f.key, foot[f.key] === null ? '' : String(foot[f.key])])) as TypedFoot

/** Reads typed feet; the sentence says which foot and which figure cannot be used. */
export function readFeet(
  label: { order: string; trade: string; note: string },
  feet: { right: TypedFoot; left: TypedFoot },
): { fields: FeetFields } | { problem: string } {
  const read = (foot: TypedFoot) =>
    Object.fromEntries(
      footFields.map(({ key }) => {
        const text = String(foot[key]).trim()
        return [key, text === '' ? null : (readFigure(text) ?? Number.NaN)]
      }),
    )
  for (const [side, foot] of Object.entries(feet)) {
    for (const { key, name } of footFields) {
      const text = String(foot[key]).trim()
      const where = `${side === 'left' ? 'Left' : 'Right'} foot, ${name}`
      if (text === '') continue
      const value = readFigure(text)
      if (value === null) return { problem: `${where}: “${text}” is no number. Write it like 253,5 or 253.5.` }
      const [least, most] = footRanges[key]
      if (value < least || value > most) return { problem: `${where}: from ${least} to ${most} mm.` }
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

import { FeetFields, type FootMeasures } from '@gentle-awl/core'

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
        const text = String(foot[key]).trim().replace(',', '.')
        return [key, text === '' ? null : Number(text)]
      }),
    )
  const result = FeetFields.safeParse({ ...label, right: read(feet.right), left: read(feet.left) })
  if (result.success) return { fields: result.data }
  const issue = result.error.issues[0]
  const [where, key] = issue.path.map(String)
  const field = footFields.find((f) => f.key === key)
  return {
    problem: field ? `${where === 'left' ? 'Left' : 'Right'} foot, ${field.name}: ${issue.message}` : issue.message,
  }
}

import type { FootMeasures } from '@gentle-awl/core'

/** What is measured on a foot, in the order in which it is. */
export const footFields: { key: keyof FootMeasures; name: string }[] = [
  { key: 'length', name: 'Length' },
  { key: 'jointGirth', name: 'Joint girth' },
  { key: 'waistGirth', name: 'Waist girth' },
  { key: 'instepGirth', name: 'Instep girth' },
  { key: 'heelGirth', name: 'Short heel girth' },
  { key: 'jointWidth', name: 'Joint width' },
]

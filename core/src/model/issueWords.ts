import { z } from 'zod'

type Issue = Parameters<z.core.$ZodErrorMap>[0]

const kinds: Record<string, string> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no (true or false)',
  array: 'a list',
  object: 'a group of fields',
  record: 'a group of fields',
  tuple: 'a list',
  null: 'nothing',
}
const kind = (name: unknown) => kinds[String(name)] ?? String(name)

const found = (input: unknown): string => {
  if (input === undefined) return 'it is missing'
  if (input === null) return 'it is empty'
  if (typeof input === 'number') return Number.isNaN(input) ? 'it is no number' : `it is ${input}`
  if (typeof input === 'string') return `it is "${input.length > 40 ? `${input.slice(0, 40)} ...` : input}"`
  return `it is ${kind(Array.isArray(input) ? 'array' : typeof input)}`
}

const counted = (origin: unknown, n: unknown): string => {
  if (origin === 'string') return `${String(n)} characters`
  return origin === 'array' || origin === 'set' ? `${String(n)} entries` : String(n)
}

/** What is wrong with a field, in a sentence for a person; undefined where the schema has its own. */
function sayIssue(issue: Issue): string | undefined {
  const input: unknown = issue.input
  switch (issue.code) {
    case 'invalid_type':
      return `Give ${kind(issue.expected)} here; ${found(input)}.`
    case 'too_small':
      if (issue.origin === 'string' && issue.minimum === 1) return 'Fill this in; it is empty.'
      return `Give ${counted(issue.origin, issue.minimum)} at least; ${found(input)}.`
    case 'too_big':
      return `Give ${counted(issue.origin, issue.maximum)} at most; ${found(input)}.`
    case 'invalid_value':
      return `Choose one of ${issue.values.map((v) => `"${String(v)}"`).join(', ')}; ${found(input)}.`
    case 'invalid_format':
      if (issue.format === 'uuid') return `This is no id; ${found(input)}.`
      if (issue.format === 'datetime') return `Give a date and time as 2026-01-05T08:00:00.000Z; ${found(input)}.`
      return `This is not written as it should be; ${found(input)}.`
    case 'unrecognized_keys':
      return `Leave out ${issue.keys.map((k) => `"${k}"`).join(', ')}: there is no such field.`
    case 'invalid_union':
      return `This is none of the kinds that are known here; ${found(input)}.`
    case 'invalid_key':
    case 'invalid_element':
      return 'An entry of this list is not as it should be.'
    case 'not_multiple_of':
      return `Give a multiple of ${issue.divisor}; ${found(input)}.`
    case 'custom':
      return undefined
  }
}

/** From now on whatever checks a document in this program says what is wrong in our words. */
export function useOurWords(): void {
  z.config({ customError: (issue) => sayIssue(issue) })
}

/** Where in a document something is wrong, as a person would say it: "build-ups, number 1, reach". */
export function placeInWords(path: readonly PropertyKey[]): string {
  if (path.length === 0) return 'the whole'
  return path
    .map((key) => {
      if (typeof key === 'number' || /^\d+$/.test(String(key))) return `number ${Number(key) + 1}`
      return String(key)
        .replace(/([a-z])([A-Z])/g, '$1 $2')
        .replace(/[._]/g, ' ')
        .toLowerCase()
    })
    .join(', ')
}

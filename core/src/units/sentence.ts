import { inches } from './length.ts'

export type LengthUnit = 'mm' | 'inch'

/** A length in a sentence. It is written in the unit of whoever reads it. */
export interface LengthSlot {
  mm: number
  /** Digits behind the point in millimetres; null writes what there is, to the hundredth. */
  digits: number | null
  /** The other end of a range. */
  to?: number
  /** Written in centimetres rather than millimetres. */
  cm?: true
  /** Without its unit in millimetres, where the sentence has named it just before. */
  bare?: true
}

/** What is said to a person, in words and lengths: plain text where there are none. */
export type Sentence = string | readonly (string | LengthSlot)[]

type Said = Sentence | LengthSlot | number

/** A length (mm) for `say`. */
export const mm = (value: number, digits: number | null = null): LengthSlot => ({ mm: value, digits })
/** A range of lengths (mm) for `say`: `5 to 8 mm`. */
export const mmTo = (from: number, to: number, digits: number | null = null): LengthSlot => ({ mm: from, to, digits })
/** A length (mm) for `say` that is too long to be said in millimetres: `212 cm`. */
export const cm = (value: number): LengthSlot => ({ mm: value, digits: 0, cm: true })
/** A length (mm) for `say` that leaves out its unit where that is mm: `12.3 mm where 12 are wanted`. */
export const bare = (value: number, digits: number | null = null): LengthSlot => ({ mm: value, digits, bare: true })

/** A range of lengths (mm) for `say`, without its unit where that is mm. */
export const bareTo = (from: number, to: number): LengthSlot => ({ mm: from, to, digits: null, bare: true })

/**
 * Tag for sentences with lengths in them: ``say`The puff is ${mm(52.04, 1)} long.` ``. Sentences that are put into one
 * another become one.
 */
export function say(words: TemplateStringsArray, ...values: readonly Said[]): Sentence {
  return joined(words.flatMap((word, i): Said[] => (i < values.length ? [word, values[i]!] : [word])))
}

/** Several sentences, or parts of one, after each other. */
export function joined(parts: readonly Said[], between = ''): Sentence {
  const out: (string | LengthSlot)[] = []
  const add = (part: string | LengthSlot): void => {
    const last = out.at(-1)
    if (typeof part === 'string' && typeof last === 'string') out[out.length - 1] = last + part
    else if (part !== '') out.push(part)
  }
  for (const [i, part] of parts.entries()) {
    if (i > 0) add(between)
    if (typeof part === 'number') add(String(part))
    else if (typeof part === 'string' || 'mm' in part) add(part)
    else part.forEach(add)
  }
  return out.every((part) => typeof part === 'string') ? out.join('') : out
}

/** What is there but finer than the finest part is not said to be nothing. */
const inchesSaid = (value: number): string => {
  const text = inches(value)
  return text === '0″' && value > 0 ? 'less than 1/64″' : text
}

const millimetres = (value: number, digits: number | null): string =>
  digits === null ? String(Number(value.toFixed(2))) : value.toFixed(digits)

function spokenSlot({ mm: from, to, digits, cm: long, bare: unnamed }: LengthSlot, unit: LengthUnit): string {
  const both = to === undefined ? [from] : [from, to]
  if (unit === 'inch') return both.map(inchesSaid).join(' to ')
  const figures = both.map((v) => millimetres(long ? v / 10 : v, digits)).join(' to ')
  if (unnamed) return figures
  return `${figures} ${long ? 'cm' : 'mm'}`
}

/** The sentence as text, its lengths in this unit. */
export const spoken = (sentence: Sentence, unit: LengthUnit = 'mm'): string =>
  typeof sentence === 'string'
    ? sentence
    : sentence.map((part) => (typeof part === 'string' ? part : spokenSlot(part, unit))).join('')

import { expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import type { Sentence } from '../units/sentence.ts'
import { planPair } from './planPair.ts'
import { ruleChapters } from './ruleRegistry.ts'

/** Plain numbers that are no lengths, each with the words that say what they are. */
const NO_LENGTH = [
  /\d+(\.\d+)? %/g,
  /\d+(\.\d+)? (lifts?|layers|tacks|nails|pegs|screws|stitches|strokes|holes|pieces|seams|threads|times (its length|as long)|pairs of eyelets|minutes|a minute|to set|dm²|faces|grams|g for|of the (upper|insole))(?!\w)/g,
  /(Paris point|UK|US men|US women|Mondopoint) \d+(\.\d+)?( asks|.*which reads \d+(\.\d+)?)/g,
  /\d+(\.\d+)? of (its run|the last length|the liner’s own length|(its|their|the) (thickness|width))/g,
  /(up to|past) \d+(\.\d+)? (is not (felt|seen)|the foot feels|it is (felt|seen))/g,
  /by rule \d+ go/g,
  /\btacks \d+ and \d+\b/gi,
  // Shares: of a thickness, of a mass.
  /0\.5 to 0\.6 keeps|is about 0\.2;/g,
]
const LENGTH = '□'
const words = (sentence: Sentence): string =>
  typeof sentence === 'string' ? sentence : sentence.map((part) => (typeof part === 'string' ? part : LENGTH)).join('')

/** Everything in a plan that is said to a person. */
function said(value: unknown, out: Sentence[] = []): Sentence[] {
  if (typeof value !== 'object' || value === null || (Array.isArray(value) && typeof value[0] === 'number')) return out
  for (const [name, inner] of Object.entries(value)) {
    if (['sentence', 'mend', 'why', 'where'].includes(name)) out.push(inner as Sentence)
    else said(inner, out)
  }
  return out
}
const strayNumbers = (sentences: readonly Sentence[]): string[] => [
  ...new Set(sentences.map(words).filter((s) => /\d/.test(NO_LENGTH.reduce((t, known) => t.replaceAll(known, ''), s)))),
]

it('no reason of a rule has a length that would stay in millimetres on a screen in inches', () => {
  const whys = ruleChapters.flatMap((c) => c.rules.map((r) => r.why))
  expect(whys.filter((why) => typeof why !== 'string').length).toBeGreaterThan(20)
  expect(strayNumbers(whys)).toEqual([])
})

const cache = keptCache()
it.each(Object.entries(pairOfEachStyle))('nor has anything that is said of a pair: %s', (_, input) => {
  const sentences = said(planPair(input, cache))
  expect(sentences.filter((s) => typeof s !== 'string').length).toBeGreaterThan(40)
  expect(strayNumbers(sentences)).toEqual([])
})

import { makeForme } from '../src/forme/forme.ts'
import { FormeMap } from '../src/forme/formeMap.ts'
import { generateLast } from '../src/last/generate.ts'
import { landmarks } from '../src/last/landmarks.ts'
import { lastReadings } from '../src/last/readings.ts'
import type { RuleFigures } from '../src/model/pair.ts'
import { UpperDecisions } from '../src/model/upper.ts'
import { RuleBook } from '../src/trade/rules.ts'
import type { UpperNeeds } from '../src/upper/needs.ts'
import { sampleMeasures } from './samplePair.ts'

export type LastName = keyof typeof sampleMeasures
export const lastNames = Object.keys(sampleMeasures) as LastName[]

const made = new Map<LastName, Pick<UpperNeeds, 'map' | 'heelGirth'>>()

/** A sample last's forme, with the short heel of that last. */
export function lastWithHeel(name: LastName): Pick<UpperNeeds, 'map' | 'heelGirth'> {
  const kept = made.get(name)
  if (kept) return kept
  const surface = generateLast(sampleMeasures[name])
  const map = new FormeMap(surface, makeForme(surface, 'true seams', 'back and vamp'), 'own')
  const last = { map, heelGirth: lastReadings(surface, landmarks(surface)).girths.heel }
  made.set(name, last)
  return last
}

/** What an upper on a sample last needs to know, in ordinary leathers. */
export const upperNeeds = (
  name: LastName,
  decisions: Partial<UpperDecisions>,
  rules: RuleFigures = {},
): UpperNeeds => ({
  ...lastWithHeel(name),
  decisions: UpperDecisions.parse(decisions),
  book: new RuleBook({}, rules),
  heelHeight: sampleMeasures[name].heelHeight,
  layers: {
    upper: 1.4,
    own: {},
    backer: 0,
    heelLining: 0.9,
    lining: 0.9,
    stiffener: 2.4,
    gives: { usual: null, own: {} },
  },
})

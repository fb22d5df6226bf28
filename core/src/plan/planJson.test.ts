import { expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { spoken } from '../units/sentence.ts'
import { planJson } from './planJson.ts'
import { planPair } from './planPair.ts'

const cache = keptCache()

it.each(Object.entries(pairOfEachStyle))('says everything of a plan in text: %s', (_, input) => {
  const plan = planPair(input, cache)
  const text = planJson(plan)
  expect(text).not.toContain('"digits"')
  const read = JSON.parse(text) as typeof plan
  for (const [k, part] of plan.parts.entries()) {
    const out = read.parts[k]!
    expect(out.outline).toEqual(JSON.parse(JSON.stringify(part.outline)))
    expect(out.becauses.map((b) => b.sentence)).toEqual(part.becauses.map((b) => spoken(b.sentence)))
    expect(out.findings.map((f) => [f.id, f.mend])).toEqual(part.findings.map((f) => [f.id, spoken(f.mend)]))
  }
})

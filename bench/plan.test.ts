import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { PAIR_FORMAT, PAIR_VERSION, planJson, planPair, type PairFile } from '@gentle-awl/core'
import { afterAll, expect, it } from 'vitest'
import { sampleMeasures, samplePair } from '../core/test/samplePair.ts'

const folder = mkdtempSync(join(tmpdir(), 'gentle-awl-bench-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const script = fileURLToPath(new URL('./plan.ts', import.meta.url))
const run = (from: string, to: string) =>
  spawnSync(process.execPath, ['--import', 'tsx', script, from, to], {
    encoding: 'utf8',
    cwd: fileURLToPath(new URL('..', import.meta.url)),
  })

const file: PairFile = {
  format: PAIR_FORMAT,
  version: PAIR_VERSION,
  id: '01900000-0000-7000-8000-0000000000aa',
  revision: 1,
  label: { order: '1', name: 'Sample', trade: '', note: '', due: null, weight: 1 },
  log: [],
  made: [],
  readings: [],
  setbacks: [],
  givenUp: null,
  ...samplePair(),
  leftLast: null,
  cupSole: null,
}

it('writes the plan that the core makes and one line of figures', () => {
  const [from, to] = [join(folder, 'pair.json'), join(folder, 'plan.json')]
  writeFileSync(from, JSON.stringify(file))
  const result = run(from, to)
  expect(result.status, result.stderr).toBe(0)
  expect(JSON.parse(result.stdout)).toMatchObject({ parts: 26, stop: 0 })
  expect(JSON.parse(readFileSync(to, 'utf8'))).toEqual(JSON.parse(planJson(planPair(file))))
})

it.each([
  ['a broken file', '{"format":', /not a whole JSON file/],
  ['another file', '{"a":1}', /not a pair file: format/],
  [
    'a last that cannot be',
    JSON.stringify({
      ...file,
      last: { ...file.last, shape: { kind: 'measures', measures: { ...sampleMeasures.walking, waistGirth: 340 } } },
    }),
    /cannot be met/,
  ],
])('%s is refused with a sentence and no plan', (name, text, sentence) => {
  const [from, to] = [join(folder, `${name}.json`), join(folder, `${name}-plan.json`)]
  writeFileSync(from, text)
  const result = run(from, to)
  expect(result.status).toBe(1)
  expect(result.stderr).toMatch(sentence)
  expect(existsSync(to)).toBe(false)
})

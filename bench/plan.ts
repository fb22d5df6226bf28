import { writeFileSync } from 'node:fs'
import { PairFile, planJson, planPair } from '@gentle-awl/core'
import { fail, readJson } from './command.ts'

/**
 * `npx tsx bench/plan.ts PAIR.json PLAN.json`: plans a pair file without a server and prints one JSON line of
 * figures. Exits with 1 and a sentence when the file cannot be used; then no file is written.
 */
const [from, to] = process.argv.slice(2)
if (!from || !to) fail('Say which pair file to read and where the plan goes: npx tsx bench/plan.ts PAIR.json PLAN.json')

const read = PairFile.safeParse(readJson(from))
if (!read.success) {
  const issue = read.error.issues[0]!
  fail(`${from} is not a pair file: ${issue.path.join('.') || 'the whole'}: ${issue.message}.`)
}
const began = performance.now()
try {
  const plan = planPair(read.data)
  const seconds = (performance.now() - began) / 1000
  writeFileSync(to, `${planJson(plan, 1)}\n`)
  const findings = [...plan.findings, ...plan.parts.flatMap((p) => p.findings)]
  const count = (level: string) => findings.filter((f) => f.level === level).length
  console.log(
    JSON.stringify({
      parts: plan.parts.length,
      operations: plan.steps.length,
      fine: count('fine'),
      watch: count('watch'),
      stop: count('stop'),
      seconds: Number(seconds.toFixed(4)),
    }),
  )
} catch (error) {
  fail(error instanceof Error ? error.message : String(error))
}

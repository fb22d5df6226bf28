import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'

/** Ends a command with a sentence. */
export function fail(sentence: string): never {
  process.stderr.write(`${sentence}\n`)
  process.exit(1)
}

/** What stands in a file; ends the command with a sentence when it cannot be read. */
export function readText(from: string): string {
  try {
    return readFileSync(from, 'utf8')
  } catch {
    fail(`${from} cannot be read. Is the name right?`)
  }
}

/** What stands in a JSON file; ends the command with a sentence when it cannot be read. */
export function readJson(from: string): unknown {
  const text = readText(from)
  try {
    return JSON.parse(text)
  } catch {
    fail(`${from} is not a whole JSON file: it breaks off or has a stray character.`)
  }
}

/** What a search on a file is called with: `INSTANCE.json OUT.json [--seconds S] [--seed N]`. Ends the command where it makes no sense. */
export function searchArguments(command: string, result: string, usual: number) {
  const usage = `Say which instance to read and where the ${result} goes: npx tsx bench/${command}.ts INSTANCE.json OUT.json [--seconds S] [--seed N]`
  const asked = (() => {
    try {
      return parseArgs({
        allowPositionals: true,
        options: { seconds: { type: 'string', default: String(usual) }, seed: { type: 'string', default: '1' } },
      })
    } catch {
      fail(usage)
    }
  })()
  const [from, to] = asked.positionals
  if (!from || !to) fail(usage)
  const seconds = Number(asked.values.seconds)
  if (!(seconds > 0 && seconds <= 3600)) fail(`Give it between a moment and an hour: --seconds ${usual}.`)
  const seed = Number(asked.values.seed)
  if (!Number.isInteger(seed)) fail('A seed is a whole number: --seed 1.')
  return { from, to, seconds, seed }
}

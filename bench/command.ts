import { readFileSync } from 'node:fs'

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

import { readFileSync, writeFileSync } from 'node:fs'
import { ruleChapters, spoken, type Rule } from '@gentle-awl/core'

/**
 * Keeps the tables of docs/trade.md as built: between each pair of `rules:` marks it writes the rules of that chapter
 * from the code. `--check` writes nothing and fails when the file is behind.
 */
const path = new URL('../docs/trade.md', import.meta.url)
const unit = (r: Rule) => (r.unit === 'count' || r.unit === 'share' ? '' : ` ${r.unit}`)
const table = (rules: readonly Rule[]) =>
  [
    '| Rule | Key | Default | Range | Why |',
    '| --- | --- | --- | --- | --- |',
    ...rules.map(
      (r) => `| ${r.name} | \`${r.key}\` | ${r.value}${unit(r)} | ${r.min} to ${r.max} | ${spoken(r.why)} |`,
    ),
  ].join('\n')

let text = readFileSync(path, 'utf8')
const before = text
for (const chapter of ruleChapters) {
  const marks = new RegExp(`(<!-- rules: ${chapter.name} -->\\n)[\\s\\S]*?(<!-- end -->)`)
  if (!marks.test(text)) throw new Error(`docs/trade.md has no place for the chapter "${chapter.name}".`)
  text = text.replace(marks, `$1${table(chapter.rules)}\n$2`)
}
if (process.argv.includes('--check')) {
  if (text !== before) {
    process.stderr.write('docs/trade.md is behind the rules in the code: run npm run rules.\n')
    process.exit(1)
  }
} else writeFileSync(path, text)

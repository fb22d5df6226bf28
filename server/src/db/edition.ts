import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

const here = fileURLToPath(import.meta.url)

/** Which program this is: what another one worked out may be out of date. From source every start is one of its own. */
export const edition: string = here.endsWith('.ts') ? `source ${Date.now()}` : ofFolder(dirname(here))

function ofFolder(folder: string): string {
  const hash = createHash('sha256')
  for (const name of readdirSync(folder)
    .filter((n) => n.endsWith('.js'))
    .sort())
    hash.update(readFileSync(join(folder, name)))
  return hash.digest('hex').slice(0, 12)
}

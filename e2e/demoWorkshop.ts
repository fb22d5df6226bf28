import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startServer } from './server.ts'

/** Makes the demo workshop once for the whole run; every server of a spec file starts on a copy of its own. */
export default async function demoWorkshop(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'gentle-awl-template-'))
  const server = await startServer(folder)
  // Cards, lasts and formes are worked out once, and lie in every copy.
  const { pairs } = (await (await fetch(`${server.url}/api/v1/pairs`)).json()) as { pairs: { id: string }[] }
  await Promise.all(pairs.map(async ({ id }) => (await fetch(`${server.url}/api/v1/pairs/${id}/card`)).json()))
  await server.kill('SIGTERM')
  process.env.GENTLE_AWL_TEMPLATE = folder
  return () => rmSync(folder, { recursive: true, force: true })
}

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startServer } from './server.ts'

/** Makes the demo workshop once for the whole run; every server of a spec file starts on a copy of its own. */
export default async function demoWorkshop(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'gentle-awl-template-'))
  const server = await startServer(folder)
  await server.kill('SIGTERM')
  process.env.GENTLE_AWL_TEMPLATE = folder
  return () => rmSync(folder, { recursive: true, force: true })
}

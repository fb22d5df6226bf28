import { execFile } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))

/** A command of this folder as it is called, on an instance or on whatever else stands in the file; for tests. */
export function commandRun(command: string) {
  const folder = mkdtempSync(join(tmpdir(), `gentle-awl-${command}-`))
  const [from, to] = [join(folder, 'instance.json'), join(folder, 'out.json')]
  return {
    run: (content: unknown, ...more: string[]) => {
      rmSync(to, { force: true })
      writeFileSync(from, typeof content === 'string' ? content : JSON.stringify(content))
      return new Promise<{ code: number; line: string; said: string; to: string }>((resolve) => {
        execFile(
          process.execPath,
          ['--import', 'tsx', `bench/${command}.ts`, from, to, ...more],
          { cwd: root },
          (error, line, said) => resolve({ code: error ? Number(error.code) : 0, line, said, to }),
        )
      })
    },
    end: () => rmSync(folder, { recursive: true, force: true }),
  }
}

import { spawn } from 'node:child_process'

/** Commands that do not touch each other, each under its name, run side by side; each says its piece when all are done. True when none failed. */
export async function together(checks) {
  const results = await Promise.all(
    checks.map(
      ([what, [command, ...args]]) =>
        new Promise((resolve) => {
          const child = spawn(command, args, { shell: process.platform === 'win32' })
          const said = []
          child.stdout.on('data', (d) => said.push(d))
          child.stderr.on('data', (d) => said.push(d))
          child.on('error', (e) => resolve({ what, code: 1, text: e.message }))
          child.on('close', (code) => resolve({ what, code, text: Buffer.concat(said).toString() }))
        }),
    ),
  )
  for (const { what, code, text } of results)
    process.stdout.write(`\n== ${what}${code === 0 ? '' : ' FAILED'}\n${text}`)
  return results.every((r) => r.code === 0)
}

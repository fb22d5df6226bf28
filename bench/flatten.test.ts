import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, it } from 'vitest'

const script = fileURLToPath(new URL('flatten.ts', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'flatten-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const at = (name: string) => join(folder, name)
const run = (...args: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', script, ...args], { encoding: 'utf8' })

/** A quarter of a cylinder, radius 40, 8 x 3 cells, column by column. */
function quarter(): string {
  const lines: string[] = []
  for (let i = 0; i <= 8; i++) {
    for (let j = 0; j <= 3; j++) {
      const a = (Math.PI / 2) * (i / 8)
      lines.push(`v ${40 * Math.cos(a)} ${40 * Math.sin(a)} ${20 * j}`)
    }
  }
  for (let i = 0; i < 8; i++) {
    for (let j = 0; j < 3; j++) {
      const a = i * 4 + j + 1
      lines.push(`f ${a} ${a + 4} ${a + 5} ${a + 1}`)
    }
  }
  return lines.join('\n')
}

describe('bench/flatten.ts', () => {
  it('writes the flat with the same faces and one line of figures', () => {
    const [mesh, flat] = [at('mesh.obj'), at('flat.obj')]
    writeFileSync(mesh, quarter())
    const figures: unknown = JSON.parse(run(mesh, flat, '--fix-lengths', 'back').stdout)
    expect(figures).toMatchObject({ vertices: 36, triangles: 48, flipped: 0, warnings: [] })
    const out = readFileSync(flat, 'utf8').trim().split('\n')
    const v = out.filter((l) => l.startsWith('v ')).map((l) => l.split(' ').slice(1).map(Number))
    expect(v).toHaveLength(36)
    expect(out.filter((l) => l.startsWith('f '))).toHaveLength(48)
    expect(v.every((p) => p[2] === 0)).toBe(true)
    // Unrolled, the quarter is a rectangle of 60 by eight chords.
    const chord = 2 * 40 * Math.sin(Math.PI / 32)
    expect(Math.hypot(v[35]![0]! - v[0]![0]!, v[35]![1]! - v[0]![1]!)).toBeCloseTo(Math.hypot(60, 8 * chord), 8)
  })
  it.each([
    ['a tube', `${quarter()}\nf 33 1 2 34\nf 34 2 3 35\nf 35 3 4 36`, /more than one edge loop/],
    ['words', 'nothing here', /holds no mesh/],
    ['a broken point', 'v 1 2 x', /Line 1/],
  ])('%s is refused with a sentence and no file', (_name, text, sentence) => {
    const [mesh, flat] = [at('mesh.obj'), at('none.obj')]
    writeFileSync(mesh, text)
    const { status, stderr } = run(mesh, flat)
    expect(status).toBe(1)
    expect(stderr).toMatch(sentence)
    expect(existsSync(flat)).toBe(false)
  })
})

import { describe, expect, it } from 'vitest'

const files = import.meta.glob(['./**/*.ts', '!./**/*.test.ts'], {
  eager: true,
  query: '?raw',
  import: 'default',
}) as Record<string, string>
const pages = import.meta.glob(['../../docs/architecture.md'], { eager: true, query: '?raw', import: 'default' })
const [house] = Object.values(pages) as string[]

/** The floors as they are drawn, from the ground up. */
const floors: string[] = (/```floors\n([\s\S]*?)```/.exec(house!)?.[1] ?? '').match(/^\w+/gm) ?? []
const floorOf = (file: string) => file.split('/')[1]

/** The path that a relative import of a file leads to, from the folder of core's sources. */
function resolved(file: string, to: string): string {
  const at = file.split('/').slice(0, -1)
  for (const step of to.split('/')) {
    if (step === '..') at.pop()
    else if (step !== '.') at.push(step)
  }
  return at.join('/')
}
/** What each file imports, for its values and for its types alike. */
const imports = new Map(
  Object.entries(files).map(([file, text]) => [
    file,
    [...text.matchAll(/from '(\.[^']+)'/g)].map(([, to]) => resolved(file, to!)),
  ]),
)

/** The first circle found on the way down from a file, or null. */
function circle(file: string, way: readonly string[], done: Set<string>): string[] | null {
  if (way.includes(file)) return [...way.slice(way.indexOf(file)), file]
  if (done.has(file)) return null
  for (const next of imports.get(file) ?? []) {
    const found = circle(next, [...way, file], done)
    if (found) return found
  }
  done.add(file)
  return null
}

describe('the floors of core', () => {
  it('are the folders that there are, as drawn in docs/architecture.md', () => {
    const folders = new Set([...imports.keys()].filter((f) => f !== './index.ts').map(floorOf))
    expect([...folders].sort()).toEqual([...floors].sort())
  })
  it('stand on each other: nothing is imported from above', () => {
    const upward = [...imports].flatMap(([file, to]) =>
      file === './index.ts'
        ? []
        : to.filter((t) => floors.indexOf(floorOf(t)!) > floors.indexOf(floorOf(file)!)).map((t) => `${file} -> ${t}`),
    )
    expect(upward).toEqual([])
  })
  it('have no circle of files, not even of types', () => {
    const done = new Set<string>()
    expect([...imports.keys()].map((f) => circle(f, [], done)).find((c) => c !== null) ?? []).toEqual([])
    expect(done.size).toBeGreaterThan(150)
  })
})

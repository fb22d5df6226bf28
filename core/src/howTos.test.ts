import { describe, expect, it } from 'vitest'

const pages = import.meta.glob(['../../docs/how-to-*.md', '../../docs/architecture.md', '../../CONTRIBUTING.md'], {
  eager: true,
  query: '?raw',
  import: 'default',
})
const sources = import.meta.glob(
  [
    './**/*.ts',
    '../test/*.ts',
    '../../server/src/**/*.ts',
    '../../web/src/**/*.ts',
    '../../web/src/**/*.vue',
    '../../e2e/*.ts',
    '../../package.json',
    '!./howTos.test.ts',
  ],
  { eager: true, query: '?raw', import: 'default' },
) as Record<string, string>
/** Paths from the root of the project. */
const files = Object.keys(sources).map((file) =>
  file
    .replace(/^\.\//, 'core/src/')
    .replace(/^\.\.\/\.\.\//, '')
    .replace(/^\.\.\//, 'core/'),
)
const text = Object.values(sources).join('\n')

/** What stands between single backticks on a page, outside of its blocks. */
const named = (page: unknown): string[] =>
  [
    ...String(page)
      .replaceAll(/```[\s\S]*?```/g, '')
      .matchAll(/`([^`\n]+)`/g),
  ].map(([, word]) => word!)

describe.each(Object.entries(pages))('%s', (_, page) => {
  const words = named(page)
  it('names no file that is not there', () => {
    const paths = words.filter((w) => /^[\w./]+\.(ts|vue)$/.test(w))
    expect(paths.filter((path) => !files.some((file) => `/${file}`.endsWith(`/${path}`)))).toEqual([])
  })
  it('names no function, type or set of rules that is not there', () => {
    // A name of the code: words run together, whatever is called or read of it left out.
    const names = words
      .filter((w) => !/\.(ts|vue|md)$/.test(w))
      .map((w) => /^\.{0,3}([A-Za-z]+[a-z][A-Z]\w*)(?=\W|$)/.exec(w)?.[1])
      .filter((n) => n !== undefined)
    expect(names.filter((name) => !new RegExp(`\\b${name}\\b`).test(text))).toEqual([])
  })
  it('names no script that is not there', () => {
    const scripts = words.map((w) => /^npm run ([\w:]+)/.exec(w)?.[1]).filter((s) => s !== undefined)
    expect(scripts.filter((script) => !sources['../../package.json']!.includes(`"${script}":`))).toEqual([])
  })
})

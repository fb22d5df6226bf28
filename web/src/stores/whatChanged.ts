const isObject = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)

/** Paths of the decisions in which two versions differ, lists taken whole: what a change was about, whatever it was changed to. */
export function whatChanged(before: object, after: object): string {
  const paths: string[] = []
  const walk = (a: unknown, b: unknown, path: string): void => {
    // What was not touched is the very same: most of it, at every move of a hand.
    if (a === b) return
    if (isObject(a) && isObject(b)) {
      for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) walk(a[key], b[key], `${path}.${key}`)
    } else if (JSON.stringify(a) !== JSON.stringify(b)) paths.push(path)
  }
  walk(before, after, '')
  return paths.sort().join(' ')
}

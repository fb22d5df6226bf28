/**
 * What makes one value out of another, for plain data (numbers, texts, lists, records): `null` where nothing is to be
 * done, `put` where another value stands, `points` where another line of points does (x and y after each other: thousands
 * of small lists would be slow to send), `in` where only some entries of a record or of a list are others, with the list's
 * `length` where that is another.
 */
export type Change =
  null | { put: unknown } | { points: Float64Array } | { in: [string | number, Change][]; length?: number }

const isRecord = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v) && Object.getPrototypeOf(v) === Object.prototype

/** A line of points, or a row of figures: another one goes as a whole, since where one point moves most do. */
const isPath = (v: readonly unknown[]): boolean => {
  const [first] = v
  return typeof first === 'number' || (Array.isArray(first) && typeof first[0] === 'number')
}

const isPoint = (v: unknown): v is [number, number] =>
  Array.isArray(v) && v.length === 2 && typeof v[0] === 'number' && typeof v[1] === 'number'

/** Another line, or row of figures, as it goes over. */
function put(next: readonly unknown[]): Change {
  if (next.length === 0 || !next.every(isPoint)) return { put: next }
  const points = new Float64Array(2 * next.length)
  for (const [i, [x, y]] of next.entries()) {
    points[2 * i] = x
    points[2 * i + 1] = y
  }
  return { points }
}

const pointsOf = (flat: Float64Array): [number, number][] =>
  Array.from({ length: flat.length / 2 }, (_, i) => [flat[2 * i]!, flat[2 * i + 1]!])

/** The change from `old` to `next`; what is the same in content is the same, whichever object it lies in. */
export function changeBetween(old: unknown, next: unknown): Change {
  if (Object.is(old, next)) return null
  if (Array.isArray(old) && Array.isArray(next)) return listChange(old, next)
  if (isRecord(old) && isRecord(next)) return recordChange(old, next)
  return { put: next }
}

function listChange(old: readonly unknown[], next: readonly unknown[]): Change {
  const changes: [number, Change][] = []
  const whole = isPath(next)
  if (whole && old.length !== next.length) return put(next)
  for (const [i, value] of next.entries()) {
    const change: Change = i < old.length ? changeBetween(old[i], value) : { put: value }
    if (!change) continue
    if (whole) return put(next)
    changes.push([i, change])
  }
  if (old.length !== next.length) return { in: changes, length: next.length }
  return changes.length === 0 ? null : { in: changes }
}

function recordChange(old: Record<string, unknown>, next: Record<string, unknown>): Change {
  const keys = Object.keys(next)
  if (keys.length !== Object.keys(old).length || keys.some((k) => !Object.hasOwn(old, k))) return { put: next }
  const changes: [string, Change][] = []
  for (const key of keys) {
    const change = changeBetween(old[key], next[key])
    if (change) changes.push([key, change])
  }
  return changes.length === 0 ? null : { in: changes }
}

/** `old` after a change: a new value that shares with the old one whatever is the same; the old one stays as it was. */
export function changed(old: unknown, change: Change): unknown {
  if (!change) return old
  if ('put' in change) return change.put
  if ('points' in change) return pointsOf(change.points)
  if (Array.isArray(old)) {
    const list: unknown[] = old.slice(0, change.length)
    for (const [i, inner] of change.in) list[Number(i)] = changed(list[Number(i)], inner)
    return list
  }
  if (!isRecord(old)) throw new Error('A change of single entries came for what has none.')
  const record = { ...old }
  for (const [key, inner] of change.in) record[key] = changed(record[key], inner)
  return record
}

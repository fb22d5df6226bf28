/** One line of the benchmark's output. */
export interface Result {
  name: string
  median: number
  min: number
  max: number
  unit: 'ms' | 'kB' | 'MB' | '%' | 'mm'
  runs: number
  note: string
}

export function summary(name: string, values: number[], unit: Result['unit'], note: string): Result {
  const sorted = [...values].sort((a, b) => a - b)
  const round = (v: number) => Number(v.toFixed(2))
  return {
    name,
    median: round(sorted[Math.floor(sorted.length / 2)]!),
    min: round(sorted[0]!),
    max: round(sorted[sorted.length - 1]!),
    unit,
    runs: sorted.length,
    note,
  }
}

/** Times `work` after a few unmeasured rounds; `prepare` runs before each round and is not counted. */
export function time<T>(
  name: string,
  runs: number,
  note: string,
  prepare: (i: number) => T,
  work: (t: T) => void,
): Result {
  const values: number[] = []
  for (let i = -3; i < runs; i++) {
    const t = prepare(i + 3)
    const began = performance.now()
    work(t)
    if (i >= 0) values.push(performance.now() - began)
  }
  return summary(name, values, 'ms', note)
}

/**
 * The way along a closed band that gathers most: at each of `n` places one of `m` steps, neighbours not far from each other
 * (dynamic programming, Viterbi 1967, begun and ended in the middle of a second round so that it closes). `gain` says what a
 * step is worth, `bend` what a difference of one step between neighbours costs, times its square.
 */
export function bestWay(n: number, m: number, gain: Float32Array, bend: number): Int32Array {
  const reach = 4
  const rounds = 2 * n
  const from = new Int8Array(rounds * m)
  let here: Float64Array = new Float64Array(m)
  for (let k = 0; k < rounds; k++) {
    const next = new Float64Array(m)
    for (let s = 0; s < m; s++) {
      let [best, way] = [-Infinity, 0]
      for (let d = -reach; d <= reach; d++) {
        const at = s + d
        if (at < 0 || at >= m) continue
        const value = here[at]! - bend * d * d
        if (value > best) [best, way] = [value, d]
      }
      next[s] = best + gain[(k % n) * m + s]!
      from[k * m + s] = way
    }
    here = next
  }
  let s = 0
  for (let k = 1; k < m; k++) if (here[k]! > here[s]!) s = k
  const out = new Int32Array(n)
  const middle = n >> 1
  for (let k = rounds - 1; k >= 0; k--) {
    if (k >= middle && k < middle + n) out[k % n] = s
    s += from[k * m + s]!
  }
  return out
}

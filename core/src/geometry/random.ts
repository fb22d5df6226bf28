/** Reproducible random numbers in [0, 1) from a seed (mulberry32). */
export function seeded(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), a | 1)
    t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** A normally distributed number of mean 0 and sigma 1 (Box and Muller 1958). */
export function gaussian(random: () => number): number {
  const u = Math.max(random(), 1e-12)
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random())
}

/** Puts a list in another order by chance, in place (Fisher and Yates 1938). */
export function shuffle<T>(list: T[], random: () => number): void {
  for (let k = list.length - 1; k > 0; k--) {
    const other = Math.floor(random() * (k + 1))
    ;[list[k], list[other]] = [list[other]!, list[k]!]
  }
}

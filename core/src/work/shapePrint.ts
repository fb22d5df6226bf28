import type { Path } from '../geometry/path.ts'

/**
 * Fingerprint of outlines and holes, to a hundredth of a millimetre: FNV-1a over their numbers, twice with different
 * seeds. Equal shapes have equal prints on every machine.
 */
export function shapePrint(...paths: readonly Path[]): string {
  const run = (seed: number) => {
    let h = seed
    const eat = (v: number) => {
      for (let k = 0; k < 4; k++) {
        h ^= (v >> (8 * k)) & 0xff
        h = Math.imul(h, 0x01000193) >>> 0
      }
    }
    for (const path of paths) {
      eat(path.length)
      for (const [x, y] of path) {
        eat(Math.round(x * 100))
        eat(Math.round(y * 100))
      }
    }
    return h.toString(16).padStart(8, '0')
  }
  return run(0x811c9dc5) + run(0x1234567)
}

import { describe, expect, it } from 'vitest'
import { seeded } from '../geometry/random.ts'
import { NEVER, Profile } from './profile.ts'

/** Levels minute by minute: as plain as can be. */
class Minutes {
  readonly taken = new Int32Array(1500)
  constructor(
    readonly units: number,
    closed: readonly (readonly [number, number])[],
  ) {
    for (const [from, to] of closed) this.change(from, to, units)
  }
  change(from: number, to: number, by: number) {
    for (let t = Math.max(0, from); t < Math.min(to, this.taken.length); t++) this.taken[t]! += by
  }
  earliest(time: number, minutes: number) {
    let start = time
    while (this.taken.subarray(start, start + minutes).some((l) => l >= this.units)) start++
    return start
  }
  freeFrom(time: number) {
    let last = this.taken.length - 1
    while (last >= time && this.taken[last]! < this.units) last--
    return last === this.taken.length - 1 ? NEVER : Math.max(time, last + 1)
  }
}

describe('a profile of what is taken', () => {
  it('gives the places that a minute-by-minute list gives, with closed hours, while things are taken and given back', () => {
    const closed: [number, number][] = Array.from({ length: 12 }, (_, d) => [d * 100 + 40, d * 100 + 50 + (d % 3) * 30])
    for (let seed = 1; seed <= 200; seed++) {
      const random = seeded(seed)
      const units = 1 + (seed % 3)
      const [profile, minutes] = [new Profile(units, closed, 2), new Minutes(units, closed)]
      const placed: [number, number][] = []
      for (let k = 0; k < 40; k++) {
        if (placed.length > 0 && random() < 0.3) {
          const [[from, to]] = placed.splice(Math.floor(random() * placed.length), 1) as [[number, number]]
          for (const p of [profile, minutes]) p.change(from, to, -1)
          continue
        }
        const [time, length] = [Math.floor(random() * 500), 1 + Math.floor(random() * 30)]
        const start = profile.earliest(time, length)
        expect(start, `seed ${seed}, question ${k}`).toBe(minutes.earliest(time, length))
        for (const p of [profile, minutes]) p.change(start, start + length, 1)
        placed.push([start, start + length])
      }
    }
  })
  it('knows from when on a unit is free for good, and that none is while all are held', () => {
    for (let seed = 1; seed <= 100; seed++) {
      const random = seeded(seed)
      const [profile, minutes] = [new Profile(2, [], 2), new Minutes(2, [])]
      for (let k = 0; k < 12; k++) {
        const from = Math.floor(random() * 600)
        const to = random() < 0.15 ? NEVER : from + 1 + Math.floor(random() * 80)
        // More than there are is never taken.
        const most = Math.max(...minutes.taken.subarray(from, Math.min(to, 1500)))
        if (most < 2) for (const p of [profile, minutes]) p.change(from, to, 1)
        const asked = Math.floor(random() * 700)
        expect(profile.freeFrom(asked), `seed ${seed}`).toBe(minutes.freeFrom(asked))
      }
    }
  })
})

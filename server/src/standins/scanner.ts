import { generateAt, pretendScan, type LastMeasures } from '@gentle-awl/core'
import { asFile, type MeshFormat } from '../exports/lastMesh.ts'

/** What is asked of the stand-in scanner: which last lies on its table (by a number), and how well it sees. */
export interface ScanOrder {
  seed: number
  format: MeshFormat
  noise: number
  holes: number
  foot: 'right' | 'left'
}

/** Fine enough that a scan has some hundred thousand triangles, as a hand scanner gives. */
const SEEN = { columns: 241, rows: 89, across: 49, ribSamples: 400, rimSamples: 64, ridgeSamples: 240 }

/** A number in a range, the same for the same seed and place in the row. */
const pick = (seed: number, place: number, from: number, to: number): number => {
  const q = Math.sin(seed * 12.9898 + place * 78.233) * 43758.5453
  return from + (q - Math.floor(q)) * (to - from)
}
const half = (v: number) => Math.round(v * 2) / 2

/** The last hidden under a number: sensible measures that nobody has seen. */
export function hiddenLast(seed: number): LastMeasures {
  const length = Math.round(pick(seed, 1, 236, 302))
  const k = length / 290
  const full = pick(seed, 2, -0.012, 0.022)
  const shapes = ['round', 'almond', 'soft square', 'blunt'] as const
  const heel = Math.round(pick(seed, 3, 8, 48))
  return {
    length,
    heelHeight: heel,
    toeSpring: half(pick(seed, 4, 7, 12) * k),
    toeBoxHeight: half(30 * k),
    seatWidth: half(62 * k * (1 + full / 2)),
    waistWidth: half(60 * k * (1 + full / 2)),
    jointWidth: half(88 * k * (1 + full / 2)),
    jointGirth: half(252 * k * (1 + full)),
    waistGirth: half(247 * k * (1 + full)),
    instepGirth: half(251 * k * (1 + full)),
    heelGirth: null,
    seatSlope: 0.6,
    coneHeight: half(80 * k),
    coneFront: 0.4,
    coneWidth: half(28 * k),
    swing: 0.045,
    arch: pick(seed, 5, 0.15, 0.23),
    backBulge: 4.2,
    backIn: 0.29,
    toeSlope: 0.18,
    toeShape: shapes[Math.floor(pick(seed, 6, 0, 3.999))]!,
  }
}

/** The scan file of the hidden last: posed at random, with noise and a few places not seen. */
export function scanOf(order: ScanOrder): Uint8Array {
  const { seed, noise, holes, foot } = order
  const scan = pretendScan(generateAt(hiddenLast(seed), SEEN), {
    seed,
    noise,
    holes,
    holeWidth: 9,
    left: foot === 'left',
  })
  return asFile(scan, order.format, `scan ${seed}`)
}

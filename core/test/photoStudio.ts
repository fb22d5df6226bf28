import jpeg from 'jpeg-js'
import { gaussian, seeded } from '../src/geometry/random.ts'
import type { Point } from '../src/geometry/path.ts'
import type { Picture } from '../src/photo/picture.ts'
import type { Table } from './studioTable.ts'

export interface Shot {
  width: number
  height: number
  /** Where the camera is and what it looks at, mm; turned about its own axis, degrees. */
  from: readonly [number, number, number]
  at: Point
  roll?: number
  /** Focal length over the longer side. */
  focal?: number
  lens?: readonly [number, number, number]
  /** Standard deviations of blur, px, and noise, levels. */
  blur?: number
  noise?: number
  /** How much darker the far end is lit, 0 to 1. */
  uneven?: number
  /** A shadow's edge: a point on it, its direction, what is left of the light, and how soft it is, mm. */
  shadow?: { at: Point; degrees: number; light: number; soft: number }
  /** A corner of the paper that stands up: its middle, how far it reaches and how high it is, mm. */
  wrinkle?: { at: Point; reach: number; height: number }
  quality?: number
  /** Rays a pixel along each side. */
  fine?: number
  seed?: number
}

type Vec = [number, number, number]
const minus = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const crossed = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
const unit = (a: Vec): Vec => {
  const l = Math.hypot(...a)
  return [a[0] / l, a[1] / l, a[2] / l]
}

/** Takes the photograph. */
export function photograph({ ground: canvas, raised }: Table, shot: Shot): Picture {
  const { width, height, roll = 0, focal = 0.78, lens = [0, 0, 0], blur = 0.8, noise = 2, uneven = 0 } = shot
  const random = seeded(shot.seed ?? 7)
  const from: Vec = [...shot.from]
  const away = unit(minus([shot.at[0], shot.at[1], 0], from))
  const across = unit(crossed(away, Math.abs(away[2]) > 0.999 ? [0, 1, 0] : [0, 0, 1]))
  const down = crossed(away, across)
  const [cr, sr] = [Math.cos((roll * Math.PI) / 180), Math.sin((roll * Math.PI) / 180)]
  const right: Vec = [0, 1, 2].map((k) => cr * across[k]! + sr * down[k]!) as Vec
  const below: Vec = [0, 1, 2].map((k) => -sr * across[k]! + cr * down[k]!) as Vec
  const f = focal * Math.max(width, height)
  const [cx, cy] = [(width - 1) / 2, (height - 1) / 2]
  // Where a bent radius came from, by bisection, in a table.
  const most = Math.hypot(cx, cy) / f + 0.01
  const bent = (r: number) => r * (1 + lens[0] * r ** 2 + lens[1] * r ** 4 + lens[2] * r ** 6)
  const table = Float64Array.from({ length: 2049 }, (_, k) => {
    const want = (most * k) / 2048
    let [lo, hi] = [0, 2 * most]
    for (let i = 0; i < 60; i++) {
      const mid = (lo + hi) / 2
      if (bent(mid) < want) lo = mid
      else hi = mid
    }
    return want > 0 ? lo / want : 1
  })
  const rise = (x: number, y: number): number => {
    const w = shot.wrinkle
    if (!w) return 0
    const away2 = ((x - w.at[0]) ** 2 + (y - w.at[1]) ** 2) / w.reach ** 2
    return away2 < 1 ? w.height * (1 - away2) ** 2 : 0
  }
  const out = new Float32Array(3 * width * height)
  const rgb = new Float64Array(3)
  const share = new Float64Array(3)
  const fine = shot.fine ?? 1
  const first = (1 / fine - 1) / 2
  for (let j = 0; j < height; j++) {
    for (let i = 0; i < width; i++) {
      rgb.fill(0)
      for (let sy = first; sy < 0.5; sy += 1 / fine) {
        for (let sx = first; sx < 0.5; sx += 1 / fine) {
          const du = (i + sx - cx) / f
          const dv = (j + sy - cy) / f
          const r = Math.sqrt(du * du + dv * dv)
          const at = (r / most) * 2048
          const k = at | 0
          const back = table[k]! + (table[k + 1]! - table[k]!) * (at - k)
          const u = du * back
          const v = dv * back
          const ray0 = away[0] + right[0] * u + below[0] * v
          const ray1 = away[1] + right[1] * u + below[1] * v
          const ray2 = away[2] + right[2] * u + below[2] * v
          let t = -from[2] / ray2
          let x = from[0] + ray0 * t
          let y = from[1] + ray1 * t
          if (shot.wrinkle) {
            for (let n = 0; n < 4; n++) {
              t = (rise(x, y) - from[2]) / ray2
              x = from[0] + ray0 * t
              y = from[1] + ray1 * t
            }
          }
          let light = 1
          if (uneven > 0) {
            light -=
              uneven *
              Math.max(
                0,
                Math.min(
                  1,
                  (x - canvas.box.minX + y - canvas.box.minY) /
                    (canvas.box.maxX - canvas.box.minX + canvas.box.maxY - canvas.box.minY),
                ),
              )
          }
          if (shot.shadow) {
            const { at: s, degrees, light: left, soft } = shot.shadow
            const a = (degrees * Math.PI) / 180
            const side = ((x - s[0]) * -Math.sin(a) + (y - s[1]) * Math.cos(a)) / soft
            light *= left + (1 - left) / (1 + Math.exp(-4 * side))
          }
          let left = light
          for (const { height: z, colour, cover } of raised) {
            const up = (z - from[2]) / ray2
            share.fill(0)
            cover.add(from[0] + ray0 * up, from[1] + ray1 * up, 1, share)
            for (let c = 0; c < 3; c++) rgb[c]! += colour[c]! * left * share[0]!
            left *= 1 - share[0]!
          }
          if (left > 0) canvas.add(x, y, left, rgb)
        }
      }
      const o = 3 * (j * width + i)
      for (let c = 0; c < 3; c++) out[o + c] = rgb[c]! / (fine * fine)
    }
  }
  const soft = blur > 0 ? blurred(out, width, height, blur) : out
  const data = new Uint8ClampedArray(4 * width * height)
  // Levels of the screen's curve, and noise drawn once and taken in any order: both are asked for very often.
  const levels = Float32Array.from({ length: 4097 }, (_, k) => 255 * (k / 4096) ** (1 / 2.2))
  const grain = Float32Array.from({ length: 8191 }, () => noise * gaussian(random))
  let next = 0
  for (let p = 0; p < width * height; p++) {
    for (let c = 0; c < 3; c++) {
      next = next > 8100 ? Math.floor(random() * 90) : next + 1
      data[4 * p + c] = levels[Math.max(0, Math.min(4096, Math.round(4096 * soft[3 * p + c]!)))]! + grain[next]!
    }
    data[4 * p + 3] = 255
  }
  if (!shot.quality) return { width, height, data }
  const { data: bytes } = jpeg.encode({ width, height, data }, shot.quality)
  return jpeg.decode(bytes, { useTArray: true, maxMemoryUsageInMB: 2048 })
}

function blurred(from: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const reach = Math.ceil(2.5 * sigma)
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, k) =>
    Math.exp(-((k - reach) ** 2) / (2 * sigma * sigma)),
  )
  const sum = weights.reduce((a, b) => a + b, 0)
  const pass = (source: Float32Array, step: number, along: number, lines: number, lineStep: number) => {
    const out = new Float32Array(source.length)
    for (let l = 0; l < lines; l++) {
      const start = 3 * l * lineStep
      for (let k = 0; k < along; k++) {
        let [r, g, b] = [0, 0, 0]
        for (let w = -reach; w <= reach; w++) {
          const q = k + w
          const at = start + 3 * step * (q < 0 ? 0 : q >= along ? along - 1 : q)
          const share = weights[w + reach]!
          r += share * source[at]!
          g += share * source[at + 1]!
          b += share * source[at + 2]!
        }
        const to = start + 3 * step * k
        out[to] = r / sum
        out[to + 1] = g / sum
        out[to + 2] = b / sum
      }
    }
    return out
  }
  return pass(pass(from, 1, width, height, width), width, height, width, 1)
}

/** A picture as the bytes of a JPEG file. */
export const jpegOf = ({ width, height, data }: Picture, quality: number): Uint8Array =>
  jpeg.encode({ width, height, data }, quality).data

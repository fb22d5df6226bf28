import { solveDense } from '../geometry/linearSolve.ts'
import { median } from '../geometry/median.ts'
import { procrustes } from '../geometry/procrustes.ts'
import type { Point } from '../geometry/path.ts'
import { project, unproject, type Camera } from './camera.ts'
import {
  COMMON,
  moved,
  outOf,
  seenAt,
  stepOf,
  unlikely,
  type CameraState,
  type Pose,
  type SeenCorner,
} from './cameraState.ts'
import { firstCamera } from './firstCamera.ts'
import { placeOfMark, type MatSheet } from './mat.ts'

/** A mark that was read, with its corners in the picture in the order of the mat's, px. */
export interface SeenMark {
  mark: number
  corners: readonly [Point, Point, Point, Point]
}

/** A sheet, and where it lies in the frame of the first one. */
export interface LaidSheet extends Pose {
  sheet: MatSheet
}

export interface FittedCamera {
  camera: Camera
  sheets: LaidSheet[]
  /** How many marks settled it: those that do not lie flat with the rest are left out. */
  marks: number
  /** How far ink has spread over the edges of the marks, mm. */
  spread: number
  /** Middle distance between corners as seen and as computed, px and mm. */
  missed: { px: number; mm: number }
  /** Standard error of a place on the mat at height z, from how well the corners settle the camera, mm. */
  errorAt: (p: Point, z?: number) => number
}

/** What a corner may be missed by on a flat sheet in a good picture, px. */
const CORNER = 0.15
const ROUNDS = 40
/** Solves symmetric equations whose unknowns are of very different sizes: each in its own unit. */
function solveScaled(a: readonly (readonly number[])[], b: readonly number[]): number[] | null {
  const unit = a.map((row, i) => Math.sqrt(row[i]!) || 1)
  const x = solveDense(
    a.map((row, i) => row.map((v, k) => v / unit[i]! / unit[k]!)),
    b.map((v, i) => v / unit[i]!),
  )
  return x ? x.map((v, i) => v / unit[i]!) : null
}

/** A mark that is missed by so many times more than most, and by more than this, px, does not lie where its sheet does. */
const OUTLYING = 4
const OUTLYING_PX = 1
/** So often the marks that are missed most are left out, a quarter of those that are left at a time, and the rest fitted again. */
const AGAIN = 4

/**
 * As `settled`, with marks left out that do not lie flat with the rest: on a corner that stands up, or on a sheet that was bent.
 */
export function fitCamera(marks: readonly SeenMark[], width: number, height: number): FittedCamera | null {
  let kept = marks
  let fitted = settled(kept, width, height)
  for (let again = 0; again < AGAIN && fitted; again++) {
    const { camera, sheets, spread } = fitted
    const off = kept.map((m) => {
      const { sheet, corners } = placeOfMark(m.mark)!
      const pose = sheets.findIndex((s) => s.sheet === sheet)
      const missed = corners.map((plane, k) => {
        const [u, v] = seenAt(
          { camera, spread, poses: sheets },
          { plane, out: outOf(k), seen: m.corners[k]!, sheet: pose },
        )
        return Math.hypot(u - m.corners[k]![0], v - m.corners[k]![1])
      })
      return median(missed)
    })
    const limit = Math.max(OUTLYING_PX, OUTLYING * median(off))
    const worst = [...off].sort((a, b) => b - a)[kept.length >> 2]!
    const next = kept.filter((_, i) => off[i]! <= Math.max(limit, worst))
    if (next.length === kept.length || next.length < 4) break
    const rest = settled(next, width, height)
    if (!rest) break
    kept = next
    fitted = rest
  }
  return fitted
}

/**
 * The camera that saw the marks where they were seen: least squares over the corners (Levenberg 1944, Marquardt 1963),
 * with what is known of telephones where the picture leaves it open. Corners that lie off a flat sheet count less (Huber
 * 1964). Several sheets may lie anywhere on the same table: their places are found too. Null when the marks do not settle it.
 */
function settled(marks: readonly SeenMark[], width: number, height: number): FittedCamera | null {
  const bySheet = new Map<MatSheet, SeenMark[]>()
  for (const seen of marks) {
    const sheet = placeOfMark(seen.mark)?.sheet
    if (sheet) bySheet.set(sheet, [...(bySheet.get(sheet) ?? []), seen])
  }
  const groups = [...bySheet].sort((a, b) => b[1].length - a[1].length)
  if (!groups[0] || groups[0][1].length < 2) return null
  const long = Math.max(width, height)
  const corners = groups.flatMap(([, seen], sheet) =>
    seen.flatMap((m): SeenCorner[] => {
      const { corners: plane } = placeOfMark(m.mark)!
      return plane.map((p, k): SeenCorner => ({
        plane: p,
        out: outOf(k),
        seen: m.corners[k]!,
        sheet,
      }))
    }),
  )
  const first = corners.filter((c) => c.sheet === 0)
  const begun = firstCamera(
    first.map((c) => c.plane),
    first.map((c) => c.seen),
    width,
    height,
  )
  if (!begun) return null
  const others = groups.slice(1).map((_, i): Pose => {
    const mine = corners.filter((c) => c.sheet === i + 1)
    const on = mine.map((c) => unproject(begun, ...c.seen))
    const lay = procrustes(
      mine.map((c) => c.plane),
      on,
    )
    const [o, e] = [lay([0, 0]), lay([1, 0])]
    return { x: o[0], y: o[1], angle: Math.atan2(e[1] - o[1], e[0] - o[0]) }
  })
  let state: CameraState = { camera: begun, spread: 0, poses: [{ x: 0, y: 0, angle: 0 }, ...others] }
  const n = COMMON + 3 * others.length
  const missedOf = (s: CameraState) =>
    corners.map((c) => {
      const [u, v] = seenAt(s, c)
      return [u - c.seen[0], v - c.seen[1]] as const
    })
  const costOf = (s: CameraState, scale: number) => {
    let sum = unlikely(s, width, height).reduce((a, v) => a + v * v, 0)
    for (const [u, v] of missedOf(s)) {
      const r = Math.hypot(u, v) / scale
      sum += r < 2 ? r * r : 4 * r - 4
    }
    return Number.isFinite(sum) ? sum : Infinity
  }
  let damping = 1e-3
  let normal: number[][] = []
  let scale = CORNER
  for (let round = 0; round < ROUNDS; round++) {
    const off = missedOf(state)
    // How far corners are off where most of them lie flat, each way (the median of a distance is 1.1774 of that); never finer
    // than what a corner can be read to.
    scale = Math.max(CORNER, median(off.map(([u, v]) => Math.hypot(u, v))) / 1.1774)
    const weights = off.map(([u, v]) => Math.min(1, (2 * scale) / Math.max(1e-12, Math.hypot(u, v))))
    const prior = unlikely(state, width, height)
    const jacobian: Float64Array[] = []
    const priors: number[][] = []
    for (let k = 0; k < n; k++) {
      const d = new Float64Array(n)
      d[k] = stepOf(k)
      const there = moved(state, d, long)
      const row = new Float64Array(2 * corners.length)
      corners.forEach((c, i) => {
        const [u, v] = seenAt(there, c)
        row[2 * i] = (u - c.seen[0] - off[i]![0]) / d[k]! / scale
        row[2 * i + 1] = (v - c.seen[1] - off[i]![1]) / d[k]! / scale
      })
      jacobian.push(row)
      priors.push(unlikely(there, width, height).map((v, i) => (v - prior[i]!) / d[k]!))
    }
    normal = Array.from({ length: n }, () => new Array<number>(n).fill(0))
    const right = new Array<number>(n).fill(0)
    for (let a = 0; a < n; a++) {
      for (let b = a; b < n; b++) {
        let sum = 0
        corners.forEach((_, i) => {
          sum +=
            weights[i]! *
            (jacobian[a]![2 * i]! * jacobian[b]![2 * i]! + jacobian[a]![2 * i + 1]! * jacobian[b]![2 * i + 1]!)
        })
        priors[a]!.forEach((v, i) => (sum += v * priors[b]![i]!))
        normal[a]![b] = normal[b]![a] = sum
      }
      corners.forEach((_, i) => {
        right[a]! -= (weights[i]! * (jacobian[a]![2 * i]! * off[i]![0] + jacobian[a]![2 * i + 1]! * off[i]![1])) / scale
      })
      prior.forEach((v, i) => (right[a]! -= priors[a]![i]! * v))
    }
    const cost = costOf(state, scale)
    let better = false
    for (let tries = 0; tries < 10 && !better; tries++) {
      const damped = normal.map((row, i) => row.map((v, k) => (i === k ? v * (1 + damping) : v)))
      const step = solveScaled(damped, right)
      const next = step ? moved(state, step, long) : null
      const gained = next ? cost - costOf(next, scale) : -1
      if (next && gained >= 0) {
        better = gained > 1e-9 * cost
        state = next
        damping = Math.max(1e-9, damping / 10)
        if (!better) break
      } else damping *= 10
    }
    if (!better) break
  }
  return judged(
    state,
    corners,
    groups.map(([sheet]) => sheet),
    normal,
    long,
  )
}

function judged(
  state: CameraState,
  corners: readonly SeenCorner[],
  sheets: readonly MatSheet[],
  normal: readonly (readonly number[])[],
  long: number,
): FittedCamera | null {
  const { camera } = state
  const off = corners.map((c) => {
    const [u, v] = seenAt(state, c)
    const [x, y] = unproject(camera, ...c.seen)
    const [ox, oy] = unproject(camera, u, v)
    return { px: Math.hypot(u - c.seen[0], v - c.seen[1]), mm: Math.hypot(x - ox, y - oy) }
  })
  const n = normal.length
  const columns = normal.map((_, k) =>
    solveScaled(
      normal,
      normal.map((__, i) => (i === k ? 1 : 0)),
    ),
  )
  if (columns.some((c) => c === null) || !Number.isFinite(camera.f) || camera.f <= 0) return null
  const errorAt = (p: Point, z = 0): number => {
    const seen = project(camera, p[0], p[1], z)
    const slopes: Point[] = []
    for (let k = 0; k < 11; k++) {
      const d = new Float64Array(n)
      d[k] = stepOf(k)
      const there = unproject(moved(state, d, long).camera, seen[0], seen[1], z)
      slopes.push([(there[0] - p[0]) / d[k]!, (there[1] - p[1]) / d[k]!])
    }
    let variance = 0
    for (let a = 0; a < 11; a++) {
      for (let b = 0; b < 11; b++) {
        const c = columns[b]![a]!
        variance += c * (slopes[a]![0] * slopes[b]![0] + slopes[a]![1] * slopes[b]![1])
      }
    }
    return Math.sqrt(Math.max(0, variance / 2))
  }
  return {
    camera,
    sheets: sheets.map((sheet, i) => ({ sheet, ...state.poses[i]! })),
    marks: corners.length / 4,
    spread: state.spread,
    missed: { px: median(off.map((o) => o.px)), mm: median(off.map((o) => o.mm)) },
    errorAt,
  }
}
